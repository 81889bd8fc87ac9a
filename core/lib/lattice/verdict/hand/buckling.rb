# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # Euler's columns, and rectangular plates that are pressed or sheared. S. P. Timoshenko, J. M. Gere, Theory of Elastic
      # Stability, 1961, chapters 2 and 9.
      class Buckling
        # Length of the half wave over that of the column.
        ENDS = { "cantilever" => 2.0, "simply supported" => 1.0, "clamped" => 0.5, "propped" => 0.69915566 }.freeze
        # Of plates clamped all round: length along the pressure over breadth, and the coefficient.
        CLAMPED = [[0.75, 11.69], [1.0, 10.07], [1.25, 9.25], [1.5, 8.33], [1.75, 8.11], [2.0, 7.88], [2.25, 7.63], [2.5, 7.57], [2.75, 7.44], [3.0, 7.37], [3.25, 7.35], [3.5, 7.27], [3.75, 7.24],
                   [4.0, 7.23]].freeze
        SHEARED = { "simply supported" => [5.34, 4.0], "clamped" => [8.98, 5.6] }.freeze

        # @param part [Beam, Plate]
        # @param statement [Model::Statement]
        # @param result [Result::Outcome] of a buckling study, which knows the mean stress of each body at a factor of one
        def initialize(part, statement, result)
          @part = part
          @statement = statement
          @result = result
          @stress = result.found[:buckling][:stresses][part.body.name.to_sym]
        end

        # @return [Array<Hash>] estimate and computed: force in a column, N; stress in a plate, Pa
        def call = [@part.is_a?(Beam) ? column : plate]

        private

        def column
          way = @part.weakest
          reach = ENDS.fetch(@statement["beam"]) * @part.length
          pressed = -mean(@part.along, @part.along) * @part.area
          found((Math::PI**2) * @part.bending(way) / (reach**2), pressed, way.unit, @part.along, dimension: "force", what: "buckling force", span: @part.length, second_moment: way.second_moment)
        end

        def plate
          long, short, across = @part.axes
          pressure = [-mean(long, long), -mean(short, short)]
          shear = mean(long, short).abs
          kind, size, factor = shear > pressure.max ? ["shear", shear, sheared] : pressed(pressure)
          unit = (Math::PI**2) * @part.rigidity / ((factor[1]**2) * @part.thickness)
          found(factor[0] * unit, size, across, nil, dimension: "stress", what: "buckling stress in #{kind}", span: @part.short)
        end

        # @return [Array(Float, Float)] coefficient, and the side it goes with
        def sheared
          first, second = SHEARED.fetch(@statement["plate"])
          [first + (second * ((@part.short / @part.long)**2)), @part.short]
        end

        def pressed(pressure)
          sides = [@part.long, @part.short]
          sides.reverse! if pressure[1] > pressure[0]
          aspect = sides[0] / sides[1]
          ["compression along #{Hand.named(@part.axes[pressure[1] > pressure[0] ? 1 : 0])}", pressure.max, [@statement["plate"] == "clamped" ? clamped(aspect) : waved(aspect), sides[1]]]
        end

        def waved(aspect) = (1..(aspect.ceil + 1)).map { |m| ((m / aspect) + (aspect / m))**2 }.min

        def clamped(aspect)
          if aspect < CLAMPED[0][0]
            raise @statement.fault("clamped plates shorter than three quarters of their breadth are in no table", path: "plate",
                                                                                                                  cure: "Choose simply supported, or remove this hand check.")
          end

          (a, low), (b, high) = CLAMPED.each_cons(2).find { |_, upper| aspect <= upper[0] } || [[4.0, 7.23], [Float::INFINITY, 6.97]]
          b.infinite? ? high + ((low - high) * ((a / aspect)**2)) : low + ((high - low) * (aspect - a) / (b - a))
        end

        # @return [Float] Pa on the plane across one axis, along another
        def mean(one, other)
          xx, yy, zz, xy, yz, zx = @stress
          rows = [[xx, xy, zx], [xy, yy, yz], [zx, yz, zz]]
          (0..2).sum { |i| (0..2).sum { |j| one[i] * rows[i][j] * other[j] } }
        end

        def found(estimate, size, unit, along, **more)
          frame = size.positive? ? Shapes.new(@result, @part.body.name, along).first(unit, &:positive?) : nil
          { estimate: estimate, computed: frame && (frame.value * size), shape: frame&.name, direction: Hand.named(unit), **more }
        end
      end
    end
  end
end
