# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Placing do
  # A mesh of each kind of element, and a field that is linear in place.
  def linear(at) = 2.0 + (at[true, 0] * 3) - (at[true, 1] * 5) + (at[true, 2] * 7)

  def read(grid, points)
    found = described_class.new(grid).call(points)
    values = linear(grid.nodes)
    read = Array.new(points.shape[0])
    found.by_block.each do |block, rows, elements, local|
      kind = Lattice::Element::Kind[grid.blocks[block].kind]
      conn = grid.blocks[block].conn[elements, true].dup
      sums = (values[conn.flatten].reshape(*conn.shape) * kind.values(local[true, 0...kind.dimension].dup)).sum(1)
      rows.to_a.zip(sums.to_a) { |row, value| read[row] = value }
    end
    read
  end

  { "bricks" => {}, "wedges" => { "elements" => "wedges and triangles" }, "tetrahedra" => { "elements" => "tetrahedra and triangles" }, "linear bricks" => { "order" => "linear" } }.each do |what, mesh|
    it "reads a linear field exactly among #{what}, and nothing outside" do
      random = Random.new(5)
      points = Numo::DFloat.cast(Array.new(60) { [random.rand * 0.2, random.rand * 0.02, random.rand * 0.01] })
      grid = problem(mesh: { "size" => "7 mm" }.merge(mesh)).mesh
      expect((Numo::DFloat.cast(read(grid, points)) - linear(points)).abs.max).to be < 1e-10
      expect(read(grid, Numo::DFloat[[0.3, 0.01, 0.005], [0.1, 0.01, 0.0101], [0.2, 0.02, 0.01]])).to match([nil, nil, be_a(Float)])
    end
  end

  it "looks at a great many points in pieces" do
    stub_const("#{described_class}::PAIRS", 50)
    points = Numo::DFloat.cast(Array.new(200) { |i| [i * 0.001, 0.01, 0.005] })
    expect((Numo::DFloat.cast(read(problem.mesh, points)) - linear(points)).abs.max).to be < 1e-10
  end
end

RSpec.describe Lattice::Verdict::PathReading do
  def path(**more)
    { "id" => "p", "kind" => "path", "name" => "through", "study" => "pull", "quantity" => "stress_xx", "from" => spot(100, 0, 5), "to" => spot(100, 20, 5), "points" => 5 }.merge(more.transform_keys(&:to_s))
  end

  def finding(**more)
    problem = problem({}, path(**more))
    Lattice::Verdict::Findings.new(problem, problem.study!, solve(problem)).to_h[:findings].find { |f| f[:kind] == "path" }
  end

  it "tells bending stress through the depth of a beam: M y / I" do
    found = finding
    expect(found[:distance]).to be_near([0, 0.005, 0.01, 0.015, 0.02], 1e-12)
    expect(found[:values][0]).to be_near([-1.5e8, -7.5e7, 0, 7.5e7, 1.5e8], 2e-3)
    expect(found.slice(:words, :dimension, :outside)).to eq(words: "stress xx", dimension: "stress", outside: 0)
  end

  it "leaves gaps where it is outside, and nothing else is lost when all of it is" do
    expect(finding(from: spot(100, -10, 5), to: spot(100, 10, 5))[:values][0].map(&:nil?)).to eq([true, true, false, false, false])
    expect(finding(from: spot(0, 50, 0), to: spot(10, 50, 0))).to include(values: [[nil] * 5], outside: 5)
    problem = problem({}, path(to: spot(100, 0, 5)))
    expect(Lattice::Verdict::Readiness.new(problem).notices.map { |n| n.fault.message }).to include(a_string_including("same point"))
  end

  it "takes the size of a displacement from its parts" do
    found = finding(quantity: "displacement", from: spot(200, 10, 5), to: spot(0, 10, 5))
    expect(found[:values][0]).to eq(found[:values][0].sort.reverse)
    expect(found[:values][0][-1]).to be < 1e-12
  end
end

RSpec.describe Lattice::Result::Diagrams do
  # A beam on two supports under a uniform load, as one element.
  let(:ends) do
    Numo::DFloat.zeros(1, 2, 6).tap do |e|
      e[0, 0, 1] = 500.0
      e[0, 1, 1] = -500.0
    end
  end

  it "finds the moment in the middle of a single element: q L² / 8" do
    found = described_class.new(Numo::DFloat[2.0], ends)
    expect(found.peaks[1][0, 5]).to be_near(-250.0, 1e-12)
    expect(found.drawn[0, true, 5].to_a).to be_near([0, -187.5, -250, -187.5, 0], 1e-12)
    expect(found.drawn[0, true, 1].to_a).to be_near([500, 250, 0, -250, -500], 1e-12)
  end
end
