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

        if of.kind == "spring" && of["to"].to_s.empty? && of["turning"].nil?
          raise statement.fault("a spring to the ground tells its force as a reaction", path: "of",
                                                                                        cure: "Take a gauge of the reaction over its place.")
        end

        return if number.nil? || (most = count).nil? || number <= most

        raise statement.fault("there is no number #{number}", path: "number", cure: most == 1 ? "There is one alone: leave it out." : "Give one from 1 to #{most}.")
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: a value for every frame, nil where there is none; among: how many there are
      def read(result)
        check!
        among = (bolts? ? result.bolts : result.connectors).each_with_index.select { |one, _| one[:statement] == of.id }.map(&:last)
        mine = number ? [among[number - 1]].compact : among
        values = result.frames.map { |frame| result.envelope?(frame.index) || mine.empty? ? nil : largest(result, frame.index, mine) }
        { kind: "gauge", statement: statement.id, name: statement.name, quantity: statement["force"], words: WORDS.fetch(statement["force"]), dimension: "force", how: number ? "point" : "greatest",
          values: values, among: among.size }
      end

      private

      def number = statement["number"]
      def of = @of ||= problem.document.active.find { |s| s.id == statement["of"] && KINDS.include?(s.kind) }

      # @return [Integer, nil] how many there are, where that is known before they are set up
      def count = bolts? ? problem.conditions.find { |c| c.statement.id == of.id }.holes.size : of["count"]

      def bolts? = of.kind == "bolt"

      # Of both ends of a bolt, and of all of them, what is largest in size.
      def largest(result, frame, mine)
        values = ends(result.state(frame)).map { |table| sized(table[mine, true].dup) }
        values.map { |v| v[v.abs.max_index] }.max_by(&:abs)
      end

      # @param table [Numo::DFloat] [n, 3] along the axis and across it
      def sized(table)
        across = Numo::NMath.sqrt((table[true, 1]**2) + (table[true, 2]**2))
        { "along" => table[true, 0], "across" => across, "all" => Numo::NMath.sqrt((table[true, 0]**2) + (across**2)) }.fetch(statement["force"])
      end

      # @return [Array<Numo::DFloat>] [all, 3] of each end; connectors have one
      def ends(state)
        bolts? ? (0..1).map { |k| state.bolts[true, k, 0..2].dup } : [state.connectors[true, 0..2]]
      end
    end
  end
end
