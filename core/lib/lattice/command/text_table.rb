# frozen_string_literal: true

module Lattice
  class Command
    # Columns of text for people.
    class TextTable
      def initialize(head, rows)
        @rows = [head, *rows].map { |row| row.map(&:to_s) }
      end

      def to_s
        widths = @rows.transpose.map { |column| column.map(&:length).max }
        lines = @rows.map { |row| row.zip(widths).map { |cell, width| cell.ljust(width) }.join("  ").rstrip }
        lines.insert(1, widths.map { |width| "─" * width }.join("  ")).join("\n")
      end
    end
  end
end
