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
        first = @findings[:first]
        stream.puts "First to go: #{first[:what]}, with a factor of #{Kernel.format('%.3g', first[:safety])}" if first
        tables.each { |table| stream.puts "", table }
      end

      private

      def tables
        paths, members = %w[path members].map { |kind| @findings[:findings].select { |f| f[:kind] == kind } }
        paths.map { |f| path_table(f) } + members.map { |f| member_table(f) } + JoinTables.new(@findings).to_a
      end

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @findings[:units])
      def percent(ratio) = "#{Kernel.format('%+.1f', ratio * 100)} %"

      def equilibrium(finding)
        ["reactions balance the loads", "#{Kernel.format('%.4f', finding[:value] * 100)} %", "", finding[:holds] ? "holds" : "fails"]
      end

      def hand_check(finding)
        ["#{finding[:body]} as a #{finding[:beam]}: deflection along #{finding[:direction]}", shown(finding[:computed], "length"),
         "by hand #{shown(finding[:estimate], 'length')}", finding[:difference] ? percent(finding[:difference]) : ""]
      end

      def bolts(finding)
        ["#{finding[:count]} bolts, most used #{finding[:bolt]}: tension #{shown(finding[:tension], 'force')}, shear #{shown(finding[:shear], 'force')}", "#{(finding[:utilisation] * 100).round(1)} %", "100 %",
         "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end

      def members(finding)
        ["members of #{finding[:target]}, most used #{finding[:name]} by #{finding[:by]}#{" in #{finding[:frame_name]}" if finding[:frame_name]}", "#{(finding[:utilisation] * 100).round(1)} %", "100 %",
         "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end

      def bars(finding)
        ["stress of #{finding[:target]}", shown(finding[:stress], "stress"), shown(finding[:allowed], "stress"), "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end

      def member_table(finding)
        TextTable.new(["member", "axial and bending", "with buckling", "shear", "in"], finding[:members].first(20).map do |m|
          [m[:name], *%i[tension compression shear].map { |key| "#{(m[key] * 100).round(1)} %" }, m[:frame_name] || ""]
        end)
      end

      def path(finding)
        known = finding[:values].flatten.compact
        return ["#{finding[:words]} along “#{finding[:name]}”", "–", "", "all of it lies outside the part: give points in it"] if known.empty?

        ["#{finding[:words]} along “#{finding[:name]}”", "#{shown(known.min, finding[:dimension])} to #{shown(known.max, finding[:dimension])}", "",
         finding[:outside].zero? ? "" : "#{finding[:outside]} points outside"]
      end

      def path_table(finding)
        frames = @findings[:summary][:frames].map { |f| f[:name] }
        TextTable.new(["along “#{finding[:name]}”", *frames], finding[:distance].each_index.map do |i|
          [shown(finding[:distance][i], "length"), *finding[:values].map { |values| values[i] ? shown(values[i], finding[:dimension]) : "–" }]
        end)
      end

      def limit(finding)
        ["#{finding[:words]} in #{finding[:target]}", shown(finding[:value], finding[:dimension]), shown(finding[:allowed], finding[:dimension]),
         "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end
    end
  end
end
