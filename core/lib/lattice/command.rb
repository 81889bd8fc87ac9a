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

        check FILE                              readiness: what is missing or odd
        solve FILE [--study NAME] [--out DIR]   findings; mesh and fields as VTU into DIR
        materials                               the library of materials

      Every command takes --json (for machines) and --help.
      Exit status: 0 all limits hold, 1 a limit fails, 2 the input is wrong, 3 the solve failed.
    TEXT

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
      return usage(@err, WRONG, "lattice: “#{name}” is not a command.") unless %w[check solve materials].include?(name)

      parse(name) ? send(name) : HOLDS
    rescue OptionParser::ParseError => e
      usage(@err, WRONG, "lattice: #{e.message}.")
    rescue InvalidInput => e
      refuse(e)
    rescue SolveFailed, NoMemoryError => e
      @err.puts "lattice: the solve failed: #{e.message}"
      FAILED
    end

    private

    def usage(stream, status, message = nil)
      stream.puts message, "" if message
      stream.puts USAGE
      status
    end

    def parse(name)
      parser = OptionParser.new do |o|
        o.banner = "Usage: lattice #{name} #{'FILE ' unless name == 'materials'}[options]"
        o.on("--json", "print JSON") { @options[:json] = true }
        o.on("--study NAME", "the study to solve (the first one if not given)") { |v| @options[:study] = v } if name == "solve"
        o.on("--out DIR", "write the mesh and fields as VTU, and the findings, into DIR") { |v| @options[:out] = v } if name == "solve"
        o.on("-h", "--help", "this text") { @options[:help] = true }
      end
      parser.parse!(@arguments)
      @out.puts parser if @options[:help]
      !@options[:help]
    end

    def document
      path = @arguments.first or raise InvalidInput.at("no model file is named", cure: "Name one: lattice solve FILE.")
      raise InvalidInput.at("there is no file “#{path}”", cure: "Check the path.") unless File.file?(path)

      Model::Document.read(File.read(path, encoding: "UTF-8"))
    end

    def refuse(error)
      if @options[:json]
        @out.puts JSON.pretty_generate(faults: error.faults.map(&:as_json))
      else
        error.faults.each { |f| @err.puts "lattice: #{f}" }
      end
      WRONG
    end

    def materials
      return json(Matter::Library.entries) if @options[:json]

      table(%w[name young poisson density yield ultimate source], Matter::Library.entries.map do |m|
        %w[name young poisson density yield ultimate source].map { |k| m[k] || "–" }
      end)
    end

    def check
      readiness = Verdict::Readiness.new(Study::Problem.new(document))
      if @options[:json]
        json(ready: readiness.ready?, notices: readiness.notices.map(&:as_json))
      elsif readiness.notices.empty?
        @out.puts "Ready to solve."
      else
        table(%w[severity what], readiness.notices.map { |n| [n.severity, n.fault.to_s] })
      end
      readiness.ready? ? HOLDS : WRONG
    end

    def solve
      problem = Study::Problem.new(document)
      study = problem.study!(@options[:study])
      readiness = Verdict::Readiness.new(problem)
      readiness.check!
      readiness.notices.each { |n| @err.puts "note: #{n.fault}" }
      progress = ProgressBar.new(@err)
      monitor = Study::Monitor.new { |event, text, share| progress.show(event, text, share) }
      result = Study::Static.new(problem, problem.mesh(monitor), study, monitor).call
      progress.finish(monitor.phases)
      report(Verdict::Findings.new(problem, study, result).to_h, result)
    end

    def report(findings, result)
      export(findings, result) if @options[:out]
      @options[:json] ? json(findings) : FindingsTable.new(findings).print(@out)
      findings[:holds] ? HOLDS : FAILS
    end

    def export(findings, result)
      FileUtils.mkdir_p(@options[:out])
      Format::VTU.write(File.join(@options[:out], "result.vtu"), result.grid,
                        { "displacement" => result.displacement, "reaction" => result.reaction, "stress" => result.stress,
                          "von_mises" => result.field("von_mises") })
      File.write(File.join(@options[:out], "findings.json"), JSON.pretty_generate(findings))
    rescue SystemCallError => e
      raise InvalidInput.at("“#{@options[:out]}” cannot be written: #{e.message}", cure: "Name a folder that can be.")
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
