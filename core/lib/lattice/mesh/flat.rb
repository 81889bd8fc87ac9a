# frozen_string_literal: true

module Lattice
  module Mesh
    # A plane region as quadrilaterals.
    class Flat
      attr_reader :nodes, :elements, :places

      # @param plane [Quadratic]
      def initialize(plane)
        @nodes = Numo::DFloat.zeros(plane.points.shape[0], 3)
        @nodes[true, 0..1] = plane.points
        @elements = { quad8: plane.quads }
        @places = { "region" => plane.quads }.merge(plane.sides)
        plane.corners.each { |key, node| @places["start of #{key}"] = Numo::Int32[[node]] }
      end
    end
  end
end
