# frozen_string_literal: true

module Lattice
  module Mesh
    # Meshes all bodies of a shape into one Grid.
    class Builder
      # @param bodies [Array<Shape::Body>]
      # @param size [Float] m
      # @yield [Float] the share that is done
      # @return [Grid]
      def self.call(bodies, size, &)
        new(bodies, size).call(&)
      end

      def initialize(bodies, size)
        @bodies = bodies
        @size = size
        @nodes = []
        @blocks = []
        @places = {}
        @count = 0
      end

      def call
        @bodies.each_with_index do |body, index|
          plane = Quadratic.new(PlaneMesher.call(body.outline, @size))
          body.solid? ? add_solid(body, plane) : add_plane(body, plane)
          yield((index + 1).fdiv(@bodies.size)) if block_given?
        end
        Grid.new(nodes: Numo::DFloat.vstack(@nodes), blocks: @blocks, places: @places, dimension: @bodies[0].dimension)
      end

      private

      def add(body, nodes, kind, conn, places)
        first = @count
        @nodes << nodes
        @blocks << Block.new(kind, body.name, conn + first)
        places.each { |name, c| @places[[body.name, name]] = c + first }
        @count += nodes.shape[0]
      end

      def add_plane(body, plane)
        nodes = Numo::DFloat.zeros(plane.points.shape[0], 3)
        nodes[true, 0..1] = plane.points
        places = { "region" => plane.quads }.merge(plane.sides)
        plane.corners.each { |key, node| places["start of #{key}"] = Numo::Int32[[node]] }
        add(body, nodes, :quad8, plane.quads, places)
      end

      def add_solid(body, plane)
        sweep = Sweep.new(plane, body.thickness, Estimate.layers(body, @size))
        places = { "bottom" => sweep.cap(top: false), "top" => sweep.cap(top: true) }
        plane.sides.each do |key, line|
          places[key] = sweep.wall(line)
          [false, true].each { |top| places["#{key} at #{top ? 'top' : 'bottom'}"] = sweep.rim(line, top: top) }
        end
        plane.corners.each do |key, node|
          places["upright at #{key}"] = sweep.upright(node)
          [false, true].each { |top| places["start of #{key} at #{top ? 'top' : 'bottom'}"] = Numo::Int32[[sweep.corner(node, top: top)]] }
        end
        add(body, sweep.nodes, :hex20, sweep.bricks, places)
      end
    end
  end
end
