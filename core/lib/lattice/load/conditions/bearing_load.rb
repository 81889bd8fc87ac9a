# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A pin's push on the walls of holes: pressure c·n on the half that faces it, shared over all holes by the
      # width of each. c is chosen so that the resultant is just the force that was asked.
      class BearingLoad < Condition
        ROUNDS = 20
        SMALL = 1e-10

        def loads? = true
        def places = problem.groups.target!(statement, [problem.parts.dimension == 3 ? :faces : :edges])

        def check!
          super
          raise statement.fault("rings are loaded round their axis alone", path: "target", cure: "Use a pressure or a traction, or a solid.") if problem.parts.bodies.any?(&:axisymmetric?)

          flat = places.find { |p| %w[plane line].include?(p.kind) }
          raise statement.fault("“#{flat.name}” is flat, and bears no pin", path: "target", cure: "Choose the walls of holes.") if flat

          along(problem.parts.dimension)
        end

        # A place of one hole, or several where its wall has several faces, shares with the others by all their walls.
        def apply(structure)
          check!
          wanted = statement.direction * statement.quantity("value", "force")
          found = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place)] }
          c = balanced(found.map(&:last), wanted)
          found.each { |conn, surface| structure.push(self, conn, pressed(surface, c)[true, true, 0...structure.grid.dimension]) }
        end

        private

        def pressed(surface, towards)
          surface.tractions do |_, outward|
            press = (outward.dot(towards) * -1).clip(0, nil)
            outward * (press * -1).reshape(press.size, 1)
          end
        end

        # Newton on the resultant, which is piecewise linear in c.
        def balanced(surfaces, wanted)
          c = wanted / surfaces.sum { |s| s.shares.sum } * 4
          ROUNDS.times do
            force = surfaces.map { |s| pressed(s, c).sum(0).sum(0) }.reduce(:+)
            found, reached = step(surfaces, c, wanted - force, wanted)
            return c if (reached**2).sum <= (SMALL**2) * (wanted**2).sum

            c += found
          end
          raise statement.fault("its push cannot be shared so that it is just what was asked", path: "target", cure: "Choose a smaller mesh size round the holes.")
        end

        # What no wall bears, as along holes whose walls are not quite straight, stays off.
        # @return [Array(Numo::DFloat, Numo::DFloat)] the step, and what it brings
        def step(surfaces, towards, off, wanted)
          tangent = Numo::DFloat.zeros(3, 3)
          3.times do |k|
            tangent[true, k] = surfaces.map do |s|
              s.tractions { |_, outward| outward * (outward[true, k] * outward.dot(towards).lt(0)).reshape(outward.shape[0], 1) }.sum(0).sum(0)
            end.reduce(:+)
          end
          found = Numo::Linalg.pinv(tangent, rcond: 1e-6).dot(off)
          reached = tangent.dot(found)
          raise statement.fault("it pushes along its hole, where nothing bears", path: "direction", cure: "Choose a direction across the hole.") if ((off - reached)**2).sum > 1e-6 * (wanted**2).sum

          [found, reached]
        end
      end
    end
  end
end
