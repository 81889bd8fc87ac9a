# frozen_string_literal: true

module Lattice
  module Mesh
    # An edge in a given number of pieces, each so many times as long as the one before it.
    #
    # Places on the edge are shares of its length, from 0 to 1; steps count its pieces.
    class Division
      attr_reader :count, :bias

      # @param count [Integer] pieces
      # @param bias [Float] length of the last piece over that of the first
      def initialize(count, bias = 1.0)
        @count = count
        @bias = bias
        @rate = count > 1 ? count * Math.log(bias) / (count - 1) : 0.0
      end

      # @param steps [Numo::DFloat] from the start, whole or not
      # @return [Numo::DFloat] shares: those of a geometric row of lengths
      def at(steps)
        return steps / count if @rate.abs < 1e-9

        (Numo::NMath.exp((steps / count) * @rate) - 1) / (Math.exp(@rate) - 1)
      end

      # @param pieces [Integer] in which the edge is cut, each of equally many steps
      # @return [Numo::DFloat] [pieces + 1] shares
      def shares(pieces = count)
        at(Numo::DFloat.new(pieces + 1).seq * (count.to_f / pieces)).tap { |s| s[-1] = 1.0 }
      end

      # @return [Numo::DFloat] the shares as many steps from one end as from the other
      def middles(start, finish) = at((steps(start) + steps(finish)) / 2)

      # @return [Division] as seen from the other end
      def reversed = Division.new(count, 1 / bias)

      # What a digest is made of.
      def signature = [count, bias]

      private

      # The inverse of +at+.
      def steps(shares)
        return shares * count if @rate.abs < 1e-9

        Numo::NMath.log((shares * (Math.exp(@rate) - 1)) + 1) * (count / @rate)
      end
    end
  end
end
