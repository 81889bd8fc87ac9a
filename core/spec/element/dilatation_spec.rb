# frozen_string_literal: true

RSpec.describe Lattice::Element::Dilatation do
  { 3 => 2, 4 => 3, 6 => 3 }.each do |strains, stretches|
    it "leaves the shape of #{strains} strains as it is, and changes the volume evenly" do
      random = Random.new(strains)
      operator = Numo::DFloat.cast(Array.new(2 * 4 * strains * 8) { random.rand(-1.0..1.0) }).reshape(2, 4, strains, 8)
      volumes = Numo::DFloat[[1.0, 2.0, 3.0, 4.0], [2.0, 2.0, 1.0, 1.0]]
      even = described_class.even(operator, volumes)
      change = ->(table) { table[true, true, 0...stretches, true].sum(2) }
      expect((change[even] - change[even][true, 0, true].reshape(2, 1, 8)).abs.max).to be < 1e-12
      mean = ->(table) { (change[table] * volumes.reshape(2, 4, 1)).sum(1) }
      expect((mean[even] - mean[operator]).abs.max).to be < 1e-12
      differ = ->(table) { table[true, true, 0, true] - table[true, true, 1, true] }
      expect((differ[even] - differ[operator]).abs.max).to be < 1e-12
      expect((even[true, true, stretches..., true] - operator[true, true, stretches..., true]).abs.max).to eq(0)
    end
  end

  # Nine points of a square, twenty-seven of a cube.
  { 4 => 2, 6 => 3 }.each do |strains, dimension|
    it "changes the volume straight over elements of #{strains} strains, and does as much under any pressure that is straight" do
      ways = [-0.77, 0.0, 0.77]
      at = Numo::DFloat.cast(dimension == 2 ? ways.product(ways, [0.0]) : ways.product(ways, ways))
      places = at.reshape(1, at.shape[0], 3).dup
      random = Random.new(strains)
      operator = Numo::DFloat.cast(Array.new(at.shape[0] * strains * 8) { random.rand(-1.0..1.0) }).reshape(1, at.shape[0], strains, 8)
      volumes = Numo::DFloat.cast(Array.new(at.shape[0]) { random.rand(0.5..1.5) }).reshape(1, at.shape[0])
      straight = described_class.even(operator, volumes, places)
      change = ->(table) { table[0, true, 0..2, true].sum(1) }
      [1.0, *(0...dimension).map { |axis| at[true, axis].dup }].each do |pressure|
        work = ->(table) { (change[table] * (volumes[0, true] * pressure).reshape(at.shape[0], 1)).sum(0) }
        expect((work[straight] - work[operator]).abs.max).to be < 1e-12
      end
      # What is straight already stays.
      expect((described_class.even(straight, volumes, places) - straight).abs.max).to be < 1e-12
      expect((straight - operator).abs.max).to be > 0.1
    end
  end
end
