# frozen_string_literal: true

module Lattice
  module Mesh
    # An extruded body as bricks in layers.
    class Extruded
      attr_reader :nodes, :elements, :places

      # @param body [Shape::Body] a prism
      # @param plane [Quadratic] mesh of its outline
      # @param layers [Division]
      def initialize(body, plane, layers)
        @sweep = Sweep.new(plane, layers.shares * body.thickness)
        @nodes = body.frame.apply(@sweep.nodes)
        @elements = { hex20: @sweep.bricks }
        @places = { "bottom" => @sweep.cap(top: false), "top" => @sweep.cap(top: true) }
        plane.sides.each { |key, line| add_side(key, line) }
        plane.corners.each { |key, node| add_corner(key, node) }
      end

      private

      def add_side(key, line)
        @places[key] = @sweep.wall(line)
        [false, true].each { |top| @places["#{key} at #{top ? 'top' : 'bottom'}"] = @sweep.rim(line, top: top) }
      end

      def add_corner(key, node)
        @places["upright at #{key}"] = @sweep.upright(node)
        [false, true].each { |top| @places["start of #{key} at #{top ? 'top' : 'bottom'}"] = Numo::Int32[[@sweep.corner(node, top: top)]] }
      end
    end
  end
end
