# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # How long a part lives under stress that goes up and down: what a static study found, through cycles, a history or a duty.
      class Life < Linear
        extend Kind

        VERSION = 4
        READ = %w[limit path gauge].freeze
        BASES = %w[static stages].freeze # types of studies whose stress it may be
        ENDLESS = 1e12 # passes, at which fields end
        SAFE = Lattice::Life::Damage::MOST

        class << self
          def reads?(kind) = READ.include?(kind)
          def fields = Result::Catalogue::LIFE.map(&:name) + Result::Catalogue::OF_VECTOR.fetch("displacement")
          def design(study) = study.quantity("life.design", "ratio")
          def use(study) = study["life"]["uses"] || "von_mises"
          def load(problem, study) = Lattice::Life::Load.new(study, problem)

          # @return [Array<String>] bodies whose life is found
          def bodies(problem, study)
            study["target"].to_s.empty? ? problem.parts.bodies.map(&:name) : problem.groups.target!(study, %i[bodies faces edges points]).map(&:body).uniq
          end

          def strength(problem, study, body) = Lattice::Life::Strength.new(study, problem.materials[body], body)

          def check!(problem, study)
            base!(problem, study, *BASES)
            raise study.fault("it does not say how the stress goes up and down", path: "life", cure: "Choose fully reversed, a ratio, a history or a duty.") unless study["life"]

            load(problem, study).check!
            bodies(problem, study).each { |body| strength(problem, study, body).check! }
            untold!(problem, study)
            raise study.fault("a design life of nothing", path: "life.design", cure: "Give a number of cycles, such as 1e6.") if design(study)&.then { |d| d <= 0 }
          end

          def oddities(problem, study) = Lattice::Life::SetUp.new(problem, study).oddities

          def signature(problem, study)
            named = load(problem, study).then { |l| l.steps.map { |step| step && l.names[step] } }
            [Model::Meaning.of(study, except: %w[name of case target]), named, bodies(problem, study), study["target"].to_s.empty? ? nil : problem.keys(study),
             bodies(problem, study).map { |b| problem.materials[b].to_h }, problem.study_digest(base!(problem, study, *BASES))]
          end

          def solve(solving, study)
            base = solving.call(base!(solving.problem, study, *BASES))
            Lattice::Life::Map.new(solving.problem, study, base, solving.monitor).call
          end

          def findings(_problem, study, result)
            found = result.found[:life]
            wanted = design(study)
            used = wanted && (1 / found[:worst][:safety])
            [{ kind: "life", statement: study.id, of: study["of"], by: study["life"]["by"] || "stress", uses: Lattice::Life::Scalar::USES.fetch(use(study)), design: wanted,
               unit: unit(study), **found, utilisation: used, margin: used && (1 - used), holds: used.nil? || used <= 1, target: "life under “#{study['of']}”" }]
          end

          private

          # Members, ground and concrete tell no strain of what has flowed.
          def untold!(problem, study)
            return unless load(problem, study).found? && study["life"]["by"] == "strain"

            other = bodies(problem, study).find { |name| problem.parts.body(name).members? || [Matter::Soil, Matter::Concrete].any? { |kind| problem.yielding.flows[name].is_a?(kind) } } or return
            raise study.fault("the strains of “#{other}” in stages are not told: it is no metal of solids, regions or sheets", path: "target", cure: "Choose other bodies, or life by stress.")
          end

          # What a pass is, of which a mission has so many.
          def unit(study) = study["life"]["unit"]&.then { |u| { name: u["name"], passes: study.quantity("life.unit.passes", "ratio") } }
        end
      end
    end
  end
end
