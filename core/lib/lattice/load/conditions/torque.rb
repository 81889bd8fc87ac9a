# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A total torque on faces, or on the sides of plane regions: shearing tractions in proportion to the distance
      # from the axis through their middle, so that no force is left over.
      class Torque < Condition
        V = Shape::Vectors

        def loads? = true
        def places = problem.groups.target!(statement, [problem.parts.dimension == 3 ? :faces : :edges])

        def check!
          super
          raise statement.fault("rings are loaded round their axis alone", path: "target", cure: "Use a pressure or a traction, or a solid.") if problem.parts.bodies.any?(&:axisymmetric?)

          places
          return if problem.parts.dimension == 3 || statement.direction[2].abs > 1 - 1e-9

          raise statement.fault("a torque on a plane region turns about z", path: "direction", cure: "Choose +z or -z.")
        end

        def apply(structure)
          check!
          axis = statement.direction
          found = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place)] }
          middle = middle(structure.grid, found)
          pushed = found.map { |conn, surface| [conn, surface.tractions { |points, _| across(points, middle, axis) }] }
          turn = pushed.sum { |conn, force| moment(structure.grid, conn, force, middle).dot(axis) }
          raise statement.fault("its place lies on the axis it turns about", path: "direction", cure: "Choose another direction, or faces with an extent across it.") unless turn > 0

          share = statement.quantity("value", "moment") / turn
          pushed.each { |conn, force| structure.push(self, conn, (force * share)[true, true, 0...structure.grid.dimension]) }
        end

        private

        def middle(grid, found)
          sums = found.map { |conn, surface| [Algebra::Gather.rows(grid.nodes, conn), surface.shares] }
          (sums.map { |at, share| (at * share.reshape(*share.shape, 1)).sum(0).sum(0) }.reduce(:+) / sums.sum { |_, share| share.sum })
        end

        def across(points, middle, axis)
          arms = points - middle.reshape(1, 3)
          V.cross(Numo::DFloat.zeros(*arms.shape) + axis.reshape(1, 3), arms)
        end

        def moment(grid, conn, force, middle)
          at = Algebra::Gather.rows(grid.nodes, conn).reshape(conn.size, 3) - middle.reshape(1, 3)
          V.cross(at, force.reshape(conn.size, 3)).sum(0)
        end
      end
    end
  end
end
