# frozen_string_literal: true

module Lattice
  module Verdict
    # Stress in embedded bars against the yield strength of their material, where it has one: the worst of all frames.
    class BarsCheck < Reader
      # @param result [Result::Outcome]
      # @return [Hash, nil] a finding
      def read(result)
        strength = Matter::Material.read(statement).yield
        mine = result.bars.each_index.select { |i| result.bars[i][:statement] == statement.id }
        return if strength.nil? || mine.empty?

        worst = judged(result).map { |frame| of_frame(result, mine, frame) }.max_by { |found| found[:stress].abs }
        used = worst[:stress].abs / strength
        { kind: "bars", statement: statement.id, target: statement.name, allowed: strength, utilisation: used, margin: 1 - used, holds: used <= 1,
          frame_name: named(result, worst[:frame]), **worst }
      end

      private

      def of_frame(result, mine, frame)
        rows = Result::BarForces.rows(result, frame)
        at = mine.max_by { |i| rows[i][:stress].abs }
        { **rows[at].slice(:stress, :strain), at: result.bars[at][:at], frame: frame }
      end
    end
  end
end
