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

  it "counts as many as a dense solve does, of matrices of any sign, also where both triangles are brought" do
    random = Random.new(3)
    [5, 40, 120].each do |size|
      rows = Array.new(size) { Array.new(size) { random.rand < 0.3 ? random.rand - 0.5 : 0.0 } }
      full = Numo::DFloat.cast(rows).then { |d| d + d.transpose + (Numo::DFloat.eye(size) * 0.1) }
      lower = matrix(full.to_a)
      entries = (0...size).to_a.product((0...size).to_a)
      both = Lattice::Algebra::SymmetricMatrix.from_entries(Numo::Int32.cast(entries.map(&:last)), Numo::Int32.cast(entries.map(&:first)), Numo::DFloat.cast(entries.map { |j, i| full[i, j] }), size)
      below = Numo::Linalg.eigh(full)[0].lt(0).count_true
      x = Numo::DFloat.cast(Array.new(2) { Array.new(size) { random.rand } })
      [lower, both].each do |one|
        factor = described_class.new(one)
        expect(factor.negative).to eq(below)
        expect((factor.solve(x.dot(full)) - x).abs.max).to be < 1e-9
        factor.free
      end
    end
  end

  it "refuses what has no answer" do
    # A chain that floats.
    floating = Array.new(30) do |i|
      Array.new(30) do |j|
        if i == j
          i.zero? || i == 29 ? 1e9 : 2e9
        else
          ((i - j).abs == 1 ? -1e9 : 0.0)
        end
      end
    end
    expect { described_class.new(matrix(floating)) }.to raise_error(Lattice::Algebra::Factor::NotPositive)
    expect { described_class.new(matrix([[1.0, 1.0], [1.0, 1.0]])) }.to raise_error(Lattice::Algebra::Factor::NotPositive)
  end
end
