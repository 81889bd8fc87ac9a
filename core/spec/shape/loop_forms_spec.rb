# frozen_string_literal: true

RSpec.describe Lattice::Shape::LoopForms do
  def area(boundary, *holes) = outline_of(boundary, *holes).area_and_centroid[0] * 1e6
  def centroid(boundary) = outline_of(boundary).area_and_centroid[1].map { |c| c * 1000 }
  def section(shape, **values) = { "section" => { "shape" => shape }.merge(values.to_h { |k, v| [k.to_s, "#{v} mm"] }) }

  it "draws slots, at any angle" do
    slot = { "slot" => { "x" => "5 mm", "y" => "7 mm", "length" => "40 mm", "width" => "10 mm", "angle" => "30 deg" } }
    expect(area(slot)).to be_near((30 * 10) + (Math::PI * 25), 1e-9)
    expect(centroid(slot)[0]).to be_near(5, 1e-9)
    expect(refusal { outline_of({ "slot" => slot["slot"].merge("length" => "10 mm") }) }).to include("longer than wide")
  end

  it "draws regular polygons, with rounded corners" do
    hexagon = { "regular" => { "x" => "0 mm", "y" => "0 mm", "sides" => 6, "across" => "40 mm" } }
    expect(area(hexagon)).to be_near(1.5 * Math.sqrt(3) * 400, 1e-9)
    # Each rounded corner of an equilateral triangle loses r² (√3 − π/3).
    triangle = { "regular" => { "x" => "0 mm", "y" => "0 mm", "sides" => 3, "across" => "60 mm", "fillet" => "5 mm" } }
    expect(area(triangle)).to be_near((0.75 * Math.sqrt(3) * 900) - (3 * 25 * (Math.sqrt(3) - (Math::PI / 3))), 1e-9)
  end

  it "draws standard sections with their areas" do
    root = (4 - Math::PI) * 144
    expect(area(section("I", height: 200, width: 100, web: 5.6, flange: 8.5, root: 12))).to be_near((2 * 100 * 8.5) + (183 * 5.6) + root, 1e-8)
    expect(area(section("channel", height: 100, width: 50, web: 6, flange: 8.5))).to be_near((2 * 50 * 8.5) + (83 * 6), 1e-9)
    expect(area(section("angle", height: 80, width: 60, web: 7))).to be_near((60 * 7) + (73 * 7), 1e-9)
    expect(area(section("T", height: 70, width: 70, web: 8))).to be_near((70 * 8) + (62 * 8), 1e-9)
    expect(area(section("hollow", height: 100, width: 60, web: 4, root: 10))).to be_near((6000 - ((4 - Math::PI) * 100)) - ((52 * 92) - ((4 - Math::PI) * 36)), 1e-8)
    expect(area(section("tube", height: 60.3, web: 3.6))).to be_near(Math::PI / 4 * ((60.3**2) - (53.1**2)), 1e-8)
  end

  it "refuses sections that cannot be" do
    expect(refusal { outline_of(section("I", height: 20, width: 10, web: 3, flange: 10)) }).to include("flanges fill its height")
    expect(refusal { outline_of(section("hollow", height: 20, width: 10, web: 5)) }).to include("web fills its width")
    expect(refusal { outline_of(section("channel", height: 20, web: 2)) }).to include("width is missing")
    expect(refusal { outline_of(section("tube", height: 20, web: 10)) }).to include("wall fills it")
  end

  it "completes half an outline by its mirror image" do
    half = { "corners" => [{ "x" => "0 mm", "y" => "0 mm" },
                           { "x" => "30 mm", "y" => "0 mm", "side" => "flank" }, { "x" => "20 mm", "y" => "20 mm", "fillet" => "4 mm" }, { "x" => "0 mm", "y" => "20 mm" }],
             "mirror" => { "axis" => "x", "at" => "0 mm" } }
    outline = outline_of(half)
    expect(outline.area_and_centroid[1][0]).to be_within(1e-15).of(0)
    expect(outline.segments.map(&:key)).to include("flank", "flank mirrored")
    expect(outline.segments.count { |s| s.key.include?("fillet") }).to eq(2)
    sharp = half.merge("corners" => half["corners"].map { |c| c.except("fillet") })
    expect(area(sharp)).to be_near(1000, 1e-9)
  end

  it "moves an outline outwards and inwards" do
    base = outline_named("base", rectangle("0 mm", "0 mm", "40 mm", "20 mm"))
    moved = ->(by) { { "kind" => "outline", "name" => "wall", "boundary" => { "offset" => { "outline" => "base", "by" => by } } } }
    document = ->(by) { shape_problem(base, moved.call(by)).document }
    read = ->(by) { document.call(by).then { |d| d.outline(d.named("outline", "wall")) }.area_and_centroid[0] * 1e6 }
    expect(read.call("3 mm")).to be_near(46 * 26, 1e-9)
    expect(read.call("-3 mm")).to be_near(34 * 14, 1e-9)
    expect(refusal { document.call("-11 mm") }).to include("leaves nothing")
    expect(refusal { shape_problem(moved.call("1 mm")) }).to include("no outline named “base” before it")
  end

  it "repeats holes in rows, grids and rings, and names each" do
    plate = rectangle("0 mm", "0 mm", "100 mm", "100 mm")
    ring = circle(80, 50, 8).merge("pattern" => { "ring" => { "x" => "50 mm", "y" => "50 mm", "count" => 6 } })
    grid = circle(10, 10, 4).merge("pattern" => { "grid" => { "dx" => "80 mm", "columns" => 2, "dy" => "80 mm", "rows" => 2 } })
    outline = outline_of(plate, ring, grid)
    expect(outline.holes.size).to eq(10)
    expect(outline.area_and_centroid[0] * 1e6).to be_near(10_000 - (6 * Math::PI * 16) - (4 * Math::PI * 4), 1e-8)
    expect(outline.holes.map(&:name)).to include("hole 1", "hole 1.6", "hole 2.4")
    expect(outline.holes[3].circle.centre.map { |c| (c * 1000).round(9) }).to eq([20, 50])
    half = circle(80, 50, 8).merge("pattern" => { "ring" => { "x" => "50 mm", "y" => "50 mm", "count" => 3, "angle" => "180 deg" } })
    expect(outline_of(plate, half).holes.last.circle.centre.map { |c| (c * 1000).round(9) }).to eq([20, 50])
    crowded = circle(50, 50, 20).merge("pattern" => { "row" => { "dx" => "15 mm", "dy" => "0 mm", "count" => 2 } })
    expect(refusal { outline_of(plate, crowded) }).to include("cross or touch")
  end
end

RSpec.describe Lattice::Shape::Corners do
  it "places corners absolutely, by steps, and by length and angle" do
    outline = outline_of({ "corners" => [{ "x" => "1 cm", "y" => "0 mm" }, { "dx" => "30 mm" }, { "distance" => "20 mm", "angle" => "90 deg" }, { "dx" => "-30 mm", "dy" => "0 mm" }] })
    expect(outline.area_and_centroid[0] * 1e6).to be_near(600, 1e-9)
    expect(outline.area_and_centroid[1].map { |c| (c * 1000).round(9) }).to eq([25, 10])
  end

  it "draws arcs about a centre, either way" do
    quarter = lambda do |turn|
      outline_of({ "corners" => [{ "x" => "0 mm", "y" => "0 mm" }, { "x" => "10 mm", "y" => "0 mm", "centre" => { "x" => "0 mm", "y" => "0 mm" }, "turn" => turn },
                                 { "x" => "0 mm", "y" => "10 mm" }] })
    end
    expect(quarter.call("left").area_and_centroid[0] * 1e6).to be_near(Math::PI * 25, 1e-9)
    expect(quarter.call("right").area_and_centroid[0] * 1e6).to be_near(Math::PI * 75, 1e-9)
  end

  it "says what a corner lacks" do
    shape = ->(*corners) { refusal { outline_of({ "corners" => corners }) } }
    origin = { "x" => "0 mm", "y" => "0 mm" }
    expect(shape.call({ "dx" => "1 mm" }, origin)).to include("first corner is not placed")
    expect(shape.call(origin, {}, { "x" => "1 mm", "y" => "1 mm" })).to include("corner 2 is not placed")
    expect(shape.call(origin, { "x" => "1 mm" }, origin)).to include("corner 2 has no y")
    expect(shape.call(origin, { "x" => "9 mm", "y" => "0 mm", "centre" => { "x" => "1 mm", "y" => "0 mm" } },
                      { "x" => "0 mm", "y" => "9 mm" })).to include("8 mm and 9.055 mm from its centre")
    expect(shape.call(origin.merge("side" => "a"), { "dx" => "5 mm", "side" => "a" }, { "dy" => "5 mm" })).to include("two sides bear the name “a”")
  end
end
