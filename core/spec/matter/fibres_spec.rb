# frozen_string_literal: true

RSpec.describe Lattice::Matter::SectionFibres do
  square = ->(x, y, w, h) { Numo::DFloat[[x, y], [x + w, y], [x + w, y + h], [x, y + h]] }

  # Area, first and second moments of points.
  def sums((points, areas))
    x, y = [0, 1].map { |k| points[true, k] }
    [areas.sum, (areas * x).sum, (areas * y).sum, (areas * (y**2)).sum, (areas * (x**2)).sum, (areas * x * y).sum]
  end

  it "keeps area, centre and second moments of a section, whatever its shape" do
    channel = Numo::DFloat[[0, 0], [0.1, 0], [0.1, 0.01], [0.008, 0.01], [0.008, 0.19], [0.07, 0.19], [0.07, 0.2], [0, 0.2]]
    exact = Lattice::Matter::SectionConstants.polygon(channel)
    sums(described_class.call([channel])).zip(exact).each { |found, wanted| expect(found).to be_near(wanted, 1e-9) }
  end

  it "leaves holes out" do
    hole = square[-0.03, -0.06, 0.06, 0.12].reverse(0).dup
    area, _, _, xx, yy, = sums(described_class.call([square[-0.05, -0.1, 0.1, 0.2], hole]))
    expect([area, xx, yy]).to match([be_near(0.02 - 0.0072, 1e-9), be_near(((0.1 * (0.2**3)) - (0.06 * (0.12**3))) / 12, 1e-9), be_near(((0.2 * (0.1**3)) - (0.12 * (0.06**3))) / 12, 1e-9)])
  end

  describe Lattice::Matter::Line::Metal do
    curve = Lattice::Matter::Hardening.new([[0.0, 250e6], [0.02, 300e6]])
    strains = Numo::DFloat.cast([0.0005, 0.001, 0.002, 0.01, -0.004])

    [0.0, 8e9].each do |shifting|
      it "has the modulus that is the change of its stress, and keeps to its curve, shifting by #{shifting}" do
        metal = described_class.new(200e9, shifting.zero? ? curve : Lattice::Matter::Hardening.new([[0.0, 250e6]]), shifting)
        _, _, before = metal.respond(strains * 0.7, metal.start(5))
        stress, moduli, after = metal.respond(strains, before)
        ahead, behind = [1e-9, -1e-9].map { |step| metal.respond(strains + step, before)[0] }
        expect((((ahead - behind) / 2e-9) - moduli).abs.max).to be < 200e9 * 1e-5
        again, = metal.respond(strains, after)
        expect((again - stress).abs.max).to be < 1.0
        expect(stress[0]).to be_near(100e6, 1e-12)
        expect(metal.plastic(after)[3]).to be_near(0.01 - (stress[3] / 200e9), 1e-9)
      end
    end

    it "yields earlier the other way where that shifts, and later where both ways harden" do
      pulled = ->(metal) { metal.respond(Numo::DFloat[0.02], metal.start(1))[2] }
      back = ->(metal, after) { (0..400).map { |k| 0.02 - (k * 2e-5) }.find { |e| metal.respond(Numo::DFloat[e], after)[1][0] < 190e9 } }
      shifts = described_class.new(200e9, Lattice::Matter::Hardening.new([[0.0, 250e6]]), 5e9)
      both = described_class.new(200e9, Lattice::Matter::Hardening.new([[0.0, 250e6], [1.0, 5250e6]]), 0.0)
      expect(0.02 - back[shifts, pulled[shifts]]).to be_near(2 * 250e6 / 200e9, 0.01)
      expect(0.02 - back[both, pulled[both]]).to be > 2.6 * 250e6 / 200e9
    end
  end
end
