# frozen_string_literal: true

RSpec.describe Lattice::Element::Large::Turning do
  rotation = Lattice::Element::Large::Rotation

  piece = Struct.new(:names, :members, :axes) do
    def body = Struct.new(:members?, :axisymmetric?).new(members, false)
  end

  random = Random.new(7)
  numbers = ->(*shape) { Numo::DFloat.cast(Array.new(shape.reduce(:*)) { random.rand(-1.0..1.0) }).reshape(*shape) }
  square = Numo::DFloat[[[0.0, 0.0, 0.0], [1.1, 0.1, 0.05], [1.0, 0.9, -0.04], [-0.1, 1.0, 0.06]], [[2.0, 0.0, 0.3], [3.0, 0.0, 0.3], [3.0, 1.0, 0.3], [2.0, 1.0, 0.3]]]
  cube = Numo::DFloat[[0, 0, 0], [1, 0, 0], [1.1, 1, 0], [0, 1, 0.1], [0, 0, 1], [1, 0.1, 1], [1, 1, 1], [0, 1, 1.2]].reshape(1, 8, 3)
  flat = Numo::DFloat[[0, 0, 0], [1, 0, 0], [1.1, 1, 0], [0, 1.2, 0]].reshape(1, 4, 3)
  pole = Numo::DFloat[[0, 0, 0], [1.0, 0.5, 0.2]].reshape(1, 2, 3)
  beam = lambda do
    properties = Lattice::Element::Beam::Block::Properties.new(area: [1e-2], two: [3e-5], three: [1e-5], shear_two: [8e-3], shear_three: [8e-3], torsion: [2e-5], angle: [0.3], bar: [0])
    properties.to_h.each { |name, list| properties[name] = Numo::DFloat.cast(list) if list }
    properties.shear_centre = Numo::DFloat[[0.01, 0.02]]
    properties.line = Numo::DFloat[[0.03, -0.01]]
    properties.up = Numo::DFloat[[0, 0, 1.0]]
    properties.released = Numo::Int8.zeros(1, 2)
    Lattice::Element::Beam::Block.new(pole, properties, young: 1e7, poisson: 0.3)
  end

  pieces = {
    "shells of four nodes" => -> { [square, Lattice::Element::Shell::Block.new(square, thickness: 0.1, young: 1e7, poisson: 0.3).stiffness, 6, nil] },
    "shells of three nodes" => -> { [square[true, 0..2, true].dup, Lattice::Element::Shell::Block.new(square[true, 0..2, true].dup, thickness: 0.1, young: 1e7, poisson: 0.3).stiffness, 6, nil] },
    "bricks" => -> { [cube, Lattice::Element::Continuum.new(Lattice::Element::Kind[:hex8], cube, "solid").stiffness(1e7, 0.3), 3, nil] },
    "plane quadrilaterals" => -> { [flat, Lattice::Element::Continuum.new(Lattice::Element::Kind[:quad4], flat, "plane stress").stiffness(1e7, 0.3), 2, nil] },
    "members" => -> { beam.call.then { |b| [pole, b.stiffness, 6, b.axes] } }
  }

  pieces.each do |words, made|
    describe "of #{words}" do
      let(:parts) { made.call }
      let(:start) { parts[0] }
      let(:width) { parts[2] }
      let(:turning) { described_class.new(piece.new(Lattice::System::Dofs::NAMES.first(width), !parts[3].nil?, parts[3]), parts[1], start) }
      let(:whole) { width == 2 ? Numo::DFloat[[0, 0, 2.2]] : Numo::DFloat[[0.8, -1.1, 0.9]] }

      def nodes = start.shape[1]

      # Placed as drawn, turned as a whole, and by a movement of each unknown.
      def posed(vector, turn)
        e, n, = start.shape
        u = vector.reshape(e, n, width)
        moved = Numo::DFloat.zeros(e, n, 3).tap { |all| all[true, true, 0...[width, 3].min] = u[true, true, 0...[width, 3].min] }
        places = Numo::Linalg.matmul(start, turn.transpose(0, 2, 1).dup[0, true, true].reshape(1, 3, 3) + Numo::DFloat.zeros(e, 3, 3)) + moved
        return [places, nil] unless width == 6

        own = Lattice::Element::Large::Rotation.exp(u[true, true, 3..5].dup.reshape(e * n, 3))
        [places, Numo::Linalg.matmul(own, turn[0, true, true].reshape(1, 3, 3) + Numo::DFloat.zeros(e * n, 3, 3)).reshape(e, n, 3, 3)]
      end

      def stepped(places, turns, unknown, size)
        node, component = unknown.divmod(width)
        return [places.dup.tap { |p| p[true, node, component] += size }, turns] if component < [width, 3].min

        spin = Numo::DFloat.zeros(places.shape[0], 3).tap { |v| v[true, component - 3] = size }
        [places, turns.dup.tap { |t| t[true, node, true, true] = Numo::Linalg.matmul(Lattice::Element::Large::Rotation.exp(spin), t[true, node, true, true].dup) }]
      end

      it "holds nothing when it turns as a whole" do
        force, = turning.call(*posed(Numo::DFloat.zeros(start.shape[0] * nodes * width), rotation.exp(whole)))
        expect(force.abs.max).to be < 1e-6 * 1e7 * 1e-3
      end

      it "answers a small movement as the element itself does" do
        u = numbers[start.shape[0], nodes * width] * 1e-7
        force, tangent = turning.call(*posed(u, rotation.none(1)))
        k = tangent.transpose(2, 3, 0, 4, 1).dup.reshape(start.shape[0], nodes * width, nodes * width)
        plain = parts[1].transpose(2, 3, 0, 4, 1).dup.reshape(start.shape[0], nodes * width, nodes * width)
        expect((k - plain).abs.max).to be < plain.abs.max * 1e-5
        expect((force.reshape(start.shape[0], nodes * width) - Numo::Linalg.matmul(plain, u.reshape(*u.shape, 1))[true, true, 0]).abs.max).to be < force.abs.max * 1e-4
      end

      it "has a tangent that is the change of its forces" do
        strained = numbers[start.shape[0], nodes * width] * 2e-3
        places, turns = posed(strained, rotation.exp(whole))
        force, tangent = turning.call(places, turns)
        k = tangent.transpose(2, 3, 0, 4, 1).dup.reshape(start.shape[0], nodes * width, nodes * width)
        h = 1e-6
        (nodes * width).times do |unknown|
          ahead, behind = [h, -h].map { |size| turning.call(*stepped(places, turns, unknown, size), tangent: false)[0].reshape(start.shape[0], nodes * width) }
          difference = ((ahead - behind) / (2 * h)) - k[true, true, unknown]
          # What is left out is of the size of the forces over the element: it does not spoil the order of convergence.
          expect(difference.abs.max).to be < (force.abs.max * 0.3) + (k.abs.max * 1e-6)
        end
      end

      it "pushes with no force and no moment on the whole" do
        places, turns = posed(numbers[start.shape[0], nodes * width] * 1e-2, rotation.exp(whole))
        force, = turning.call(places, turns)
        moves = [width, 3].min
        expect(force[true, true, 0...moves].sum(1).abs.max).to be < force.abs.max * 1e-9
        arms = places - places.mean(1).reshape(places.shape[0], 1, 3)
        full = Numo::DFloat.zeros(*places.shape).tap { |f| f[true, true, 0...moves] = force[true, true, 0...moves] }
        moment = Lattice::Shape::Vectors.cross(arms.reshape(arms.size / 3, 3), full.reshape(arms.size / 3, 3)).reshape(*places.shape).sum(1)
        moment += force[true, true, 3..5].sum(1) if width == 6
        expect(moment.abs.max).to be < force.abs.max * 1e-9
      end
    end
  end

  describe Lattice::Element::Large::Rotation do
    it "takes the vector of a turn back from its matrix, near no turn and near half a turn" do
      vectors = Numo::DFloat[[0, 0, 0], [1e-9, 0, 2e-9], [1e-4, -2e-4, 3e-4], [0.5, 0.2, -1.0], [2.0, 1.0, 2.0], [-1.8, 1.8, 1.83], [3.1415, 0, 0], [0, 0, -3.14]]
      expect((described_class.log(described_class.exp(vectors)) - vectors).abs.max).to be < 1e-7
    end

    it "knows how the vector grows with a further small turn" do
      theta = Numo::DFloat[[0.3, -0.2, 0.4], [0.01, 0.02, -0.03]]
      moment = Numo::DFloat[[2.0, 1.0, -1.0], [1.0, 0.5, 3.0]]
      h = 1e-6
      3.times do |k|
        spin = ->(sign) { Numo::DFloat.zeros(2, 3).tap { |v| v[true, k] = sign * h } }
        ahead, behind = [1, -1].map { |sign| described_class.log(Numo::Linalg.matmul(described_class.exp(spin[sign]), described_class.exp(theta))) }
        expect((((ahead - behind) / (2 * h)) - described_class.growth(theta)[true, true, k]).abs.max).to be < 1e-6
        pulled = [ahead, behind].map { |v| Numo::Linalg.matmul(described_class.growth(v).transpose(0, 2, 1).dup, moment.reshape(2, 3, 1))[true, true, 0] }
        expect((((pulled[0] - pulled[1]) / (2 * h)) - described_class.growth_change(theta, moment)[true, true, k]).abs.max).to be < 1e-6
      end
    end
  end
end
