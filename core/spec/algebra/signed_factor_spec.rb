# frozen_string_literal: true

RSpec.describe Lattice::Algebra::SignedFactor do
  def matrix(rows)
    entries = rows.each_index.to_a.product(rows.each_index.to_a).select { |i, j| i >= j && rows[i][j] != 0 }
    Lattice::Algebra::SymmetricMatrix.from_entries(Numo::Int32.cast(entries.map(&:first)), Numo::Int32.cast(entries.map(&:last)), Numo::DFloat.cast(entries.map { |i, j| rows[i][j] }), rows.size)
  end

  it "solves what is negative in some directions, and counts them" do
    rows = [[2.0, 1.0, 0.0], [1.0, -3.0, 0.5], [0.0, 0.5, -1.0]]
    factor = described_class.new(matrix(rows))
    x = Numo::DFloat[1.0, -2.0, 3.0]
    expect((factor.solve(Numo::DFloat.cast(rows).dot(x)) - x).abs.max).to be < 1e-12
    expect(factor.negative).to eq(2)
    factor.free
  end

  it "refuses what has no answer" do
    expect { described_class.new(matrix([[1.0, 1.0], [1.0, 1.0]])) }.to raise_error(Lattice::Algebra::Factor::NotPositive)
  end
end
