# frozen_string_literal: true

module Lattice
  module Life
    # Curves of the library: amplitudes in Pa against cycles.
    module Curves
      FILE = File.expand_path("../../../data/fatigue.json", __dir__)

      module_function

      # @return [Array<Hash>] name, points [cycles, Pa], endurance in Pa or nil, source
      def all
        @all ||= JSON.parse(File.read(FILE)).map do |row|
          row.merge("points" => row["points"].map { |n, s| [n.to_f, s * 1e6] }, "endurance" => row["endurance"] && (row["endurance"] * 1e6))
        end
      end

      def names = all.map { |row| row["name"] }
      def find(name) = all.find { |row| row["name"] == name }
    end
  end
end
