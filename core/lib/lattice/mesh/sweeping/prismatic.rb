# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # Whether a body, however it was made, is one shape swept along a straight line: plane faces
      # square to the line at two heights, and all other faces along it.
      class Prismatic
        V = Shape::Vectors
        SQUARE = 1e-5 # by which normals may be off

        # start and finish: the faces at both ends; way: from the start to the finish, m
        attr_reader :start, :finish, :way

        # @param body [Shape::Body] a solid
        # @param divided [Array<String>] edges that are divided: where they are the sweep starts
        # @return [Prismatic, nil]
        def self.of(body, divided = [])
          facets = body.facets
          return nil unless facets.closed?

          axes = facets.faces.select { |f| f.surface.plane? }.map { |f| f.surface.axis }
          distinct(axes).lazy.filter_map { |axis| new(facets, axis, divided).then { |found| found if found.sound? } }.first
        end

        def self.distinct(axes)
          axes.each_with_object([]) { |axis, list| list << axis unless list.any? { |other| V.dot3(axis, other).abs > 1 - SQUARE } }
        end

        def initialize(facets, axis, divided)
          @facets = facets
          @axis = Numo::DFloat[*axis]
          @near = facets.size * SQUARE
          sort
          choose_start(divided) if sound?
        end

        def sound? = @caps.size == 2 && !@slanted && !@both

        # @return [Array<Integer>] the faces along the line
        def walls = (0...@facets.faces.size).to_a - start - finish

        private

        # Caps by height, and whether any face is neither cap nor wall.
        def sort
          lean = @facets.flat[0].dot(@axis)
          heights = @facets.points.dot(@axis)
          @caps = {}
          @facets.faces.each_index do |face|
            rows = @facets.of(face)
            next if lean[rows].abs.max < SQUARE * 10

            at = heights[@facets.nodes_of(face)]
            @slanted = true if at.max - at.min > @near
            (@caps.keys.find { |h| (h - at[0]).abs < @near } || at[0]).then { |height| (@caps[height] ||= []) << face }
          end
        end

        # From the end whose faces are parted, or have divided edges; not when both are.
        def choose_start(divided)
          low, high = @caps.sort.map(&:last)
          wanted = [low, high].map { |faces| parted?(faces) || divided?(faces, divided) }
          @both = wanted.all?
          @start, @finish = wanted[1] ? [high, low] : [low, high]
          from, to = wanted[1] ? @caps.keys.minmax.reverse : @caps.keys.minmax
          @way = (@axis * (to - from)).to_a
        end

        def parted?(faces) = @facets.edges.any? { |edge| edge.faces.size > 1 && edge.faces.all? { |f| faces.include?(f) } }
        def divided?(faces, names) = @facets.edges.any? { |edge| names.include?(edge.name) && edge.faces.intersect?(faces) }
      end
    end
  end
end
