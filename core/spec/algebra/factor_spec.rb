# frozen_string_literal: true

RSpec.describe Lattice::Algebra::Factor do
  # The matrix of a chain of springs, by columns of its lower triangle.
  def chain(size, loose: false)
    starts = (0..size).map { |k| [2 * k, (2 * size) - 1].min }
    rows = (0...size).flat_map { |k| [k, k + 1] }.first((2 * size) - 1)
    values = (0...size).flat_map { |k| [loose && [0, size - 1].include?(k) ? 1.0 : 2.0, -1.0] }.first((2 * size) - 1)
    Lattice::Algebra::SymmetricMatrix.new(Numo::Int64.cast(starts), Numo::Int32.cast(rows), Numo::DFloat.cast(values))
  end

  it "solves, and multiplies back" do
    matrix = chain(50)
    right = Numo::DFloat.new(50).seq(1)
    factor = described_class.new(matrix)
    expect((matrix.dot(factor.solve(right)) - right).abs.max).to be < 1e-10
    expect((matrix.dot(factor.solve(right * 2)) - (right * 2)).abs.max).to be < 1e-10
    factor.free
  end

  it "says when the matrix is not positive definite" do
    matrix = chain(4)
    matrix.values[0] = -1.0
    expect { described_class.new(matrix) }.to raise_error(described_class::NotPositive)
  end

  it "prints nothing of its own" do
    matrix = chain(4)
    matrix.values[0] = -1.0
    expect do
      described_class.new(matrix)
    rescue described_class::NotPositive
      nil
    end.not_to output.to_stdout_from_any_process
  end
end

RSpec.describe Lattice::System::Pattern do
  it "assembles what adding entry by entry would" do
    conns = [Numo::Int32[[0, 1, 3], [4, 3, 2]], Numo::Int32[[5, 0], [2, 5]]]
    matrices = conns.map do |conn|
      e, n = conn.shape
      raw = Numo::DFloat.cast((0...(e * n * n * 4)).map { |i| Math.sin(i * 3.7) }).reshape(2, 2, e, n, n)
      raw + raw.transpose(1, 0, 2, 4, 3)
    end
    wanted = Numo::DFloat.zeros(12, 12)
    conns.zip(matrices) do |conn, m|
      e, n = conn.shape
      [2, 2, e, n, n].map { |k| (0...k).to_a }.reduce(&:product).map(&:flatten).each do |r, c, i, a, b|
        wanted[(conn[i, a] * 2) + r, (conn[i, b] * 2) + c] += m[r, c, i, a, b]
      end
    end
    matrix = described_class.new(conns, 6, 2).assemble(matrices)
    12.times do |k|
      unit = Numo::DFloat.zeros(12).tap { |u| u[k] = 1 }
      expect((matrix.dot(unit) - wanted[true, k]).abs.max).to be < 1e-12
    end
    matrix.starts.to_a.each_cons(2) { |a, b| expect(matrix.rows[a...b].to_a).to eq(matrix.rows[a...b].to_a.sort.uniq) }
  end
end

RSpec.describe Lattice::System::Constraints do
  let(:matrix) do
    Lattice::Algebra::SymmetricMatrix.new(Numo::Int64[0, 2, 4, 5], Numo::Int32[0, 1, 1, 2, 2], Numo::DFloat[2, -1, 2, -1, 1])
  end

  it "eliminates a prescribed movement and gives it back" do
    constraints = described_class.new(3)
    constraints.prescribe(Numo::Int32[0], 0.5)
    reduced = constraints.reduce(matrix)
    expect([reduced.size, reduced.rows.to_a, reduced.values.to_a]).to eq([2, [0, 1, 1], [2, -1, 1]])
    right = constraints.reduce_load(matrix, Numo::DFloat[0, 0, 1])
    expect(right.to_a).to eq([0.5, 1.0])
    factor = Lattice::Algebra::Factor.new(reduced)
    found = constraints.expand(factor.solve(right))
    expect(found.to_a.map { |v| v.round(12) }).to eq([0.5, 1.5, 2.5])
  end

  it "tells of a value that contradicts an earlier one" do
    constraints = described_class.new(3)
    expect(constraints.prescribe(Numo::Int32[0, 1], 0.0)).to be_empty
    expect(constraints.prescribe(Numo::Int32[1, 2], 0.0)).to be_empty
    expect(constraints.prescribe(Numo::Int32[2], 0.1).to_a).to eq([2])
  end
end
