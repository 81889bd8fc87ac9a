# frozen_string_literal: true

require_relative "static_solid"
require_relative "timed"

module Bench
  # Forced vibration of the block of StaticSolid once its modes are known: sweeps, gauges over them, fields, and steps in time.
  class Sweeps < StaticSolid
    include Timed

    MODES = 30
    FREQUENCIES = 500
    FIELDS = 100
    GAUGES = 20
    STEPS = 10_000

    # Keeps what was computed, so that what a study rests on is computed once.
    class Kept < Lattice::Study::Solving::Keeper
      def initialize
        super
        @all = {}
      end

      def keep(kind, digest, *) = @all[[kind, digest]] ||= yield
    end

    def self.call = [20_000, 60_000].flat_map { |unknowns| measure(unknowns) }

    def call
      problem = problem()
      solving = Lattice::Study::Solving.new(problem, keeper: Kept.new)
      solving.call(problem.study!("modes"))
      swept, sweep = timed { solving.call(problem.study!("sweep")) }
      moved, course = timed { solving.call(problem.study!("course")) }
      read = %w[sweep course].zip([swept, moved]).map { |name, result| timed { gauges(problem, name).each { |g| g.read(result) } }[1] }
      fields = timed { FIELDS.times { |k| swept.field("von_mises", k * (swept.frequencies.size - 1) / FIELDS) } }[1]
      size = "#{solving.grid.unknowns} unknowns"
      [["sweep of #{swept.frequencies.size} frequencies by #{MODES} modes, with what the modes leave out", sweep], ["#{GAUGES} gauges over it", read[0]],
       ["von Mises stress at every point, #{FIELDS} frequencies", fields], ["course of #{moved.frequencies.size} steps", course], ["#{GAUGES} gauges over it", read[1]]]
        .map { |name, seconds| { case: name, size: size, seconds: seconds.round(2) } }
    end

    private

    def gauges(problem, study) = problem.document.active("gauge").select { |s| s["study"] == study }.map { |s| Lattice::Verdict::Gauge.new(s, problem) }

    def problem
      study = ->(name, type, **more) { { "kind" => "study", "name" => name, "type" => type }.merge(more.transform_keys(&:to_s)) }
      gauge = lambda do |name, i|
        { "kind" => "gauge", "name" => "#{name} #{i}", "study" => name, "quantity" => i.even? ? "displacement_y" : "von_mises", "spot" => { "x" => "#{i * 100.0 / GAUGES} mm", "y" => "0 mm", "z" => "0 mm" } }
      end
      more = [study["modes", "vibration", modes: MODES], study["sweep", "harmonic", of: "modes", from: "1 kHz", to: "40 kHz", points: FREQUENCIES, damping: "2 %"],
              study["course", "transient", of: "modes", until: "#{STEPS} ms", step: "1 ms", damping: "2 %", history: [0, 0, STEPS * 1e-3, 1]],
              *%w[sweep course].flat_map { |name| Array.new(GAUGES) { |i| gauge[name, i] } }]
      document = super.document.data
      Lattice::Study::Problem.new(Lattice::Model::Document.new(document.merge("statements" => document["statements"] + more.each_with_index.map { |s, i| { "id" => "m#{i}" }.merge(s) })))
    end
  end
end
