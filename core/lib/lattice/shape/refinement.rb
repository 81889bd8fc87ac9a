# frozen_string_literal: true

module Lattice
  module Shape
    # Moves the parameters of a surface so that points lie on it as nearly as they can:
    # Gauss-Newton steps on the signed distances, differences for derivatives.
    class Refinement
      ROUNDS = 6
      STEP = 1e-6
      FIELDS = %i[radius minor angle].freeze

      # @param surface [Surface] a first estimate, of extent about one
      # @param points [Numo::DFloat] [n, 3]
      # @return [Surface]
      def self.call(surface, points) = new(surface, points).call

      def initialize(surface, points)
        @surface = surface
        @points = points
      end

      def call
        ROUNDS.times do
          values = flat(@surface)
          error = @surface.signed(@points)
          slopes = Numo::DFloat.zeros(@points.shape[0], values.size)
          values.each_index do |k|
            nudged = values.dup.tap { |v| v[k] += STEP }
            slopes[true, k] = (made(nudged).signed(@points) - error) / STEP
          end
          @surface = made((Numo::DFloat[*values] + step(slopes, error)).to_a)
        end
        @surface
      end

      private

      # Damped a little: sliding along the axis changes nothing, so the step is not unique.
      def step(slopes, error)
        square = slopes.transpose.dot(slopes)
        damping = Numo::DFloat.eye(square.shape[0]) * (square.diagonal.max * 1e-10)
        SmallMatrix.solve(square + damping, slopes.transpose.dot(error) * -1)
      end

      def flat(surface)
        [*surface.origin, *(surface.axis || []), *FIELDS.filter_map { |f| surface[f] }]
      end

      def made(values)
        rest = values.dup
        @surface.dup.tap do |s|
          s.origin = rest.shift(3)
          s.axis = Vectors.unit3(rest.shift(3)) if s.axis
          FIELDS.each { |f| s[f] = rest.shift if s[f] }
        end
      end
    end
  end
end
