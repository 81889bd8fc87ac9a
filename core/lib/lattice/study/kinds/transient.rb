# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # What moves in time, by modes: loads that follow a course, a base that shakes as recorded, or a load that drives along a line.
      class Transient < Modal
        VERSION = 2
        READ = %w[limit path gauge].freeze

        class << self
          def fields = Result::Timed::FIELDS

          def check!(problem, study)
            vibration!(problem, study)
            History.new(study).check!(problem)
            swinging!(problem, study) if in_a_case?(study)
          end

          def signature(problem, study)
            [History.new(study).signature, in_a_case?(study) ? frame(problem, study) : nil, problem.study_digest(vibration!(problem, study)), *problem.acting]
          end

          def findings(_problem, study, result)
            history = History.new(study)
            [{ kind: "transient", statement: study.id, of: study["of"], moments: result.frequencies.size, until: history.until, step: history.step, **result.found[:transient] }]
          end

          private

          def in_a_case?(study) = !study["base"] && !study["drive"]
        end

        # @return [Result::Timed]
        def call
          @history = History.new(@study)
          stiff, masses = set_up
          push, courses = pushed(masses)
          moved = @monitor.phase("steps", upto: 0.4) { Stepping.new(@own, @history.damping.of(@natural), @history.step).call(courses.dot(push.dot(@shapes.transpose))) }
          # Of a load that drives each position would have a rest of its own.
          rest = @study["drive"] ? nil : residual(stiff, push)
          @monitor.phase("recovery", upto: 1.0) do
            states = states([*@shapes.shape[0].times.map { |k| @shapes[k, true].dup }, rest].compact)
            Result::Timed.new(**parts("time", "time", @history.times, "largest in size"), states: states, weights: weights(moved, rest && courses))
                         .with_found(transient: { modes: @natural.size, residual: !rest.nil?, relative: @study.data.key?("base"), coarse: coarse })
          end
        end

        private

        # @return [Array(Numo::DFloat, Numo::DFloat)] forces [k, unknowns], and what each is multiplied by [moments, k]
        def pushed(masses)
          return [@structure.loads, @history.weights(@problem)] if @study["drive"]

          course = @history.course.reshape(@history.times.size, 1)
          return [loads, course] unless @study["base"]

          direction, size = @history.base
          [masses.dot(@structure.dofs.along(direction)).reshape(1, @structure.dofs.size) * -size, course]
        end

        # The rest follows what pushes, without a speed of its own.
        def weights(moved, courses)
          Result::Timed::WEIGHTS.zip(moved, [courses, *[courses && (courses * 0)] * 2]).to_h { |name, table, more| [name, more ? table.concatenate(more, axis: 1) : table] }
        end

        # Modes that the step is too long for.
        def coarse = (@natural > 1 / (@history.step * 10)).count_true
      end
    end
  end
end
