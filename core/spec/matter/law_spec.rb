# frozen_string_literal: true

RSpec.describe Lattice::Matter::Law do
  hardening = Lattice::Matter::Hardening
  curve = hardening.new([[0.0, 250e6], [0.01, 300e6], [0.05, 340e6]])
  random = Random.new(11)
  numbers = ->(*shape) { Numo::DFloat.cast(Array.new(shape.reduce(:*)) { random.rand(-1.0..1.0) }).reshape(*shape) }

  laws = { "of bodies" => [Lattice::Matter::Law::VonMises, 6], "of slices" => [Lattice::Matter::Law::VonMises, 3], "of rings" => [Lattice::Matter::Law::VonMises, 4], "of sheets" => [Lattice::Matter::Law::VonMisesSheet, 3] }
  laws.each do |words, (law, strains)|
    [0.0, 5e9].each do |shifting|
      describe "#{words}, shifting by #{shifting}" do
        subject(:metal) { law.new(210e9, 0.3, curve, shifting, strains) }

        def answered(metal, strain, before) = metal.respond(strain, before)

        # Some plastic strain already.
        let(:before) { metal.respond(numbers[20, strains] * 4e-3, metal.start(20))[3] }
        let(:strain) { numbers[20, strains] * 6e-3 }

        it "has the moduli that are the change of its stress" do
          _, at, moduli, = metal.respond(strain, before)
          expect(at.size).to be > 5
          strains.times do |c|
            step = Numo::DFloat.zeros(20, strains).tap { |s| s[true, c] = 1e-8 }
            ahead, behind = [1, -1].map { |sign| metal.respond(strain + (step * sign), before)[0] }
            expect((((ahead - behind) / 2e-8)[at, true] - moduli[true, true, c]).abs.max).to be < 210e9 * 2e-5
          end
        end

        it "stays on what the curve says, and loses work" do
          stress, at, _, after = metal.respond(strain, before)
          flowed = after.plastic - before.plastic
          rows = law == Lattice::Matter::Law::VonMises ? law::ROWS[strains] : [0, 1, 2]
          expect((stress * flowed[true, rows]).sum(1).min).to be > -1.0 if shifting.zero?
          expect((after.sum - before.sum)[at].min).to be > 0
          again, more, = metal.respond(strain, after)
          expect(more).to be_empty
          expect((again - stress).abs.max).to be < 1.0
        end
      end
    end
  end

  it "pulls a bar along its curve, and back" do
    sheet = Lattice::Matter::Law::VonMisesSheet.new(200e9, 0.0, curve, 0.0)
    state = sheet.start(1)
    pull = lambda do |strain|
      # No stress across: the strain there is found.
      across = 0.0
      30.times do
        stress, = sheet.respond(Numo::DFloat[[strain, across, 0]], state)
        across -= stress[0, 1] / 200e9
      end
      sheet.respond(Numo::DFloat[[strain, across, 0]], state)
    end
    stress, _, _, state = pull[0.00635]
    # Plastic strain p with 250 + 5000 p = 200 000 (0.00635 − p): p = 0.005.
    expect([stress[0, 0], state.sum[0]]).to be_near([275e6, 0.004975], 1e-3)
    stress, at, = pull[0.00535]
    expect(at).to be_empty
    expect(stress[0, 0]).to be_near(275e6 - (200e9 * 0.001), 1e-2)
  end

  it "yields earlier the other way where yielding shifts it" do
    kinematic = Lattice::Matter::Law::VonMises.new(200e9, 0.3, hardening.new([[0.0, 250e6]]), 10e9, 6)
    shear = ->(angle) { Numo::DFloat[[0, 0, 0, angle, 0, 0]] }
    _, _, _, state = kinematic.respond(shear[0.01], kinematic.start(1))
    # Back stress grows with plastic shear: the range stays twice what is borne.
    ahead = kinematic.respond(shear[0.01], kinematic.start(1))[0][0, 3]
    back = kinematic.respond(shear[-0.01], state)[0][0, 3]
    borne = 250e6 / Math.sqrt(3)
    expect(ahead).to be > borne * 1.05
    expect(back).to be_near(-ahead, 1e-6)
  end
end
