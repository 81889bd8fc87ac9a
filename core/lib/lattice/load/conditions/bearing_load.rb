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
            off = wanted - force
            return c if (off**2).sum <= (SMALL**2) * (wanted**2).sum

            c += step(surfaces, c, off)
          end
          raise statement.fault("its push cannot be shared so that it is just what was asked", path: "target", cure: "Choose a smaller mesh size round the holes.")
        end

        def step(surfaces, towards, off)
          tangent = Numo::DFloat.zeros(3, 3)
          3.times do |k|
            tangent[true, k] = surfaces.map do |s|
              s.tractions { |_, outward| outward * (outward[true, k] * outward.dot(towards).lt(0)).reshape(outward.shape[0], 1) }.sum(0).sum(0)
            end.reduce(:+)
          end
          found = Numo::Linalg.pinv(tangent, rcond: 1e-6).dot(off)
          left = off - tangent.dot(found)
          raise statement.fault("it pushes along its hole, where nothing bears", path: "direction", cure: "Choose a direction across the hole.") if (left**2).sum > 1e-6 * (off**2).sum

          found
        end
      end
    end
  end
end
