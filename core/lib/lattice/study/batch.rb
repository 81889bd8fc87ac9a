# frozen_string_literal: true

require "etc"
require "tmpdir"

module Lattice
  module Study
    # A shaking study with many motions and scales: a run each, as many at once as there are processors, each in a process of its own. Each
    # is kept as soon as it is done, so that what was stopped goes on where it was.
    class Batch
      KEEPING = Mutex.new

      # @param solving [Solving]
      # @param study [Model::Statement] with runs
      def initialize(solving, study)
        @solving = solving
        @study = study
        @runs = Shaken.new(solving.problem, study).runs
      end

      # @yield [Solving, Model::Statement] one run, in a process of its own
      # @yieldreturn [Result::Outcome]
      # @return [Array(Array<Hash>, Result::Outcome)] what every run found, and the result of the one that shook most
      def call(&)
        grid = @solving.grid
        todo = Queue.new.tap { |queue| @runs.each_index { |i| queue << i } }
        @found = Array.new(@runs.size)
        Dir.mktmpdir do |folder|
          @folder = folder
          workers = Array.new([Etc.nprocessors, @runs.size].min) { Thread.new { work(todo, grid, &) }.tap { |t| t.report_on_exception = false } }
          begin
            workers.each(&:join)
          ensure
            workers.each(&:kill).each(&:join)
          end
        end
        [@found, @most[1]]
      end

      # One of the runs as a study of its own.
      # @return [Model::Statement]
      def single(number)
        motion, scale = @runs[number]
        ground = @study["ground"].each_with_index.map do |direction, i|
          factor = (@study.quantity("ground.#{i}.scale", "ratio") || 1.0) * scale
          direction.merge("scale" => factor.to_s, "motion" => i.zero? ? motion : direction["motion"])
        end
        Model::Statement.new(@study.data.merge("ground" => ground).except("runs"))
      end

      private

      def work(todo, grid, &)
        loop do
          number = todo.pop(true)
          result = of(number, grid, &)
          KEEPING.synchronize { took(number, result) }
        end
      rescue ThreadError
        nil
      end

      def took(number, result)
        @found[number] = found = row(number, result)
        @most = [found[:most], result] if @most.nil? || found[:most] > @most[0]
        done = @found.compact.size
        @solving.monitor.within("#{done} of #{@runs.size} runs", done.to_f / @runs.size)
      end

      # The keeper looks, and keeps, for one at a time; what is computed between goes on beside.
      def of(number, grid, &)
        study = single(number)
        before = catch(:missing) { KEEPING.synchronize { kept(study, grid) { throw :missing } } }
        return before if before

        made = apart(study, grid, number, &)
        KEEPING.synchronize { kept(study, grid) { made } }
      end

      def kept(study, grid, &) = @solving.keeper.keep(:result, @solving.problem.study_digest(study), @solving.problem.mesh_digest, -> { grid }, &)

      # In a process of its own, which ends with what asked for it.
      def apart(study, grid, number)
        path = File.join(@folder, number.to_s)
        pid = fork { alone(path) { yield(@solving.for(@solving.problem, keeper: Solving::Keeper.new, monitor: Monitor.new).on(grid), study) } }
        Process.wait(pid)
        pid = nil
        raise failure(path) unless File.exist?(path)

        found = Format::ResultFile.read(path, grid)
        Result::Way.new(grid: grid, frames: found.frames, states: found.kept, about: found.about)
      ensure
        end_of(pid)
      end

      def alone(path)
        parent = Process.ppid
        Thread.new do
          sleep 0.5 while Process.ppid == parent
          exit!(1)
        end
        made = yield
        Format::ResultFile.write("#{path}.part", made)
        File.rename("#{path}.part", path)
      rescue InvalidInput, SolveFailed => e
        File.write("#{path}.fault", JSON.generate(e.faults[0].to_h.slice(:message, :cure)))
      ensure
        exit!(0)
      end

      def failure(path)
        told = if File.exist?("#{path}.fault")
                 JSON.parse(File.read("#{path}.fault"),
                            symbolize_names: true)
               else
                 { message: "a run of “#{@study.name}” ended before it was done", cure: "Solve it again: what was done is kept." }
               end
        SolveFailed.new(told[:message], cure: told[:cure], statement: @study.id)
      end

      def end_of(pid)
        return unless pid

        Process.kill(:KILL, pid)
        Process.wait(pid)
      rescue SystemCallError
        nil
      end

      def row(number, result)
        found = result.found[:shaking]
        motion, scale = @runs[number]
        drifts = found[:storeys] && found[:storeys][:drifts].map { |d| d[:drift] }
        most = found[:most]
        { motion: motion, scale: scale, peak: found[:motions][0][:peak], drifts: drifts, base: most[:base], farthest: most[:farthest], stuck: found[:stuck]&.fetch(:time),
          most: drifts ? drifts.max : most[:farthest] }
      end
    end
  end
end
