# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Needles do
  # A solid from corners in mm, as it would be read from a file.
  def solid(points, triangles)
    build = Lattice::Format::PartBuilder.new(1e-7)
    build.add_loose(Numo::DFloat[*points] * 0.001, Numo::Int32[*triangles], name: "blade", angle: 0.3)
    Lattice::Shape::Body.new(name: "blade", make: "solid", facets: build.content("blade").parts[0].facets, signature: [])
  end

  # A convex outline in mm, pushed up.
  def prism(outline, height = 10)
    n = outline.size
    points = [0, height].flat_map { |z| outline.map { |x, y| [x, y, z] } }
    ends = (1..(n - 2)).flat_map { |i| [[0, i + 1, i], [n, n + i, n + i + 1]] }
    solid(points, ends + (0...n).flat_map { |i| [[i, (i + 1) % n, n + ((i + 1) % n)], [i, n + ((i + 1) % n), n + i]] })
  end

  def spike(base, length) = solid([[0, 0, 0], [base, 0, 0], [0, base, 0], [0, 0, length]], [[0, 2, 1], [0, 1, 3], [1, 2, 3], [2, 0, 3]])
  def chamfered(width) = prism([[0, 0], [100 - width, 0], [100, width], [100, 40], [0, 40]])
  def plan(size, **rest) = Lattice::Mesh::SizingPlan.of(size, **rest)
  def found(body, *arguments) = described_class.new(body, plan(*arguments)).call
  def mesh(body, size = 0.005) = Lattice::Mesh::Builder.call([body], Lattice::Mesh::Settings.new(size, family: "tetrahedra and triangles"))

  it "finds faces too narrow for the size there, and says how narrow, how long and where" do
    fault = found(chamfered(0.003), 0.005).faults[0]
    expect(fault.message).to match(/“face \d” of “blade” is only 0.004\d+ mm wide and 10 mm long, near 100 mm; 0.0015 mm; 5 mm: elements of 5 mm/)
    expect(fault.cure).to include("a size of about 0.2")
    expect(fault.place[0]).to be_near(0.1, 1e-3)
    expect(found(chamfered(0.1), 0.005)).to be_nil
  end

  it "is content when a smaller size is asked for at that face" do
    at = Numo::DFloat[[0.1, 0, 0.005]]
    fine = plan(0.005, local: [[at, 0.0002]])
    expect(described_class.new(chamfered(0.003), fine).call).to be_nil
    expect(described_class.new(chamfered(0.003), plan(0.005, local: [[at - 0.05, 0.0002]])).call).not_to be_nil
    inside = plan(0.005, regions: [[->(points) { points[true, 0] > 0.09 }, 0.0002]])
    expect(described_class.new(chamfered(0.003), inside).call).to be_nil
  end

  it "finds edges at which a solid closes, and spikes, but not sharp grooves" do
    blade = found(prism([[0, 0], [100, 0], [0, 0.5]]), 0.005).faults[0]
    expect(blade.message).to match(/“blade” closes to 0.2865 deg along the edge “face \d \| face \d”, near 100 mm; 0 mm/)
    expect(found(spike(1, 100), 0.005).message).to include("ends in a needle of 0.5729 deg near 0 mm; 0 mm; 100 mm")
    expect(found(spike(20, 100), 0.005)).to be_nil
    parts = parts_of(outline_named("o", corners([0, 0], [100, 0], [100, 40], [50.2, 40], [50, 10], [49.8, 40], [0, 40])),
                     body_named("grooved", "o", thickness: "10 mm"))
    expect(found(parts.bodies[0], 0.005)).to be_nil
  end

  it "finds needles of sheets" do
    parts = parts_of(outline_named("o", corners([0, 0], [200, 0], [200, 1])),
                     body_named("sail", "o", thickness: "2 mm", make: "plane stress"))
    expect(found(parts.bodies[0], 0.005).message).to match(/of “sail” ends in a needle of 0.2865 deg near 0 mm; 0 mm/)
  end

  it "stops a mesh before it is made, and leaves round and common shapes alone" do
    expect { mesh(spike(1, 100)) }.to raise_error(Lattice::InvalidInput, /needle/)
    expect(found(parts_of(*ball).bodies[0], 0.002)).to be_nil
  end

  it "is not needed for narrow places that can be filled fairly" do
    [0.5, 0.1].each { |width| expect(mesh(chamfered(width)).quality.values(:mean_ratio).min).to be > 0.25 }
  end

  it "does not keep a slender bar from being filled well, and soon" do
    grid = mesh(prism([[0, 0], [0.5, 0], [0.5, 0.5], [0, 0.5]], 100))
    expect(grid.quality.values(:mean_ratio).min).to be > 0.3
  end
end
