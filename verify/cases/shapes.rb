# frozen_string_literal: true

# Solids whose volume, centre and inertia are known in closed form.
module Verify
  # Makes a shape of statements and checks its bodies.
  class Shape
    def initialize(*statements)
      numbered = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
      document = Lattice::Model::Document.new(Lattice::Model::Document.empty("case", units: "SI").merge("statements" => numbered))
      @parts = Lattice::Shape::Parts.new(document)
      raise @parts.faults.join("\n") unless @parts.faults.empty?
    end

    def measures = @parts.bodies.last.facets.measures
    def mesh = "#{@parts.bodies.last.facets.count} facets"

    def self.outline(name, boundary, **more) = { "kind" => "outline", "name" => name, "boundary" => boundary }.merge(more.transform_keys(&:to_s))
    def self.solid(name, outline, **more) = { "kind" => "body", "name" => name, "outline" => outline, "make" => "solid" }.merge(more.transform_keys(&:to_s))
    def self.circle(x, y, diameter) = { "circle" => { "x" => "#{x} m", "y" => "#{y} m", "diameter" => "#{diameter} m" } }
    def self.combine(how, body, other) = { "kind" => "combine", "name" => "result", "how" => how, "body" => body, "with" => [other] }
  end
end

Verify.define("solids of revolution", source: "Archimedes; Pappus of Alexandria; I. N. Bronshtein et al., Handbook of Mathematics") do |report|
  s = Verify::Shape
  ball = s.new(s.outline("half", Verify.corners([0, -1, { through: [1, 0] }], [0, 1])), s.solid("ball", "half", by: "revolve"))
  report.check("ball: volume", reference: 4 * Math::PI / 3, value: ball.measures.volume, tolerance: 1e-5, mesh: ball.mesh)
  report.check("ball: surface", reference: 4 * Math::PI, value: ball.measures.area, tolerance: 1e-5, mesh: ball.mesh)
  report.check("ball: inertia", reference: 8 * Math::PI / 15, value: ball.measures.inertia[0][0], tolerance: 1e-5, mesh: ball.mesh)

  ring = s.new(s.outline("round", s.circle(3, 0, 2)), s.solid("ring", "round", by: "revolve"))
  report.check("torus: volume", reference: 6 * (Math::PI**2), value: ring.measures.volume, tolerance: 1e-5, mesh: ring.mesh)
  report.check("torus: surface", reference: 12 * (Math::PI**2), value: ring.measures.area, tolerance: 1e-5, mesh: ring.mesh)
  # About its axis m (R² + ¾ r²).
  report.check("torus: inertia about its axis", reference: 6 * (Math::PI**2) * 9.75, value: ring.measures.inertia[1][1], tolerance: 1e-5, mesh: ring.mesh)

  cone = s.new(s.outline("flank", Verify.corners([0, 0], [1, 0], [0, 2])), s.solid("cone", "flank", by: "revolve"))
  report.check("cone: volume", reference: 2 * Math::PI / 3, value: cone.measures.volume, tolerance: 1e-4, mesh: cone.mesh)
  report.check("cone: height of its centre", reference: 0.5, value: cone.measures.centre[1], tolerance: 1e-4, mesh: cone.mesh)
  frustum = s.new(s.outline("flank", Verify.corners([0, 0], [1, 0], [0.5, 2], [0, 2])), s.solid("frustum", "flank", by: "revolve"))
  report.check("frustum: volume", reference: 2 * Math::PI * 1.75 / 3, value: frustum.measures.volume, tolerance: 1e-5, mesh: frustum.mesh)
  # An arc about (−1, 0) of radius 2, turned about x = 0: ∫ x² dy, with x = √(4 − y²) − 1, times 2 π.
  spindle = s.new(s.outline("half", Verify.corners([0, -Math.sqrt(3), { through: [1, 0] }], [0, Math.sqrt(3)])), s.solid("spindle", "half", by: "revolve"))
  report.check("spindle of an arc: volume", reference: 2 * Math::PI * ((3 * Math.sqrt(3)) - (4 * Math::PI / 3)), value: spindle.measures.volume, tolerance: 1e-4, mesh: spindle.mesh)

  half = s.new(s.outline("round", s.circle(3, 0, 2)), s.solid("bow", "round", by: "revolve", angle: "180 deg"))
  # The middle of half a ring lies (R² + r²/4) · 2 / (π R) from the axis.
  reach = half.measures.centre.then { |x, _, z| Math.hypot(x, z) }
  report.check("half a torus: distance of its centre", reference: 2 * 9.25 / (Math::PI * 3), value: reach, tolerance: 1e-5, mesh: half.mesh)
end

Verify.define("combined solids", source: "Archimedes, The Method (crossing cylinders); I. N. Bronshtein et al., Handbook of Mathematics") do |report|
  s = Verify::Shape
  bars = [s.outline("round", s.circle(0, 0, 2)), s.solid("along", "round", thickness: "6 m", on: { "plane" => "xy", "z" => "-3 m" }),
          s.solid("across", "round", thickness: "6 m", on: { "plane" => "yz", "x" => "-3 m" })]
  crossing = s.new(*bars, s.combine("intersect", "along", "across"))
  report.check("crossing cylinders: volume", reference: 16.0 / 3, value: crossing.measures.volume, tolerance: 1e-5, mesh: crossing.mesh)
  report.check("crossing cylinders: surface", reference: 16.0, value: crossing.measures.area, tolerance: 1e-5, mesh: crossing.mesh)
  union = s.new(*bars, s.combine("union", "along", "across"))
  report.check("cross of two bars: volume", reference: (12 * Math::PI) - (16.0 / 3), value: union.measures.volume, tolerance: 1e-5, mesh: union.mesh)

  ball = [s.outline("half", Verify.corners([0, -1, { through: [1, 0] }], [0, 1])), s.solid("ball", "half", by: "revolve")]
  cap = s.new(*ball, { "kind" => "cut", "body" => "ball", "plane" => { "axis" => "x", "at" => "0.4 m" }, "keep" => "above" })
  # A cap of height h: π h² (3 r − h) / 3.
  report.check("cap of a ball: volume", reference: Math::PI * 0.36 * 2.4 / 3, value: cap.measures.volume, tolerance: 1e-5, mesh: cap.mesh)
  report.check("cap of a ball: distance of its centre", reference: 3 * ((2 - 0.6)**2) / (4 * (3 - 0.6)), value: cap.measures.centre[0], tolerance: 1e-5, mesh: cap.mesh)

  bored = s.new(*ball, s.outline("bore", s.circle(0, 0, 1.2)), s.solid("drill", "bore", thickness: "4 m", on: { "plane" => "xz", "y" => "2 m" }), s.combine("subtract", "ball", "drill"))
  # The ring that a bore leaves of a ball depends on its height 2 h alone: 4/3 π h³.
  report.check("bored ball: volume", reference: 4.0 / 3 * Math::PI * (0.8**3), value: bored.measures.volume, tolerance: 1e-5, mesh: bored.mesh)
end

Verify.define("section outlines", source: "EN 10365 (areas of sections with root radii); I. N. Bronshtein et al.") do |report|
  read = lambda do |section|
    data = { "id" => "o", "kind" => "outline", "name" => "o", "boundary" => { "section" => section.transform_values { |v| v.is_a?(String) ? v : "#{v} mm" } } }
    Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(data)).outline.area_and_centroid[0] * 1e4
  end
  # Table values in cm², to three digits.
  report.check("I section 200 × 100: area", reference: 28.5, tolerance: 2e-3, mesh: "–",
                                            value: read.call("shape" => "I", "height" => 200, "width" => 100, "web" => 5.6, "flange" => 8.5, "root" => 12))
  report.check("wide I section 200 × 200: area", reference: 78.1, tolerance: 1e-3, mesh: "–",
                                                 value: read.call("shape" => "I", "height" => 200, "width" => 200, "web" => 9, "flange" => 15, "root" => 18))
  tube = Math::PI / 4 * ((168.3**2) - (158.3**2)) / 100
  report.check("tube 168.3 × 5: area", reference: tube, value: read.call("shape" => "tube", "height" => 168.3, "web" => 5), tolerance: 1e-9, mesh: "–")
end
