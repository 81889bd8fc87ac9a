# frozen_string_literal: true

module Lattice
  class Command
    # What joins carry, for people: bolts, joints and links, embedded bars; over the combinations, or the cases, or increments where there are none.
    class JoinTables
      MOST = 60 # rows

      # @param findings [Hash] of a study
      def initialize(findings)
        @findings = findings
        @summary = findings[:summary]
        frames = @summary[:frames].group_by { |f| f[:kind] }
        @frames = frames["combination"] || frames["case"] || @summary[:frames].reject { |f| f[:kind] == "envelope" }
      end

      # @return [Array<TextTable>]
      def to_a = [bolts, connectors, bars].compact

      private

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @findings[:units])

      # In the frame that uses each most.
      def bolts
        return if @summary[:bolts].empty?

        TextTable.new(%w[bolt tension shear bending used in], @summary[:bolts].each_with_index.map do |bolt, i|
          frame = @frames.max_by { |f| f[:bolt_forces][i][:used][:combined] }
          row = frame[:bolt_forces][i]
          [bolt[:label], shown(row[:tension].max, "force"), shown(row[:shear].max, "force"), shown(row[:bending].max, "moment"), "#{(row[:used][:combined] * 100).round(1)} %", frame[:name]]
        end.first(MOST))
      end

      def connectors
        return if @summary[:connectors].empty?

        TextTable.new(["joint or link", "least along its axis", "greatest", "most across it", "lets go in"], @summary[:connectors].first(MOST).map do |c|
          [c[:label], *c.values_at(:least, :greatest, :across).map { |force| shown(force, "force") }, c[:opens].size == @frames.size ? "all" : c[:opens].first(3).join(", ")]
        end)
      end

      # The most stressed piece of each statement's bars.
      def bars
        return if @summary[:bars].empty?

        TextTable.new(["bars", "least stress", "greatest stress", "greatest at"], @summary[:bars].each_with_index.group_by { |bar, _| bar[:label] }.map do |label, list|
          found = @frames.flat_map { |f| list.map { |bar, i| [f[:bar_forces][i][:stress], bar] } }
          greatest = found.max_by(&:first)
          [label, shown(found.map(&:first).min, "stress"), shown(greatest[0], "stress"), "#{shown(greatest[1][:from], 'length')} to #{shown(greatest[1][:upto], 'length')} along"]
        end)
      end
    end
  end
end
