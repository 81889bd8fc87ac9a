# frozen_string_literal: true

module Lattice
  module Mesh
    # Straight pieces of an outline's sides: nodes +from+ and +to+ [k], the segment
    # each lies on and the parameters of its ends, as flat arrays.
    Border = Struct.new(:from, :to, :segment, :start, :finish) do
      # @return [Numo::DFloat] [k, 2] the middle of each piece, on the curve
      def middles(segments)
        points = Numo::DFloat.zeros(from.size, 2)
        segments.each_with_index do |s, index|
          on = segment.eq(index).where
          points[on, true] = s.points((start[on] + finish[on]) / 2) unless on.empty?
        end
        points
      end

      # @param nodes [Numo::Int32] [k] the node in the middle of each piece
      # @return [Border] with every piece halved
      def halved(nodes)
        half = (start + finish) / 2
        Border.new(join(from, nodes), join(nodes, to), join(segment, segment), join(start, half), join(half, finish))
      end

      private

      def join(a, b) = a.concatenate(b)
    end
  end
end
