# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # A body seen as a rectangular plate.
      class Plate
        THIN = 10.0 # times as wide as thick
        FULL = 0.98 # of its rectangle, that it covers at least
        FLAT = 1e-6 # of its size

        # axes: units along its longer and its shorter side, and across; long, short, thickness: m
        attr_reader :body, :axes, :long, :short, :thickness, :material

        # @param problem [Study::Problem]
        # @param statement [Model::Statement] that names the body, for faults
        # @raise [InvalidInput] for what is no plate
        def initialize(problem, statement)
          @statement = statement
          @body = problem.parts.body(statement["body"]) || fault("there is no body named “#{statement['body']}”", "Choose a body.")
          fault("“#{body.name}” is no plate in space", "Choose a solid or faces.") unless body.solid? || body.faces?
          measure(sides)
          @material = problem.materials.to_h[body.name]
        end

        # E t³ / 12 (1 − ν²), N m
        def rigidity = material.young * (thickness**3) / (12 * (1 - (material.poisson**2)))

        private

        def fault(message, cure) = raise(@statement.fault(message, path: "body", cure: cure))

        # @return [Array(Array<Float>, Float)] units and lengths of the sides of its box
        def sides
          if body.prism
            (x0, y0), (x1, y1) = body.outline.bounds
            return body.frame.axes.zip([x1 - x0, y1 - y0, body.faces? ? 0.0 : body.thickness])
          end

          low, high = body.bounds
          Numo::DFloat.eye(3).to_a.zip(high.zip(low).map { |h, l| h - l })
        end

        def measure(sides)
          (one, @long), (two, @short), (across, thin) = sides.sort_by { |_, length| -length }
          @axes = [one, two, across]
          flat = thin < @long * FLAT
          @thickness = flat && body.wall ? body.wall : thin
          full = body.faces? ? body.area / (@long * @short) : body.volume / (@long * @short * thin)
          fault("“#{body.name}” does not fill its rectangle", "Choose a rectangular plate, or remove this hand check.") if (body.faces? && !flat) || full < FULL
          return if @short >= @thickness * THIN

          fault("“#{body.name}” is only #{(@short / @thickness).round(1)} times as wide as it is thick, which is no plate", "A hand check wants at least #{THIN.round} times.")
        end
      end
    end
  end
end
