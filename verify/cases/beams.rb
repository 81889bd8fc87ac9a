# frozen_string_literal: true

# The straight slender cantilever, six elements long: 6 × 0.2 × 0.1, E 1e7, ν 0.3, unit tip loads.
module Verify
  # The bar of the standard problems, with the loads of one case.
  module SlenderCantilever
    module_function

    def solve(size, *loads)
      Verify.solve(Verify.outline(Verify.rectangle(0, 0, 6, 0.2)), Verify.body("solid", 0.1), Verify.material(1e7, 0.3),
                   Verify.plane("root", "x", 0), Verify.plane("tip", "x", 6), Verify.held("root", "x", "y", "z"), *loads,
                   Verify.picked("back", "edges", "side 2 at bottom"), Verify.picked("front", "edges", "side 2 at top"), *Verify.static(size)).first
    end

    # T L / G J with J by the series for a rectangle (S. P. Timoshenko, J. N. Goodier, § 109).
    def saint_venant
      a = 0.2
      b = 0.1
      series = (1..19).step(2).sum { |n| Math.tanh(n * Math::PI * a / (2 * b)) / (n**5) }
      torsion = a * (b**3) / 3 * (1 - (192 / (Math::PI**5) * b / a * series))
      6 / (1e7 / 2.6 * torsion)
    end

    # Turn of the tip about x from the mean movements of its two upright sides.
    def twist(result)
      front = Verify.mean(result, result.displacement[true, 1].dup, "side 2 at top")
      back = Verify.mean(result, result.displacement[true, 1].dup, "side 2 at bottom")
      (back - front).abs / 0.1
    end
  end
end

Verify.define("slender cantilever", source: "R. H. MacNeal, R. L. Harder, A proposed standard set of problems to test finite element accuracy, 1985") do |report|
  # With six elements the reference itself reports up to 4 % (bending) and 10 % (twist)
  # for this element. Its twist is an estimate; the refined mesh is held to de Saint-Venant.
  [[1.0, 0.01, 0.05, 0.10, 0.03208], [0.05, 0.01, 0.01, 0.01, Verify::SlenderCantilever.saint_venant]].each do |size, stretch, bend, turn, twist|
    { "extension" => ["+x", 0, 3.0e-5, stretch], "in-plane bending" => ["+y", 1, 0.1081, bend], "out-of-plane bending" => ["+z", 2, 0.4321, bend] }
      .each do |quantity, (direction, component, reference, tolerance)|
      result = Verify::SlenderCantilever.solve(size, Verify.force("tip", 1, direction))
      report.check(quantity, reference: reference, value: Verify.mean(result, result.displacement[true, component].dup, "side 2"),
                             tolerance: tolerance, mesh: Verify.mesh_text(result))
    end
    result = Verify::SlenderCantilever.solve(size, Verify.force("front", 10, "-y"), Verify.force("back", 10, "+y"))
    report.check("twist", reference: twist, value: Verify::SlenderCantilever.twist(result), tolerance: turn, mesh: Verify.mesh_text(result))
  end
end

Verify.define("short cantilever", source: "S. P. Timoshenko, J. N. Goodier, Theory of Elasticity: bending with shear, load shared over the end") do |report|
  length = 0.5
  depth = 0.1
  width = 0.04
  young = 210e9
  load = 5e3
  second_moment = width * (depth**3) / 12
  reference = (load * (length**3) / (3 * young * second_moment)) + (1.2 * load * length * 2 * 1.3 / (young * width * depth))
  result, problem = Verify.solve(Verify.outline(Verify.rectangle(0, 0, length, depth)), Verify.body("solid", width), Verify.material(young, 0.3),
                                 Verify.plane("root", "x", 0), Verify.plane("tip", "x", length), Verify.held("root", "x", "y", "z"),
                                 Verify.force("tip", load, "-y"), *Verify.static(0.01),
                                 { "kind" => "hand_check", "study" => "static", "body" => "part", "beam" => "cantilever" })
  report.check("tip deflection", reference: -reference, value: Verify.mean(result, result.displacement[true, 1].dup, "side 2"), tolerance: 0.01, mesh: Verify.mesh_text(result))
  node = Verify.node(result, length / 2, depth, width / 2)
  report.check("bending stress half way", reference: load * (length / 2) * (depth / 2) / second_moment, value: result.stress[node, 0], tolerance: 0.01, mesh: Verify.mesh_text(result))
  work = -(result.load * result.displacement).sum / -2
  report.check("strain energy against the work of the load", reference: work, value: result.energy, tolerance: 1e-8, mesh: Verify.mesh_text(result))
  check = Lattice::Verdict::Findings.new(problem, problem.study!, result).findings.find { |f| f[:kind] == "hand_check" }
  report.check("our hand check", reference: -reference, value: check[:estimate], tolerance: 1e-6, mesh: "–")
end

Verify.define("simply supported beam", source: "Roark's Formulas for Stress and Strain: uniform load, with shear") do |report|
  span = 2.0
  depth = 0.1
  young = 70e9
  pull = 50_000.0
  second_moment = (depth**3) / 12
  reference = (5 * pull * (span**4) / (384 * young * second_moment)) + (1.2 * pull * (span**2) * 2 * 1.3 / (8 * young * depth))
  result, problem = Verify.solve(Verify.outline(Verify.rectangle(0, 0, span, depth)), Verify.body("plane stress", 1), Verify.material(young, 0.3),
                                 Verify.plane("left", "x", 0, of: "edges"), Verify.plane("right", "x", span, of: "edges"),
                                 Verify.plane("top", "y", depth, of: "edges"), Verify.picked("pin", "points", "start of side 1"),
                                 Verify.held("left", "y"), Verify.held("right", "y"), Verify.held("pin", "x"), Verify.pressure("top", pull), *Verify.static(0.025),
                                 { "kind" => "hand_check", "study" => "static", "body" => "part", "beam" => "simply supported" })
  middle = result.displacement[Verify.node(result, span / 2, depth / 2, 0), 1]
  report.check("sag half way", reference: -reference, value: middle, tolerance: 0.01, mesh: Verify.mesh_text(result))
  check = Lattice::Verdict::Findings.new(problem, problem.study!, result).findings.find { |f| f[:kind] == "hand_check" }
  report.check("our hand check", reference: -reference, value: check[:estimate], tolerance: 1e-3, mesh: "–")
end

Verify.define("bar under its own weight", source: "closed form: u = ρ g L² / 2 E") do |report|
  result, = Verify.solve(Verify.outline(Verify.rectangle(0, 0, 0.1, 2)), Verify.body("solid", 0.1), Verify.material(30e9, 0.0, density: 2500),
                         Verify.plane("top", "y", 2), Verify.held("top", "x", "y", "z"), { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }, *Verify.static(0.1))
  report.check("end movement", reference: -2500 * 9.81 * 4 / (2 * 30e9), value: Verify.mean(result, result.displacement[true, 1].dup, "side 1"), tolerance: 1e-6,
                               mesh: Verify.mesh_text(result))
  report.check("reaction", reference: 2500 * 9.81 * 0.02, value: result.balance[:reaction][1], tolerance: 1e-9, mesh: Verify.mesh_text(result))
end
