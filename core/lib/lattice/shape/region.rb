# frozen_string_literal: true

module Lattice
  module Shape
    # What of a whole a close-up takes: a block along the axes, a ball, or bodies. Lengths in m.
    module Region
      # What is told by where a point lies.
      module Space
        # @return [Parts] what it takes of a document's bodies
        def out_of(document, study) = Cropped.new(document, self, study)

        # @param grid [Mesh::Grid] of the whole
        # @return [Numo::Int32] points of it within
        def points_of(grid) = Numo::Int32.cast(inside(grid.nodes[grid.points.nodes, true].dup).where)
      end

      # @param low [Array<Float>] least corner
      # @param high [Array<Float>] greatest corner
      Block = Struct.new(:low, :high) do
        include Space

        def words = "block"
        def signature = [low, high]
        def least = low.zip(high).map { |l, h| h - l }.min
        def cutter = Cutters.block(low, high)
        def misses?(bounds) = (0..2).any? { |k| bounds[0][k] >= high[k] || bounds[1][k] <= low[k] }
        def holds?(bounds) = (0..2).all? { |k| bounds[0][k] >= low[k] && bounds[1][k] <= high[k] }

        # @param points [Numo::DFloat] [n, 3]
        # @return [Numo::Bit] [n] those within
        def inside(points) = (0..2).map { |k| (points[true, k] > low[k]) & (points[true, k] < high[k]) }.reduce(:&)

        # What of it cuts, as a veil keeps it.
        # @param places [Array<Place>] faces that it made
        # @return [Hash] sides: axis 0 to 2 and the place on it
        def cuts(places)
          sides = places.filter_map { |place| place.name[/\A#{Cropped::CUT} ([xyz]) (low|high)/o] && ["xyz".index(Regexp.last_match(1)), Regexp.last_match(2)] }.uniq
          { sides: sides.map { |axis, way| [axis, (way == "low" ? low : high)[axis]] } }
        end

        # How far from its cut sides may be veiled: half of it is left.
        def room(places) = cuts(places)[:sides].map { |axis, _| (high[axis] - low[axis]) / 4 }.min || (least / 4)
      end

      # @param centre [Array<Float>]
      # @param radius [Float]
      Ball = Struct.new(:centre, :radius) do
        include Space

        def words = "ball"
        def signature = ["ball", centre, radius]
        def least = radius * 2
        def cutter = Cutters.ball(centre, radius)
        def misses?(bounds) = Math.sqrt((0..2).sum { |k| (centre[k].clamp(bounds[0][k], bounds[1][k]) - centre[k])**2 }) >= radius

        def holds?(bounds)
          Math.sqrt((0..2).sum { |k| [(bounds[0][k] - centre[k]).abs, (bounds[1][k] - centre[k]).abs].max**2 }) <= radius
        end

        def inside(points) = Vectors.norm(points - Numo::DFloat.cast(centre).reshape(1, 3)) < radius
        def cuts(_places) = { ball: [*centre, radius] }
        def room(_places) = radius / 2
      end

      # @param names [Array<String>] of whole bodies
      # @param least [Float] m, the least side of their box
      Bodies = Struct.new(:names, :least) do
        def words = "body"
        def cuts(places) = { near: places.map(&:key) }
        def room(_places) = least / 4
        def out_of(document, _study) = Kept.new(document, names)

        def points_of(grid)
          mine = names.map { |name| grid.points.of(name) }
          Numo::Int32.hstack(mine.map { |range| Numo::Int32.new(range.size).seq(range.begin) })
        end
      end
    end
  end
end
