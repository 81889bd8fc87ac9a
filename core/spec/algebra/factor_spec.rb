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

RSpec.describe Lattice::System::Constraints do
  let(:matrix) do
    Lattice::Algebra::SymmetricMatrix.new(Numo::Int64[0, 2, 4, 5], Numo::Int32[0, 1, 1, 2, 2], Numo::DFloat[2, -1, 2, -1, 1])
  end

  it "eliminates a prescribed movement and gives it back" do
    constraints = described_class.new(3)
    constraints.prescribe(Numo::Int32[0], 0.5)
    reduced = constraints.reduce(matrix)
    expect([reduced.size, reduced.rows.to_a, reduced.values.to_a]).to eq([2, [0, 1, 1], [2, -1, 1]])
    right = constraints.reduce_load(matrix, Numo::DFloat[[0, 0, 1]])
    expect(right.to_a).to eq([[0.5, 1.0]])
    factor = Lattice::Algebra::Factor.new(reduced)
    found = constraints.expand(factor.solve(right))
    expect(found.to_a[0].map { |v| v.round(12) }).to eq([0.5, 1.5, 2.5])
  end

  it "tells of a value that contradicts an earlier one" do
    constraints = described_class.new(3)
    expect(constraints.prescribe(Numo::Int32[0, 1], 0.0)).to be_empty
    expect(constraints.prescribe(Numo::Int32[1, 2], 0.0)).to be_empty
    expect(constraints.prescribe(Numo::Int32[2], 0.1).to_a).to eq([2])
  end
end
