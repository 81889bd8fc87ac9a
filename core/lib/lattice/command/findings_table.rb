# frozen_string_literal: true

module Lattice
  class Command
    # Findings for people: the same sentences as in the note.
    class FindingsTable
      include CyclicLines
      include WayLines
      include BuildingLines

      STATES = { "settled" => "settled", "rising" => "still on its way: take finer meshes", "singular" => "singular: it does not settle", "doubtful" => "settles so slowly that it may be singular",
                 "uneven" => "goes up and down: no end can be told" }.freeze

      TABLES = { "modes" => %i[modes_table sag_table], "sweep" => %i[sweep_table], "life" => %i[life_table], "buckling" => %i[buckling_table], "collapse" => %i[collapse_table],
                 "stages" => %i[stages_table touches_table anchors_table strips_table sections_table],
                 "strength" => %i[strength_table], "storeys" => %i[storeys_table capacity_table], "shaking" => %i[runs_table],
                 "ladder" => %i[ladder_table symmetry_table], "section_cut" => %i[section_table], "path" => %i[path_table], "members" => %i[member_table] }.freeze

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
        TABLES.flat_map { |kind, made| @findings[:findings].select { |f| f[:kind] == kind }.flat_map { |f| made.flat_map { |table| [*send(table, f)] } } } + JoinTables.new(@findings).to_a
      end

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @findings[:units])
      def percent(ratio) = "#{Kernel.format('%+.1f', ratio * 100)} %"

      def equilibrium(finding)
        ["reactions balance the loads", "#{Kernel.format('%.4f', finding[:value] * 100)} %", "", finding[:holds] ? "holds" : "fails"]
      end

      def turns(finding)
        ["turns far#{" in #{finding[:frame_name]}" if finding[:frame_name]}", shown(finding[:angle], "angle"), "", "a collapse study, which follows large displacements, would differ"]
      end

      def hand_check(finding)
        as = finding[:flows] || (finding[:plate] ? "#{finding[:plate]} plate" : "#{finding[:beam]} beam")
        computed = finding[:computed] ? shown(finding[:computed], finding[:dimension]) : "no such shape"
        ["#{finding[:body]} as a #{as}: #{finding[:what]} along #{finding[:direction]}#{" in #{finding[:shape]}" if finding[:shape]}", computed,
         "by hand #{shown(finding[:estimate], finding[:dimension])}", finding[:difference] ? percent(finding[:difference]) : ""]
      end

      def ladder(finding)
        ends = finding[:extrapolated] ? "towards #{shown(finding[:extrapolated], finding[:dimension])}" : ""
        ["peak of #{finding[:words]} on #{finding[:rows].size} meshes#{" in #{finding[:target]}" if finding[:target]}", shown(finding[:rows].last[:value], finding[:dimension]), ends,
         STATES.fetch(finding[:state])]
      end

      def symmetry_table(finding)
        return if finding[:symmetry].empty?

        TextTable.new(["symmetric about", "answer differs by"], finding[:symmetry].map do |s|
          ["#{s[:axis]} = #{shown(s[:at], 'length')}", "#{(s[:difference] * 100).round(3)} %#{' – look at both sides' unless s[:holds]}"]
        end)
      end

      def ladder_table(finding)
        TextTable.new(["times as fine", "unknowns", "peak", "before averaging", "error", "time"], finding[:rows].map do |row|
          [row[:finer].round(3), row[:unknowns], shown(row[:value], finding[:dimension]), shown(row[:element], finding[:dimension]), row[:error] ? percent(row[:error]) : "–", "#{row[:seconds].round(1)} s"]
        end)
      end

      def close_up(finding)
        ["close-up of “#{finding[:of]}”: peak, stress on the cut differs by #{(finding[:difference] * 100).round(1)} %", shown(finding[:peak][:value], "stress"),
         finding[:whole] ? "#{shown(finding[:whole][:value], 'stress')} in the whole" : "", finding[:difference] < 0.05 ? "the cut lies far enough" : "cut farther away"]
      end

      def modes(finding)
        elastic = finding[:rows].reject { |row| row[:rigid] }
        counted = finding[:counted]
        note = if counted.nil? then ""
               elsif counted[:below] == counted[:found] then "none missed below #{shown(counted[:frequency], 'frequency')}"
               else "#{counted[:below] - counted[:found]} missed below #{shown(counted[:frequency], 'frequency')}"
               end
        ["#{finding[:rows].size} modes#{", #{finding[:rows].size - elastic.size} of them rigid" if elastic.size < finding[:rows].size}; first natural frequency",
         elastic.empty? ? "–" : shown(elastic[0][:frequency], "frequency"), "", note]
      end

      def modes_table(finding)
        TextTable.new(["mode", "frequency", "period", *%w[x y z].map { |c| "mass #{c}" }, *%w[x y z].map { |c| "sum #{c}" }, "it"], finding[:rows].map do |row|
          [row[:number], shown(row[:frequency], "frequency"), row[:period] ? shown(row[:period], "time") : "–", *row[:shares].map { |s| "#{(s * 100).round(1)} %" }, *row[:sums].map do |s|
            "#{(s * 100).round(1)} %"
          end, row[:words]]
        end)
      end

      def resonance(finding)
        ["natural frequencies in the running range", finding[:inside].empty? ? "none" : finding[:inside].map { |n| "mode #{n}" }.join(", "), [finding[:from], finding[:to]].map do |f|
          shown(f, "frequency")
        end.join(" to "), finding[:holds] ? "holds" : "fails"]
      end

      def buckling(finding)
        verdict = finding[:at_least] && "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"
        yields = finding[:yields] ? "; “#{finding[:yields][:body]}” yields before, at #{number(finding[:yields][:factor])}" : ""
        ["loads of “#{finding[:of]}”#{" in #{finding[:frame_name]}" if finding[:frame_name]} until it buckles: factor#{yields}", number(finding[:factor]),
         finding[:at_least] ? "at least #{number(finding[:at_least])}" : "", verdict || ""]
      end

      def buckling_table(finding)
        TextTable.new(["shape", "factor", *finding[:loads].map { |l| l[:label] }, "it"], finding[:rows].map do |row|
          [row[:number], number(row[:factor]), *finding[:loads].map do |l|
            shown(l[:size] * row[:factor], l[:dimension])
          end, row[:words]]
        end)
      end

      def number(value) = Quantity::Display.number(value)

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
        fields = [finding, *finding[:more]]
        heads = fields.flat_map { |field| frames.map { |name| fields.one? ? name : "#{field[:words]}, #{name}" } }
        TextTable.new(["along “#{finding[:name]}”", *heads], finding[:distance].each_index.map do |i|
          [shown(finding[:distance][i], "length"), *fields.flat_map { |field| field[:values].map { |values| values[i] ? shown(values[i], field[:dimension]) : "–" } }]
        end)
      end

      def gauge(finding)
        known = finding[:values].compact
        ["#{finding[:words]} at “#{finding[:name]}”", known.empty? ? "outside the part" : known.minmax.uniq.map { |v| shown(v, finding[:dimension]) }.join(" to "), "", finding[:peak] ? at_peak(finding) : ""]
      end

      def section_cut(finding)
        along = finding[:forces].compact.map { |f| f["xyz".index(finding[:axis])] }
        ["section “#{finding[:name]}”: force along #{finding[:axis]}", along.minmax.uniq.map { |v| shown(v, "force") }.join(" to "), "", ""]
      end

      def section_table(finding)
        rows = finding[:forces].each_index.select { |i| finding[:forces][i] }
        TextTable.new(["through “#{finding[:name]}”", *%w[x y z].flat_map { |c| ["force #{c}", "moment #{c}"] }], rows.map do |i|
          [@findings[:summary][:frames][i][:name], *finding[:forces][i].zip(finding[:moments][i]).flat_map { |f, m| [shown(f, "force"), shown(m, "moment")] }]
        end)
      end

      def limit(finding)
        ["#{finding[:words]} in #{finding[:target]}", shown(finding[:value], finding[:dimension]), shown(finding[:allowed], finding[:dimension]),
         "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}"]
      end
    end
  end
end
