# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Loads that come and go in stages, one after the other: what has moved, turned and flowed stays.
      class Stages < Marching
        include Broken

        VERSION = 3
        READ = %w[limit path gauge force_gauge bolt bars].freeze
        END_OF = 1e-9 # of a stage
        KEPT = 16 # increments of a stage, at most

        class << self
          def check!(problem, study)
            stages = Study::Stages.new(problem, study)
            problem.at_rest.check!
            stages.check!
            barred!(problem, study, stages)
            stages.all.each { |stage| steady!(problem, study, stage.factors) }
          end

          def oddities(problem, study) = Study::Stages.new(problem, study).oddities
          def signature(problem, study) = [Study::Stages.new(problem, study).signature, problem.yielding.signature, problem.at_rest.signature, *problem.acting]
          def solve(solving, study) = new(solving.problem, solving.grid, study, solving.monitor).by(solving.waypoints(study)).call

          def findings(problem, study, result)
            found = result.found[:stages]
            rows = found[:rows].map { |row| row.merge(**at_end(result, row[:frame])) }
            strips = found[:strips].map { |strip| StripEnvelope.of(strip, rows) }
            [{ kind: "stages", statement: study.id, rows: rows, **found.except(:rows), strips: strips, sections: sections(problem, result, rows), holds: found[:broken].nil? }]
          end

          private

          # Bars stay where they are laid.
          def barred!(problem, study, stages)
            moving = stages.all.flat_map(&:absent)
            bars = problem.conditions.grep(Load::Conditions::Bars).reject(&:comes?).find { |one| one.places.any? { |place| moving.include?(place.body) } } or return
            raise study.fault("“#{bars.statement.name}” lie in a body that is not there in all stages", path: "stages", cure: "Let that body stay, or leave the bars out.")
          end

          def sections(problem, result, rows) = Verdict::ConcreteSection.all(problem).map { |section| section.to_h(result, rows.map { |row| row[:frame] }) }

          def at_end(result, frame)
            return { displacement: nil, von_mises: nil, plastic: nil, cracks: nil } unless frame

            state = result.state(frame)
            { displacement: result.greatest("displacement", frame)[0], von_mises: result.greatest("von_mises", frame)[0],
              plastic: state.plastic && result.greatest("plastic_strain", frame)[0], cracks: state.cracks && { strain: state.cracks[true, 3].max, width: state.cracks[true, 4].max } }
          end
        end

        # @return [Result::Staged]
        def call
          rows = go_through
          none! if @done.empty?

          @monitor.phase("recovery", upto: 1.0) { outcome(rows) }
        end

        private

        # @return [Array<Hash>] of every stage that was begun
        def go_through
          @told = Study::Stages.new(@problem, @study)
          @stages = @told.all
          set_up(@stages[0].factors, @grid.nodes)
          @told.steadied&.then { |share| @equations.steady(share) }
          @strips = follow
          @done = []
          @memory = been
          @monitor.phase("stages", upto: 0.97) { march(@stages) }.tap { waypoints.done }
        end

        # What came to rest before it was stopped.
        # @return [Hash, nil] what is remembered at the last of it
        def been
          records, memory = waypoints.last
          return unless memory

          @done = memory[:kept].map { |k| [records[k][0], Engine::March::Increment.of(records[k][1], @structure.dofs)] }
          @passed = records.size
          @kept = memory[:kept]
          goes_on("stage “#{@stages[memory[:stage]].name}”, #{(@done.last[1].level * 100).round} %")
          memory
        end

        # Ground that stands in for what comes later is what it is like.
        def structure = System::Structure.new(@problem, @grid, conditions, like: @problem.at_rest.stand_ins).apply

        # Walls and slabs in ground tell their forces; bars laid into them would keep theirs to themselves.
        def follow
          ground = @problem.yielding.flows.select { |_, flow| flow.is_a?(Matter::Soil) }.keys
          return [] if ground.empty? && @problem.at_rest.coefficients.empty? && (@grid.dimension == 3 || @problem.parts.bodies.none?(&:members?))

          barred = conditions.grep(Load::Conditions::Bars).reject(&:comes?).flat_map { |bars| bars.places.map(&:body) }
          @equations.follow { |piece| !piece.body.axisymmetric? && !(ground + barred).include?(piece.body.name) }
        end

        def law(piece)
          like = @problem.at_rest.stand_ins[piece.body.name]
          like = nil unless piece.material == @problem.materials[like || piece.body.name]
          flows = @study["elastic"] ? nil : @problem.yielding.law(piece, like)
          flows || (Matter::Law::Elastic.new(piece.material.young, piece.material.poisson, piece.elasticity.shape[0]) if @problem.at_rest.coefficients.key?(piece.body.name))
        end

        # @return [Array<Hash>] of every stage that was begun
        def march(stages)
          pose = begun
          before = stages[0].factors * 0
          stages.each_with_index.with_object(@memory ? @memory[:rows] : []) do |(stage, i), rows|
            @residuals = []
            equations = changed(stage, i.zero? ? nil : stages[i - 1], before, pose)
            unless gone_through?(i)
              @walk = watched(Engine::March.new(equations, control(stage)), stage.name)
              @rows = rows
              whole = walked(stage, i, pose)
              rows << row(stage, @walk, whole)
              break rows.tap { @broken = broken(stage, @walk) } unless whole
            end
            pose = @done.reverse_each.find { |number, _| number == i }[1].pose
            before = stage.factors
            @equations.lock(pose)
          end
        end

        def gone_through?(stage) = @memory && stage < @memory[:stage]

        # @return [Boolean] whether it came to the end of the stage
        def walked(stage, number, pose)
          each = ->(increment) { taken(stage, number, increment) }
          return @walk.call(pose, &each) == "done" unless @memory && number == @memory[:stage]

          @residuals = @memory[:residuals]
          @equations.recall(@memory[:equations])
          return @walk.recall(@memory[:march].except(:control)) && true if ended?(@done.last[1])

          @walk.go_on(@memory[:march], @done.last[1], &each) == "done"
        end

        def row(stage, walk, whole)
          read = @residuals.empty? ? nil : @done.last[1].read
          { name: stage.name, frame: whole ? @done.size - 1 : nil, increments: @residuals.size, cuts: walk.cuts, residuals: @residuals, absent: stage.absent, anchors: read ? read.anchored : [],
            strips: read&.strips }
        end

        # What is there at first, and holds its weight.
        # @return [Engine::Pose]
        def begun
          gone = @told.absent_at_first
          @like = @problem.at_rest.stand_ins.except(*gone)
          pose = Engine::Pose.start(@structure.dofs)
          @equations.enter(acting(gone), gone, pose) if gone.any?
          return pose unless @problem.at_rest.any?

          held = @problem.at_rest.stress(@grid, @problem.parts.bodies.map(&:name) - gone)
          @equations.rest(&held)
          pose
        end

        # @return [Engine::Equations] from the loads before a stage to those at its end
        def changed(stage, last, before, pose)
          other = stage.absent != (last ? last.absent : @told.absent_at_first) || stage.comes.any?
          if other
            # What has gone comes back as what it is.
            @like = @like.except(*stage.absent)
            @equations.enter(acting(stage.absent), stage.absent, pose)
          end
          loose!(stage)
          @equations.between(before, stage.factors)
          other || (last.nil? && @problem.at_rest.any?) ? @equations.released(pose) : @equations
        end

        def acting(absent) = (@acting ||= {})[[absent, @like]] ||= System::Structure.new(@problem, @grid, staying(absent), absent: absent, like: @like).apply

        # Supports and joins that are there; what hangs on a body that is not is none of them.
        def staying(absent) = conditions.reject { |c| (c.changes? && !c.comes? && absent.include?(c.statement.name)) || c.hangs?(absent) }

        # A load whose place went with its body would push nothing.
        def loose!(stage)
          hangs = @equations.hanging
          lost = conditions.find do |c|
            next if !c.loads? || c.warms? || c.statement["target"].nil? || c.case_names.all? { |name| stage.factors[@problem.cases.index(name)].zero? }

            nodes = @grid.nodes_of(c.places)
            hangs[nodes].count_true.positive?
          end
          return unless lost
          raise SolveFailed.new("what a #{lost.statement.kind.tr('_', ' ')} acts on is not there in stage “#{stage.name}”", statement: lost.statement.id,
                                                                                                                            cure: "Take its case away before, or choose another place.")
        end

        def taken(stage, number, increment)
          @residuals << increment.residuals
          @kept ||= []
          [@done, @kept].each(&:pop) if passing?(stage, number, increment)
          @done << [number, increment]
          @kept << @passed.to_i
          @passed = @kept.last + 1
          waypoints.pass([number, increment.record]) { { stage: number, kept: @kept, rows: @rows, residuals: @residuals, march: @walk.memory, equations: @equations.memory } }
          told("#{stage.name}, #{(increment.level * 100).round} %", (number + increment.level) / @stages.size, increment)
          :stop if ended?(increment)
        end

        def ended?(increment) = increment.level >= 1 - END_OF

        # Increments that were halved again and again are not all kept: whether the one before lies between two that are near each other.
        def passing?(stage, number, increment)
          own = @done.last(2).select { |i, _| i == number }
          return false if own.empty?

          increment.level - (own.size > 1 ? own[0][1].level : 0.0) < 1.0 / (stage.increments || KEPT)
        end

        # What presses is found best in one go.
        def control(stage)
          few = @equations.touches.any? ? 1.0 : Study::Stages::FIRST
          Engine::Control::Level.new(stage.increments ? 1.0 / stage.increments : few, 1.0, stage.increments ? 1.0 : Engine::Control::MOST)
        end

        def outcome(rows)
          frames = @done.each_with_index.map do |(i, found), k|
            ends = found.level >= 1 - END_OF
            Result::Frame.new(index: k, kind: "stage", name: ends ? @stages[i].name : "#{@stages[i].name}, #{(found.level * 100).round} %", value: i + found.level, unit: "ratio")
          end
          ended = @done.each_index.select { |k| @done[k][1].level >= 1 - END_OF }
          Result::Staged.new(grid: @grid, frames: frames, states: states, about: about)
                        .with_found(ground: still?, stages: { rows: rows, broken: @broken, steadied: steadied, joins: @equations.turn_of_joins(@done.last[1].pose), ends: ended.empty? ? [@done.size - 1] : ended,
                                                              touches: touched(@done.map(&:last)), strips: @strips, curve: curve, absent: @told.changes? ? @done.map { |i, _| @stages[i].absent } : [] })
        end

        # What weak springs took on the way, of what all loads did.
        # @return [Float, nil]
        def steadied
          return unless @equations.steadying

          done = @done.each_cons(2).sum { |(_, one), (_, other)| ((one.push + other.push) / 2).dot(other.pose.moved - one.pose.moved).abs } + (@done[0][1].push.dot(@done[0][1].pose.moved).abs / 2)
          done.zero? ? 0.0 : @equations.steadying.work / done
        end

        def curve = Study::StageCurve.new(@grid, @stages, @done, @structure.dofs).to_h(@problem.cases)

        # Movement is counted from the end of a stage, and what is not there has none.
        def states
          from = @study["counted_from"] && @done.rindex { |i, found| i == @told.number(@study["counted_from"]) && found.level >= 1 - END_OF }
          start = from && @structure.dofs.spread(@done[from][1].pose.moved)
          @done.each_with_index.map do |(i, found), k|
            state(found).tap do |state|
              state.displacement = state.displacement - start if from && k >= from
              put_away(state, @stages[i].absent)
            end
          end
        end

        def put_away(state, absent)
          return if absent.empty?

          here, gone = @structure.pieces.partition { |piece| !absent.include?(piece.body.name) }.map { |list| Algebra::Gather.distinct(list.map(&:conn)) }
          mark = Numo::Int32.zeros(@grid.nodes.shape[0]).tap { |all| all[gone] = 1 }.tap { |all| all[here] = 0 }
          at = mark.ne(0).where
          state.displacement[at, true] = 0.0 unless at.empty?
        end
      end
    end
  end
end
