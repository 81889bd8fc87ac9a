# frozen_string_literal: true

module Lattice
  class Command
    # What solves a study: its findings, or any table of its result.
    module Solves
      private

      def result_options(options)
        options.on("--show TABLE", "a table; all that there are are listed when left out") { |v| @options[:show] = v }
        options.on("--at GROUP", "the place whose nodes are told, with --show nodes") { |v| @options[:at] = v }
        options.on("--csv", "with commas between") { @options[:csv] = true }
        options.on("--export OUT", "a frame as .vtu, or its moved skin as .stl or, in colours, .glb") { |v| @options[:export] = v }
        options.on("--field NAME", "the field that is exported in colours") { |v| @options[:field] = v }
        options.on("--frame N", Integer, "the frame that is exported, counted from 1") { |v| @options[:frame] = v }
        options.on("--times FACTOR", Float, "by how much displacements are exported larger") { |v| @options[:times] = v }
        options.on("--xlsx OUT", "every table, or the one that is shown, as sheets of a workbook") { |v| @options[:xlsx] = v }
      end

      def solve
        found = solved
        report(found[0], found[1])
      end

      def results
        findings, result, problem = solved
        tables = ResultTables.new(findings, result, problem)
        return workbook(tables) if @options[:xlsx]
        return exported(result) if @options[:export]
        return table(["table"], tables.names.map { |name| [name] }) unless @options[:show]
        return @out.print(tables.csv(@options[:show], @options[:at])).then { HOLDS } if @options[:csv]

        rows = tables.table(@options[:show], @options[:at])
        return json(rows[1..].map { |row| rows[0].zip(row).to_h }) if @options[:json]

        table(rows[0], rows[1..].map { |row| row.map { |v| v.is_a?(Float) ? Quantity::Display.number(v) : v } })
      end

      def exported(result)
        export = Format::ResultExport.new(result, frame: (@options[:frame] || 1) - 1, field: @options[:field], factor: @options[:times] || 1.0)
        put(@options[:export], export.bytes(File.extname(@options[:export])))
      end

      def put(path, bytes)
        File.binwrite(path, bytes)
        HOLDS
      rescue SystemCallError => e
        raise InvalidInput.at("“#{path}” cannot be written: #{e.message}", cure: "Name a file in a folder that can be.")
      end

      def workbook(tables)
        wanted = @options[:show] ? [@options[:show]] : tables.names - ["nodes"]
        put(@options[:xlsx], Format::Workbook.bytes(wanted.to_h { |name| [name, tables.table(name, @options[:at])] }))
      end

      # Keeps how far a study in increments has come, where a folder is named for it.
      class Kept < Study::Solving::Keeper
        def initialize(folder)
          super()
          @folder = folder
          FileUtils.mkdir_p(folder) if folder
        rescue SystemCallError => e
          raise InvalidInput.at("“#{folder}” cannot be written: #{e.message}", cure: "Name a folder that can be.")
        end

        def waypoints(digest) = @folder ? Study::Waypoints.new(File.join(@folder, digest)) : super
      end

      # @return [Array(Hash, Result::Outcome, Study::Problem)] findings, what they were read of, and whose places it has
      def solved
        problem = Study::Problem.new(document)
        study = problem.study!(@options[:study])
        readiness = Verdict::Readiness.new(problem)
        readiness.check!
        readiness.notices.each { |n| @err.puts "note: #{n.fault}" }
        progress = ProgressBar.new(@err)
        monitor = Study::Monitor.new { |event, text, share| progress.show(event, text, share) }
        result = Study::Solving.new(problem, keeper: Kept.new(@options[:keep]), monitor: monitor).call(study)
        progress.finish(monitor.phases)
        [Verdict::Findings.new(problem, study, result).to_h, result, Study::Kinds.of(study).problem(problem, study)]
      end

      def report(findings, result)
        export(findings, result) if @options[:out]
        @options[:json] ? json(findings) : FindingsTable.new(findings).print(@out)
        findings[:holds] ? HOLDS : FAILS
      end

      def export(findings, result)
        FileUtils.mkdir_p(@options[:out])
        names = result.frames.map { |frame| result.frames.size == 1 ? "result" : "result #{frame.index + 1} #{frame.name.gsub(/[^\p{Alnum} .-]/, '_')}" }
        names.each_with_index { |name, i| Format::VTU.write(File.join(@options[:out], "#{name}.vtu"), result.grid.parted, Format::ResultExport.fields(result, i)) }
        Format::PVD.write(File.join(@options[:out], "result.pvd"), names.zip(result.frames).map { |name, frame| ["#{name}.vtu", frame.value || frame.index.to_f] }) if names.size > 1
        File.write(File.join(@options[:out], "findings.json"), JSON.pretty_generate(findings))
      rescue SystemCallError => e
        raise InvalidInput.at("“#{@options[:out]}” cannot be written: #{e.message}", cure: "Name a folder that can be.")
      end
    end
  end
end
