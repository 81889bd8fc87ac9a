# frozen_string_literal: true

require_relative "static_solid"
require_relative "timed"

module Bench
  # Twenty modes of the block of StaticSolid, against one factorisation of it.
  class Eigen < StaticSolid
    include Timed

    MODES = 20

    def self.call = [20_000, 60_000, 180_000].map { |unknowns| measure(unknowns) }

    def call
      monitor = Lattice::Study::Monitor.new
      problem = problem()
      grid = problem.mesh(monitor)
      study = Lattice::Model::Statement.new({ "id" => "v", "kind" => "study", "name" => "v", "type" => "vibration", "modes" => MODES })
      Lattice::Study::Kinds::Vibration.new(problem, grid, study, monitor).call
      phases = monitor.phases
      { case: "#{MODES} modes of a solid, against one factorisation", size: grid.unknowns, seconds: phases["modes"].round(2), ratio: (phases["modes"] / phases["factorisation"]).round(2), growth: nil }
    end
  end
end
