# frozen_string_literal: true

module Lattice
  module Verdict
    # The force in bolts, joints, springs, links or welds, in every frame.
    class ForceGauge < Reader
      KINDS = %w[bolt joint spring one_way spot_welds].freeze
      WORDS = { "along" => "force along its axis", "across" => "force across its axis", "all" => "force" }.freeze

      # @raise [InvalidInput] where there is nothing of that kind to read
      def check!
        raise statement.fault("it reads no bolts and no joints that are there", path: "of", cure: "Choose a statement of bolts, joints, springs, one-way links or spot welds.") unless of

        return if number.nil? || number <= (most = count)

        raise statement.fault("there is no number #{number}", path: "number", cure: most == 1 ? "There is one alone: leave it out." : "Give one from 1 to #{most}.")
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: a value for every frame, nil where there is none
      def read(result)
        check!
        mine = (bolts? ? result.bolts : result.connectors).each_with_index.select { |one, _| one[:statement] == of.id }.map(&:last)
        mine = [mine[number - 1]].compact if number
        values = result.frames.map { |frame| result.envelope?(frame.index) || mine.empty? ? nil : largest(result, frame.index, mine) }
        { kind: "gauge", statement: statement.id, name: statement.name, quantity: statement["force"], words: WORDS.fetch(statement["force"]), dimension: "force", how: number ? "point" : "greatest",
          values: values }
      end

      private

      def number = statement["number"]
      def of = @of ||= problem.document.active.find { |s| s.id == statement["of"] && KINDS.include?(s.kind) }

      # How many there are, as far as the statement tells.
      def count
        return problem.conditions.find { |c| c.statement.id == of.id }.holes.size if bolts?

        of["count"] || 1
      end

      def bolts? = of.kind == "bolt"

      def largest(result, frame, mine)
        table = forces(result.state(frame)) or return
        along = table[mine, 0]
        across = Numo::NMath.sqrt((table[mine, 1]**2) + (table[mine, 2]**2))
        values = { "along" => along, "across" => across, "all" => Numo::NMath.sqrt((along**2) + (across**2)) }.fetch(statement["force"])
        values[values.abs.max_index]
      end

      # @return [Numo::DFloat, nil] [all, 3] along and across; of bolts at the end where it is larger
      def forces(state)
        return state.connectors && state.connectors[true, 0..2] unless bolts?
        return unless state.bolts

        ends = state.bolts[true, true, 0..2]
        one, other = [0, 1].map { |k| ends[true, k, true].dup }
        more = Numo::DFloat.cast((other**2).sum(1) > (one**2).sum(1)).reshape(one.shape[0], 1)
        (one * (1 - more)) + (other * more)
      end
    end
  end
end
