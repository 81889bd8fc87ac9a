# frozen_string_literal: true

RSpec.describe Lattice::System::Pattern do
  # Element matrices that are symmetric as a whole, [d, d, e, n, n].
  def symmetric(conn, names, seed)
    e, n = conn.shape
    d = names.size
    raw = Numo::DFloat.cast((0...(e * n * n * d * d)).map { |i| Math.sin((i * 3.7) + seed) }).reshape(d, d, e, n, n)
    raw + raw.transpose(1, 0, 2, 4, 3)
  end

  def dense(dofs, blocks, matrices)
    Numo::DFloat.zeros(dofs.size, dofs.size).tap do |wanted|
      blocks.zip(matrices) do |(conn, names), m|
        e, n = conn.shape
        (0...e).to_a.product((0...n).to_a, (0...n).to_a, names.each_index.to_a, names.each_index.to_a).each do |i, a, b, r, c|
          row, column = [[a, r], [b, c]].map { |k, name| dofs.at(Numo::Int32[conn[i, k]], names[name])[0] }
          wanted[row, column] += m[r, c, i, a, b]
        end
      end
    end
  end

  { "plane elements" => [[Numo::Int32[[0, 1, 3], [4, 3, 2]], %i[x y]], [Numo::Int32[[5, 0], [2, 5]], %i[x y]]],
    "solids and shells that share nodes" => [[Numo::Int32[[0, 1, 2, 3], [3, 2, 1, 6]], %i[x y z]], [Numo::Int32[[2, 3, 4], [5, 4, 3]], %i[x y z rx ry rz]]],
    "solids under shells that have all their nodes" => [[Numo::Int32[[0, 1, 2, 3]], %i[x y z]], [Numo::Int32[[0, 1, 2], [3, 4, 5], [6, 0, 1]], %i[x y z rx ry rz]]],
    "nodes that lack components in between" => [[Numo::Int32[[0, 1]], %i[x y rz]], [Numo::Int32[[1, 2], [6, 0]], %i[x z]]] }.each do |what, blocks|
    it "assembles #{what} as adding entry by entry would" do
      dofs = Lattice::System::Dofs.new(7, blocks)
      matrices = blocks.each_with_index.map { |(conn, names), i| symmetric(conn, names, i) }
      wanted = dense(dofs, blocks, matrices)
      matrix = described_class.new(blocks, dofs).assemble(matrices)
      expect((matrix.dot(Numo::DFloat.eye(dofs.size)) - wanted).abs.max).to be < 1e-12
      matrix.starts.to_a.each_cons(2) { |a, b| expect(matrix.rows[a...b].to_a).to eq(matrix.rows[a...b].to_a.sort.uniq) }
    end
  end
end

RSpec.describe Lattice::System::Dofs do
  it "numbers what is there, node by node, and knows what is absent" do
    dofs = described_class.new(3, [[Numo::Int32[[0, 1]], %i[x y z]], [Numo::Int32[[1]], %i[rz]]])
    expect([dofs.size, dofs.counts.to_a, dofs.at(Numo::Int32[0, 1, 2], :z).to_a, dofs.at(Numo::Int32[0, 1, 2], :rz).to_a]).to eq([7, [3, 4, 0], [2, 5, -1], [-1, 6, -1]])
    expect((0...7).map { |k| dofs.of(k) }).to eq([[0, :x], [0, :y], [0, :z], [1, :x], [1, :y], [1, :z], [1, :rz]])
    expect(dofs.spread(Numo::DFloat.new(7).seq, %i[z rz]).to_a).to eq([[2, 0], [5, 6], [0, 0]])
    expect(dofs.table(Numo::Int32[[1, 0]], %i[y rz]).to_a).to eq([[[4, 6], [1, -1]]])
  end
end

RSpec.describe Lattice::System::Constraints do
  # Random equations with chains of ties, held and given unknowns, in two cases.
  def trial(seed)
    random = Random.new(seed)
    n = 14
    raw = Numo::DFloat.cast(Array.new(n) { Array.new(n) { random.rand(-1.0..1.0) } })
    stiff = raw.dot(raw.transpose) + Numo::DFloat.eye(n)
    rows, columns = (0...n).flat_map { |c| (c...n).map { |r| [r, c] } }.transpose
    matrix = Lattice::Algebra::SymmetricMatrix.from_entries(Numo::Int32.cast(rows), Numo::Int32.cast(columns), Numo::DFloat.cast(rows.zip(columns).map { |r, c| stiff[r, c] }), n)
    order = (0...n).to_a.shuffle(random: random)
    held = order.first(3)
    ties = order[3, 4].each_with_index.to_h { |dof, k| [dof, (order[(4 + k)..] + held).sample(3, random: random).map { |other| [other, random.rand(-2.0..2.0)] }] }
    [stiff, matrix, held, ties, Numo::DFloat.cast(Array.new(2) { Array.new(n) { random.rand } })]
  end

  # u = T q + g by multiplying matrices out.
  def by_hand(stiff, held, ties, load, given)
    n = stiff.shape[0]
    t = Numo::DFloat.eye(n)
    ties.to_a.reverse_each { |dof, terms| t[dof, true] = terms.map { |other, factor| t[other, true] * factor }.reduce(:+) }
    whole = t.dot(given)
    free = (0...n).to_a - held - ties.keys
    q = Numo::Linalg.solve(t[true, free].transpose.dot(stiff).dot(t[true, free]), t[true, free].transpose.dot(load - stiff.dot(whole)))
    t[true, free].dot(q) + whole
  end

  12.times do |seed|
    it "gives what multiplying the matrices out gives, with ties in chains (#{seed})" do
      stiff, matrix, held, ties, load = trial(seed)
      constraints = described_class.new(14, 2)
      constraints.prescribe(Numo::Int32.cast(held), 0.0)
      moved = described_class.new(14, 2)
      moved.prescribe(Numo::Int32.cast(held.first(2)), 0.0)
      moved.prescribe(Numo::Int32[held[2]], 0.3, in_case: 1)
      [[constraints, 0.0], [moved, 0.3]].each do |c, value|
        ties.each { |dof, terms| expect(tied(c, dof, *terms.transpose)).to be_empty }
        u = c.expand(Lattice::Algebra::Factor.new(c.reduce(matrix)).solve(c.reduce_load(matrix, load)))
        2.times do |k|
          given = Numo::DFloat.zeros(14).tap { |g| g[held[2]] = value if k == 1 }
          expect((u[k, true] - by_hand(stiff, held, ties, load[k, true], given)).abs.max).to be < 1e-10
        end
      end
    end
  end

  def tied(constraints, dof, others, factors, *more, **by) = constraints.tie(Numo::Int32[dof], Numo::Int32[others], Numo::DFloat[factors], *more, **by)

  it "refuses a circle of ties, and says who decides an unknown already" do
    constraints = described_class.new(5)
    constraints.prescribe(Numo::Int32[3], 0.0)
    expect(tied(constraints, 3, [0], [1.0]).to_a).to eq([3])
    tied(constraints, 0, [1], [1.0], by: "first")
    expect(tied(constraints, 0, [2], [1.0], by: "second").to_a).to eq([0])
    expect(constraints.tied_by(0)).to eq("first")
    tied(constraints, 1, [2], [1.0])
    tied(constraints, 2, [0], [1.0])
    expect { constraints.expand(Numo::DFloat.zeros(1, 1)) }.to raise_error(Lattice::SolveFailed, /circle/)
  end

  it "adds up what is given along a chain, case by case" do
    constraints = described_class.new(4, 2)
    tied(constraints, 0, [1, -1], [2.0, 9.0], Numo::DFloat[[0.5], [0.0]])
    tied(constraints, 1, [2, 3], [1.0, -1.0], Numo::DFloat[[0.1], [0.2]])
    expect(constraints.expand(Numo::DFloat[[1, 2], [5, 1]]).to_a).to eq([[-1.3, -0.9, 1.0, 2.0], [8.4, 4.2, 5.0, 1.0]])
  end

  it "takes a value in one case and none in others" do
    constraints = described_class.new(3, 2)
    expect(constraints.prescribe(Numo::Int32[0], 0.5, in_case: 0)).to be_empty
    expect(constraints.prescribe(Numo::Int32[0], 0.7, in_case: 1)).to be_empty
    expect(constraints.prescribe(Numo::Int32[0], 0.0).to_a).to eq([0])
    expect(described_class.new(3, 2).tap { |c| c.prescribe(Numo::Int32[1], 0.5, in_case: 1) }.given[true, 1].to_a).to eq([0.0, 0.5])
  end
end
