# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Loads that come and go in stages, one after the other: what has moved, turned and flowed stays.
      class Stages < Marching
        VERSION = 1
        READ = %w[limit path gauge bolt].freeze
        END_OF = 1e-9 # of a stage

        class << self
          def check!(problem, study)
            stages = Study::Stages.new(study, problem.cases)
            stages.check!
            stages.all.each { |stage| steady!(problem, study, stage.factors) }
          end

          def signature(problem, study) = [Study::Stages.new(study, problem.cases).signature, problem.yielding.signature, *problem.acting]
          def solve(solving, study) = new(solving.problem, solving.grid, study, solving.monitor).call

          def findings(_problem, study, result)
            found = result.found[:stages]
            rows = found[:rows].map { |row| row.merge(**at_end(result, row[:frame])) }
            [{ kind: "stages", statement: study.id, rows: rows, **found.except(:rows), holds: found[:broken].nil? }]
          end

          private

          def at_end(result, frame)
            return { displacement: nil, von_mises: nil, plastic: nil } unless frame

            { displacement: result.greatest("displacement", frame)[0], von_mises: result.greatest("von_mises", frame)[0],
              plastic: result.state(frame).plastic && result.greatest("plastic_strain", frame)[0] }
          end
        end

        # @return [Result::Staged]
        def call
          @stages = Study::Stages.new(@study, @problem.cases).all
          set_up(@stages[0].factors, @grid.nodes)
          @done = []
          rows = @monitor.phase("stages", upto: 0.97) { march }
          raise SolveFailed.new("the first increment of “#{@stages[0].name}” does not come to rest", statement: @study.id, cure: "Give the stage more increments, or less load.") if @done.empty?

          @monitor.phase("recovery", upto: 1.0) { outcome(rows) }
        end

        private

        # @return [Array<Hash>] of every stage that was begun
        def march
          pose = Engine::Pose.start(@structure.dofs)
          before = @stages[0].factors * 0
          @stages.each_with_index.with_object([]) do |(stage, i), rows|
            made = @done.size
            walk = Engine::March.new(@equations.between(before, stage.factors), control(stage))
            whole = walk.call(pose) { |increment| taken(stage, i, increment) } == "done"
            rows << { name: stage.name, frame: whole ? @done.size - 1 : nil, increments: @done.size - made, cuts: walk.cuts, residuals: @done.drop(made).map { |_, found| found.residuals } }
            break rows.tap { @broken = broken(stage, walk) } unless whole

            pose = @done.last[1].pose
            before = stage.factors
            @equations.lock(pose)
          end
        end

        def taken(stage, number, increment)
          @done << [number, increment]
          told("#{stage.name}, #{(increment.level * 100).round} %", (number + increment.level) / @stages.size, increment)
          :stop if increment.level >= 1 - END_OF
        end

        # What presses is found best in one go.
        def control(stage)
          few = @equations.touches.any? ? 1.0 : Study::Stages::FIRST
          Engine::Control::Level.new(stage.increments ? 1.0 / stage.increments : few, 1.0, stage.increments ? 1.0 : Engine::Control::MOST)
        end

        # Where it ended before its end: the stage, how far it came, and where most was left over.
        def broken(stage, walk)
          level = @done.last && @stages[@done.last[0]].name == stage.name ? @done.last[1].level : 0.0
          node = walk.worst && @structure.dofs.nodes_of(Numo::Int32[walk.worst])[0]
          { stage: stage.name, level: level, at: node && @grid.nodes[node, true].to_a }
        end

        def outcome(rows)
          frames = @done.each_with_index.map do |(i, found), k|
            ends = found.level >= 1 - END_OF
            Result::Frame.new(index: k, kind: "stage", name: ends ? @stages[i].name : "#{@stages[i].name}, #{(found.level * 100).round} %", value: i + found.level, unit: "ratio")
          end
          ended = @done.each_index.select { |k| @done[k][1].level >= 1 - END_OF }
          Result::Staged.new(grid: @grid, frames: frames, states: @done.map { |_, found| state(found) }, about: about)
                        .with_found(stages: { rows: rows, broken: @broken, joins: @equations.turn_of_joins(@done.last[1].pose), ends: ended.empty? ? [@done.size - 1] : ended,
                                              touches: touched(@done.map(&:last)) })
        end
      end
    end
  end
end
