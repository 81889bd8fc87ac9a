# frozen_string_literal: true

RSpec.describe Lattice::Shape::Biarcs do
  def ellipse(width, height, **more) = outline_of("ellipse" => { "x" => "5 mm", "y" => "2 mm", "width" => "#{width} mm", "height" => "#{height} mm" }.merge(more.transform_keys(&:to_s)))

  it "draws an ellipse of the right area and middle, turned or not, long or round" do
    [[60, 30], [60, 58], [20, 90], [200, 10]].each do |w, h|
      [{}, { angle: "37 deg" }].each do |more|
        area, centre = ellipse(w, h, **more).then { |o| [o.boundary.area.abs, o.boundary] }
        expect(area).to be_near(Math::PI * w * h / 4e6, 3e-4)
        points = centre.polyline(0.05)[0]
        expect(points.mean(0).to_a).to be_near([0.005, 0.002], 0.05)
      end
    end
  end

  it "keeps one tangent from arc to arc" do
    segments = ellipse(60, 30).boundary.segments
    heading = ->(arc, share) { arc.start + (arc.sweep * share) + ((arc.sweep <=> 0) * Math::PI / 2) }
    segments.each_cons(2) do |a, b|
      expect(a.to).to be_near(b.from, 1e-9)
      expect(Math.cos(heading[a, 1] - heading[b, 0])).to be_near(1.0, 1e-9)
    end
    expect(segments.map(&:key).uniq.size).to eq(segments.size)
  end

  it "is refused with a width that is not above zero" do
    expect { ellipse(0, 10) }.to raise_error(Lattice::InvalidInput, /width.*not above zero/)
  end

  it "draws a smooth side through points: near a sine it is that sine" do
    points = (1..7).map { |i| { "x" => "#{i * 10} mm", "y" => "#{(10 * Math.sin(i * Math::PI / 4)).round(9)} mm" } }
    outline = outline_of("corners" => [{ "x" => "0 mm", "y" => "0 mm", "curve" => points, "side" => "wave" },
                                       { "x" => "80 mm", "y" => "0 mm" }, { "x" => "80 mm", "y" => "-20 mm" }, { "x" => "0 mm", "y" => "-20 mm" }])
    expect(outline.boundary.area.abs).to be_near(80 * 20e-6, 1e-3)
    wave = outline.boundary.segments.select { |s| s.key.start_with?("wave") }
    ends = wave.map(&:to)
    expect(ends.map { |x, y| y - (0.01 * Math.sin(x * 1000 * Math::PI / 40)) }.map(&:abs).max).to be < 3e-4
    points.each { |p| expect(ends.any? { |x, y| (x - (p["x"].to_f / 1000)).abs + (y - (p["y"].to_f / 1000)).abs < 1e-9 }).to be(true) }
  end

  it "makes bodies and meshes as other outlines do" do
    problem = shape_problem({ "kind" => "outline", "name" => "o", "boundary" => { "ellipse" => { "x" => "0 mm", "y" => "0 mm", "width" => "60 mm", "height" => "30 mm" } } },
                            body_named("b", "o", thickness: "10 mm"),
                            { "kind" => "mesh", "size" => "5 mm" })
    expect(problem.parts.bodies[0].volume).to be_near(Math::PI * 60 * 30 * 10 / 4e9, 2e-4)
    grid = problem.mesh
    expect(grid.size).to be > 50
    expect(grid.quality.statement[:worst]).to be > 0.2
  end
end
