# frozen_string_literal: true

module Lattice
  class Command
    # Findings for people: the same sentences as in the note.
    class FindingsTable
      def initialize(findings)
        @findings = findings
      end

      def print(stream)
        mesh = @findings[:summary][:mesh]
        quality = mesh[:quality]
        stream.puts "Study “#{@findings[:study]}”: #{mesh[:elements]} elements, #{mesh[:unknowns]} unknowns#{", worst #{quality[:measure]} #{quality[:worst].round(2)}" if quality}"
        stream.puts TextTable.new(%w[finding value limit verdict], @findings[:findings].map { |f| send(f[:kind], f) })
      end

      private

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @findings[:units])
      def percent(ratio) = "#{Kernel.format('%+.1f', ratio * 100)} %"

      def equilibrium(finding)
        ["reactions balance the loads", "#{Kernel.format('%.4f', finding[:value] * 100)} %", "", finding[:holds] ? "holds" : "fails"]
      end

      def hand_check(finding)
        ["#{finding[:body]} as a #{finding[:beam]}: deflection along #{finding[:direction]}", shown(finding[:computed], "length"),
         "by hand #{shown(finding[:estimate], 'length')}", finding[:difference] ? percent(finding[:difference]) : ""]
      end

      def limit(finding)
        ["#{finding[:words]} in #{finding[:target]}", shown(finding[:value], finding[:dimension]), shown(finding[:allowed], finding[:dimension]),
         "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end
    end
  end
end
