# frozen_string_literal: true

module Lattice
  module Result
    # What joins two places, with the extremes of its forces over some frames.
    module ConnectorForces
      module_function

      # @param result [Outcome]
      # @param frames [Array<Integer>] that were computed, or add up
      # @return [Array<Hash>] what each is (see System::Connectors#about), and least and greatest along its axis, most across it
      #   and most in all, N; opens: names of the frames in which it lets go
      def rows(result, frames)
        tables = frames.map { |frame| [frame, result.state(frame).connectors] }
        result.connectors.each_with_index.map do |connector, i|
          rows = tables.map { |frame, table| [frame, table[i, true].to_a] }
          along = rows.map { |_, row| row[0] }
          connector.merge(least: along.min, greatest: along.max, across: rows.map { |_, row| Math.hypot(row[1], row[2]) }.max, most: rows.map { |_, row| Math.sqrt(row.first(3).sum { |f| f**2 }) }.max,
                          opens: rows.select { |_, row| row[6].zero? }.map { |frame, _| result.frames[frame].name })
        end
      end
    end
  end
end
