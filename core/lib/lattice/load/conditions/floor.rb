# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A floor that is rigid in its plane: its points move and turn in it as one, and bend out of it as they like.
      class Floor < Condition
        FLAT = 1e-6 # of the part

        acts_on :points

        def joins? = true

        # It ties its points to each other.
        def others = []

        def check!
          super
          raise statement.fault("a floor in a model of the plane holds nothing", path: "target", cure: "Take it out.") unless problem.parts.dimension == 3
          turns!

          check_plane
        end

        # @return [Integer, nil] across which axis it lies; nil where its points lie across none
        def axis = @axis ||= (0..2).to_a.reverse.find { |k| points[true, k].max - points[true, k].min <= problem.parts.size * FLAT }

        # @return [Float] m, where it lies on that axis
        def level = points[true, axis].mean

        def apply(structure)
          check!
          nodes = structure.grid.nodes_of(places)
          own = structure.grid.nodes[nodes, true].dup
          leader = ((own - own.mean(0).reshape(1, 3))**2).sum(1).min_index
          one, two = across
          turn = structure.dofs.at(nodes, %i[rx ry rz][axis])
          others = (0...nodes.size).to_a - [leader]
          arms = own[others, true] - own[leader, true].reshape(1, 3)
          tied = [[one, arms[true, two] * -1], [two, arms[true, one]], [nil, nil]].map { |k, factors| tie(structure, nodes, turn, [leader, others], k, factors) }
          bound!(tied)
        end

        private

        # The axes in its plane, in the order that turning goes.
        def across = [(axis + 1) % 3, (axis + 2) % 3]

        def points = @points ||= Numo::DFloat.cast(places.map { |place| place.at.to_a })

        # Of movements along an axis; of turns, where none is given.
        # @return [Numo::Int32] unknowns that are held or tied already
        def tie(structure, nodes, turn, (leader, others), along, factors)
          own = along ? structure.dofs.at(nodes, System::Dofs::NAMES[along]) : turn
          k = others.size
          lead = Numo::Int32.zeros(k, 2).tap { |all| all[true, 0] = own[leader] }.tap { |all| all[true, 1] = along ? turn[leader] : -1 }
          shares = Numo::DFloat.ones(k, 2).tap { |all| all[true, 1] = along ? factors : 0.0 }
          structure.constraints.tie(own[others].dup, lead, shares, by: self)
        end

        def bound!(tied)
          return if tied.all?(&:empty?)

          raise statement.fault("some of its points are held or tied already", path: "target", cure: "Take them out of the group, or the other statement away.")
        end

        def check_plane
          raise statement.fault("it has #{places.size} points: a floor tied to nothing moves with nothing", path: "target", cure: "Choose at least three points at one height.") if places.size < 3
          return if axis

          raise statement.fault("its points do not lie in a plane across x, y or z", path: "target", cure: "Choose points at one height.")
        end
      end
    end
  end
end
