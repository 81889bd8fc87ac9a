# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # An earthquake: the ground shakes as recorded, and what stands on it bends, flows and sways in time, step by step.
      class Shaking < Marching
        VERSION = 2
        READ = %w[limit path gauge].freeze

        class << self
          def loaded? = false

          # Of movement and stress only some moments are kept; plastic strain keeps its greatest.
          def finds!(statement, study)
            super
            return if statement.kind != "limit" || statement["quantity"] == "plastic_strain"

            raise statement.fault("of an earthquake not every moment is kept, between which it might be greater", path: "quantity", cure: "Limit the drift of storeys in the study, or the plastic strain here.")
          end

          def check!(problem, study)
            Shaken.new(problem, study).check!
            Drift.new(study).check!(problem)
            held_weights(problem, study)&.then { |weights| steady!(problem, study, weights) }
            plain!(problem, study)
          end

          def oddities(problem, study) = Shaken.new(problem, study).oddities

          def signature(problem, study)
            [Shaken.new(problem, study).signature, held_weights(problem, study).to_a, problem.yielding.signature, *problem.acting]
          end

          def solve(solving, study)
            return once(solving, study) unless study["runs"]

            solving.grid
            rows, result = solving.monitor.phase("runs", upto: 1.0) { Batch.new(solving, study).call { |own, single| once(own, single) } }
            result.with_found(runs: rows)
          end

          def findings(_problem, study, result)
            found = result.found[:shaking]
            rows = study["runs"] ? result.found[:runs] : nil
            broken = rows ? rows.any? { |row| row[:stuck] } : found[:stuck]
            [{ kind: "shaking", statement: study.id, **found.except(:storeys), runs: rows, holds: broken ? false : true },
             *(found[:storeys] ? [Drift.new(study).finding(framed(found[:storeys], found[:every], result.frames.size - 1))] : [])]
          end

          private

          # Steps as the frames that are kept after them.
          def framed(storeys, every, last) = storeys.merge(drifts: storeys[:drifts].map { |d| d.merge(frame: (d[:frame] / every).clamp(0, last)) })

          def once(solving, study) = new(solving.problem, solving.grid, study, solving.monitor).call

          # What is not followed in time.
          def plain!(problem, study)
            raise study.fault("ground and concrete that cracks are not followed in time", path: "type", cure: "Follow members, or use stages.") if problem.yielding.small? || problem.at_rest.any?

            touch = problem.conditions.find(&:touches?) or return
            raise study.fault("“#{touch.statement['target']}” that may touch is not followed in time", path: "type", cure: "Bond it, or switch the touch off.")
          end
        end

        # @return [Result::Way]
        def call
          @asked = Shaken.new(@problem, @study)
          @storeys = Storeys.new(@problem, @grid)
          weights = self.class.held_weights(@problem, @study)
          none = Numo::DFloat.zeros(@problem.cases.names.size)
          set_up(weights || none, @grid.nodes)
          held = @monitor.phase("held", upto: 0.15) { Hold.new(@equations, @study).call(start, weights, none) { |increment| told("held", increment.level, increment) } }
          @equations.between(none, none) unless held
          @held = held ? held.pose : start
          @monitor.phase("steps", upto: 0.97) { shake(@asked) }
          raise SolveFailed.new("its first step does not come to rest", statement: @study.id, cure: "Take a shorter step, or look at what is held alone.") if @frames.empty?

          @monitor.phase("recovery", upto: 1.0) { outcome }
        end

        private

        def start = Engine::Pose.start(@structure.dofs)

        def shake(asked)
          masses = @structure.masses
          shapes = asked.shapes(@structure.dofs)
          raise SolveFailed.new("nothing that can shake has a mass", statement: @study.id, cure: "Give bodies a density, or let places carry a mass.") if masses.dot(shapes).abs.max.zero?

          @frames = []
          @course = Course.new(@structure, @storeys, @held.moved, shapes, @equations.springs)
          walk = Engine::Motion.new(@equations, masses, asked.damping, shapes, asked.ground)
          reason = walk.call(@held, asked.step, asked.count) { |moment| taken(moment, asked) }
          @stuck = reason == "done" ? nil : walk.stuck
        end

        def taken(moment, asked)
          @course.add(moment)
          number = @course.size
          return nil unless (number % asked.every).zero? || number == asked.count

          @frames << kept(moment)
          @monitor.within("#{Quantity::Display.format(moment.time, 'time')} of #{Quantity::Display.format(asked.count * asked.step, 'time')}", number.to_f / asked.count)
        end

        # A frame: what is read of it.
        def kept(moment)
          increment = Engine::March::Increment.new(level: moment.time, pose: moment.pose, push: moment.push, internal: moment.internal, residuals: [], read: @equations.read(moment.pose, 1.0))
          # Of what stays nobody asks moment by moment.
          state(increment).tap { |one| one.flow = nil }
        end

        def outcome
          times = @course.times.each_slice(@asked.every).map(&:last)
          frames = times.first(@frames.size).each_with_index.map { |time, i| Result::Frame.new(index: i, kind: "time", name: Quantity::Display.format(time, "time"), value: time, unit: "time") }
          Result::Way.new(grid: @grid, frames: frames, states: @frames, about: about).with_found(shaking: found)
        end

        def found
          node = @stuck && @structure.dofs.nodes_of(Numo::Int32[@stuck[1]])[0]
          { **@course.to_h, stuck: @stuck && { time: @stuck[0], at: @grid.nodes[node, true].to_a }, every: @asked.every, step: @asked.step, mass: @structure.mass,
                            motions: @asked.directions.map { |d| { name: d.motion.name, along: d.along.to_a, scale: d.scale, peak: d.motion.peak * d.scale.abs } } }
        end
      end
    end
  end
end
