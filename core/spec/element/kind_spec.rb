# frozen_string_literal: true

RSpec.describe Lattice::Element::Kind do
  shapes = { quad8: Lattice::Element::Quad8, tri6: Lattice::Element::Tri6, hex20: Lattice::Element::Hex20, wedge15: Lattice::Element::Wedge15 }

  shapes.each do |name, shape|
    describe name do
      let(:kind) { Lattice::Element::Kind[name] }
      let(:points) { kind.stress_rule.points }

      it "has shape functions that are one at their own node and zero at the others" do
        expect((kind.values(shape::NODES) - Numo::DFloat.eye(kind.nodes)).abs.max).to be < 1e-14
      end

      it "has shape functions that add up to one, with slopes that add up to none" do
        expect((kind.values(points).sum(1) - 1).abs.max).to be < 1e-14
        expect(kind.gradients(points).sum(1).abs.max).to be < 1e-13
      end

      it "has the slopes of its shape functions" do
        step = 1e-6
        kind.dimension.times do |k|
          ahead = points.dup
          ahead[true, k] += step
          back = points.dup
          back[true, k] -= step
          difference = (kind.values(ahead) - kind.values(back)) / (2 * step)
          expect((difference - kind.gradients(points)[true, true, k]).abs.max).to be < 1e-8
        end
      end

      it "extrapolates a linear field exactly" do
        linear = ->(at) { (at * Numo::DFloat[*[2.0, -3.0, 0.5].first(kind.dimension)]).sum(1) + 4 }
        expect((kind.extrapolation.dot(linear.call(points)) - linear.call(shape::NODES)).abs.max).to be < 1e-12
      end

      it "has six (three) stiffness-free motions and no more" do
        jiggled = shape::NODES + (Numo::DFloat.cast((0...shape::NODES.size).map { |i| Math.sin(i * 7.3) }).reshape(*shape::NODES.shape) * 0.03)
        coordinates = Numo::DFloat.zeros(1, kind.nodes, 3)
        coordinates[0, true, 0...kind.dimension] = jiggled
        k = Lattice::Element::Continuum.new(kind, coordinates, kind.dimension == 3 ? "solid" : "plane stress").stiffness(1.0, 0.3)
        d = kind.dimension
        full = k[true, true, 0, true, true].transpose(2, 0, 3, 1).reshape(kind.nodes * d, kind.nodes * d)
        values = Numo::Linalg.eigvalsh(full.dup)
        expect(values.to_a.count { |v| v.abs < 1e-12 * values.max }).to eq(d == 3 ? 6 : 3)
        expect(values.min).to be > -1e-12 * values.max
      end
    end
  end

  it "integrates polynomials of the degree that the rules are known for" do
    integral = ->(rule, *powers) { (powers.each_with_index.map { |p, k| rule.points[true, k]**p }.reduce(:*) * rule.weights).sum }
    irons = Lattice::Element::Rule.irons
    expect(integral.call(irons, 4, 0, 0)).to be_near(8.0 / 5, 1e-12)
    expect(integral.call(irons, 2, 2, 0)).to be_near(8.0 / 9, 1e-12)
    expect(integral.call(Lattice::Element::Rule.triangle(6), 2, 2)).to be_near(4.0 / 720, 1e-9)
    expect(integral.call(Lattice::Element::Rule.prism(3, 2), 1, 1, 2)).to be_near(1.0 / 36, 1e-12)
  end
end

RSpec.describe Lattice::Element::Continuum do
  it "has the strain of an axisymmetric ring that grows" do
    nodes = Lattice::Element::Quad8::NODES + Numo::DFloat[5, 0]
    coordinates = Numo::DFloat.zeros(1, 8, 3)
    coordinates[0, true, 0..1] = nodes
    ring = described_class.new(Lattice::Element::Kind[:quad8], coordinates, "axisymmetric")
    strain = ring.strain((nodes * Numo::DFloat[1e-3, 0]).reshape(1, 8, 2))
    expect((strain[true, true, 0] - 1e-3).abs.max).to be < 1e-12
    expect((strain[true, true, 2] - 1e-3).abs.max).to be < 1e-12
    expect(ring.volumes_of_elements.sum).to be_near(2 * Math::PI * 5 * 4, 1e-12)
  end

  it "keeps a plane-strain slice from straining along z by a stress" do
    full = Lattice::Element::PlaneStrain.full_stress(Numo::DFloat[[[10, 20, 3]]], 1.0, 0.25)
    expect(full.flatten.to_a).to eq([10, 20, 7.5, 3, 0, 0])
  end
end
