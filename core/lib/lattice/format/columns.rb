# frozen_string_literal: true

module Lattice
  module Format
    # Columns of numbers in a text file: with commas, semicolons, tabs or spaces between, and a head or none. A decimal comma is taken
    # where columns are parted by semicolons or tabs.
    module Columns
      MOST = 300_000 # rows
      PARTED = [";", "\t", ","].freeze

      Table = Struct.new(:names, :rows) do
        # @param name [String, Integer] a name, or a number from 0
        # @return [Array<Float>]
        def column(name) = rows.map { |row| row[name.is_a?(Integer) ? name : names.index(name)] }
      end

      module_function

      # @param text [String]
      # @return [Table]
      # @raise [InvalidInput] for what is no number, gaps, or rows of unlike length
      def read(text)
        lines = lines_of(text)
        parted = PARTED.find { |mark| lines[-1][0].include?(mark) }
        cells = lines.map { |line, number| [parted ? line.split(parted, -1).map(&:strip) : line.split, number] }
        head = cells[0][0].all? { |cell| number(cell, parted) } ? nil : cells.shift[0]
        raise InvalidInput.at("it has a head and no rows", cure: "Give a file with columns of numbers.") if cells.empty?

        rows = cells.map { |row, line| numbers(row, line, parted, (head || cells[0][0]).size) }
        Table.new(head || Array.new(rows[0].size) { |k| "column #{k + 1}" }, rows)
      end

      # @return [Array(String, Integer)] lines that say something, and their numbers
      def lines_of(text)
        text = text.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF")
        raise InvalidInput.at("it is no text", cure: "Give a CSV file.") unless text.valid_encoding?

        lines = text.each_line.with_index(1).map { |line, number| [line.strip, number] }.reject { |line, _| line.empty? || line.start_with?("#") }
        raise InvalidInput.at("it has no rows", cure: "Give a file with columns of numbers.") if lines.empty?
        raise InvalidInput.at("it has more than #{MOST} rows", cure: "Take every second row, say.") if lines.size > MOST + 1

        lines
      end

      def numbers(row, line, parted, width)
        raise InvalidInput.at("line #{line} has #{row.size} columns where others have #{width}", cure: "Fill the gap, or leave the line out.") unless row.size == width

        row.map do |cell|
          number(cell, parted) || raise(InvalidInput.at(cell.empty? ? "line #{line} has a gap" : "line #{line} has “#{cell[0, 30]}”, which is no number", cure: "Correct the line, or leave it out."))
        end
      end

      def number(cell, parted)
        value = Float(parted == "," ? cell : cell.tr(",", "."), exception: false)
        value if value&.finite?
      end
      private_class_method :lines_of, :numbers, :number
    end
  end
end
