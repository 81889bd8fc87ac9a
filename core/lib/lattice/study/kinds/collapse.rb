# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Loads that grow in increments while the part moves and turns as far as it likes, until it gives way, and beyond.
      class Collapse < Marching
        VERSION = 3
        READ = %w[path gauge force_gauge].freeze
        FARTHEST = 0.02 # of the part's size, in one increment
        STEP = 0.04 # of how far it is to go

        class << self
          def check!(problem, study)
            growth = Growth.new(study)
            growth.check!
            raise study.fault("ground at rest is no beginning for loads that grow until all gives way", path: "type", cure: "Use stages, and a strength reduction after one of them.") if problem.at_rest.any?

            buckling!(problem, study)
            pushed!(problem, study, Steps.new(problem.cases).weights[frame(problem, study)])
            held_weights(problem, study)&.then { |weights| steady!(problem, study, weights) }
            Drift.new(study).check!(problem)
          end

          def signature(problem, study)
            [Growth.new(study).signature, frame(problem, study), held_weights(problem, study).to_a, buckling!(problem, study)&.then do |base|
              problem.study_digest(base)
            end, problem.yielding.signature, *problem.acting]
          end

          def solve(solving, study)
            base = buckling!(solving.problem, study)
            new(solving.problem, solving.grid, study, solving.monitor).from(base && solving.call(base)).by(solving.waypoints(study)).call
          end

          def findings(problem, study, result)
            found = result.found[:collapse]
            wanted = Growth.new(study).at_least
            used = wanted && (wanted / found[:bears])
            storeys = found[:storeys]
            [{ kind: "collapse", statement: study.id, frame_name: found[:case], **found.except(:case, :storeys), yields: yields(problem, result, found[:bears]), at_least: wanted,
               utilisation: found[:factor] || found[:soft] || (used && used <= 1) ? used : nil,
               margin: used && (1 - used), holds: used.nil? || used <= 1, target: "collapse" },
             *(storeys ? [Drift.new(study).finding(storeys)] : [])]
          end

          private

          # @return [Model::Statement, nil] the study whose shape is the imperfection
          def buckling!(problem, study)
            given = Growth.new(study).imperfection or return
            base = problem.studies.find { |s| s.name == given.of && s["type"] == "buckling" }
            raise study.fault("there is no buckling study named “#{given.of}”", path: "imperfection.of", cure: "Add a buckling study, and name it here.") unless base
            return base if given.shape <= Buckling.count(base)

            raise study.fault("“#{base.name}” finds #{Buckling.count(base)} shapes, not #{given.shape}", path: "imperfection.shape", cure: "Choose one of them, or let it find more.")
          end

          def pushed!(problem, study, weights)
            mine = problem.conditions.reject { |c| weights[problem.cases.index(c.case_name)].zero? }
            raise study.fault("nothing pushes in the case whose loads grow", path: "case", cure: "Choose a case with loads in it.") if mine.none? { |c| c.loads? || c.imposes? }

            steady!(problem, study, weights)
          end

          # By the greatest stress of any body over its strength; what is computed stays elastic.
          # @return [Hash, nil] body, and the factor at which it yields
          def yields(problem, result, factor)
            strengths = problem.materials.to_h.except(*problem.yielding.flows.keys).filter_map { |body, material| material&.yield && [body, material.yield] }
            before = [0.0, strengths.to_h { |body, _| [body, 0.0] }]
            result.frames.each do |frame|
              field = result.field("von_mises", frame.index)
              peaks = strengths.to_h { |body, _| [body, field[result.grid.points.of(body)].max] }
              body, strength = strengths.select { |name, limit| peaks[name] >= limit }.max_by { |name, limit| peaks[name] / limit }
              if body
                share = (strength - before[1][body]) / (peaks[body] - before[1][body])
                at = before[0] + ((frame.value - before[0]) * share)
                return at < factor ? { body: body, factor: at } : nil
              end
              before = [frame.value, peaks]
            end
            nil
          end
        end

        # @param shapes [Result::Outcome, nil] of the buckling study whose shape is the imperfection
        def from(shapes)
          @shapes = shapes
          self
        end

        # @return [Result::Way]
        def call
          @growth = Growth.new(@study)
          @frame = self.class.frame(@problem, @study)
          @weights = Steps.new(@problem.cases).weights[@frame]
          set_up(@weights, nodes)
          @storeys = Storeys.new(@problem, @grid)
          march = nil
          found = @monitor.phase("increments", upto: 0.97) { go { |made| march = made } }
          raise SolveFailed.new("the first increment does not come to rest", statement: @study.id, cure: "Take a smaller first increment.") if found.empty?

          @monitor.phase("recovery", upto: 1.0) { outcome(found, march) }
        end

        private

        # As drawn, and off by an imperfection.
        def nodes
          given = @growth.imperfection or return @grid.nodes
          frame = given.shape - 1
          raise SolveFailed.new("“#{given.of}” found #{@shapes.frames.size} shapes, not #{given.shape}", statement: @study.id, cure: "Choose one of them.") unless @shapes.frames[frame]

          moved = @shapes.displacement(frame)
          @grid.nodes + (moved * (given.size / Shape::Vectors.norm(moved).max))
        end

        def go
          march = watched(Engine::March.new(@equations, control))
          yield march
          found, memory = been
          walk = ->(&each) { memory ? march.go_on(memory[:march], found.last, &each) : march.call(held, &each) }
          @reason = walk.call do |increment|
            found << increment
            waypoints.pass(increment.record) { { march: march.memory, equations: @equations.memory, held: @held&.record } }
            tell(increment, found.size)
            :stop if there?(found)
          end
          waypoints.done
          found
        end

        # What came to rest before it was stopped.
        # @return [Array(Array<Engine::March::Increment>, Hash)] nothing, and nil, where it begins
        def been
          records, memory = waypoints.last
          return [[], nil] unless memory

          held = memory[:held] && Engine::March::Increment.of(memory[:held], @structure.dofs)
          @held = held
          @equations.recall(memory[:equations])
          found = records.map { |record| Engine::March::Increment.of(record, @structure.dofs) }
          goes_on("increment #{found.size}, load factor #{format('%.4g', found.last.level)}")
          [found, memory]
        end

        # Whether it need not go further.
        def there?(found)
          increment = found.last
          found.size >= @growth.increments || (@growth.upto && increment.level >= @growth.upto * (1 - 1e-9)) || increment.level < found.map(&:level).max * @growth.down_to || far?(increment)
        end

        # What acts first, and stays.
        # @return [Engine::Pose]
        def held
          start = Engine::Pose.start(@structure.dofs)
          @held = Hold.new(@equations, @study).call(start, self.class.held_weights(@problem, @study), @weights) { |increment| told("held", 0.0, increment) }
          @held&.pose || start
        end

        # Whether the highest floor, or without floors anything, has moved as far across as it is to.
        def far?(increment)
          return false unless @growth.far

          table = moved(increment)
          top = @storeys.any? ? Math.hypot(*@storeys.read(table).last) : Shape::Vectors.norm(table).max
          top >= @growth.far
        end

        def moved(increment) = @structure.dofs.spread(increment.pose.moved - (@held ? @held.pose.moved : 0.0))

        def control
          return Engine::Control::Level.new(@growth.first, @growth.upto) if @growth.by_loads?

          all = Numo::Int32.new(@grid.nodes.shape[0]).seq
          moves = %i[x y z].map { |name| @structure.dofs.at(all, name) }.reduce { |a, b| a.concatenate(b) }
          Engine::Control::Arc.new(@growth.first, moves[(moves >= 0).where].dup, [@equations.extent * FARTHEST, *(@growth.far && (@growth.far * STEP))].min)
        end

        def tell(increment, number)
          told("increment #{number}, load factor #{format('%.4g', increment.level)}", [number.to_f / @growth.increments, @growth.upto ? increment.level / @growth.upto : 0.0].max, increment)
        end

        def outcome(found, march)
          frames = found.each_with_index.map { |f, i| Result::Frame.new(index: i, kind: "increment", name: "load factor #{format('%.4g', f.level)}", value: f.level, unit: "ratio") }
          result = Result::Way.new(grid: @grid, frames: frames, states: found.map { |f| state(f) }, about: about)
          told = { case: named, cuts: march.cuts, reason: @reason, joins: @equations.turn_of_joins(found[-1].pose), loads: sizes_of(@structure.totals.rows(1.0), @weights),
                   imperfection: @growth.imperfection&.size, touches: touched(found), storeys: storeys(found) }
          result.with_found(collapse: GivingWay.new(found, result).to_h.merge(told))
        end

        # Of every floor how far it has moved, and what holds the feet, since what is held acts.
        def storeys(found)
          return unless @storeys.any?

          across = @storeys.across
          @storeys.to_h(found.map { |f| @storeys.read(moved(f)) }, found.map { |f| across.map { |k| @structure.dofs.spread(f.push - @equations.base)[true, k].sum } })
        end

        def named = @problem.cases.frame_names.size > 1 ? @problem.cases.frame_names[@frame] : nil
      end
    end
  end
end
