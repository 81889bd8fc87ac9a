# frozen_string_literal: true

# Two strips side by side, stretched alike: each keeps its own stress, to its last element.
RSpec.describe Lattice::Result::Outcome do
  def strips
    parts = [["stiff", "0 mm", "210 GPa"], ["soft", "10 mm", "70 GPa"]]
    shapes = parts.flat_map do |name, y, young|
      [outline_named("#{name} outline", rectangle("0 mm", y, "100 mm", "10 mm")), body_named(name, "#{name} outline", thickness: "5 mm"),
       { "kind" => "material", "target" => name, "material" => name, "properties" => { "young" => young, "poisson" => "0", "density" => "1000 kg/m3" } }]
    end
    ends = { "left" => "0 mm", "right" => "100 mm" }.map { |name, at| group_named(name, { "plane" => { "axis" => "x", "at" => at } }) }
    shape_problem(*shapes, { "kind" => "join", "bodies" => %w[stiff soft] }, *ends, { "kind" => "support", "target" => "left", "components" => %w[x y z] },
                  { "kind" => "displacement", "target" => "right", "component" => "x", "value" => "0.1 mm" }, { "kind" => "mesh", "size" => "5 mm" },
                  { "kind" => "study", "name" => "stretch", "type" => "static" })
  end

  let(:solved) do
    problem = strips
    [problem, Lattice::Study::Solving.new(problem).call(problem.study!)]
  end

  it "averages stress per body: 210 MPa and 70 MPa up to the border" do
    problem, result = solved
    expect(result.grid.points.shared?).to be(true)
    { "stiff" => 210e6, "soft" => 70e6 }.each do |body, stress|
      points = result.grid.points_of([problem.parts.place(body, body)])
      expect((result.field("stress_xx")[points] - stress).abs.max).to be < 1e-3
      limit = { "id" => "l", "kind" => "limit", "study" => "stretch", "quantity" => "von_mises", "target" => body, "at_most" => "300 MPa" }
      expect(Lattice::Verdict::Limit.new(Lattice::Model::Statement.new(limit), problem).read(result)[:value]).to be_within(1.0).of(stress)
    end
  end

  it "is in equilibrium in forces and moments, though only a movement is prescribed" do
    balance = solved[1].balance
    expect(balance[:error]).to be < 1e-10
    expect(balance[:reaction].map(&:abs).max).to be < 1e-3 * solved[1].reaction.abs.sum
  end

  it "tells moments that do not balance" do
    _, result = solved
    twisted = result.reaction.dup
    far = result.grid.nodes[true, 1].max_index
    low = result.grid.nodes[true, 1].min_index
    twisted[far, 0] += 1000
    twisted[low, 0] -= 1000
    state = result.state.dup.tap { |s| s.reaction = twisted }
    expect(Lattice::Result::Balance.new(result.grid, state, false).to_h[:error]).to be > 1e-3
  end

  it "writes and draws each body's own values where they meet" do
    _, result = solved
    skin = result.grid.skin
    expect(skin.points.size).to be > Lattice::Algebra::Gather.distinct([skin.nodes]).size
    parted = result.grid.parted
    expect(parted.nodes.shape[0]).to eq(result.grid.points.size)
    expect(parted.summary[:elements]).to eq(result.grid.size)
  end
end

RSpec.describe Lattice::Algebra::SymmetricMatrix do
  it "multiplies one vector or several, as a dense matrix does" do
    dense = Numo::DFloat.new(6, 6).rand(-1, 1)
    dense += dense.transpose
    rows = (0...6).flat_map { |c| (c...6).to_a }
    values = (0...6).flat_map { |c| (c...6).map { |r| dense[r, c] } }
    matrix = described_class.new(Numo::Int64[0, 6, 11, 15, 18, 20, 21], Numo::Int32.cast(rows), Numo::DFloat.cast(values))
    x = Numo::DFloat.new(3, 6).rand
    expect((matrix.dot(x) - x.dot(dense)).abs.max).to be < 1e-14
    expect((matrix.dot(x[0, true].dup) - dense.dot(x[0, true])).abs.max).to be < 1e-14
  end
end
