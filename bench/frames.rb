# frozen_string_literal: true

require_relative "../verify/verify"
require_relative "timed"

module Bench
  # Frames of three storeys that yield while the ground shakes.
  class Frames
    STEPS = 2000
    STEP = 0.01 # s
    BAYS = [2, 8].freeze

    # @return [Array<Hash>] case, size, seconds, growth of time with the members
    def self.call
      BAYS.map { |bays| new(bays).call }.each_cons(2).reduce([]) do |rows, (before, row)|
        growth = Math.log(row[:seconds] / before[:seconds]) / Math.log(row[:members].fdiv(before[:members]))
        rows.empty? ? [before, row.merge(growth: growth.round(2))] : [*rows, row.merge(growth: growth.round(2))]
      end
    end

    def initialize(bays) = @bays = bays

    def call
      listed = statements.each_with_index.map { |s, i| { "id" => "s#{i}" }.merge(s) }
      problem = Lattice::Study::Problem.new(Lattice::Model::Document.new(Lattice::Model::Document.empty("frame", units: "SI").merge("statements" => listed)))
      Lattice::Verdict::Readiness.new(problem).check!
      solving = Lattice::Study::Solving.new(problem)
      members = solving.grid.size
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      found = solving.call(problem.study!).found[:shaking]
      seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
      { case: "frame of 3 storeys, #{found[:steps]} steps, #{found[:iterations]} iterations", size: "#{members} members", members: members, seconds: seconds.round(1) }
    end

    private

    def statements
      levels = [3.5, 7.0, 10.5].each_with_index.flat_map do |z, i|
        [{ "kind" => "group", "name" => "level #{i}", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "#{z} m" } } }, { "kind" => "floor", "name" => "floor #{i}", "target" => "level #{i}" },
         { "kind" => "mass", "target" => "level #{i}", "value" => "#{12 * @bays} t" }]
      end
      [{ "kind" => "frame", "name" => "frame", "bays" => ["6 m"] * @bays, "bays_across" => ["6 m"], "storeys" => ["3.5 m"] * 3 },
       { "kind" => "outline", "name" => "profile", "boundary" => { "section" => { "shape" => "I", "height" => "240 mm", "width" => "240 mm", "web" => "10 mm", "flange" => "17 mm" } } },
       { "kind" => "section", "target" => "frame", "outline" => "profile" },
       { "kind" => "material", "target" => "frame", "material" => "steel S355" },
       { "kind" => "yielding", "target" => "frame",
         "curve" => [{ "strain" => "0", "stress" => "355 MPa" }, { "strain" => "10 %", "stress" => "555 MPa" }], "hardens" => "kinematic" },
       { "kind" => "group", "name" => "feet", "of" => "points", "rule" => { "plane" => { "axis" => "z", "at" => "0 m" } } },
       { "kind" => "support", "target" => "feet", "components" => %w[x y z rx ry rz] }, *levels,
       { "kind" => "mesh", "size" => "6 m" }, { "kind" => "ground_motion", "name" => "record", "step" => "#{STEP} s", "unit" => "m/s2", "values" => [record] },
       { "kind" => "study", "name" => "shake", "type" => "shaking",
         "ground" => [{ "motion" => "record", "direction" => "+x" }],
         "periods" => { "ratio" => "3 %", "longer" => "1 s", "shorter" => "0.2 s" } }]
    end

    # Strong enough for posts to yield.
    def record
      (0..STEPS).map { |i| i * STEP }.map { |t| [t / 2, 1.0].min * 8.0 * (Math.sin(2 * Math::PI * 0.9 * t) + (0.6 * Math.sin(2 * Math::PI * 2.3 * t))) * Math.exp(-t / 8) }
    end
  end
end
