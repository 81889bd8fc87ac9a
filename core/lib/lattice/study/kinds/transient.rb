# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # What moves in time, by modes: loads that follow a course, a base that shakes as recorded, or a load that drives along a line. Each mode is
      # stepped exactly for a push that is straight within a step.
      # N. C. Nigam, P. C. Jennings, Calculation of response spectra from strong-motion earthquake records, 1969.
      class Transient < Modal
        extend Kind

        VERSION = 1
        READ = %w[limit path gauge].freeze

        class << self
          def reads?(kind) = READ.include?(kind)
          def loaded? = false
          def held?(study) = !study["base"].nil?

          def check!(problem, study)
            base!(problem, study, "vibration")
            Sweep.new(study).check_damping!
            History.new(study).check!(problem)
            swinging!(problem, study) unless study["base"] || study["drive"]
          end

          def signature(problem, study)
            [History.new(study).signature, study["base"] || study["drive"] ? nil : frame(problem, study), problem.study_digest(base!(problem, study, "vibration")), *problem.acting]
          end

          def solve(solving, study)
            base = base!(solving.problem, study, "vibration")
            new(solving.problem, solving.grid, study, solving.monitor).of(solving.call(base), base).call
          end

          def findings(_problem, study, result)
            history = History.new(study)
            [{ kind: "transient", statement: study.id, of: study["of"], moments: result.frequencies.size, until: history.until, step: history.step, **result.found[:transient] }]
          end
        end

        # @return [Result::Timed]
        def call
          @history = History.new(@study)
          _, stiff = stiffness
          masses = @structure.masses(lumped: Vibration.lumped?(@vibration))
          @natural = Numo::DFloat.cast(@modes.frames.map(&:value))
          @shapes = shapes(masses)
          pushes, courses, steady = pushed(masses)
          # [moments, modes]
          forces = courses.dot(pushes.dot(@shapes.transpose))
          moved = @monitor.phase("steps", upto: 0.4) { Stepping.new(@natural * 2 * Math::PI, @history.damping(@natural), @history.step).call(forces) }
          rest = pushes.shape[0] == 1 ? courses : nil
          @push = pushes
          @share = rest && pushes.dot(@shapes.transpose)[0, true]
          rows = [*@shapes.shape[0].times.map { |k| @shapes[k, true].dup }, *(rest ? [residual(stiff)] : [])]
          @monitor.phase("recovery", upto: 1.0) { outcome(rows, moved, rest, steady) }
        end

        private

        # @return [Array(Numo::DFloat, Numo::DFloat, Boolean)] forces [k, unknowns], what each is multiplied by [moments, k], whether the base moves
        def pushed(masses)
          return [@structure.loads, @history.weights(@problem), false] if @study["drive"]
          unless @study["base"]
            return [Steps.new(@problem.cases).weights[self.class.frame(@problem, @study)].dot(@structure.loads).reshape(1, @structure.dofs.size), @history.course.reshape(@history.times.size, 1),
                    false]
          end

          direction, size = @history.base
          rigid = @structure.dofs.gather(Numo::DFloat.zeros(*@grid.nodes.shape) + direction.reshape(1, 3))
          [masses.dot(rigid).reshape(1, rigid.size) * -size, @history.course.reshape(@history.times.size, 1), true]
        end

        def outcome(rows, moved, rest, based)
          nothing = rest && (rest * 0)
          weights = Result::Timed::WEIGHTS.zip(moved, [rest, nothing, nothing]).to_h { |name, table, more| [name, more ? table.concatenate(more, axis: 1) : table] }
          frames = @history.times.to_a.each_with_index.map { |t, i| Result::Frame.new(index: i, kind: "time", name: Quantity::Display.format(t, "time"), value: t, unit: "time") }
          frames << Result::Frame.new(index: frames.size, kind: "envelope", name: "largest in size")
          about = Result::Outcome::About.new(mass: @structure.mass, ring: false, totals: [], joins: @structure.reports, walls: {})
          Result::Timed.new(grid: @grid, frames: frames, states: rows.map { |u| state(u, still: false) }, about: about, weights: weights,
                            made: { frames.size - 1 => { "over" => (0...(frames.size - 1)).to_a, "how" => "largest in size" } })
                       .with_found(transient: { modes: @natural.size, residual: @residual ? true : false, relative: based, coarse: coarse })
        end

        # Modes that the step is too long for.
        def coarse = (@natural > 1 / (@history.step * 10)).count_true
      end
    end
  end
end
