# frozen_string_literal: true

require_relative "timed"

module Bench
  # Ground that slides in eight stages: the demo's pit on ever finer meshes, up to 20 000 unknowns.
  class Pit
    include Timed

    DEMO = File.expand_path("../demo/pier-pit.json", __dir__)
    SIZES = ["1.2 m", "0.6 m"].freeze
    STUDY = "Digging"

    def self.call = SIZES.reduce([]) { |rows, size| rows << new(size).call(rows.last) }

    def initialize(size)
      @size = size
    end

    # @param before [Hash, nil] the row of the coarser mesh
    def call(before)
      problem = Lattice::Study::Problem.new(Lattice::Model::Document.new(document))
      study = problem.study!(STUDY)
      grid = problem.mesh
      result, seconds = timed { Lattice::Study::Solving.new(problem).on(grid).call(study) }
      ended = result.found[:stages][:rows].count { |row| row[:frame] }
      row = { case: "ground that slides, #{ended} stages", size: grid.unknowns, seconds: seconds.round(1), ratio: nil }
      row.merge(growth: before && (Math.log(seconds / before[:seconds]) / Math.log(grid.unknowns.fdiv(before[:size]))).round(2))
    end

    private

    # Its stages before the lorry comes, and two in which the old wall weighs more for a while.
    def document
      data = JSON.parse(File.read(DEMO))
      statements = data["statements"].map do |s|
        next s.merge("size" => @size) if s["kind"] == "mesh"
        next s unless s["name"] == STUDY

        more = { "heavier" => "1.2", "as before" => "1" }.map { |name, factor| { "name" => name, "loads" => [{ "case" => "old wall", "factor" => factor }] } }
        s.merge("stages" => s["stages"].reject { |stage| stage["drives"] } + more)
      end
      data.merge("statements" => statements)
    end
  end
end
