# frozen_string_literal: true

RSpec.describe Lattice::Matter::Reinforced do
  row = ->(at, **more) { { "at" => at, "width" => "200 mm", "count" => 3, "diameter" => "20 mm" }.merge(more.transform_keys(&:to_s)) }

  # A square of 300 mm.
  def section(*rows, **more)
    problem = shape_problem(outline_named("post", rectangle("0 mm", "0 mm", "300 mm", "300 mm")),
                            { "kind" => "reinforced", "outline" => "post", "strength" => "30 MPa", "rows" => rows, "bar_strength" => "500 MPa" }.merge(more.transform_keys(&:to_s)))
    described_class.all(problem.document).values.first
  end

  def fault(*rows, **more) = section(*rows, **more).check!

  it "keeps what concrete and bars have of the section: bars take the place of concrete" do
    one = section(row["110 mm"], row["-110 mm"], confined: { "cover" => "40 mm", "factor" => "1.2" })
    one.check!
    groups = one.section(one.send(:shape), 30e9).groups
    steel = 6 * Math::PI * (0.01**2)
    expect(groups.sum { |g| g.areas.sum }).to be_near(0.09, 1e-9)
    expect(groups.find { |g| g.law.young > 100e9 }.areas.sum).to be_near(steel, 1e-9)
    core = groups.select { |g| g.areas.sum.positive? && g.law.young < 100e9 }.map { |g| g.areas.sum }
    expect(core.sort).to match([be_near(0.09 - (0.22**2), 1e-9), be_near(0.22**2, 1e-9)])
    expect(one.places.map { |x, y, _| [x.round(3), y.round(3)] }).to include([0.05, 0.26], [0.25, 0.04])
  end

  it "bends the same both ways and about both axes where it is the same, and more under a press" do
    rows = [row["110 mm", width: "220 mm", count: 2], row["-110 mm", width: "220 mm", count: 2]]
    plain, pressed = [{}, { axial: "-600 kN" }].map { |more| section(*rows, **more).bending(30e9).map { |c| c[:moments].max } }
    expect(plain.max - plain.min).to be < plain.max * 1e-6
    expect(pressed[0]).to be > plain[0] * 1.2
    # By hand without the press: 628 mm² at 500 MPa, 260 mm deep, over little concrete.
    expect(plain[0]).to be_near(628e-6 * 500e6 * 0.24, 0.08)
  end

  it "ends its bending where the force along is no longer borne" do
    curve = section(row["110 mm"], row["-110 mm"], axial: "-2.6 MN").bending(30e9)[0]
    light = section(row["110 mm"], row["-110 mm"], axial: "-100 kN").bending(30e9)[0]
    expect(curve[:curvatures].max).to be < light[:curvatures].max * 0.6
  end

  it "says what is wrong with it, and how to mend it" do
    expect { fault(row["145 mm"]) }.to raise_error(Lattice::InvalidInput, /row 1 lie outside the section, or stick out.*within/)
    expect { fault(row["110 mm"], row["-110 mm", width: "320 mm"]) }.to raise_error(Lattice::InvalidInput, /row 2 lie outside/)
    expect { fault(row["110 mm", diameter: "0 mm"]) }.to raise_error(Lattice::InvalidInput, /no bars of any size/)
    expect { fault(row["110 mm"], strength: "0 MPa") }.to raise_error(Lattice::InvalidInput, /strength is not above zero/)
    expect { fault(row["110 mm"], confined: { "cover" => "40 mm", "factor" => "0.9" }) }.to raise_error(Lattice::InvalidInput, /confined concrete bears no less/)
    expect { fault(row["110 mm"], outline: "nothing") }.to raise_error(Lattice::InvalidInput, /no outline named “nothing”/)
  end

  describe Lattice::Matter::Line::Concrete do
    subject(:law) { described_class.new(30e9, 30e6, 0.006) }

    it "is full at its strength, falls to a fifth, bears no tension, and unloads to a strain that stays" do
      stress, = law.respond(Numo::DFloat[0.001, -0.001, -0.002, -0.006, -0.02], law.start(5))
      expect(stress.to_a).to match([0.0, be_near(-22.5e6, 1e-9), be_near(-30e6, 1e-9), be_near(-6e6, 1e-9), be_near(-6e6, 1e-9)])
      after = law.respond(Numo::DFloat[-0.002], law.start(1))[2]
      stays = law.plastic(after)[0]
      expect(stays).to be_near(0.275 * 0.002, 1e-9)
      expect(law.respond(Numo::DFloat[-stays + 1e-6], after)[0][0]).to be_near(0.0, 1.0)
      expect(law.respond(Numo::DFloat[-0.002], after)[0][0]).to be_near(-30e6, 1e-9)
    end

    it "has the modulus that is the change of its stress" do
      before = law.respond(Numo::DFloat[-0.0013, -0.003, -0.0005, -0.004], law.start(4))[2]
      strain = Numo::DFloat[-0.0016, -0.0025, -0.0004, -0.0045]
      ahead, behind = [1e-9, -1e-9].map { |step| law.respond(strain + step, before)[0] }
      expect((((ahead - behind) / 2e-9) - law.respond(strain, before)[1]).abs.max).to be < 30e9 * 1e-5
    end
  end

  describe Lattice::Matter::Line::Smooth do
    subject(:law) { described_class.new(200e9, 400e6, 0.01) }

    def led(path) = path.reduce([nil, law.start(1)]) { |(_, state), strain| law.respond(Numo::DFloat[strain], state).values_at(0, 2) }

    it "goes smoothly from its modulus to its hardening, either way" do
      [1, -1].each do |way|
        stress, = led((1..40).map { |k| way * k * 0.0005 })
        expect(stress[0]).to be_near(way * (400e6 + (0.01 * 200e9 * (0.02 - 0.002))), 2e-3)
        first, = led([way * 1e-5])
        expect(first[0]).to be_near(way * 2e6, 1e-6)
      end
    end

    it "softens sooner the other way, and has the modulus that is the change of its stress" do
      there = (1..20).map { |k| k * 0.0005 }
      back = (1..8).map { |k| 0.01 - (k * 0.0005) }
      stress, state = led(there + back)
      # Straight, it would have come to its strength the other way by now.
      expect(stress[0]).to be_between(-400e6, -150e6)
      strain = 0.0055
      ahead, behind = [1e-9, -1e-9].map { |step| law.respond(Numo::DFloat[strain + step], state)[0][0] }
      expect(law.respond(Numo::DFloat[strain], state)[1][0]).to be_near((ahead - behind) / 2e-9, 1e-4)
    end
  end
end
