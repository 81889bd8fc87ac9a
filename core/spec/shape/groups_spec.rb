# frozen_string_literal: true

RSpec.describe Lattice::Shape::Groups do
  def found(rule_or_pick, of: "faces", **changes)
    group = { "id" => "g", "kind" => "group", "name" => "found", "of" => of }.merge(rule_or_pick)
    problem(changes, group).groups.find("found").map(&:name)
  end

  drilled = { "holes" => [{ "circle" => { "x" => "50 mm", "y" => "10 mm", "diameter" => "8 mm" } }, { "circle" => { "x" => "150 mm", "y" => "10 mm", "diameter" => "8 mm" } },
                          { "circle" => { "x" => "100 mm", "y" => "10 mm", "diameter" => "10 mm" } }] }

  it "finds faces on a plane" do
    expect(found({ "rule" => { "plane" => { "axis" => "x", "at" => "200 mm" } } })).to eq(["side 2"])
    expect(found({ "rule" => { "plane" => { "axis" => "z", "at" => "1 cm" } } })).to eq(["top"])
    expect(found({ "rule" => { "plane" => { "axis" => "y", "at" => "7 mm" } } })).to be_empty
    expect(found({ "rule" => { "plane" => { "axis" => "x", "at" => "0 mm" } } }, of: "edges").size).to eq(4)
  end

  it "finds all bores of a diameter, and finds them again after the shape has changed" do
    bores = { "rule" => { "bores" => { "diameter" => "8 mm" } } }
    expect(found(bores, outline: drilled)).to eq(["hole 1", "hole 2"])
    expect(found(bores, outline: drilled.merge("boundary" => rectangle("0 mm", "0 mm", "300 mm", "20 mm")))).to eq(["hole 1", "hole 2"])
  end

  it "adds picks to a rule, without repeating" do
    both = { "rule" => { "plane" => { "axis" => "x", "at" => "0 mm" } }, "pick" => [{ "body" => "bar", "name" => "top" }, { "body" => "bar", "name" => "side 4" }] }
    expect(found(both)).to contain_exactly("side 4", "top")
  end

  it "takes everything, a body's name, and everything by its word" do
    expect(found({ "rule" => { "everything" => true } }).size).to eq(6)
    expect(problem.groups.find("bar").map(&:of)).to eq([:bodies])
    expect(problem.groups.find("everything").map(&:name)).to eq(["bar"])
  end

  it "works on the sides of plane bodies" do
    flat = { "make" => "plane stress" }
    expect(found({ "rule" => { "plane" => { "axis" => "x", "at" => "0 mm" } } }, of: "edges", body: flat)).to eq(["side 4"])
    expect(found({ "rule" => { "bores" => { "diameter" => "10 mm" } } }, of: "edges", body: flat, outline: drilled)).to eq(["hole 3"])
  end

  it "says what is wrong with a target" do
    statement = ->(target) { Lattice::Model::Statement.new({ "id" => "p", "kind" => "pressure", "target" => target }) }
    groups = problem({}, { "id" => "g", "kind" => "group", "name" => "none", "of" => "faces", "pick" => [{ "body" => "bar", "name" => "lid" }] }).groups
    expect(refusal { groups.target!(statement.call("nowhere"), [:faces]) }).to include("no group or body named “nowhere”")
    expect(refusal { groups.target!(statement.call("none"), [:faces]) }).to include("group “none” matches nothing on the shape")
    expect(refusal { groups.target!(statement.call("bar"), [:faces]) }).to include("made of bodies, but faces are wanted")
    expect(refusal { groups.target!(statement.call(""), [:faces]) }).to include("no target yet")
  end
end

RSpec.describe Lattice::Shape::Parts do
  it "measures bodies" do
    expect(problem.parts.body("bar").volume).to be_near(4e-5, 1e-12)
    ring = problem(outline: { "boundary" => rectangle("100 mm", "0 mm", "20 mm", "30 mm") }, body: { "make" => "axisymmetric", "thickness" => nil }.compact).parts.body("bar")
    expect(ring.volume).to be_near(Math::PI * ((0.12**2) - (0.1**2)) * 0.03, 1e-12)
  end

  it "says what keeps a body from being made" do
    faults = ->(changes) { problem(changes).parts.faults.join }
    expect(faults.call(body: { "outline" => "nothing" })).to include("no outline named “nothing”")
    expect(faults.call(body: { "thickness" => "0 mm" })).to include("thickness is not above zero")
    expect(faults.call(body: { "make" => "axisymmetric" }, outline: { "boundary" => rectangle("-10 mm", "0 mm", "20 mm", "5 mm") })).to include("left of its axis")
  end

  it "does not mix solids with plane bodies" do
    other = { "id" => "b2", "kind" => "body", "name" => "plate", "outline" => "profile", "make" => "plane stress", "thickness" => "1 mm" }
    expect(problem({}, other).parts.faults.join).to include("Make all bodies of one kind")
  end
end
