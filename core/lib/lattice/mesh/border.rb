# frozen_string_literal: true

module Lattice
  module Mesh
    # Straight pieces of an outline's sides: nodes +from+ and +to+ [k], the segment
    # each lies on and the parameters of its ends, as flat arrays; and the divisions of
    # segments, by index, where they are given.
    Border = Struct.new(:from, :to, :segment, :start, :finish, :divisions) do
      # @return [Numo::DFloat] [k, 2] the middle of each piece, on the curve
      def middles(segments) = on_curves(segments, (start + finish) / 2)

      # @return [Numo::DFloat] [k] the parameters at which pieces are halved: divided
      #   segments by their steps
      def halves
        ((start + finish) / 2).tap do |half|
          divisions.to_h.each do |index, division|
            on = segment.eq(index).where
            half[on] = division.middles(start[on], finish[on])
          end
        end
      end

      # @return [Numo::DFloat] [k, 2] at one parameter of each piece
      def on_curves(segments, parameters)
        points = Numo::DFloat.zeros(from.size, 2)
        segments.each_with_index do |s, index|
          on = segment.eq(index).where
          points[on, true] = s.points(parameters[on]) unless on.empty?
        end
        points
      end

      # @param nodes [Numo::Int32] [k] the node in the middle of each piece
      # @return [Border] with every piece halved
      def halved(nodes)
        half = halves
        Border.new(join(from, nodes), join(nodes, to), join(segment, segment), join(start, half), join(half, finish), divisions)
      end

      private

      def join(a, b) = a.concatenate(b)
    end
  end
end
