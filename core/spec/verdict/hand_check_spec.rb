# frozen_string_literal: true

RSpec.describe Lattice::Verdict::HandCheck do
  let(:steel) { { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "210 GPa", "poisson" => "0.3", "density" => "7850 kg/m3" } } }
  let(:fixed) { %w[x y z rx ry rz] }

  # A line of 1 m with a section of 10 by 20 mm, upright.
  def line(ends, *more)
    near = ->(x) { { "box" => { "from" => spot(x - 1, -1, -1), "to" => spot(x + 1, 1, 1) } } }
    [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(1000, 0, 0)] }, body_named("bar", "way", make: "members"), outline_named("outline", rectangle("-5 mm", "-10 mm", "10 mm", "20 mm")),
     { "kind" => "section", "target" => "bar", "outline" => "outline" }, steel, *{ "left" => 0, "right" => 1000 }.map { |name, x| group_named(name, near[x], of: "points") },
     *ends.map { |name, components| { "kind" => "support", "target" => name, "components" => components } }, { "kind" => "mesh", "size" => "50 mm" }, *more]
  end

  # A plate of faces, 10 mm thick, held across its edges.
  def plate(width, *more, turned: [])
    edges = { "x low" => ["x", 0], "x high" => ["x", width], "y low" => ["y", 0], "y high" => ["y", 1000] }
    [outline_named("outline", rectangle("0 mm", "0 mm", "#{width} mm", "1000 mm")), { "kind" => "body", "name" => "sheet", "outline" => "outline", "make" => "faces", "by" => "fill", "wall" => "10 mm" }, steel,
     *edges.map { |name, (axis, at)| group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }, of: "edges") },
     group_named("corner", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points"),
     *edges.map do |name, (axis, _)|
       { "kind" => "support", "target" => name, "components" => ["z", *(if turned.any?
                                                                          [axis == "x" ? "ry" : "rx"]
                                                                        else
                                                                          []
                                                                        end)] }
     end,
     { "kind" => "mesh", "size" => "50 mm" }, *more]
  end

  def told(statements, name)
    problem = shape_problem(*statements)
    study = problem.study!(name)
    Lattice::Verdict::Findings.new(problem, study, Lattice::Study::Solving.new(problem).call(study)).findings.select { |f| f[:kind] == "hand_check" }
  end

  def check(study, body, **as) = { "kind" => "hand_check", "study" => study, "body" => body }.merge(as.transform_keys(&:to_s))
  def ring(**more) = { "kind" => "study", "name" => "ring", "type" => "vibration", "modes" => 8 }.merge(more.transform_keys(&:to_s))
  def refused(*statements) = Lattice::Verdict::Readiness.new(shape_problem(*statements)).notices.map { |n| n.fault.to_s }

  { "cantilever" => { "left" => %w[x y z rx ry rz] }, "simply supported" => { "left" => %w[x y z rx], "right" => %w[y z] }, "clamped" => { "left" => %w[x y z rx ry rz], "right" => %w[x y z rx ry rz] },
    "propped" => { "left" => %w[x y z rx ry rz], "right" => %w[y z] }, "free" => {} }.each do |beam, ends|
    it "tells the lowest frequencies of a #{beam} beam both ways" do
      found = told(line(ends, ring, check("ring", "bar", beam: beam)), "ring")
      expect(found.map { |f| f[:direction] }).to eq(%w[y z])
      expect(found[1][:estimate] / found[0][:estimate]).to be_near(2, 1e-9)
      expect(found.map { |f| f[:difference].abs }).to all(be < 5e-3)
    end

    next if beam == "free"

    it "tells the force at which a #{beam} column buckles" do
      slid = ends.merge("right" => (ends["right"] || []) - ["x"]).reject { |_, c| c.empty? }
      studies = [{ "kind" => "study", "name" => "push", "type" => "static" }, { "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "push", "modes" => 2 }]
      found = told(line(slid, { "kind" => "force", "target" => "right", "value" => "3 kN", "direction" => "-x" }, *studies, check("fold", "bar", beam: beam)), "fold")[0]
      half = { "cantilever" => 2, "simply supported" => 1, "clamped" => 0.5, "propped" => 0.69915566 }.fetch(beam)
      expect(found[:estimate]).to be_near((Math::PI**2) * 210e9 * 0.02 * (0.01**3) / 12 / (half**2), 1e-4)
      expect(found).to include(direction: "y", dimension: "force", shape: "shape 1")
      expect(found[:difference].abs).to be < 5e-3
    end

    it "tells how far a #{beam} beam bends under its weight" do
      weight = 7850 * 9.81 * 2e-4
      bent = { "cantilever" => 1 / 8.0, "simply supported" => 5 / 384.0, "clamped" => 1 / 384.0, "propped" => 1 / 192.0 }.fetch(beam) * weight / (210e9 * 0.01 * (0.02**3) / 12)
      found = told(line(ends, { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z" }, { "kind" => "study", "name" => "sag", "type" => "static" }, check("sag", "bar", beam: beam)), "sag")[0]
      expect(found[:estimate]).to be_near(-bent, 0.02)
      expect(found[:direction]).to eq("z")
      expect(found[:difference].abs).to be < 0.02
    end
  end

  { "simply supported" => [[], 4.0], "clamped" => [["r"], 10.07] }.each do |edges, (turned, squeezed)|
    it "tells the lowest frequency of a #{edges} plate, and the stress at which it buckles pressed and sheared" do
      floating = [{ "kind" => "support", "target" => "x low", "components" => ["x"] }, { "kind" => "support", "target" => "corner", "components" => ["y"] }]
      vibrating = told(plate(1000, *floating, ring(modes: 2), check("ring", "sheet", plate: edges), turned: turned), "ring")[0]
      expect(vibrating).to include(direction: "z", shape: "mode 1")
      expect(vibrating[:difference].abs).to be < 0.01

      studies = [{ "kind" => "study", "name" => "push", "type" => "static" }, { "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "push", "modes" => 2 }, check("fold", "sheet", plate: edges)]
      press = { "kind" => "line_load", "target" => "x high", "value" => "500 kN/m", "direction" => "-x" }
      pressed = told(plate(1000, *floating, press, *studies, turned: turned), "fold")[0]
      unit = (Math::PI**2) * 210e9 * (0.01**2) / (12 * 0.91)
      expect(pressed).to include(what: "buckling stress in compression along x", dimension: "stress", estimate: be_within(1).of(squeezed * unit))
      expect(pressed[:difference].abs).to be < 0.012

      shears = { "x high" => "+y", "x low" => "-y", "y high" => "+x", "y low" => "-x" }.map { |side, way| { "kind" => "line_load", "target" => side, "value" => "500 kN/m", "direction" => way } }
      three = [{ "kind" => "support", "target" => "corner", "components" => %w[x y] }, group_named("far", { "box" => { "from" => spot(1499, -1, -1), "to" => spot(1501, 1, 1) } }, of: "points"),
               { "kind" => "support", "target" => "far", "components" => ["y"] }]
      sheared = told(plate(1500, *three, *shears, *studies, turned: turned), "fold")[0]
      expect(sheared[:what]).to eq("buckling stress in shear")
      expect(sheared[:difference].abs).to be < 0.03
    end
  end

  it "takes an outline that is extruded far for the section" do
    drawn = { "section" => { "shape" => "I", "height" => "40 mm", "width" => "20 mm", "web" => "4 mm", "flange" => "5 mm" } }
    bar = [outline_named("channel", drawn), body_named("bar", "channel", thickness: "600 mm", on: on("yz")), steel,
           group_named("root", { "plane" => { "axis" => "x", "at" => "0 mm" } }), { "kind" => "support", "target" => "root", "components" => %w[x y z] }, { "kind" => "mesh", "size" => "10 mm" }]
    found = told([*bar, ring(modes: 3), check("ring", "bar", beam: "cantilever")], "ring")
    level = ((20 * (40**3)) - (16 * (30**3))) / 12.0
    upright = ((10 * (20**3)) + (30 * (4**3))) / 12.0
    expect(found.map { |f| [f[:direction], f[:second_moment] * 1e12] }).to match([["y", be_within(1).of(upright)], ["z", be_within(1).of(level)]])
    expect(found[0][:difference].abs).to be < 0.02
    expect(found[1][:difference].abs).to be < 0.05
  end

  it "offers itself for what is held like a beam or a plate, and no more once it is there" do
    offers = ->(*statements) { Lattice::Verdict::Hand::Offers.of(shape_problem(*statements)) }
    { "cantilever" => { "left" => fixed }, "simply supported" => { "left" => %w[x y z rx], "right" => %w[y z] }, "clamped" => { "left" => fixed, "right" => fixed },
      "propped" => { "left" => fixed, "right" => %w[y z] },
      "free" => {} }.each do |beam, ends|
      expect(offers[*line(ends, ring)]).to eq([{ "study" => "ring", "body" => "bar", "beam" => beam }])
    end
    expect(offers[*plate(1000, ring)]).to eq([{ "study" => "ring", "body" => "sheet", "plate" => "simply supported" }])
    expect(offers[*plate(1000, ring, turned: ["r"])]).to eq([{ "study" => "ring", "body" => "sheet", "plate" => "clamped" }])
    expect(offers[*line({ "left" => fixed }, ring, check("ring", "bar", beam: "cantilever"))]).to eq([])
    expect(offers[*line({}, { "kind" => "study", "name" => "sag", "type" => "static" })]).to eq([])
    solid = Lattice::Verdict::Hand::Offers.of(problem)
    expect(solid).to eq([{ "study" => "pull", "body" => "bar", "beam" => "cantilever" }])
  end

  it "says what it cannot tell, and the cure" do
    expect(refused(*line({ "left" => fixed }, ring, check("ring", "bar")))).to include(/takes the body neither for a beam nor for a plate/)
    expect(refused(*line({ "left" => fixed }, { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-z" }, { "kind" => "study", "name" => "sag", "type" => "static" },
                         check("sag", "bar", beam: "free"))))
      .to include(/nothing is told by hand of a free beam in a static study.*Known: cantilever/)
    expect(refused(*line({ "left" => fixed }, ring, check("ring", "bar", plate: "clamped")))).to include(/is no plate in space/)
    expect(refused(*plate(1000, { "kind" => "study", "name" => "sag", "type" => "static" }, check("sag", "sheet", plate: "clamped")))).to include(/how far a plate bends is not estimated/)
    bend = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(500, 0, 0), spot(500, 500, 0)] }]
    expect(refused(*bend, *line({ "left" => fixed }, ring, check("ring", "bar", beam: "cantilever")).drop(1))).to include(/are not one straight line of one section/)
  end
end
