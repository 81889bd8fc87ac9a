# frozen_string_literal: true

RSpec.describe Lattice::Shape::Regions do
  def regions(boundary, dividers, holes: [], names: [])
    data = { "id" => "o", "kind" => "outline", "name" => "figure", "boundary" => boundary, "holes" => holes, "dividers" => dividers.map { |d| corners(*d) },
             "regions" => names.map { |name, x, y| { "name" => name, "x" => "#{x} mm", "y" => "#{y} mm" } } }
    Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(data)).outline.regions
  end

  strip = { "rectangle" => { "x" => "0 mm", "y" => "0 mm", "width" => "100 mm", "height" => "20 mm" } }

  it "parts an outline into named regions that share their border" do
    low, high = regions(strip, [[[0, 8], [100, 8]]], names: [["brass", 50, 15]])
    expect([low, high].map { |r| (r.area_and_centroid[0] * 1e6).round(6) }).to eq([800, 1200])
    expect([low, high].map(&:name)).to eq(["region 1", "brass"])
    expect(low.segments.map(&:key) & high.segments.map(&:key)).to eq(["divider 1 side 1"])
  end

  it "cuts dividers that cross, run over the border, or pass a hole" do
    found = regions(strip, [[[-10, 10], [110, 10]], [[20, 0], [20, 20]]], holes: [circle(50, 10, 10)])
    areas = found.map { |r| (r.area_and_centroid[0] * 1e6).round(4) }
    half = ((80 * 10) - (Math::PI * 12.5)).round(4)
    expect(areas).to contain_exactly(200, 200, half, half)
  end

  it "keeps a closed divider as a region of its own, with the rest around it" do
    found = regions(strip, [[[30, 5], [60, 5], [60, 15], [30, 15], [30, 5]]])
    expect(found.map { |r| (r.area_and_centroid[0] * 1e6).round(6) }).to contain_exactly(300, 1700)
    expect(found.map { |r| r.holes.size }).to contain_exactly(0, 1)
  end

  it "says where a divider ends in the open, and where a name lies outside" do
    expect(refusal { regions(strip, [[[0, 10], [50, 10]]]) }).to include("divider 1 side 1 ends within the outline without meeting a line")
    expect(refusal { regions(strip, [[[0, 10], [100, 10]]], names: [["x", 200, 5]]) }).to include("the region “x” lies outside")
  end

  it "makes a body of every region" do
    parts = parts_of(outline_named("strip", strip, dividers: [corners([0, 8], [100, 8])], regions: [{ "name" => "core", "x" => "5 mm", "y" => "2 mm" }]),
                     body_named("strip body", "strip", make: "plane stress", thickness: "2 mm"))
    expect(parts.bodies.map { |b| [b.name, (b.volume * 1e9).round(6)] }).to eq([["core", 1600], ["region 2", 2400]])
    expect(parts.place("core", "divider 1 side 1").measure).to be_near(0.1, 1e-12)
  end
end

RSpec.describe Lattice::Shape::Triangulation do
  # Area by triangles, and whether every inner side has two triangles.
  def cut(outline)
    lines = Lattice::Shape::SectionLines.of_outline(outline)
    triangles = described_class.call(lines.points, lines.loops)
    a, b, c = (0..2).map { |k| lines.points[triangles[true, k], true] }
    areas = (((b[true, 0] - a[true, 0]) * (c[true, 1] - a[true, 1])) - ((b[true, 1] - a[true, 1]) * (c[true, 0] - a[true, 0]))) / 2
    exact = lines.loops.sum do |loop|
      loop.each_index.sum do |i|
        (p = lines.points[loop[i], true]
         q = lines.points[loop[i - 1], true]) && (((q[0] * p[1]) - (p[0] * q[1])) / 2)
      end
    end
    topology = Lattice::Shape::Topology.new(triangles)
    [areas.sum / exact, areas.min.positive?, topology.open.size == lines.points.shape[0] && topology.crowded.empty?]
  end

  it "fills outlines with many holes in line, without flat triangles or gaps" do
    plate = rectangle("0 mm", "0 mm", "200 mm", "100 mm")
    grid = circle(20, 20, 10).merge("pattern" => { "grid" => { "dx" => "20 mm", "columns" => 9, "dy" => "20 mm", "rows" => 4 } })
    expect(cut(outline_of(plate, grid))).to match([be_within(1e-12).of(1), true, true])
  end

  it "fills square holes whose sides lie in line" do
    holes = [10, 40, 70].product([10, 40]).map { |x, y| rectangle("#{x} mm", "#{y} mm", "20 mm", "20 mm") }
    expect(cut(outline_of(rectangle("0 mm", "0 mm", "100 mm", "70 mm"), *holes))).to match([be_within(1e-12).of(1), true, true])
  end

  it "fills sections and combs" do
    comb = corners([0, 0], [90, 0], [90, 40], [80, 40], [80, 10], [60, 10], [60, 40], [50, 40], [50, 10], [30, 10], [30, 40], [20, 40], [20, 10], [0, 10])
    expect(cut(outline_of(comb))).to match([be_within(1e-12).of(1), true, true])
  end
end
