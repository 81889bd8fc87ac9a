# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # How many times less ground may bear after a stage until it slides: its strength is reduced in steps while its loads stay.
      # O. C. Zienkiewicz, C. Humpheson, R. W. Lewis, Associated and non-associated visco-plasticity and plasticity in soil mechanics, 1975.
      class Strength < Stages
        VERSION = 1
        READ = %w[path gauge].freeze
        UPTO = 5.0

        class << self
          def check!(problem, study)
            base = base!(problem, study, "stages")
            Stages.check!(problem, base)
            last!(problem, study)
            weak!(problem, study)
            { "at_least" => study.quantity("at_least", "ratio"), "upto" => study.quantity("upto", "ratio") }.compact.each do |key, value|
              raise study.fault("a factor of #{value} is not above one", path: key, cure: "Give one such as 1.3.") if value <= (key == "upto" ? 1 : 0)
            end
          end

          def signature(problem, study)
            base = base!(problem, study, "stages")
            [Stages.signature(problem, base), last!(problem, study), weak!(problem, study), study.quantity("upto", "ratio")]
          end

          # @return [Integer] the stage after which it is reduced
          # @raise [InvalidInput]
          def last!(problem, study)
            base = base!(problem, study, "stages")
            stages = Study::Stages.new(problem, base)
            return stages.all.size - 1 if study["stage"].nil?

            names = stages.names
            stages.number(study["stage"]) || raise(study.fault("“#{base.name}” has no stage named “#{study['stage']}”", path: "stage", cure: "Choose one of #{names.map { |n| "“#{n}”" }.join(', ')}."))
          end

          # @return [Array<String>] the ground that is weakened
          # @raise [InvalidInput]
          def weak!(problem, study)
            flows = problem.yielding.flows.select { |_, flow| flow.is_a?(Matter::Soil) }.keys
            raise study.fault("no body has a strength of ground that could be reduced", cure: "Say what cohesion and friction the ground has.") if flows.empty?
            return flows if study["target"].nil?

            chosen = problem.groups.target!(study, %i[bodies]).map(&:body) & flows
            raise study.fault("nothing in “#{study['target']}” has a strength of ground", path: "target", cure: "Choose ground with cohesion and friction.") if chosen.empty?

            chosen
          end

          def findings(_problem, study, result)
            found = result.found[:strength]
            wanted = study.quantity("at_least", "ratio")
            used = wanted && (wanted / found[:factor])
            [{ kind: "strength", statement: study.id, **found, at_least: wanted, utilisation: used, margin: used && (1 - used), holds: used.nil? || used <= 1, target: study.name }]
          end
        end

        # @return [Result::Way]
        def call
          weakened = self.class.weak!(@problem, @study)
          upto = @study.quantity("upto", "ratio") || UPTO
          at = @grid
          pose = stand
          control = Engine::Control::Weakening.new(upto)
          walk = Engine::March.new(@equations.weakening(weakened), control, least: Engine::Control::Weakening::LEAST)
          made = []
          reason = @monitor.phase("strength", upto: 0.97) do
            walk.call(pose, 1.0) do |increment|
              made << increment
              told("strength over #{format('%.3f', increment.level)}", (increment.level - 1) / (upto - 1), increment)
              :stop if increment.level >= upto - 1e-9
            end
          end
          @monitor.phase("recovery", upto: 1.0) { told_of(at, pose, made, reason, walk) }
        end

        private

        # Goes through the stages up to the one that it starts from.
        # @return [Engine::Pose]
        def stand
          own = @study
          @study = self.class.base!(@problem, own, "stages")
          @told = Study::Stages.new(@problem, @study)
          @stages = @told.all.first(self.class.last!(@problem, own) + 1)
          set_up(@stages[0].factors, @grid.nodes)
          @done = []
          @monitor.phase("stages", upto: 0.5) { march(@stages) }
          @study = own
          raise SolveFailed.new("its stages end in “#{@broken[:stage]}”, before it begins", statement: own.id, cure: "Let the stages come to their end first.") if @broken

          factors = @stages.last.factors
          @equations.between(factors, factors)
          @done.last[1].pose
        end

        def told_of(grid, pose, made, reason, walk)
          raise SolveFailed.new("ground bears no less than it has: it slides at a factor of 1", statement: @study.id, cure: "Look at where the stages flow; give it more strength, or support.") if made.empty?

          start = @structure.dofs.spread(pose.moved)
          states = made.map { |found| state(found).tap { |s| s.displacement = s.displacement - start }.tap { |s| put_away(s, @stages.last.absent) } }
          frames = made.each_with_index.map { |found, k| Result::Frame.new(index: k, kind: "increment", name: "strength over #{format('%.3f', found.level)}", value: found.level, unit: "ratio") }
          moved = states.map { |s| Shape::Vectors.norm(s.displacement).max }
          found = { factor: made.last.level, slides: reason == "done" ? nil : walk.failed, factors: made.map(&:level), moved: moved, iterations: made.map(&:residuals).sum(&:size), cuts: walk.cuts,
                    stage: @stages.last.name, residuals: made.map(&:residuals), absent: @stages.last.absent }
          Result::Way.new(grid: grid, frames: frames, states: states, about: about).with_found(ground: true, strength: found)
        end
      end
    end
  end
end
