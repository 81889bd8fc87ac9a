# frozen_string_literal: true

Verify.define("two strips side by side", source: "stretched alike, each by Hooke's law: σ = E ε, with ν = 0 and ε = 0.001") do |report|
  strips = { "stiff" => [0, 210e9], "soft" => [0.01, 70e9] }
  made = strips.flat_map do |name, (y, young)|
    [Verify.outline(Verify.rectangle(0, y, 0.1, 0.01)).merge("name" => "#{name} outline"), Verify.body("solid", 0.005).merge("name" => name, "outline" => "#{name} outline"),
     Verify.material(young, 0).merge("target" => name)]
  end
  result, problem = Verify.solve(*made, { "kind" => "join", "bodies" => strips.keys }, Verify.plane("left", "x", 0), Verify.plane("right", "x", 0.1), Verify.held("left", "x", "y", "z"),
                                 { "kind" => "displacement", "target" => "right", "component" => "x", "value" => "0.1 mm" }, *Verify.static(0.005))
  strips.each do |name, (_, young)|
    stress = result.field("stress_xx")[result.grid.points_of([problem.parts.place(name, name)])]
    [["least", stress.min], ["greatest", stress.max]].each do |what, value|
      report.check("#{name}: #{what} stress, border included", reference: young * 0.001, value: value, tolerance: 1e-9, mesh: Verify.mesh_text(result))
    end
  end
  report.check("imbalance, only a movement being prescribed", reference: 0.0, value: result.balance[:error], tolerance: 1e-9, mesh: Verify.mesh_text(result))
end
