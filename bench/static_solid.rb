# frozen_string_literal: true

require_relative "../verify/verify"

module Bench
  # A solid static solve on a block held at one end and pulled at the other, by phases.
  class StaticSolid
    SIZES = [20_000, 60_000, 180_000].freeze
    OURS = ["mesh", "loads and supports", "stiffness", "assembly", "recovery"].freeze
    LIBRARY = ["cholmod analyse", "cholmod factor", "cholmod solve"].freeze

    # @param unknowns [Integer] wanted; each size runs in a process of its own
    # @return [Hash] size, phases in s, peak memory in bytes, ratios
    def self.measure(unknowns)
      reader, writer = IO.pipe
      child = fork do
        reader.close
        writer.write(JSON.generate(new(unknowns).call))
        writer.close
        exit!(0)
      end
      writer.close
      text = reader.read
      Process.wait(child)
      JSON.parse(text, symbolize_names: true)
    end

    def initialize(unknowns)
      # A quadratic brick brings about fourteen unknowns to a large block of 100 × 100 × 60 mm.
      @size = (6e-4 / (unknowns / 13.7))**(1.0 / 3)
    end

    def call
      monitor = Lattice::Study::Monitor.new
      problem = problem()
      grid = problem.mesh(monitor)
      Lattice::Study::Kinds::Static.call(problem, grid, problem.study!, monitor)
      phases = monitor.phases.slice(*OURS, *LIBRARY)
      ours = phases.slice(*OURS).values.sum
      { case: "solid static", size: grid.unknowns, phases: phases.transform_values { |v| v.round(3) }, peak_memory: peak_memory,
        ratios: { ours_to_cholmod: (ours / phases.slice(*LIBRARY).values.sum).round(3) }, ours: ours }
    end

    private

    def problem
      statements = [Verify.outline(Verify.rectangle(0, 0, 0.1, 0.1)), Verify.body("solid", 0.06), Verify.material(210e9, 0.3, density: 7850),
                    Verify.plane("root", "x", 0), Verify.plane("tip", "x", 0.1), Verify.held("root", "x", "y", "z"), Verify.force("tip", 1e4, "-y"),
                    *Verify.static(@size)].each_with_index.map { |s, i| { "id" => "s#{i}" }.merge(s) }
      Lattice::Study::Problem.new(Lattice::Model::Document.new(Lattice::Model::Document.empty("block", units: "SI").merge("statements" => statements)))
    end

    def peak_memory = File.read("/proc/self/status")[/VmHWM:\s+(\d+)/, 1].to_i * 1024
  end
end
