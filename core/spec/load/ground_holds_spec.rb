# frozen_string_literal: true

RSpec.describe Lattice::Load::GroundHolds do
  sand = { "kind" => "material", "target" => "everything", "material" => "sand", "properties" => { "young" => "30 MPa", "poisson" => "0.3", "density" => "2000 kg/m3" } }
  rest = { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.5" }
  define_method(:ground) do |make, *more, from: 0, way: "-y"|
    box = { "rectangle" => { "x" => "#{from} m", "y" => "-8 m", "width" => "12 m", "height" => "8 m" } }
    body = body_named("soil", "plan", make: make, **(make == "solid" ? { thickness: "3 m" } : {}))
    shape_problem(outline_named("plan", box), body, sand, rest, { "kind" => "gravity", "value" => "10 m/s2", "direction" => way }, *more)
  end
  define_method(:told) { |problem| described_class.new(problem).call.map { |plane| [plane.name.delete_suffix(" of the ground"), plane.axis, plane.at, plane.components] } }
  define_method(:wall) do |name, axis, at, *components|
    [group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} m" } }, of: "edges"), { "kind" => "support", "target" => name, "components" => components }]
  end

  it "proposes sides and base of a section, until they are held" do
    expect(told(ground("plane strain"))).to eq([["left side", "x", 0.0, %w[x]], ["right side", "x", 12.0, %w[x]], ["base", "y", -8.0, %w[x y]]])
    expect(told(ground("plane strain", *wall("a", "x", 0, "x"), *wall("b", "y", -8, "y")))).to eq([["right side", "x", 12.0, %w[x]], ["base", "y", -8.0, %w[x y]]])
    expect(told(ground("plane strain", *wall("a", "x", 0, "x", "y"), *wall("b", "x", 12, "x"), *wall("c", "y", -8, "x", "y")))).to be_empty
  end

  it "proposes five planes of a solid, and leaves the axis of rings free" do
    expect(told(ground("solid")).map { |plane| plane.first(2) }).to eq([["left side", "x"], ["right side", "x"], ["near side", "z"], ["far side", "z"], ["base", "y"]])
    expect(told(ground("solid", way: "-z")).map { |plane| plane.values_at(0, 1) }).to eq([["left side", "x"], ["right side", "x"], ["front side", "y"], ["back side", "y"], ["base", "z"]])
    expect(told(ground("axisymmetric")).map(&:first)).to eq(["right side", "base"])
    expect(told(ground("axisymmetric", from: 1)).map(&:first)).to eq(["left side", "right side", "base"])
  end

  it "proposes nothing where nothing rests, or nothing tells what is down" do
    expect(told(shape_problem(*block, sand))).to be_empty
    expect(told(ground("solid", way: [0, 1, -1]))).to be_empty
  end
end
