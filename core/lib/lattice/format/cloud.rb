# frozen_string_literal: true

module Lattice
  module Format
    # Points in space with a value each: out of a text file with columns x, y, z and that of the value, or out of an unstructured grid (.vtu) with the
    # value at its points.
    class Cloud
      KEPT = 4
      @kept = {}

      attr_reader :points, :values

      # @param points [Numo::DFloat] [m, 3] in the file's unit of length
      # @param values [Numo::DFloat] [m] in the file's unit
      def initialize(points, values)
        @points = points
        @values = values
      end

      # The same, of the last few that were read: a note is checked at every edit.
      # @param digest [String] of the file's bytes
      def self.kept(digest, path, column = nil)
        @kept[[digest, column]] ||= read(path, column).tap { @kept.shift while @kept.size >= KEPT }
      end

      # @param path [String]
      # @param column [String, nil] the value's; the fourth when nil
      # @return [Cloud]
      # @raise [InvalidInput]
      def self.read(path, column = nil)
        return new(*VtuReader.new(path).point_values(column)) if File.open(path, "rb") { |file| file.read(200).to_s.match?(/\A\s*<(\?xml|VTKFile)/) }

        table = Columns.read(File.binread(path))
        raise InvalidInput.at("it has #{table.names.size} columns, and x, y, z and a value are needed", cure: "Give a file with four columns.") if table.names.size < 4

        names = table.names.map { |n| n.strip.downcase }
        axes = %w[x y z].each_with_index.map { |axis, k| names.index { |n| n.match?(/\A#{axis}(\W.*)?\z/) } || k }
        wanted = column ? table.names.index(column) : ((0...names.size).to_a - axes)[0]
        raise InvalidInput.at("it has no column “#{column}”", cure: "Known: #{table.names.join(', ')}.") unless wanted

        rows = Numo::DFloat.cast(table.rows)
        new(rows[true, axes].dup, rows[true, wanted].dup)
      end
    end
  end
end
