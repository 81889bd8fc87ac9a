# frozen_string_literal: true

RSpec.describe Lattice::Life do
  def d(*values) = Numo::DFloat[*values]

  describe Lattice::Life::Rainflow do
    # The sequence of the published standard practice.
    let(:sequence) { [-2, 1, -3, 5, -1, 3, -4, 4, -2].map(&:to_f) }

    def ranges(cycles, values) = cycles.group_by { |i, j, _| (values[i] - values[j]).abs }.transform_values { |list| list.sum { |c| c[2] || 1.0 } }

    it "counts the published sequence: what is left over half" do
      expect(ranges(described_class.once(sequence), sequence)).to eq(3.0 => 0.5, 4.0 => 1.5, 6.0 => 0.5, 8.0 => 1.0, 9.0 => 0.5)
    end

    it "counts it whole where it is repeated" do
      path = described_class.repeated(sequence)
      expect(ranges(path.pairs.map { |i, j| [path.turning[i], path.turning[j]] }, sequence)).to eq(3.0 => 1.0, 4.0 => 1.0, 7.0 => 1.0, 9.0 => 1.0)
    end

    it "closes every loop of random blocks, each turning point in one" do
      random = Random.new(7)
      20.times do
        values = Array.new(50) { random.rand(-1.0..1.0) }
        path = described_class.repeated(values)
        expect(path.pairs.flatten.sort).to eq((0...(path.turning.size - 1)).to_a)
      end
    end

    it "has no loop where nothing turns" do
      expect(described_class.repeated([3.0, 3.0, 3.0]).pairs).to be_empty
    end
  end

  describe Lattice::Life::Curve do
    { "log-log" => 47_651, "semi-log" => 56_234, "linear" => 77_500 }.each do |between, wanted|
      it "reads between points on #{between} axes" do
        expect(described_class.new([[1e4, 400e6], [1e5, 200e6], [1e6, 100e6]], between: between).life(d(250e6))[0]).to be_near(wanted, 1e-4)
      end
    end

    it "has its own points on it, is carried on beyond, and ends at the endurance" do
      curve = described_class.new([[1e4, 400e6], [1e6, 100e6]], endurance: 90e6)
      expect(curve.life(d(400e6, 100e6)).to_a).to be_near([1e4, 1e6], 1e-9)
      expect(curve.life(d(800e6))[0]).to be_near(1e4 / (2**(2 / Math.log10(4) * Math.log10(10) / 1)), 1e-6)
      expect(curve.life(d(90e6, 10e6)).to_a).to eq([Float::INFINITY, Float::INFINITY])
    end

    it "reads between curves of several ratios" do
      curves = Lattice::Life::CurvesBetween.new({ -1.0 => described_class.of_power(800e6, -0.1), 0.0 => described_class.of_power(600e6, -0.1) }, :ratio)
      mean = 150e6 * (1 - 0.2) / (1 + 0.2)
      expect(curves.life(d(150e6), d(mean))[0]).to be_near(1.86414e6, 1e-5)
      expect(curves.life(d(150e6), d(0.0))[0]).to be_near((150.0 / 800)**-10, 1e-9)
    end
  end

  describe Lattice::Life::CurvesBetween do
    it "reads between curves of several means, by the logarithm of life, whatever else lowers them" do
      of = Lattice::Life::Curve
      curves = described_class.new({ 0.0 => of.of_power(800e6, -0.1), 200e6 => of.of_power(500e6, -0.1) }, :mean)
      at = ->(strength) { (150.0 / strength)**-10 }
      expect(curves.life(d(150e6, 150e6, 150e6, 150e6), d(0.0, 100e6, 200e6, 900e6)).to_a).to be_near([at[800], Math.sqrt(at[800] * at[500]), at[500], at[500]], 1e-9)
      expect(curves.life(d(150e6), d(-50e6), 0.8)[0]).to be_near(at[640], 1e-9)
    end
  end

  describe Lattice::Life::Lowered do
    lowered = lambda do |life, ultimate = 600e6|
      described_class.new(Lattice::Model::Statement.new("id" => "f", "kind" => "study", "name" => "last", "life" => life)) { ultimate }
    end

    # Worked with a calculator.
    it "follows by hand from finish, share, diameter and temperature, and is told as it was worked" do
      one = lowered[{ "surface" => "machined", "reliability" => "99 %", "size" => "30 mm", "temperature" => "200 degC" }]
      warm = 0.975 + (0.432e-3 * 392) - (0.115e-5 * (392**2)) + (0.104e-8 * (392**3)) - (0.595e-12 * (392**4))
      expect(one.all).to match("surface" => be_near(0.8279, 1e-3), "reliability" => 0.814, "size" => be_near(1.24 * (30**-0.107), 1e-12), "temperature" => be_near(warm, 1e-12))
      expect(one.worked).to include("surface" => "4.51 · 600^-0.265, strength in MPa, at most 1", "size" => "1.24 · 30^-0.107, diameter in mm", "temperature" => /\A0.975 \+ 0.000432 · 392 − .*, in °F\z/)
    end

    it "is one of little size, falls on beyond 51 mm, and is what is typed" do
      expect(lowered[{ "size" => "2 mm" }].all).to eq("size" => 1.0)
      expect(lowered[{ "size" => "100 mm" }].all["size"]).to be_near(1.51 * (100**-0.157), 1e-12)
      expect(lowered[{ "size" => "0.85", "temperature" => "9e-1", "other" => "0.7" }].all).to eq("size" => 0.85, "temperature" => 0.9, "other" => 0.7)
    end

    { "a bar too thick" => [{ "size" => "300 mm" }, /no factor of size is known.*up to 254 mm/], "what is too hot" => [{ "temperature" => "600 degC" }, /no factor of temperature is known.*21 to 537/],
      "a length for a temperature" => [{ "temperature" => "3 mm" }, /temperature/], "a factor of nothing" => [{ "size" => "0" }, /size factor is 0.0, outside/] }.each do |words, (life, message)|
      it "refuses #{words}" do
        expect { lowered[life].check! }.to raise_error(Lattice::InvalidInput, message)
      end
    end
  end

  describe Lattice::Life::Means do
    { "goodman" => [600e6, 180], "gerber" => [600e6, 154.286], "soderberg" => [400e6, 200], "morrow" => [900e6, 168.75], "swt" => [nil, 193.649] }.each do |rule, (strength, wanted)|
      it "brings a mean to none by #{rule}" do
        expect(described_class.equivalent(rule, d(150e6), d(100e6), strength: strength)[0] / 1e6).to be_near(wanted, 1e-5)
      end
    end

    it "does so by Walker with his exponent, and breaks where the mean alone does" do
      expect(described_class.equivalent("walker", d(150e6), d(100e6), exponent: 0.65)[0] / 1e6).to be_near(179.365, 1e-5)
      expect(described_class.equivalent("goodman", d(1e6), d(700e6), strength: 600e6)[0]).to eq(Float::INFINITY)
      expect(described_class.equivalent("gerber", d(150e6), d(-100e6), strength: 600e6)[0]).to eq(150e6)
    end

    it "knows the amplitude about a mean that is as bad as one about none, by every rule" do
      means = d(-100e6, 0, 50e6, 200e6, 390e6)
      { "none" => nil, "goodman" => 600e6, "gerber" => 600e6, "soderberg" => 400e6, "morrow" => 900e6, "swt" => nil, "walker" => nil }.each do |rule, strength|
        amplitudes = described_class.amplitude(rule, 120e6, means, strength: strength, exponent: 0.65)
        expect(described_class.equivalent(rule, amplitudes, means, strength: strength, exponent: 0.65).to_a).to all(be_near(120e6, 1e-9))
        expect(amplitudes[1]).to be_near(120e6, 1e-9)
      end
      expect(described_class.amplitude("goodman", 120e6, d(600e6, 700e6), strength: 600e6).to_a).to eq([0, 0])
      # Half of σm + √(σm² + 4 L²), less σm.
      expect(described_class.amplitude("swt", 120e6, d(100e6), strength: nil)[0]).to be_near((-100e6 + Math.sqrt((100e6**2) + (4 * (120e6**2)))) / 2, 1e-9)
    end
  end

  describe Lattice::Life::LocalStrain do
    subject(:law) { described_class.new(200_000e6, strength: 1000e6, exponent: -0.09, ductility: 0.5, ductile_exponent: -0.55, hardening: 1200e6, hardening_exponent: 0.15) }

    it "finds stress and strain of a notch from elastic stress" do
      stress, strain = law.neuber(d(300e6, 600e6, 1200e6))
      expect((stress / 1e6).to_a).to be_near([292.015, 458.368, 593.580], 1e-5)
      expect(strain.to_a).to be_near([0.00154102, 0.00392698, 0.0121298], 1e-5)
      range, wide = law.branch(d(900e6))
      expect([range[0] / 1e6, wide[0]]).to be_near([788.328, 0.00513746], 1e-5)
    end

    it "finds life from strain, about a mean and by the greatest stress" do
      amplitude = d(0.002, 0.005, 0.01)
      expect(law.life(amplitude, amplitude * 0, amplitude * 0, "none").to_a).to be_near([189_943, 6002.8, 1039.1], 5e-5)
      expect(law.life(amplitude, (amplitude * 0) + 100e6, amplitude, "morrow").to_a).to be_near([127_199, 5326.7, 981.2], 5e-5)
      expect(law.life(amplitude, amplitude, (amplitude * 0) + 500e6, "swt").to_a).to be_near([42_277, 4283.6, 1050.3], 5e-5)
      expect(law.life(d(0.0), d(0.0), d(0.0), "none")[0]).to eq(Float::INFINITY)
      expect(law.life(d(0.002), d(-300e6), d(-1e6), "swt")[0]).to eq(Float::INFINITY)
    end

    # The published worked duty: start at the value greatest in size, loops as they close.
    it "draws a repeated block: up the cyclic curve, then doubled branches that close on themselves" do
      strength = Struct.new(:law, :factor).new(law, 1.0)
      path = Lattice::Life::Rainflow.repeated([400e6, -400e6])
      up, *branches = Lattice::Life::Damage.new(strength).course(path, [400e6, -400e6])
      stress, strain = law.neuber(d(400e6)).map { |v| v[0] }
      expect([up[0].first, up[1].first, up[0].last, up[1].last]).to be_near([0.0, 0.0, strain, stress], 1e-9)
      expect(up[0][8]).to be_near((stress / 2 / 200_000e6) + ((stress / 2 / 1200e6)**(1 / 0.15)), 1e-9)
      # Down and back by the doubled curve, from one end of the loop to the other.
      ends = branches.map { |strains, stresses| [strains.first, stresses.first, strains.last, stresses.last] }.sort_by(&:first)
      expect(ends[0]).to be_near([-strain, -stress, strain, stress], 1e-6)
      expect(ends[1]).to be_near([strain, stress, -strain, -stress], 1e-6)
    end

    it "walks a duty through its loops: stress, strain and damage of each" do
      strength = instance_double(Lattice::Life::Strength, strain?: true, law: law, factor: 1.0, rule: "swt")
      values = [0, 600, 200, 500, -300, 0].map { |v| v * 1e6 }
      path = Lattice::Life::Rainflow.repeated(values)
      loops = []
      Lattice::Life::Damage.new(strength).each(path, d(*values).reshape(6, 1)) { |loop| loops << loop }
      loops = loops.sort_by { |l| l.strain[0] }
      expect(loops.map { |l| l.strain[0] }).to be_near([7.50475e-4, 2.56873e-3], 1e-5)
      expect(loops.map { |l| l.greatest[0] / 1e6 }).to be_near([359.447, 458.368], 1e-5)
      expect(loops.sum { |l| 1 / l.life[0] }).to be_near(3.77093e-5, 1e-4)
    end
  end

  describe Lattice::Life::Scalar do
    let(:tensor) { d(120, 40, 0, 30, 0, 0).reshape(1, 6) }

    it "has the sign of the mean, or of the largest principal stress" do
      expect(described_class.of("von_mises", tensor)[0]).to be_near(117.898, 1e-5)
      expect(described_class.of("von_mises", tensor * -1)[0]).to be_near(-117.898, 1e-5)
      expect(described_class.of("principal", tensor * -1)[0]).to be_near(-130, 1e-9)
      expect(described_class.of("shear", tensor)[0]).to be_near(130, 1e-9)
      expect(described_class.biaxiality(tensor)[0]).to be_near(30 / 130.0, 1e-6)
    end
  end
end
