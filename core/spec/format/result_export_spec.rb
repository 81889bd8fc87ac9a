# frozen_string_literal: true

RSpec.describe Lattice::Format::ResultExport do
  let(:result) { solve(problem) }

  # @return [Array(Hash, String)] the document and the bytes of a binary glTF file
  def parts(bytes)
    magic, version, total, size = bytes.unpack("a4VVV")
    expect([magic, version, total]).to eq(["glTF", 2, bytes.bytesize])
    document = JSON.parse(bytes[20, size])
    [document, bytes[(20 + size + 8)..]]
  end

  def column(document, bytes, accessor)
    view = document["bufferViews"][document["accessors"][accessor]["bufferView"]]
    bytes[view["byteOffset"], view["byteLength"]].unpack("e*").each_slice(3).to_a
  end

  it "writes the moved skin in the colours of a field" do
    document, bytes = parts(described_class.new(result, field: "von_mises", factor: 10.0).bytes(".glb"))
    primitive = document["meshes"][0]["primitives"][0]
    places, colours = primitive["attributes"].values_at("POSITION", "COLOR_0").map { |a| column(document, bytes, a) }
    skin = result.grid.skin
    moved = result.grid.nodes[skin.nodes, true] + (result.displacement[skin.nodes, true] * 10)
    expect(places.flatten).to be_near(moved.flatten.to_a, 1e-6)
    field = result.field("von_mises")[skin.points]
    expect(colours[field.max_index]).to be_near([0.945, 0.89, 0.659], 1e-5)
    # Darker where there is less.
    expect(colours[field.min_index].sum).to be < colours[field.max_index].sum / 2
    expect(document["accessors"][primitive["indices"]]["count"]).to eq(skin.triangles.size)
  end

  it "writes the moved skin as triangles that can be read again, in mm" do
    corners = Lattice::Format::Stl.read(described_class.new(result, factor: 100.0).bytes(".stl"))
    expect(corners.shape[0] / 3).to eq(result.grid.skin.triangles.shape[0])
    expect(corners[true, 1].min).to be_near((result.grid.nodes[true, 1] + (result.displacement[true, 1] * 100)).min * 1000, 1e-4)
  end

  it "writes a frame with its fields, and members as solid sections" do
    expect(described_class.new(result).bytes(".vtu")).to include('Name="stress"', 'Name="displacement"')
    line = { "kind" => "line", "name" => "run", "corners" => [{ "x" => "0 m", "y" => "0 m" }, { "x" => "1 m", "y" => "0 m" }] }
    beam = shape_problem(line, { "kind" => "body", "name" => "beam", "outline" => "run", "make" => "members" },
                         outline_named("bar", rectangle("-10 mm", "-15 mm", "20 mm", "30 mm")), { "kind" => "section", "target" => "beam", "outline" => "bar" },
                         { "kind" => "material", "target" => "beam", "material" => "steel S355" }, group_named("end", { "plane" => { "axis" => "x", "at" => "0 m" } }, of: "points"),
                         { "kind" => "support", "target" => "end", "components" => %w[x y z rx ry rz] }, { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" },
                         { "kind" => "mesh", "size" => "0.2 m" },
                         { "kind" => "study", "name" => "s", "type" => "static" })
    corners = Lattice::Format::Stl.read(described_class.new(solve(beam), factor: 0.0).bytes(".stl"))
    expect([corners[true, 2].max - corners[true, 2].min, corners[true, 1].max - corners[true, 1].min].sort).to be_near([20.0, 30.0], 1e-6)
  end

  it "says what it has not" do
    expect { described_class.new(result, frame: 3) }.to raise_error(Lattice::InvalidInput, /no frame 4/)
    expect { described_class.new(result, field: "beauty") }.to raise_error(Lattice::InvalidInput, /no field “beauty”/)
    expect { described_class.new(result).bytes(".doc") }.to raise_error(Lattice::InvalidInput, /not a format that results are written in/)
  end
end
