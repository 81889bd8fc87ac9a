# frozen_string_literal: true

spot = ->(x, y, reach) { { "box" => { "from" => [-1, x, y], "to" => [1, x, y] }.transform_values { |(way, *at)| { "x" => "#{at[0] + (way * reach)} mm", "y" => "#{at[1] + way} mm", "z" => "#{way} mm" } } } }
at = ->(name, axis, place) { { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{place} mm" } } } }

Verify.define("tie of concrete torn apart, and pressed until it is crushed", source: "elementary: all that it bears, and in all the energy of one crack for its area, whatever the size of its band") do |report|
  { 100 => "wide band", 50 => "narrow band" }.each do |size, words|
    tie = lambda do |move, increments|
      result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, *[size / 1000.0] * 2)), { "kind" => "body", "name" => "tie", "outline" => "outline", "make" => "plane stress", "thickness" => "50 mm" },
                             { "kind" => "material", "target" => "tie", "material" => "concrete", "properties" => { "young" => "30 GPa", "poisson" => "0.2" } },
                             { "kind" => "concrete", "target" => "tie", "tension" => "3 MPa", "compression" => "30 MPa", "energy" => "100 N/m" },
                             at["left", "x", 0], at["right", "x", size], at["low", "y", 0], *{ "left" => "x", "low" => "y" }.map do |name, axis|
                                                                                              { "kind" => "support", "target" => name, "components" => [axis] }
                                                                                            end,
                             { "kind" => "case", "name" => "pull" }, { "kind" => "displacement", "target" => "right", "component" => "x", "value" => "#{move} mm", "case" => "pull" },
                             { "kind" => "mesh", "size" => "#{size} mm", "order" => "linear" },
                             { "kind" => "study", "name" => "case", "type" => "stages", "stages" => [{ "name" => "pull", "loads" => [{ "case" => "pull", "factor" => "1" }], "increments" => increments }] })
      right = ((result.grid.nodes[true, 0] - (size / 1000.0)).abs < 1e-9).where
      pulls = [0.0] + result.frames.map { |f| result.reaction(f.index)[right, 0].sum.abs }
      moves = [0.0] + result.frames.map { |f| f.value * move.abs / 1000 }
      work = pulls.each_cons(2).zip(moves.each_cons(2)).sum { |(a, b), (x, y)| (a + b) / 2 * (y - x) }
      [result, pulls.max, work]
    end
    area = size * 50 / 1e6
    result, most, work = tie[0.4, 160]
    report.check("greatest pull, kN: #{words}", reference: 3e3 * area, value: most / 1e3, tolerance: 0.03, mesh: Verify.mesh_text(result))
    report.check("work of tearing it, J: #{words}", reference: 100 * area, value: work, tolerance: 0.04, mesh: Verify.mesh_text(result))
    result, most, = tie[-0.004 * size, 80]
    report.check("greatest push, kN: #{words}", reference: 30e3 * area, value: most / 1e3, tolerance: 0.02, mesh: Verify.mesh_text(result))
  end
end

Verify.define("notched beam of concrete", source: "A. Hillerborg, M. Modéer, P.-E. Petersson, 1976: the beam of P.-E. Petersson, 1981, with a crack of its own along the ligament: 758 N") do |report|
  { 10 => "10 mm" }.each do |size, words|
    half = size / 2.0
    corners = [[0, 0], [1000 - half, 0], [1000 - half, 100], [1000 + half, 100], [1000 + half, 0], [2000, 0], [2000, 200], [1000 + half, 200], [1000 - half, 200], [0, 200]]
    at_mm = ->(points) { points.map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } }
    up = [[900, 0], [1100, 0], [1000 - half, 100], [1000 + half, 100]].map { |x, y| { "corners" => at_mm[[[x, y], [x, 200]]] } }
    result, = Verify.solve({ "kind" => "outline", "name" => "outline", "boundary" => { "corners" => at_mm[corners] }, "dividers" => up,
                             "regions" => { "left" => 100, "before" => 950, "ligament" => 1000, "behind" => 1050, "right" => 1900 }.map { |name, x| { "name" => name, "x" => "#{x} mm", "y" => "150 mm" } } },
                           { "kind" => "body", "name" => "beam", "outline" => "outline", "make" => "plane stress", "thickness" => "50 mm" },
                           { "kind" => "material", "target" => "everything", "material" => "concrete", "properties" => { "young" => "30 GPa", "poisson" => "0.2" } },
                           { "kind" => "concrete", "target" => "everything", "tension" => "3.33 MPa", "compression" => "33 MPa", "energy" => "124 N/m" },
                           *{ "left foot" => [0, 0], "right foot" => [2000, 0] }.map { |name, (x, y)| { "kind" => "group", "name" => name, "of" => "points", "rule" => spot[x, y, 1] } },
                           { "kind" => "group", "name" => "head", "of" => "edges", "rule" => spot[1000, 200, 20] },
                           { "kind" => "support", "target" => "left foot", "components" => %w[x y] }, { "kind" => "support", "target" => "right foot", "components" => %w[y] },
                           { "kind" => "case", "name" => "push" }, { "kind" => "displacement", "target" => "head", "component" => "y", "value" => "-0.5 mm", "case" => "push" },
                           { "kind" => "mesh", "size" => "50 mm", "order" => "linear" }, *%w[before ligament behind].map { |name| { "kind" => "size", "target" => name, "size" => "#{size} mm" } },
                           { "kind" => "study", "name" => "case", "type" => "stages", "stages" => [{ "name" => "push", "loads" => [{ "case" => "push", "factor" => "1" }], "increments" => 50 }] })
    head = ((result.grid.nodes[true, 0] - 1).abs < (size / 2000.0) + 1e-6) & (result.grid.nodes[true, 1] > 0.2 - 1e-9)
    pushes = result.frames.map { |f| result.reaction(f.index)[head.where, 1].sum.abs }
    p pushes.map(&:round) if ENV["TR"]
    report.check("greatest load, N: #{words}", reference: 758, value: pushes.max, tolerance: 0.04, mesh: Verify.mesh_text(result))
  end
end
