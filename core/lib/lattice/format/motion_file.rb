# frozen_string_literal: true

module Lattice
  module Format
    # Records of ground motions in text files: times and values in two columns, or values one after the other in rows of fixed columns, under
    # a head that tells their step, unit and columns.
    module MotionFile
      STEP = /\b(?:step|interval|dt)\b\s*[:=]?\s*([\d.eE+-]+)\s*(ms|s)?/i
      UNIT = %r{(?<![\w/])(cm/s/?\^?2|cm/s/s|gal|m/s/?\^?2|m/s/s|g)(?![\w/])}i
      COLUMNS = /\bcolumns?\b\s*[:=]?\s*(\d+)\s*(?:x|of)\s*(\d+)/i
      ROW = /\A[\d\s;,.+eE-]*\d[\d\s;,.+eE-]*\z/ # of numbers, which may touch
      UNEVEN = 1e-3 # of a step
      LOOKED_AT = 60 # lines of a head

      # step s; unit of the values: m/s2 or g
      Found = Struct.new(:step, :unit, :values, keyword_init: true)

      class << self
        # @param text [String]
        # @return [Found]
        # @raise [InvalidInput]
        def read(text)
          lines = text.dup.force_encoding(Encoding::UTF_8).delete_prefix("\uFEFF")
          raise InvalidInput.at("it is no text", cure: "Give a CSV file, or one of fixed columns.") unless lines.valid_encoding?

          lines = lines.lines.map(&:chomp).reject { |line| line.strip.empty? }
          start = lines.index { |line| line.match?(ROW) } or raise InvalidInput.at("it has no row of numbers", cure: "Give a CSV file, or one of fixed columns.")
          raise InvalidInput.at("its head has more than #{LOOKED_AT} lines", cure: "Take its head away but for step and unit.") if start > LOOKED_AT

          whole(lines.first(start).join("\n"), lines.drop(start), start)
        end

        private

        def whole(head, lines, before)
          unit = head[UNIT, 1]&.downcase
          values, step = head.match?(COLUMNS) ? [fixed(head, lines, before), nil] : columns(head, lines, before)
          step ||= told(head)
          count = values.size
          raise InvalidInput.at("it has #{count} values, of which at most #{Load::GroundMotion::MOST} are followed", cure: "Leave out every second one, or what is still.") if count > Load::GroundMotion::MOST
          raise InvalidInput.at("it has #{count} values", cure: "Give a record of at least two.") if count < 2

          hundredth = unit && (unit.start_with?("cm") || unit == "gal")
          Found.new(step: step, unit: unit == "g" ? "g" : "m/s2", values: hundredth ? values.map { |v| v / 100 } : values)
        end

        def told(head)
          number, unit = head.match(STEP)&.captures
          raise InvalidInput.at("it does not tell the time between its values", cure: "Write a line such as “step: 0.01 s” above them, or give times in a first column.") unless number
          value = Float(number, exception: false)
          raise InvalidInput.at("its step of #{number} is no time", cure: "Write a line such as “step: 0.01 s”.") unless value&.positive?

          unit&.downcase == "ms" ? value / 1000 : value
        end

        # @return [Array(Array<Float>, Float)] values, and the step where a column tells times
        def columns(head, lines, before)
          rows = lines.each_with_index.map { |line, i| numbers(line) || unread!(before + i + 1) }
          return [rows.flatten, nil] if head.match?(STEP) || rows[0].size != 2

          at = rows.map { |row| row.size == 2 ? row[0] : nil }
          at.include?(nil) && raise(InvalidInput.at("its rows have unlike numbers of columns", cure: "Give a time and a value in each."))
          step = (at[-1] - at[0]) / [at.size - 1, 1].max
          odd = at.each_cons(2).find_index { |a, b| (b - a - step).abs > step.abs * UNEVEN }
          raise InvalidInput.at("its times do not rise in equal steps, as in row #{odd + 2}", cure: "Bring it to equal steps first.") if odd || !step.positive?

          [rows.map(&:last), step]
        end

        # Numbers of a given width, which may touch.
        def fixed(head, lines, before)
          width = head.match(COLUMNS)[2].to_i
          raise InvalidInput.at("its columns are of no width", cure: "Write a line such as “columns: 8 x 10” above them.") unless width.positive?

          lines.each_with_index.flat_map do |line, i|
            line.scan(/.{1,#{width}}/).map { |cell| Float(cell.strip, exception: false) || unread!(before + i + 1) }
          end
        end

        # @return [Array<Float>, nil] nil for a line of words
        def numbers(line)
          cells = line.strip.split(/[;,\t ]+/)
          found = cells.map { |cell| Float(cell, exception: false) }
          return if found.empty? || found.include?(nil) || !found.all?(&:finite?)

          found
        end

        def unread!(line) = raise(InvalidInput.at("line #{line} is no row of numbers", cure: "Correct it, or leave it out."))
      end
    end
  end
end
