# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Turns a place as a rigid whole about an axis by a small angle in its case; in others it is held.
      class Rotation < Condition
        acts_on :faces, :edges, :points, :bodies

        def spreads? = true
        def holds? = true
        def steady? = true
        def components = System::Dofs::NAMES

        def check!
          super
          raise statement.fault("a plane region turns about z", path: "direction", cure: "Choose +z or -z.") if problem.parts.dimension == 2 && statement.direction[2].abs < 1 - 1e-9
          raise statement.fault("rings do not turn", path: "target", cure: "Use a solid or a plane region.") if problem.parts.bodies.any?(&:axisymmetric?)
        end

        def apply(structure)
          check!
          turn = statement.direction * statement.quantity("value", "angle")
          nodes = structure.grid.nodes_of(places)
          at = structure.grid.nodes[nodes, true].dup
          arms = at - through(structure.grid).reshape(1, 3)
          moved = Shape::Vectors.cross(Numo::DFloat.zeros(*arms.shape) + turn.reshape(1, 3), arms)
          3.times do |c|
            direction = Numo::DFloat.zeros(*arms.shape).tap { |all| all[true, c] = 1.0 }
            structure.hold_along(self, nodes, direction, values: moved[true, c].dup)
            structure.hold_along(self, nodes, direction, values: Numo::DFloat.zeros(nodes.size).fill(turn[c]), what: :turns)
          end
        end

        private

        # The axis goes through the middle of the place's extent where none is stated.
        def through(grid)
          return Numo::DFloat.cast(Shape::Placement.spot(statement["through"])) if statement["through"]

          at = grid.nodes[grid.nodes_of(places), true]
          (at.max(0) + at.min(0)) / 2
        end
      end
    end
  end
end
