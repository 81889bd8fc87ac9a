# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Linear buckling: by how much the loads of a static study may grow before straight becomes bent, K φ = -λ Kg φ.
      class Buckling < Linear
        extend Kind

        VERSION = 2
        COUNT = 4

        class << self
          def count(study) = study["modes"] || COUNT
          def shapes? = true
          def at_least(study) = study.quantity("at_least", "ratio")

          def check!(problem, study)
            base!(problem, study)
            frame(problem, study)
            raise study.fault("a factor of #{at_least(study)} is not above zero", path: "at_least", cure: "Give the factor that is asked for, such as 3.") if at_least(study)&.then { |f| f <= 0 }
          end

          def signature(problem, study) = [count(study), frame(problem, study), problem.study_digest(base!(problem, study))]

          def solve(solving, study)
            base = base!(solving.problem, study)
            new(solving.problem, solving.grid, study, solving.monitor).from(solving.call(base), base).call
          end

          def findings(problem, study, result)
            found = result.found[:buckling]
            character = Result::Character.new(result.grid)
            rows = result.frames.map { |f| { number: f.index + 1, factor: f.value, words: character.words(result.displacement(f.index), found[:shares][f.index]) } }
            first = rows[0]&.fetch(:factor)
            wanted = at_least(study)
            used = wanted && (first ? wanted / first : 0.0)
            [{ kind: "buckling", statement: study.id, of: study["of"], frame_name: found[:frame], rows: rows, factor: first, reverse: found[:reverse],
               loads: found[:loads], yields: yields(problem, found, first), at_least: wanted,
               utilisation: used, margin: used && (1 - used), holds: used.nil? || used <= 1, target: "buckling under “#{study['of']}”" }]
          end

          private

          # Whether the material yields before: by the greatest stress of any body over its strength.
          # @return [Hash, nil] body, and the factor at which it yields
          def yields(problem, found, first)
            worst = found[:peaks].filter_map { |body, peak| (limit = problem.materials.to_h[body.to_s]&.yield) && peak.positive? && { body: body.to_s, factor: limit / peak } }.min_by { |y| y[:factor] }
            worst if worst && first && worst[:factor] < first
          end
        end

        # @param state [Result::Outcome] of the static study
        def from(state, base)
          @state = state
          @base = base
          self
        end

        # @return [Result::Outcome] a frame a shape
        def call
          @frame = self.class.frame(@problem, @study)
          _, stiff = stiffness
          added = @monitor.phase("stress stiffness", upto: 0.42) { stress_stiffness(@state, @frame, @base) }
          k, g = @monitor.phase("assembly", upto: 0.45) { [stiff, added].map { |matrix| @structure.constraints.reduce(matrix) } }
          raise SolveFailed.new("nothing is stressed, so that nothing buckles", statement: @study.id, cure: "Load the part.") if k.size.zero? || g.values.abs.max.zero?

          factor = @monitor.phase("factorisation", upto: 0.7) { Algebra::Factor.new(k) }
          pairs = @monitor.phase("shapes", upto: 0.85) { Algebra::BlockLanczos.new(factor, k, g.times(-1), @monitor).call(self.class.count(@study)) }
          reverse = @monitor.phase("shapes of reversed loads", upto: 0.9) { Algebra::BlockLanczos.new(factor, k, g, @monitor).call(1) }
          factor.free
          @monitor.phase("recovery", upto: 1.0) { outcome(pairs, reverse) }
        end

        private

        def outcome(pairs, reverse)
          nothing if pairs.values.empty?
          shapes = @structure.constraints.expand_movements(pairs.vectors)
          factors = 1 / pairs.values
          frames = factors.to_a.each_with_index.map { |f, i| Result::Frame.new(index: i, kind: "shape", name: "shape #{i + 1}", value: f, unit: "ratio") }
          result = of_shapes(frames, frames.map { |f| shapes[f.index, true].dup })
          moved = frames.map { |f| shares(result.displacement(f.index)) }
          loads = sizes_of(@state.totals, Steps.new(@problem.cases).weights[@frame])
          stresses = Result::MeanStress.of(@state, @frame, @structure.pieces)
          result.with_found(buckling: { frame: named, reverse: reverse.values.empty? ? nil : -1 / reverse.values[0], loads: loads, peaks: peaks, stresses: stresses, shares: moved })
        end

        def named = @state.frames.size > 1 ? @state.frames[@frame].name : nil
        def shares(moved) = (moved**2).sum(0).then { |s| (s / s.sum).to_a }

        def nothing
          raise SolveFailed.new("nothing buckles under these loads: they only pull", statement: @study.id, cure: "Turn the load round, or choose another case.")
        end

        # @return [Hash] body => greatest von Mises stress, Pa
        def peaks
          field = @state.field("von_mises", @frame)
          @grid.blocks.map(&:body).uniq.to_h { |body| [body, field[@grid.points.of(body)].max] }
        end
      end
    end
  end
end
