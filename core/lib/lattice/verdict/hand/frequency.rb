# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # The lowest natural frequency of a slender beam in each direction, and of a thin plate. R. D. Blevins, Formulas for Natural
      # Frequency and Mode Shape; of plates G. B. Warburton, The vibration of rectangular plates, 1954.
      class Frequency
        # Roots of the frequency equations of uniform beams.
        ENDS = { "cantilever" => 1.87510407, "simply supported" => Math::PI, "clamped" => 4.73004074, "propped" => 3.92660231, "free" => 4.73004074 }.freeze
        PLATES = { "simply supported" => [1.0, 1.0], "clamped" => [1.506, 1.248] }.freeze # Warburton's G and H of the first shape

        # @param part [Beam, Plate]
        # @param statement [Model::Statement]
        # @param result [Result::Outcome] of a vibration study
        def initialize(part, statement, result)
          @part = part
          @statement = statement
          @result = result
        end

        # @return [Array<Hash>] estimate and computed frequency, Hz; one for each direction
        def call
          raise @statement.fault("the material of “#{@part.body.name}” has no density", path: "body", cure: "Type its density in the material statement.") unless @part.material.density

          @part.is_a?(Beam) ? @part.ways.map { |way| of_beam(way) } : [of_plate]
        end

        private

        def of_beam(way)
          estimate = (ENDS.fetch(@statement["beam"])**2) / (2 * Math::PI * (@part.length**2)) * Math.sqrt(@part.bending(way) / (@part.material.density * @part.area))
          found(estimate, way.unit, @part.along, second_moment: way.second_moment, span: @part.length)
        end

        def of_plate
          g, h = PLATES.fetch(@statement["plate"])
          aspect = @part.long / @part.short
          root = Math.sqrt((g**4) + ((g * aspect)**4) + (2 * ((aspect * h)**2)))
          estimate = Math::PI / (2 * (@part.long**2)) * root * Math.sqrt(@part.rigidity / (@part.material.density * @part.thickness))
          found(estimate, @part.axes[2], nil, span: @part.short)
        end

        def found(estimate, unit, along, **more)
          frame = Shapes.new(@result, @part.body.name, along).first(unit) { |value| value > Study::Modal::RIGID }
          { estimate: estimate, computed: frame&.value, shape: frame&.name, dimension: "frequency", what: "frequency", direction: Hand.named(unit), **more }
        end
      end
    end
  end
end
