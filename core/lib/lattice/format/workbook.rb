# frozen_string_literal: true

require "axlsx"

module Lattice
  module Format
    # Tables as sheets of a workbook (Office Open XML, ISO/IEC 29500).
    module Workbook
      NAME = 31 # characters that the name of a sheet may have

      module_function

      # @param tables [Hash{String => Array<Array>}] rows of every sheet, heads first
      # @return [String] bytes of an .xlsx file
      def bytes(tables)
        package = Axlsx::Package.new
        bold = package.workbook.styles.add_style(b: true)
        tables.each_with_index do |(name, rows), i|
          package.workbook.add_worksheet(name: title(name, tables.keys.first(i))) do |sheet|
            rows.each_with_index { |row, r| sheet.add_row(row.map { |cell| plain(cell) }, style: r.zero? ? bold : nil, escape_formulas: true) }
          end
        end
        package.to_stream.read
      end

      # Without the signs that sheets may not be called by, and not as another.
      def title(name, others)
        short = name.gsub(%r{[\[\]*/\\?:]}, " ").strip[0...NAME]
        short = "table" if short.empty?
        others.map { |o| title(o, []).downcase }.include?(short.downcase) ? "#{short[0...(NAME - 4)]} (#{others.size + 1})" : short
      end

      def plain(cell) = cell.is_a?(Float) && !cell.finite? ? nil : cell
    end
  end
end
