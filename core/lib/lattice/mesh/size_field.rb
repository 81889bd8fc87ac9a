# frozen_string_literal: true

module Lattice
  module Mesh
    # The length wanted of an element's side at any place in space: a global size, less near
    # given places, growing from there at a chosen rate. Kept at the nodes of a box grid, in
    # which limits spread along the axes (distances are those of the sum of coordinates).
    class SizeField
      MOST = 1_200_000 # nodes of the grid
      GROWTH = 0.35    # of the size, per distance
      HALF = Math.sqrt(3) / 2 # diagonal of a cell, halved, over its side

      attr_reader :size, :growth

      # @param low [Array<Float>] corner of the box
      # @param high [Array<Float>]
      # @param size [Float] m, away from every limit
      # @param finest [Float] m, the least limit to come
      def initialize(low, high, size, finest: size, growth: GROWTH)
        @size = size
        @growth = growth
        @low = Numo::DFloat[*low]
        extent = low.zip(high).map { |a, b| [b - a, size * 1e-3].max }
        wanted = [size / 2, finest].min
        @cell = [wanted, coarsest(extent)].max
        @shape = extent.map { |e| (e / @cell).ceil + 2 }
        @grid = Numo::DFloat.zeros(*@shape).fill(size)
        @low -= @cell * 0.5
      end

      # Limits the size at points; call +spread+ after the last.
      # @param points [Numo::DFloat] [n, 3]
      # @param limits [Numo::DFloat] [n] m
      def limit(points, limits)
        tight = limits.lt(@size).where
        return self if tight.empty?

        points = points[tight, true].dup
        limits = limits[tight].dup
        cell, share = place(points)
        corners.each do |offset|
          # Within half a cell of a point the size is that of the point.
          away = (Vectors.norm(Vectors.shifted(share, -Numo::DFloat[*offset])) - HALF).clip(0, nil) * @cell
          index = flat(cell, offset)
          value = limits + (away * @growth)
          lower(index, value)
        end
        self
      end

      # Limits the size within a region.
      # @yield [Numo::DFloat] points [n, 3]; answers whether each is in it
      def limit_where(value)
        lower(yield(nodes).where, value)
        self
      end

      def spread
        step = @cell * @growth
        3.times do |axis|
          n = @shape[axis]
          (1...n).each { |i| relax(axis, i, i - 1, step) }
          (n - 2).downto(0) { |i| relax(axis, i, i + 1, step) }
        end
        self
      end

      # @return [#at] the sizes so many times as large
      def scaled(factor) = Scaled.new(self, factor)

      Scaled = Struct.new(:field, :factor) { def at(points) = field.at(points) * factor }

      # @param points [Numo::DFloat] [n, 3]
      # @return [Numo::DFloat] [n] m
      def at(points)
        return Numo::DFloat.zeros(0) if points.empty?

        cell, share = place(points)
        total = Numo::DFloat.zeros(points.shape[0])
        values = @grid.flatten
        corners.each do |offset|
          weight = (0..2).map { |k| offset[k].zero? ? 1 - share[true, k] : share[true, k] }.reduce(:*)
          total += values[flat(cell, offset)] * weight
        end
        total
      end

      private

      def coarsest(extent) = (extent.reduce(:*) / MOST)**(1.0 / 3)
      def corners = (0..7).map { |k| [k & 1, (k >> 1) & 1, k >> 2] }

      def place(points)
        scaled = (points - @low) / @cell
        high = Numo::DFloat.cast(@shape.map { |n| n - 1.000001 })
        scaled = Numo::DFloat.minimum(Numo::DFloat.maximum(scaled, 0.0), high)
        cell = scaled.floor
        [Numo::Int32.cast(cell), scaled - cell]
      end

      def flat(cell, offset)
        ((((cell[true, 0] + offset[0]) * @shape[1]) + cell[true, 1] + offset[1]) * @shape[2]) + cell[true, 2] + offset[2]
      end

      # Entries may be named several times: what is written last must be the least.
      def lower(index, value)
        return if index.empty?

        flat = @grid.reshape(@grid.size)
        if value.is_a?(Numeric)
          flat[index] = Numo::DFloat.minimum(flat[index], value)
        else
          order = Algebra::Gather.descending(value)
          index = index[order].dup
          flat[index] = Numo::DFloat.minimum(flat[index], value[order])
        end
        @grid = flat.reshape(*@shape)
      end

      def relax(axis, to, from, step)
        at = ->(i) { Array.new(3) { |k| k == axis ? i : true } }
        @grid[*at[to]] = Numo::DFloat.minimum(@grid[*at[to]], @grid[*at[from]] + step)
      end

      def nodes
        x, y, z = @shape.each_with_index.map { |n, k| (Numo::DFloat.new(n).seq * @cell) + @low[k] }
        table = Numo::DFloat.zeros(*@shape, 3)
        table[true, true, true, 0] = x.reshape(x.size, 1, 1)
        table[true, true, true, 1] = y.reshape(1, y.size, 1)
        table[true, true, true, 2] = z.reshape(1, 1, z.size)
        table.reshape(x.size * y.size * z.size, 3)
      end

      Vectors = Shape::Vectors
      private_constant :Vectors
    end
  end
end
