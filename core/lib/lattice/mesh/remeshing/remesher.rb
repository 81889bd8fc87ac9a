# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Makes the triangles of a surface even and of the size wanted: points come, go, slide
      # on their faces and curves, and sides turn. After M. Botsch, L. Kobbelt, A remeshing
      # approach to multiresolution modeling, 2004; short sides go first, whatever becomes
      # of the long ones.
      class Remesher
        ROUNDS = 5
        AT_ONCE = 60  # times that sides are halved and turned
        FEW = 0.02    # of the triangles: when no more sides are halved at a time, the rest can wait
        SLENDER = 20  # times its size: far too long
        LONGEST = 2.5 # unless one is longer than that, of its size

        # @param sheet [Sheet]
        def initialize(sheet)
          @sheet = sheet
        end

        # @yield [Float] the share that is done
        # @return [Sheet]
        # @raise [InvalidInput] when divided curves did not keep their pieces
        def call(rounds: ROUNDS)
          Collapsing.new(@sheet).call
          Flipping.new(@sheet).call
          halve_longest
          # Then curves: while the triangles beside them are large, points that bulge out
          # of a chord fold none.
          Splitting.new(@sheet, curves: true).call
          Collapsing.new(@sheet, rounds: 4).call
          rounds.times do |round|
            split
            Collapsing.new(@sheet, longest: Splitting::LONG, rounds: 12, thin: 0.1).call
            Flipping.new(@sheet).call
            Smoothing.new(@sheet).call
            Flipping.new(@sheet, rounds: 4).call
            yield((round + 1).fdiv(rounds)) if block_given?
          end
          Holding.new(@sheet).check
          @sheet
        end

        private

        # Whatever is far too long is halved first, curves and all, and sides turn in between: the
        # triangles that fan out over a long face would else turn one after the other, along all
        # its length.
        def halve_longest
          AT_ONCE.times do
            longest = @sheet.ratios(@sheet.sides).max
            break if longest < SLENDER || Splitting.new(@sheet, longest: longest / 2).call(rounds: 4).zero?

            Flipping.new(@sheet, rounds: 4).call
          end
        end

        # Sides turn in between, or slivers would be halved into more of them.
        def split
          AT_ONCE.times do
            halved = Splitting.new(@sheet).call(rounds: 2)
            break if halved.zero?

            Flipping.new(@sheet, rounds: 3).call
            break if halved < @sheet.count * FEW && @sheet.ratios(@sheet.sides).max < LONGEST
          end
        end
      end
    end
  end
end
