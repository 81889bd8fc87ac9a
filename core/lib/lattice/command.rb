# frozen_string_literal: true

require "fileutils"
require "optparse"

module Lattice
  # The command line: bin/lattice. Findings on standard output, progress on standard
  # error. Exit status: 0 all limits hold, 1 a limit fails, 2 the input is wrong, 3 the solve failed.
  class Command
    HOLDS = 0
    FAILS = 1
    WRONG = 2
    FAILED = 3

    USAGE = <<~TEXT
      Usage: lattice COMMAND [options]

        check FILE [--touches]                  readiness: what is missing or odd; how what touches stands on the mesh
        solve FILE [--study NAME] [--out DIR]   findings; mesh and fields as VTU into DIR; with --keep DIR a study
                                                in increments that was stopped goes on from there
        results FILE [--study NAME] [--show TABLE] [--at GROUP] [--csv] [--xlsx OUT]
                                                any table of a study: frames, reactions, bolts, gauges, paths, modes,
                                                …, or the fields at the nodes of a place; or a frame with --export OUT
                                                as .vtu, .stl or .glb
        shape FILE [--export OUT]               bodies, faces, edges, volume, centre and repairs of a model,
                                                or of a STEP, IGES, STL or OBJ file; OUT is .stl, .obj or .glb
        mesh FILE [--size 5mm] [--order 1|2] [--triangles] [--out OUT]
                                                mesh of a model or of a geometry file: counts, quality, volume, times;
                                                or the quality of a .vtu file; OUT is .vtu, or .stl of the skin
        materials                               the library of materials
        station [EVENT [DIRECTION]]             events of the simulated ground-motion station, or the record of one

      Every command takes --json (for machines) and --help.
      Exit status: 0 all limits hold, 1 a limit fails, 2 the input is wrong, 3 the solve failed.
    TEXT

    include Meshing
    include Solves

    def initialize(arguments, out: $stdout, err: $stderr)
      @arguments = arguments.dup
      @out = out
      @err = err
      @options = {}
    end

    # @return [Integer] the exit status
    def call
      name = @arguments.shift
      return usage(@out, HOLDS) if name.nil? || %w[--help -h help].include?(name)
      return usage(@err, WRONG, "lattice: “#{name}” is not a command.") unless %w[check solve results shape mesh materials station].include?(name)

      parse(name) ? send(name) : HOLDS
    rescue OptionParser::ParseError => e
      usage(@err, WRONG, "lattice: #{e.message}.")
    rescue InvalidInput => e
      refuse(e)
    rescue SolveFailed => e
      failed(e.faults)
    rescue NoMemoryError
      failed([Fault.new(message: "memory ran out", cure: "Use a larger mesh size.")])
    rescue Interrupt
      failed([Fault.new(message: "it was stopped")])
    rescue Errno::EPIPE
      FAILED
    rescue *Unexpected::KINDS => e
      failed([Fault.new(message: Unexpected.sentence(e), cure: "Change what was typed last; set LATTICE_DEBUG=1 to see where.")])
    end

    private

    def usage(stream, status, message = nil)
      stream.puts message, "" if message
      stream.puts USAGE
      status
    end

    def parse(name)
      parser = OptionParser.new do |o|
        o.banner = "Usage: lattice #{name} #{'FILE ' unless %w[materials station].include?(name)}[options]"
        o.on("--json", "print JSON") { @options[:json] = true }
        o.on("--study NAME", "the study to solve (the first one if not given)") { |v| @options[:study] = v } if %w[solve results].include?(name)
        o.on("--touches", "mesh it, and tell how what touches stands before anything is solved") { @options[:touches] = true } if name == "check"
        result_options(o) if name == "results"
        o.on("--keep DIR", "keep how far a study in increments has come in DIR, and go on from there") { |v| @options[:keep] = v } if name == "solve"
        o.on("--out DIR", "write the mesh and fields as VTU, and the findings, into DIR") { |v| @options[:out] = v } if name == "solve"
        mesh_options(o) if name == "mesh"
        shape_options(o) if name == "shape"
        merge_option(o) if %w[mesh shape].include?(name)
        o.on("-h", "--help", "this text") { @options[:help] = true }
      end
      parser.parse!(@arguments)
      @out.puts parser if @options[:help]
      !@options[:help]
    end

    def shape_options(options)
      options.on("--export OUT", "write all bodies as .stl, .obj or .glb") { |v| @options[:export] = v }
      options.on("--unit UNIT", Format::ShapeFile::UNITS.keys, "unit of lengths in STL and OBJ files (mm)") { |v| @options[:unit] = v }
      options.on("--fineness SHARE", Float, "how near facets follow curved faces, as a share of the part (0.0005)") { |v| @options[:fineness] = v }
    end

    def merge_option(options)
      options.on("--merge LENGTH", "make points of a file one that are nearer to each other than this, such as 0.1mm") { |v| @options[:merge] = v }
    end

    def path
      path = @arguments.first or raise InvalidInput.at("no model file is named", cure: "Name one: lattice solve FILE.")
      raise InvalidInput.at("there is no file “#{path.scrub('?').delete("\0")}”", cure: "Check the path.") if path.include?("\0") || !File.file?(path)

      path
    end

    # Files that a model imports lie beside it, or are kept in the store.
    def document
      Model::Document.read(Reading.text(path, Model::Document::LARGEST)).tap do |found|
        found.active.select { |s| s["digest"] }.each { |s| Shape::Store.shared.lend(s["digest"], File.join(File.dirname(path), s["file"])) }
      end
    end

    def refuse(error) = told(error.faults, "", WRONG)
    def failed(faults) = told(faults, "the solve failed: ", FAILED)

    def told(faults, words, status)
      if @options[:json]
        @out.puts JSON.pretty_generate(faults: faults.map(&:as_json))
      else
        faults.each { |f| @err.puts "lattice: #{words}#{f}" }
      end
      status
    end

    def materials
      return json(Matter::Library.entries) if @options[:json]

      table(%w[name young poisson density yield ultimate source], Matter::Library.entries.map do |m|
        %w[name young poisson density yield ultimate source].map { |k| m[k] || "–" }
      end)
    end

    def station
      return @out.print(Station.file(*@arguments.first(2))) || HOLDS if @arguments.any?
      return json(Station.events) if @options[:json]

      table(%w[event what peak lasts], Station.events.map { |e| [e[:id], e[:words], "#{e[:peak]} g", "#{e[:duration]} s"] })
      HOLDS
    end

    def check
      problem = Study::Problem.new(document)
      return touches(problem) if @options[:touches]

      readiness = Verdict::Readiness.new(problem)
      if @options[:json]
        json(ready: readiness.ready?, notices: readiness.notices.map(&:as_json))
      elsif readiness.notices.empty?
        @out.puts "Ready to solve."
      else
        table(%w[severity what], readiness.notices.map { |n| [n.severity, n.fault.to_s] })
      end
      readiness.ready? ? HOLDS : WRONG
    end

    def touches(problem)
      Verdict::Readiness.new(problem).check_mesh!
      rows = Verdict::TouchCheck.rows(problem, problem.mesh)
      return json(rows).then { HOLDS } if @options[:json]

      table(["touch", "how it stands", "what to do"], rows.map do |row|
        [problem.document.statements.find do |s|
          s.id == row[:statement]
        end.then { |s| "#{s['target']} on #{s['to']}" }, row[:words], row[:cure] || ""]
      end)
      HOLDS
    end

    def shape
      system = Quantity::Display::DEFAULT
      if Format::ShapeFile::KINDS.key?(File.extname(path).delete_prefix(".").downcase)
        bodies, reports = read_file
        faults = []
      else
        found = document
        system = found.units
        parts = Shape::Parts.new(found)
        bodies = parts.bodies
        reports = parts.reports
        faults = parts.faults
      end
      export_shape(bodies) if @options[:export]
      report = ShapeReport.new(bodies, reports, faults, system)
      @options[:json] ? json(report.to_h) : report.print(@out)
      faults.empty? ? HOLDS : WRONG
    end

    def read_file
      usual = Format::ShapeFile::Options.usual
      options = Format::ShapeFile::Options.new(unit: @options[:unit] || usual.unit, fineness: @options[:fineness] || usual.fineness, angle: usual.angle, merge: merge)
      content = Format::ShapeFile.read_apart(File.expand_path(path), File.basename(path), options)
      bodies = content.parts.map { |part| Shape::Body.new(name: part.name, make: part.facets.closed? ? "solid" : "faces", facets: part.facets, signature: []) }
      [bodies, { path => content.report }]
    end

    # @return [Float, nil] m
    def merge
      text = @options[:merge] or return nil
      distance = Quantity.parse(text, "length")
      raise InvalidInput.at("a distance of #{text} is not above zero", cure: "Give a length above zero.") unless distance.positive?

      distance
    rescue Quantity::Unreadable => e
      raise InvalidInput.at(e.message, cure: "Give a length, such as --merge 0.1mm.")
    end

    def export_shape(bodies)
      File.binwrite(@options[:export], Format::ShapeExport.bytes(bodies, File.extname(@options[:export])))
    rescue SystemCallError => e
      raise InvalidInput.at("“#{@options[:export]}” cannot be written: #{e.message}", cure: "Name a file in a folder that can be.")
    end

    def json(value)
      @out.puts JSON.pretty_generate(value)
      HOLDS
    end

    def table(head, rows)
      @out.puts TextTable.new(head, rows)
      HOLDS
    end
  end
end
