# frozen_string_literal: true

module Lattice
  module Verdict
    # How far the bolts of a statement are used: tension against the proof force, shear, and both together; the worst of all
    # bolts and of the frames that limits are read over.
    class BoltCheck < Reader
      # @param result [Result::Outcome]
      # @return [Hash] a finding
      def read(result)
        mine = result.bolts.each_index.select { |i| result.bolts[i][:statement] == statement.id }
        rows = judged(result).flat_map do |frame|
          Result::BoltForces.rows(result, frame).values_at(*mine).each_with_index.map do |row, i|
            row.merge(frame: frame, bolt: mine[i])
          end
        end
        worst = rows.max_by { |row| row[:used][:combined] }
        used = worst[:used]
        { kind: "bolts", statement: statement.id, count: mine.size, bolt: result.bolts[worst[:bolt]][:label], tension: worst[:tension].max, shear: worst[:shear].max, used: used, utilisation: used[:combined],
          safety: { tension: safety(used[:tension]), shear: safety(used[:shear]) }, margin: 1 - used[:combined], holds: used[:combined] <= 1, frame: worst[:frame],
          frame_name: named(result, worst[:frame]) }
      end

      private

      def safety(used) = used.positive? ? 1 / used : nil
    end
  end
end
