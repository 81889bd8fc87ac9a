# frozen_string_literal: true

module Lattice
  class Command
    # What is said of buildings that are pushed over or shaken, for people.
    module BuildingLines
      private

      def shaking(finding)
        stuck = finding[:stuck]
        runs = finding[:runs] ? "#{finding[:runs].size} runs; of the one that shook most: " : ""
        ["#{runs}#{finding[:motions].map { |m| "#{m[:name]} times #{number(m[:scale])}" }.join(' and ')}: moves by, in #{finding[:steps]} steps", shown(finding[:most][:farthest], "length"), "",
         stuck ? "fails: a step came to no rest at #{shown(stuck[:time], 'time')}; all before is kept" : "feet take #{shown(finding[:most][:base], 'force')}"]
      end

      def runs_table(finding)
        return [] unless finding[:runs]

        TextTable.new(["motion", "times", "ground shakes by", "greatest drift", "moves by", "feet take", "came"], finding[:runs].map do |row|
          [row[:motion], number(row[:scale]), shown(row[:peak], "acceleration"), row[:drifts] ? share(row[:drifts].max) : "–", shown(row[:farthest], "length"), shown(row[:base], "force"),
           row[:stuck] ? "to #{shown(row[:stuck], 'time')}" : "to its end"]
        end)
      end

      def storeys(finding)
        ["drift of the storey below #{finding[:target]}, of its height", share(finding[:drift]), finding[:at_most] ? "at most #{share(finding[:at_most])}" : "",
         if finding[:at_most]
           "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"
         else
           ""
         end]
      end

      def storeys_table(finding)
        TextTable.new(["floor", "at", "moves by", "drift below", *("accelerates by" if finding[:fastest])], finding[:floors].each_with_index.map do |floor, i|
          [floor[:name], shown(floor[:level], "length"), shown(finding[:farthest][i], "length"), share(finding[:drifts][i][:drift]),
           *(shown(finding[:fastest][i], "acceleration") if finding[:fastest])]
        end)
      end

      # Of a pushover: what the feet take for how far the top has moved.
      def capacity_table(finding)
        return [] if finding[:fastest]

        axes = finding[:axes]
        TextTable.new(["top moves along #{axes[0]}", "along #{axes[1]}", "feet take along #{axes[0]}", "along #{axes[1]}"], finding[:moved].zip(finding[:base]).map do |moved, base|
          [*moved.last.map { |v| shown(v, "length") }, *base.map { |v| shown(v, "force") }]
        end)
      end

      def share(ratio) = "#{Kernel.format('%.3g', ratio * 100)} %"
    end
  end
end
