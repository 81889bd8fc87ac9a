# frozen_string_literal: true

require "csv"

module Lattice
  class Command
    # Any table of a study's findings, with units in its heads and plain numbers below, for people or as CSV.
    class ResultTables
      include BuildingTables

      AXES = %w[x y z].freeze

      # @param findings [Hash] of a study
      # @param result [Result::Outcome]
      # @param problem [Study::Problem] whose places may be asked for
      def initialize(findings, result, problem)
        @findings = findings
        @result = result
        @problem = problem
        @summary = findings[:summary]
        @units = findings[:units]
      end

      # @return [Array<String>] those that this study has
      def names
        kinds = @findings[:findings].map { |f| f[:kind] }
        found = { "reactions" => !@result.shapes?, "loads" => @summary[:loads].any?, "bolts" => @summary[:bolts].any?, "joints" => @summary[:connectors].any?,
                  "gauges" => kinds.include?("gauge"), "sections" => kinds.include?("section_cut"), "paths" => kinds.include?("path"), "modes" => kinds.include?("modes"),
                  "way" => kinds.include?("collapse"), "survey" => kinds.include?("sweep"), "power" => kinds.include?("radiated_power"), "life" => kinds.include?("life"),
                  "buckling" => kinds.include?("buckling"), "ladder" => kinds.include?("ladder"), "members" => kinds.include?("members"),
                  **building_names(kinds) }
        ["frames", "extremes", *found.select { |_, there| there }.keys, "nodes"]
      end

      # @param name [String] one of names
      # @param at [String, nil] a group or body, for nodes
      # @return [Array<Array>] head and rows
      # @raise [InvalidInput]
      def table(name, at = nil)
        raise InvalidInput.at("this study has no table “#{name}”", cure: "Known: #{names.join(', ')}.") unless names.include?(name)

        name == "nodes" ? nodes(at) : send(name)
      end

      # @return [String]
      def csv(name, at = nil) = table(name, at).map { |row| CSV.generate_line(row) }.join

      private

      def number(value, kind)
        return value if value.nil?

        factor, offset = Quantity::Display.scale(kind, @units)
        ((value - offset) / factor).round(12)
      end

      def unit(kind) = Quantity::Display::SYSTEMS.fetch(@units).fetch(kind)
      def head(words, kind) = unit(kind).empty? ? words : "#{words}, #{unit(kind)}"
      def all(kind) = @findings[:findings].select { |f| f[:kind] == kind }
      def vector(values, kind) = values.map { |v| number(v, kind) }

      def frames
        return [["frame", "kind", head("value", @result.frames[0].unit)], *@result.frames.map { |f| [f.name, f.kind, number(f.value, f.unit)] }] if @result.shapes?

        [["frame", "kind", head("greatest von Mises stress", "stress"), head("greatest displacement", "length")],
         *@summary[:frames].map { |f| [f[:name], f[:kind], number(f[:peaks][:von_mises][:value], "stress"), number(f[:peaks][:displacement][:value], "length")] }]
      end

      def reactions
        rows = @summary[:frames].flat_map { |f| (f[:supports] || []).map { |s| [f[:name], s[:target], *vector(s[:reaction], "force")] } }
        [["frame", "support", *AXES.map { |c| head(c, "force") }], *rows]
      end

      def loads
        [["load", "case", *AXES.map { |c| head(c, "force") }, *AXES.map { |c| head("moment #{c}", "moment") }], *@summary[:loads].map do |l|
          [l[:label], l[:case], *vector(l[:force], "force"), *vector(l[:moment], "moment")]
        end]
      end

      def bolts
        rows = @summary[:frames].flat_map do |f|
          (f[:bolt_forces] || []).each_with_index.map do |b, i|
            [f[:name], @summary[:bolts][i][:label], *vector(b[:tension], "force"), *vector(b[:shear], "force"), *vector(b[:bending], "moment"), b[:used][:combined]]
          end
        end
        [["frame", "bolt", *%w[tension shear].flat_map { |w| %w[head nut].map { |e| head("#{w} at #{e}", "force") } }, *%w[head nut].map { |e| head("bending at #{e}", "moment") }, "used"], *rows]
      end

      def joints
        rows = @summary[:frames].flat_map do |f|
          (f[:connector_forces] || []).each_with_index.map do |c, i|
            [f[:name], @summary[:connectors][i][:label], *vector(c.first(3), "force"), c[6].zero? ? "let go" : ""]
          end
        end
        [["frame", "joint or link", head("along its axis", "force"), head("across, 1", "force"), head("across, 2", "force"), "state"], *rows]
      end

      def gauges
        list = all("gauge")
        lagging = list.select { |g| g[:lags] }
        [["frame", *list.map { |g| head("#{g[:name]}: #{g[:words]}", g[:dimension]) }, *lagging.map { |g| "#{g[:name]}: lags by, deg" }],
         *@result.frames.map { |f| [f.name, *list.map { |g| number(g[:values][f.index], g[:dimension]) }, *lagging.map { |g| g[:lags][f.index] }] }]
      end

      def sections
        rows = all("section_cut").flat_map do |s|
          s[:forces].each_index.select do |i|
            s[:forces][i]
          end.map { |i| [s[:name], @result.frames[i].name, *vector(s[:forces][i], "force"), *vector(s[:moments][i], "moment")] }
        end
        [["section", "frame", *AXES.map { |c| head("force #{c}", "force") }, *AXES.map { |c| head("moment #{c}", "moment") }], *rows]
      end

      def paths
        read = all("path").to_h { |p| [p, [p, *p[:more]].to_h { |field| [field[:quantity], field] }] }
        columns = read.values.reduce(:merge).values.product(@result.frames)
        rows = read.flat_map do |path, fields|
          path[:distance].each_index.map do |i|
            [path[:name], number(path[:distance][i], "length"), *columns.map do |c, frame|
              fields[c[:quantity]]&.then do |f|
                number(f[:values][frame.index][i], f[:dimension])
              end
            end]
          end
        end
        [["path", head("along", "length"), *columns.map { |field, frame| head("#{field[:words]}, #{frame.name}", field[:dimension]) }], *rows]
      end

      def modes
        [["mode", head("frequency", "frequency"), head("period", "time"), *AXES.map { |c| "share of mass #{c}" }, *AXES.map { |c| "sum #{c}" }, "it"],
         *all("modes")[0][:rows].map { |r| [r[:number], number(r[:frequency], "frequency"), number(r[:period], "time"), *r[:shares], *r[:sums], r[:words]] }]
      end

      def survey
        [["mode", head("frequency", "frequency"), "damping", "push", "of the give at rest"],
         *all("sweep")[0][:modes].map { |m| [m[:number], number(m[:frequency], "frequency"), *m.values_at(:damping, :push, :answer)] }]
      end

      def power
        list = all("radiated_power")
        [["frame", *list.flat_map { |p| [head(p[:name], "power"), "#{p[:name]}, dB", *p[:faces].map { |f| head(f[:name], "power") }] }],
         *@result.frequencies.map { |i| [@result.frames[i].name, *list.flat_map { |p| [number(p[:values][i], "power"), p[:decibels][i], *p[:faces].map { |f| number(f[:values][i], "power") }] }] }]
      end

      def life
        [["loop from", "to", *%w[amplitude mean].map { |w| head(w, "stress") }, "amplitude of strain", head("about no mean", "stress"), head("over factors", "stress"), "cycles", "damage"],
         *all("life")[0][:loops].map do |l|
           [l[:from], l[:to], number(l[:amplitude], "stress"), number(l[:mean], "stress"), l[:strain], number(l[:equivalent], "stress"), number(l[:reduced], "stress"), l[:life], l[:damage]]
         end]
      end

      # From where nothing moves: load factors, and the movement of the place that moves most.
      def way
        curve = all("collapse")[0][:curve]
        [["load factor", head("movement along #{curve[:component]}", "length")], *curve[:factors].zip(curve[:moved]).map { |f, u| [f, number(u, "length")] }]
      end

      def buckling = [%w[shape factor it], *all("buckling")[0][:rows].map { |r| r.values_at(:number, :factor, :words) }]

      def ladder
        found = all("ladder")[0]
        [["times as fine", "unknowns", head("peak #{found[:words]}", found[:dimension]), head("before averaging", found[:dimension]), "error", "seconds"],
         *found[:rows].map { |r| [r[:finer], r[:unknowns], number(r[:value], found[:dimension]), number(r[:element], found[:dimension]), r[:error], r[:seconds]] }]
      end

      def members
        [%w[member tension compression shear used in], *all("members").flat_map { |f| f[:members].map { |m| [m[:name], *m.values_at(:tension, :compression, :shear, :utilisation), m[:frame_name]] } }]
      end

      # Every field that the study has, at the points of a place.
      # Over all frames.
      def extremes
        found = Result::Extremes.new(@result, @problem)
        rows = @result.catalogue.flat_map do |field|
          kind = @result.shapes? ? "ratio" : field.dimension
          found.rows(field.name, @result.frames.map(&:index)).map do |row|
            [row[:place], "#{field.words}#{", #{unit(kind)}" unless unit(kind).empty?}", *row.values_at(:least, :greatest).flat_map do |e|
              [number(e[:value], kind), @result.frames[e[:frame]].name, *vector(e[:at], "length")]
            end]
          end
        end
        [["place", "field", *%w[least greatest].flat_map { |way| [way, "in", *AXES.map { |c| head("at #{c}", "length") }] }], *rows]
      end

      def nodes(target)
        raise InvalidInput.at("no place is named for the nodes", cure: "Name a group or a body: --at NAME.") if target.to_s.empty?

        places = @problem.groups.find(target)
        raise InvalidInput.at("there is no group or body named “#{target}”", cure: "Name one of the note's.") if places.empty?

        points = @result.grid.points_of(places)
        fields = @result.catalogue
        columns = @result.frames.flat_map { |f| fields.map { |field| [f, field, @result.field(field.name, f.index)[points].to_a] } }
        [[*AXES.map { |c| head(c, "length") }, *columns.map { |f, field, _| head("#{field.words}, #{f.name}", @result.shapes? ? "ratio" : field.dimension) }],
         *@result.grid.nodes[@result.grid.points.nodes[points], true].to_a.each_with_index.map do |at, i|
           [*vector(at, "length"), *columns.map do |_, field, values|
             @result.shapes? ? values[i] : number(values[i], field.dimension)
           end]
         end]
      end
    end
  end
end
