# frozen_string_literal: true

RSpec.describe Lattice::Engine::Following do
  length = 1.0
  thick = 0.01
  steel = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0" } }
  stiffness = 200e9 * (thick**3) / 12 # per width

  # A cantilever under a pressure that stays across it, by width: from its free end back N' = -κ V, V' = p + κ N, M' = V with κ = M / EI, and none of
  # the three at the end; then its shape from the clamp on. By Runge and Kutta.
  define_method(:tip) do |pressure|
    steps = 2000
    h = length / steps
    rate = ->((n, v, m)) { [-m / stiffness * v, pressure + (m / stiffness * n), v] }
    state = [0.0, 0.0, 0.0]
    moments = [0.0]
    steps.times do
      at = ->(k, share) { state.zip(k).map { |a, b| a + (b * h * share) } }
      k1 = rate[state]
      k2 = rate[at[k1, 0.5]]
      k3 = rate[at[k2, 0.5]]
      k4 = rate[at[k3, 1.0]]
      state = state.each_index.map { |i| state[i] + (h / 6 * (k1[i] + (2 * k2[i]) + (2 * k3[i]) + k4[i])) }
      moments << state[2]
    end
    turn = x = y = 0.0
    moments.reverse.each_cons(2) do |a, b|
      middle = turn + ((a + b) / 4 / stiffness * h)
      x += Math.cos(middle) * h
      y += Math.sin(middle) * h
      turn += (a + b) / 2 / stiffness * h
    end
    [x - length, y].map(&:abs)
  end

  define_method(:collapse) do |*statements|
    study = { "id" => "c", "kind" => "study", "name" => "case", "type" => "collapse", "control" => "loads", "first" => "0.1", "upto" => "1", "increments" => 20 }
    problem = shape_problem(*statements, steel, { "kind" => "mesh", "size" => "25 mm" }, study)
    result = Lattice::Study::Solving.new(problem).call(problem.study!("case"))
    nodes = result.grid.nodes_of(problem.groups.find("right"))
    moved = %w[displacement_x displacement_y displacement_z].map { |field| result.field(field, result.frames.size - 1)[nodes].mean }
    [result, moved, Lattice::Study::Kinds::Collapse.findings(problem, problem.study!("case"), result)[0]]
  end

  def at(axis, place) = { "plane" => { "axis" => axis, "at" => "#{place} mm" } }

  # What would turn its end by a radian, were it linear.
  force = 6 * stiffness / (length**3)

  define_method(:strip) do |make, follows|
    load = { "kind" => "pressure", "target" => "below", "value" => "#{force} Pa", **(follows ? { "follows" => true } : {}) }
    plane = make == "plane stress"
    faces = make == "faces"
    body = { "plane stress" => { thickness: "250 mm", make: make }, "faces" => { make: "faces", by: "fill", wall: "10 mm" }, "solid" => { thickness: "10 mm" } }[make]
    below = plane ? at("y", 0) : at("z", 0)
    components = plane ? %w[x y] : %w[x y z]
    ends = make == "solid" ? "faces" : "edges"
    collapse(outline_named("plan", rectangle("0 mm", "0 mm", "1000 mm", plane ? "10 mm" : "50 mm")), body_named("strip", "plan", **body),
             group_named("left", at("x", 0), of: ends), group_named("right", at("x", 1000), of: ends), group_named("below", faces ? { "body" => "strip" } : below, of: plane ? "edges" : "faces"),
             { "kind" => "support", "target" => "left", "components" => [*components, *(%w[rx ry rz] if faces)] }, load)
  end

  ["plane stress", "solid", "faces"].each do |make|
    it "bends a strip by its equation where it follows, with few iterations: #{make}" do
      _, moved, found = strip(make, true)
      expect([moved[0].abs, [moved[1], moved[2]].map(&:abs).max]).to be_near(tip(force), 5e-3)
      expect(found[:residuals].map(&:size).max).to be <= 6
    end
  end

  it "keeps its direction where it does not, which moves the end otherwise" do
    _, moved, = strip("plane stress", false)
    expect((moved[1].abs - tip(force)[1]).abs).to be > 0.02
  end

  it "is in balance with what holds, and its load is what it pushes in the end" do
    result, = strip("plane stress", true)
    last = result.frames.size - 1
    held = %w[reaction_x reaction_y].map { |field| result.field(field, last).sum }
    expect(held.map(&:abs).min).to be > force * 0.25 * 0.1
    loads = result.state(last).load.sum(0).to_a.first(2)
    expect(held.zip(loads).map(&:sum)).to be_near([0.0, 0.0], 1e-3)
  end

  it "changes its forces by their tangent: even and odd halves against differences, of faces and of sides" do
    rng = Random.new(7)
    { 4 => Lattice::Element::Kind["quad4"], 8 => Lattice::Element::Kind["quad8"], 3 => Lattice::Element::Kind["line3"] }.each do |nodes, kind|
      start = Numo::DFloat.cast(Array.new(2) { Array.new(nodes) { |n| [*kind.nodes_at[n, true].to_a, 0.0, 0.0].first(3).zip(Array.new(3) { rng.rand * 0.2 }).map(&:sum) } })
      start[true, true, 2] = 0.0 if kind.dimension == 1
      surface = ->(x) { Lattice::Element::Surface.new(x, 1.0, kind) }
      pressure = Numo::DFloat.zeros(2, surface[start].points.shape[1]) + 3.0
      rate = surface[start].pressed_along(pressure)
      way = Numo::DFloat.cast(Array.new(2) { Array.new(nodes) { Array.new(3) { rng.rand - 0.5 } } })
      way[true, true, 2] = 0.0 if kind.dimension == 1
      pushed = ->(x) { surface[x].tractions { |_, outward| outward * -3.0 } }
      change = (pushed[start + (way * 1e-6)] - pushed[start - (way * 1e-6)]) / 2e-6
      found = Numo::Linalg.matmul(rate, way.reshape(2, nodes * 3, 1)).reshape(2, nodes, 3)
      expect((found - change).abs.max).to be < change.abs.max * 1e-7
    end
  end
end
