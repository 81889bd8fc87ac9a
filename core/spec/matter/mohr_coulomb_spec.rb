# frozen_string_literal: true

RSpec.describe Lattice::Matter::Law::MohrCoulomb do
  deg = Math::PI / 180
  soils = { "clay" => [10e3, 0.0, 0.0, 1e9], "sand that widens" => [1e3, 32 * deg, 32 * deg, 200.0], "sand" => [1e3, 32 * deg, 4 * deg, 0.0] }

  def law(values, strains) = described_class.new(20e6, 0.3, Lattice::Matter::Soil.new(*values).bounded, strains)
  def strains(count, rows) = Numo::NArray.srand(3).then { (Numo::DFloat.new(count, rows).rand - 0.5) * 0.01 }
  # At rest under 40 and 80 kPa.
  def rest(law, count) = law.at_rest(Numo::DFloat.zeros(count, 6).tap { |s| [-40e3, -80e3, -40e3].each_with_index { |v, i| s[true, i] = v } })

  soils.each do |name, values|
    [3, 4, 6].each do |rows|
      it "keeps #{name} within its strength, does not slide twice, and never gives work back: #{rows} strains" do
        law = law(values, rows)
        strain = strains(500, rows)
        before = rest(law, 500)
        _, at, _, after = law.respond(strain, before)
        expect(at.size).to be > 200
        stress = law.full(strain, after)
        values_, = Lattice::Matter::Law::Principal.call(stress, rows < 6)
        c, phi = values
        most = (values_[true, 0] * (1 + Math.sin(phi))) - (values_[true, 2] * (1 - Math.sin(phi))) - (2 * c * Math.cos(phi))
        expect(most.max).to be < 1e-3
        expect(values_.max).to be < [values[3], 1e6].min + 1e-3
        expect(law.respond(strain, after)[1].size).to eq(0)
      end
    end
  end

  it "tells how its stress changes, as differences do, but for a small part of the elastic moduli" do
    { "clay" => 3, "sand" => 6 }.each do |name, rows|
      law = law(soils[name], rows)
      strain = strains(200, rows)
      state = rest(law, 200)
      _, at, moduli, _, slant = law.respond(strain, state)
      told = slant ? moduli + slant : moduli
      elastic = (rows == 3 ? Lattice::Element::PlaneStrain : Lattice::Element::Solid).elasticity(20e6, 0.3)
      blend = slant ? described_class::BLEND : described_class::EXACT
      told = (told - (elastic.reshape(1, rows, rows) * blend)) / (1 - blend)
      rows.times do |j|
        step = Numo::DFloat.zeros(1, rows).tap { |s| s[0, j] = 1e-9 }
        change = (law.respond(strain + step, state)[0] - law.respond(strain - step, state)[0]) / 2e-9
        expect(((change[at, true] - told[true, true, j]).abs.max(1) / 20e6).to_a.sort[at.size * 9 / 10]).to be < 1e-6
      end
    end
  end

  it "slides where strength is divided, and bears all of it again when it is not" do
    law = law(soils["sand"], 3)
    strain = Numo::DFloat.zeros(1, 3)
    at_rest = law.at_rest(Numo::DFloat[[-30e3, -80e3, -30e3, 0, 0, 0]])
    expect(law.respond(strain, at_rest)[1].size).to eq(0)
    law.weaken(1.5)
    expect(law.respond(strain, at_rest)[1].size).to eq(1)
    law.weaken(1.0)
    expect(law.respond(strain, at_rest)[1].size).to eq(0)
  end

  it "finds principal directions of equal and near-equal roots" do
    tensors = Numo::DFloat[[3, 3, 3, 0, 0, 0], [1, 1, 1 + 1e-12, 0, 1e-13, 0], [2, -1, 5, 0.3, -2, 1]]
    values, rows = Lattice::Matter::Law::Principal.call(tensors, false)
    3.times do |k|
      full = Numo::DFloat.zeros(3, 3).tap { |m| Lattice::Matter::Law::Principal::PLACES.each_with_index { |(i, j), c| m[i, j] = m[j, i] = tensors[k, c] } }
      own = rows[k, true, true]
      expect((own.dot(full).dot(own.transpose) - Numo::DFloat.cast(values[k, true].to_a.each_with_index.map { |v, i| Array.new(3) { |j| i == j ? v : 0.0 } })).abs.max).to be < 1e-12
    end
  end
end
