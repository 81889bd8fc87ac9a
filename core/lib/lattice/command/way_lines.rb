# frozen_string_literal: true

module Lattice
  class Command
    # What is said of loads that grow until a part gives way, for people.
    module WayLines
      private

      def collapse(finding)
        what = if finding[:factor] then "it gives way at a load factor of"
               elsif finding[:soft] then "it goes soft at a load factor of"
               else "it bears, as far as the loads grew, a load factor of"
               end
        ["#{what}#{" (#{finding[:frame_name]})" if finding[:frame_name]}", number(finding[:bears]), finding[:at_least] ? "at least #{number(finding[:at_least])}" : "",
         [finding[:at_least] && "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}", *doubts(finding)].compact.join("; ")]
      end

      def stages(finding)
        last = finding[:rows].last
        broken = finding[:broken]
        near = broken && broken[:at] && " near #{broken[:at].map { |v| shown(v, 'length') }.join('; ')}"
        ["#{finding[:rows].size} stages in #{finding[:rows].sum { |row| row[:increments] }} increments", broken ? "ended in “#{broken[:stage]}” at #{(broken[:level] * 100).round} %" : last[:name],
         finding[:steadied] ? "held weakly: #{Kernel.format('%.2g', finding[:steadied] * 100)} % of the work" : "",
         broken ? "fails: an increment did not come to rest#{near}#{": #{broken[:loose]}, and nothing resists that" if broken[:loose]}" : "holds"]
      end

      def stages_table(finding)
        plastic = finding[:rows].any? { |row| row[:plastic] }
        TextTable.new(["stage", "increments", "iterations", "greatest displacement", "von Mises stress", *("plastic strain" if plastic)], finding[:rows].map do |row|
          [row[:name], row[:increments], row[:residuals].sum(&:size), *{ displacement: "length", von_mises: "stress" }.map do |key, kind|
            row[key] ? shown(row[key], kind) : "–"
          end, *(number(row[:plastic] || 0.0) if plastic)]
        end)
      end

      def touches_table(finding)
        return [] if finding[:touches].empty?

        rows = finding[:rows].select { |row| row[:frame] }.flat_map { |row| finding[:touches].map { |touch| [row[:name], touch, touch[:rows][row[:frame]]] } }
        TextTable.new(["stage", "touch", "presses", "across", "greatest pressure", "closed", "sticks", "slides"], rows.map do |stage, touch, at|
          [stage, touch[:label], shown(at[:normal], "force"), shown(at[:shear], "force"), shown(at[:greatest], "stress"), *%i[closed sticks slides].map { |key| at[key] ? "#{(at[key] * 100).round} %" : "–" }]
        end)
      end

      def strength(finding)
        where = finding[:slides] ? " to where it slides, before #{number(finding[:slides])} times" : ""
        verdict = if finding[:at_least]
                    ["at least #{number(finding[:at_least])}", [finding[:holds] ? "holds" : "fails", percent(finding[:margin])].join(", ")]
                  else
                    ["", ""]
                  end
        ["ground stands when strength is reduced#{where}", "#{number(finding[:factor])} times", *verdict]
      end

      def strength_table(finding)
        TextTable.new(["strength over", "moves by", "iterations"], finding[:factors].each_index.map { |i| [number(finding[:factors][i]), shown(finding[:moved][i], "length"), finding[:residuals][i].size] })
      end

      def anchors_table(finding)
        rows = finding[:rows].flat_map { |row| row[:anchors].map { |anchor| [row[:name], anchor[:name], shown(anchor[:force], "force"), shown(anchor[:bonded], "force")] } }
        rows.empty? ? [] : TextTable.new(["stage", "anchor", "pull of one", "most along its bond"], rows)
      end

      def sections_table(finding)
        rows = (finding[:sections] || []).flat_map do |section|
          finding[:rows].zip(section[:acts]).filter_map do |row, acts|
            acts && [row[:name], section[:body], shown(section[:at], "length"), shown(acts, "moment"), shown(section[:bears][acts.negative? ? 1 : 0], "moment")]
          end
        end
        rows.empty? ? [] : TextTable.new(["stage", "section of", "at x", "moment that acts", "and is borne, by hand"], rows)
      end

      # The largest of each force along walls and slabs.
      def strips_table(finding)
        rows = finding[:rows].flat_map do |row|
          (row[:strips] || {}).map { |name, cuts| [row[:name], name.to_s, *%w[force force moment].each_with_index.map { |kind, k| shown(cuts.map { |cut| cut[k] }.max_by(&:abs), kind) }] }
        end
        rows.empty? ? [] : TextTable.new(["stage", "along", "axial force", "shear force", "bending moment"], rows)
      end

      def doubts(finding)
        lower = finding[:lower]
        [finding[:yields] && "“#{finding[:yields][:body]}” yields before, at #{number(finding[:yields][:factor])}",
         lower && !finding[:imperfection] && "from #{number(lower[:factor])} on it can turn aside to another shape: give it an imperfection",
         finding[:joins] > 0.1 && "what joins its parts turns by #{shown(finding[:joins], 'angle')}, and is taken as it is drawn",
         finding[:reason] == "no further" && "the last increment did not come to rest"].select { |words| words }
      end

      def collapse_table(finding)
        curve = finding[:curve]
        frames = curve[:factors].drop(1)
        TextTable.new(["increment", "load factor", *finding[:loads].map { |l| l[:label] }, "moves along #{curve[:component]} by", "iterations"], frames.each_with_index.map do |factor, i|
          [i + 1, number(factor), *finding[:loads].map { |l| shown(l[:size] * factor, l[:dimension]) }, shown(curve[:moved][i + 1], "length"), finding[:residuals][i].size]
        end)
      end
    end
  end
end
