# frozen_string_literal: true

module Lattice
  module Format
    # Points in space with a value each, or with three: out of a text file with columns x, y, z and those of the values, or out of an unstructured
    # grid (.vtu) with the values at its points.
    class Cloud
      KEPT = 4
      @kept = {}

      attr_reader :points, :values

      # @param points [Numo::DFloat] [m, 3] in the file's unit of length
      # @param values [Numo::DFloat] [m], or [m, 3], in the file's unit
      def initialize(points, values)
        @points = points
        @values = values
      end

      # The same, of the last few that were read: a note is checked at every edit.
      # @param digest [String] of the file's bytes
      def self.kept(digest, path, columns = nil, wide: false)
        @kept[[digest, columns, wide]] ||= read(path, columns, wide: wide).tap { @kept.shift while @kept.size >= KEPT }
      end

      # @param path [String]
      # @param columns [String, Array<String>, nil] the value's, or those of the three; the first that are none of x, y and z when nil. Of a
      #   grid the name of an array
      # @param wide [Boolean] whether each point has three values
      # @return [Cloud]
      # @raise [InvalidInput]
      def self.read(path, columns = nil, wide: false)
        return new(*VtuReader.new(path).point_values([*columns][0], wide ? 3 : 1)) if File.open(path, "rb") { |file| file.read(200).to_s.match?(/\A\s*<(\?xml|VTKFile)/) }

        table = Columns.read(File.binread(path))
        count = wide ? 3 : 1
        lacks = table.names.size < 3 + count
        raise InvalidInput.at("it has #{table.names.size} columns, and x, y, z and #{wide ? 'three values' : 'a value'} are needed", cure: "Give a file with #{wide ? 'six' : 'four'} columns.") if lacks

        names = table.names.map { |n| n.strip.downcase }
        axes = %w[x y z].each_with_index.map { |axis, k| names.index { |n| n.match?(/\A#{axis}(\W.*)?\z/) } || k }
        rows = Numo::DFloat.cast(table.rows)
        values = rows[true, wanted(table, axes, columns, count)].dup
        new(rows[true, axes].dup, wide ? values : values[true, 0].dup)
      end

      # @return [Array<Integer>] columns of the values
      def self.wanted(table, axes, columns, count)
        return ((0...table.names.size).to_a - axes).first(count) unless columns

        given = [*columns]
        raise InvalidInput.at("it names #{given.size} columns, and #{count} are needed", cure: "Name #{count}.") unless given.size == count

        given.map { |name| table.names.index(name) || raise(InvalidInput.at("it has no column “#{name}”", cure: "Known: #{table.names.join(', ')}.")) }
      end
      private_class_method :wanted
    end
  end
end
