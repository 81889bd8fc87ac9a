# frozen_string_literal: true

module Lattice
  module Matter
    # What a material is like over temperature, straight between the rows of a table, and as in its first and last row beyond them.
    # temperatures K, rising; young Pa, nil where it does not change; expansion 1/K, from 20 °C up to each temperature on average, nil where
    # it does not change.
    OverTemperature = Struct.new(:temperatures, :young, :expansion) do
      const_set(:FREE, 293.15)

      # @param statement [Model::Statement] a material statement
      # @return [OverTemperature, nil] nil without a table
      # @raise [InvalidInput]
      def self.read(statement)
        rows = statement["over_temperature"] or return
        at = rows.each_index.map { |i| statement.quantity("over_temperature.#{i}.at", "temperature") }
        falls = at.each_cons(2).find_index { |a, b| b <= a }
        raise statement.fault("its temperatures do not rise from row to row", path: "over_temperature.#{falls + 1}.at", cure: "Give the rows in the order of their temperature, each once.") if falls

        new(at, *%w[young expansion].map { |key| column(statement, rows, key) }).tap do |one|
          raise statement.fault("its table says neither a modulus nor an expansion", path: "over_temperature", cure: "Give one of them in every row.") unless one.young || one.expansion
        end
      end

      def self.column(statement, rows, key)
        blank = rows.index { |row| row[key].to_s.empty? }
        return if rows.all? { |row| row[key].to_s.empty? }
        raise statement.fault("its table has no #{key} in row #{blank + 1}", path: "over_temperature.#{blank}.#{key}", cure: "Give it in every row, or in none.") if blank

        values = rows.each_index.map { |i| statement.quantity("over_temperature.#{i}.#{key}", key == "young" ? "stress" : "expansion") }
        low = key == "young" && values.index { |v| !v.positive? }
        raise statement.fault("its modulus in row #{low + 1} is not above zero", path: "over_temperature.#{low}.young", cure: "Give a positive value.") if low

        values
      end

      # @param kelvin [Float, Numo::DFloat]
      # @return [Float, Numo::DFloat] Pa
      def young_at(kelvin) = at(kelvin, young)

      # @return [Float, Numo::DFloat] how much longer than at 20 °C
      def length_at(kelvin) = at(kelvin, expansion) * (kelvin - self.class::FREE)

      # @param kelvin [Numo::DFloat]
      # @return [Boolean] whether some are beyond the table
      def beyond?(least, greatest) = least < temperatures.first || greatest > temperatures.last

      private

      def at(kelvin, values)
        return at(Numo::DFloat[kelvin], values)[0] if kelvin.is_a?(Float)

        inside = kelvin.clip(temperatures.first, temperatures.last)
        temperatures.each_cons(2).with_index.reduce(Numo::DFloat.zeros(*kelvin.shape) + values[0]) do |sum, ((from, upto), i)|
          sum + (((inside - from) / (upto - from)).clip(0.0, 1.0) * (values[i + 1] - values[i]))
        end
      end
    end
  end
end
