# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # An extruded body as bricks in layers.
      class Extruded
        attr_reader :nodes, :elements, :places

        # @param body [Shape::Body] a prism
        # @param plane [Quadratic] mesh of its outline
        # @param layers [Division]
        def initialize(body, plane, layers)
          flat = Numo::DFloat.zeros(plane.points.shape[0], 3)
          flat[true, 0..1] = plane.points
          @layers = Layers.new(flat.shape[0], plane.quads, layers.count) do |step|
            body.frame.apply(flat.dup.tap { |at| at[true, 2] = height(layers, step) * body.thickness })
          end
          @nodes = @layers.nodes
          @elements = { @layers.kind => @layers.elements }
          @places = { "bottom" => @layers.cap(top: false), "top" => @layers.cap(top: true) }
          plane.sides.each { |key, line| add_side(key, line) }
          plane.corners.each { |key, node| add_corner(key, node) }
        end

        private

        # Half way up a layer lies half way between its ends, whatever the division.
        def height(layers, step)
          shares = layers.shares
          (shares[step.floor] + shares[step.ceil]) / 2
        end

        def add_side(key, line)
          @places[key] = @layers.wall(line)
          [false, true].each { |top| @places["#{key} at #{top ? 'top' : 'bottom'}"] = @layers.rim(line, top: top) }
        end

        def add_corner(key, node)
          @places["upright at #{key}"] = @layers.upright(node)
          [false, true].each { |top| @places["start of #{key} at #{top ? 'top' : 'bottom'}"] = Numo::Int32[[@layers.corner(node, top: top)]] }
        end
      end
    end
  end
end
