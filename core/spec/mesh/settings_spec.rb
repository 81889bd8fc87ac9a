# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Settings do
  def settings(mesh = {}, *more) = problem({ mesh: mesh }, *more).settings
  def sized(**fields) = { "id" => "s", "kind" => "size", "size" => "2 mm" }.merge(fields.transform_keys(&:to_s))
  def inside(region, *points) = region.call(Numo::DFloat[*points]).to_a
  def refused(mesh = {}, *more) = refusal { settings(mesh, *more) }

  it "has a turn for each order, and otherwise what the statement says" do
    expect(settings).to have_attributes(size: 0.01, order: "quadratic", turn: be_near(Math::PI / 9, 1e-12), through: 1, growth: be_near(0.35, 1e-12))
    expect(settings("order" => "linear").turn).to be_near(Math::PI / 18, 1e-12)
    given = settings("growth" => "1.2", "turn" => "30 deg", "through" => 3, "elements" => "wedges and triangles")
    expect(given).to have_attributes(growth: be_near(0.2, 1e-12), turn: be_near(Math::PI / 6, 1e-12), through: 3, family: "wedges and triangles")
    expect([given.linear?, given.tetrahedra?, given.triangles?]).to eq([false, false, true])
  end

  it "refuses what does not grow, turn or measure anything" do
    expect(refused("growth" => "0.9")).to match(/growth of 0.9 does not grow.*ratio above 1/m)
    expect(refused("turn" => "170 deg")).to match(/cannot turn by that angle.*between 5 and 90 deg/m)
    expect(refused({}, sized(target: "root", size: "0 mm"))).to include("size is not above zero")
    ball = { "x" => "0 mm", "y" => "0 mm", "z" => "0 mm", "radius" => "0 mm" }
    expect(refused({}, sized(ball: ball))).to match(/ball.radius: .*the radius is not above zero/)
    point = ball.slice("x", "y", "z")
    expect(refused({}, sized(box: { "from" => point, "to" => point }))).to include("the box has no extent")
    ring = { "id" => "r", "kind" => "rings", "target" => "root", "count" => 2, "width" => "-3 mm" }
    expect(refused({}, ring)).to include("width is not above zero")
  end

  it "knows what lies in balls and boxes, whichever corner is given first" do
    ball = settings({}, sized(ball: { "x" => "10 mm", "y" => "0 mm", "z" => "0 mm", "radius" => "5 mm" })).local[0].region
    expect(inside(ball, [0.01, 0, 0], [0.0149, 0, 0], [0.0151, 0, 0], [0.01, 0.004, 0.004])).to eq([1, 1, 0, 0])
    corner = ->(x, y, z) { { "x" => "#{x} mm", "y" => "#{y} mm", "z" => "#{z} mm" } }
    [[corner[0, 0, 0], corner[10, 20, 5]], [corner[10, 0, 5], corner[0, 20, 0]]].each do |from, to|
      box = settings({}, sized(box: { "from" => from, "to" => to })).local[0].region
      expect(inside(box, [0.005, 0.019, 0.001], [0.01, 0.02, 0.005], [0.011, 0, 0], [0.005, 0.01, -0.001])).to eq([1, 1, 0, 0])
    end
  end

  it "makes a finer mesh within a ball, and there alone" do
    ball = { "x" => "0 mm", "y" => "10 mm", "z" => "5 mm", "radius" => "20 mm" }
    even = problem({ mesh: { "size" => "10 mm" } }).mesh
    grid = problem({ mesh: { "size" => "10 mm" } }, sized(ball: ball)).mesh
    count = ->(g, range) { g.nodes[true, 0].to_a.count { |x| range.cover?(x) } }
    expect(count[grid, 0.001..0.015]).to be > 4 * count[even, 0.001..0.015]
    expect(count[grid, 0.15..0.2]).to be < 1.6 * count[even, 0.15..0.2]
  end

  [["faces", "side 4", "bricks and quadrilaterals"], ["edges", "upright at side 1", "tetrahedra and triangles"],
   ["points", "start of side 1 at top", "wedges and triangles"]].each do |of, name, family|
    it "makes a finer mesh at #{of}, with #{family}" do
      group = { "id" => "at", "kind" => "group", "name" => "at", "of" => of, "pick" => [{ "body" => "bar", "name" => name }] }
      meshes = [[], [group, sized(target: "at", size: "2.5 mm")]].map { |more| problem({ mesh: { "size" => "10 mm", "elements" => family } }, *more).mesh }
      near, far = [0.0..0.006, 0.1..0.2].map { |range| meshes.map { |g| g.nodes[true, 0].to_a.count { |x| range.cover?(x) } } }
      expect(near[1]).to be > near[0] * 1.5
      expect(far[1]).to be < far[0] * 2
    end
  end

  it "gives a plan of what is asked for at places of the bodies that are meshed together" do
    both = settings({}, sized(target: "root"), sized(target: "bar", size: "5 mm").merge("id" => "whole"))
    plan = both.plan(problem.parts.bodies)
    expect([plan.size, plan.local.size, plan.regions]).to eq([0.005, 1, []])
    points, size = plan.local[0]
    expect(size).to eq(0.002)
    expect(points[true, 0].abs.max).to be_near(0.0, 1e-12)
    expect(points.shape[0]).to be > 40
    expect(plan).not_to be_even
    expect(settings.plan(problem.parts.bodies)).to be_even
  end

  it "is another mesh when anything of it is another" do
    one = settings
    others = [settings("size" => "9 mm"), settings("order" => "linear"), settings("growth" => "1.3"), settings("through" => 2), settings({}, sized(target: "root")),
              settings({}, sized(ball: { "x" => "0 mm", "y" => "0 mm", "z" => "0 mm", "radius" => "5 mm" })),
              settings({}, { "id" => "e", "kind" => "group", "name" => "e", "of" => "edges", "pick" => [{ "body" => "bar", "name" => "side 1 at top" }] },
                       { "id" => "d", "kind" => "division", "target" => "e", "count" => 7 })]
    expect([one, *others].map(&:signature).uniq.size).to eq(8)
    expect(settings.signature).to eq(one.signature)
    expect(one.with(order: "linear")).to have_attributes(turn: be_near(Math::PI / 18, 1e-12), size: 0.01)
    expect(settings("turn" => "25 deg").with(family: "tetrahedra and triangles").turn).to be_near(25 * Math::PI / 180, 1e-12)
  end
end
