# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Steady conduction of heat: ∫ ∇Nᵀ k ∇N T = q, in solids, plane regions, rings, shells and members, through points that they
      # share, and bonds.
      # H. S. Carslaw, J. C. Jaeger, Conduction of Heat in Solids, 1959.
      module Heat
        extend Kind

        VERSION = 2
        READ = %w[hand_check limit path gauge].freeze
        BALANCED = 1e-6

        class << self
          def reads?(kind) = READ.include?(kind)
          def fields = Result::Catalogue::HEAT.map(&:name)
          def held?(_study) = false
          def loaded? = false

          def check!(problem, study)
            heating = Load::Heating.all(problem)
            heating.each(&:check!)
            unless heating.any? { |h| %w[held convection].include?(h.how) }
              raise study.fault("nothing holds a temperature: heat has nowhere to go", cure: "Hold the temperature of a place, or let air take heat from it.")
            end

            bare = problem.parts.bodies.find { |b| problem.materials.to_h[b.name] && problem.materials[b.name].conductivity.nil? }
            raise study.fault("the material of “#{bare.name}” has no thermal conductivity", cure: "Type its conductivity in the material statement.") if bare
          end

          def signature(problem, _study)
            [problem.mesh_digest, Load::Heating.all(problem).map(&:signature), problem.parts.bodies.map { |b| [b.name, problem.materials[b.name]&.conductivity, b.wall] },
             problem.conditions.grep(Load::Conditions::Bond).map(&:signature), problem.sections.signature]
          end

          def solve(solving, study)
            System::Conduction.new(solving.problem, solving.grid, study, solving.monitor).call
          end

          def findings(_problem, study, result)
            found = result.found[:heat]
            [{ kind: "heat", statement: study.id, **found, holds: found[:error] < BALANCED }]
          end

          # @return [Numo::DFloat] [n] K at the nodes of a mesh
          def temperatures(problem, grid, study)
            check!(problem, study)
            System::Conduction.new(problem, grid, study, Monitor.new).temperatures
          end
        end
      end
    end
  end
end
