# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # A refinement ladder: a static study on ever finer meshes, similar to each other, and what its peak does.
      # The result is that of the finest.
      module Ladder
        extend Kind

        VERSION = 1
        RUNGS = 4
        FINER = 1.5

        # The meshes between are kept nowhere.
        PASSING = Solving::Keeper.new

        class << self
          def rungs(study) = study["rungs"] || RUNGS
          def finer(study) = study.quantity("finer", "ratio") || FINER
          def quantity(study) = study["quantity"] || "von_mises"

          # @return [Problem] on the finest mesh
          def problem(problem, study)
            check_finer(study)
            problem.made_for(study) { problem.refined(finer(study)**(rungs(study) - 1)) }
          end

          def check!(problem, study)
            base!(problem, study)
            finds!(study, study)
            check_finer(study)
            places(problem, study)
            finest = problem(problem, study)
            Mesh::Estimate.check!(finest.parts.bodies, finest.settings, problem.mesh_statement) if problem.size.to_f.positive?
          rescue InvalidInput => e
            raise e if e.faults.any? { |f| f.statement == study.id }

            raise study.fault("the finest of #{rungs(study)} meshes is too much: #{e.faults[0].message}", path: "rungs", cure: "Take fewer meshes, or smaller steps.")
          end

          def signature(problem, study)
            [rungs(study), finer(study), quantity(study), study["target"].to_s.empty? ? nil : problem.keys(study), problem.study_digest(base!(problem, study))]
          end

          def solve(solving, study)
            base = base!(solving.problem, study)
            result = proposed = nil
            rows = rungs(study).times.map do |k|
              solving.monitor.log("Mesh #{k + 1} of #{rungs(study)}")
              there = rung(solving, study, k)
              started = Process.clock_gettime(Process::CLOCK_MONOTONIC)
              result = there.call(base)
              proposed ||= Verdict::LocalSizes.new(there.problem, result).call
              row(there, study, result, k).merge(seconds: Process.clock_gettime(Process::CLOCK_MONOTONIC) - started)
            end
            result.with_found(ladder: rows, proposed: proposed)
          end

          def findings(problem, study, result)
            field = Result::Catalogue.field!(quantity(study))
            finest = problem(problem, study)
            [{ kind: "ladder", statement: study.id, of: study["of"], target: study["target"], quantity: field.name, words: field.words, dimension: field.dimension,
               **Verdict::Settling.new(result.found[:ladder], finer(study)).to_h, proposed: result.found[:proposed],
               symmetry: Verdict::Symmetry.new(finest, result, finest.cases.judged.find { |f| !result.envelope?(f) } || 0, "von_mises").to_h }]
          end

          private

          def check_finer(study)
            return if finer(study).between?(1.1, 4)

            raise study.fault("meshes cannot be #{finer(study)} times as fine from one to the next", path: "finer", cure: "Give a ratio between 1.1 and 4, such as 1.5.")
          end

          # The first shares the result of its study, the last the mesh of the ladder's.
          def rung(solving, study, number)
            return solving if number.zero?

            last = number == rungs(study) - 1
            there = solving.for(last ? problem(solving.problem, study) : solving.problem.refined(finer(study)**number), keeper: PASSING)
            last ? there.on(solving.for(there.problem).grid) : there
          end

          def row(solving, study, result, number)
            places = places(solving.problem, study)
            peak = Result::Peak.new(result, quantity(study), places && result.grid.points_of(places))
            best = solving.problem.cases.judged.map { |frame| peak.at(frame) }.max_by { |found| found[:value].abs }
            { finer: finer(study)**number, elements: result.grid.size, unknowns: result.grid.unknowns, **best }
          end

          def places(problem, study) = study["target"].to_s.empty? ? nil : problem.groups.target!(study, %i[faces edges points bodies])
        end
      end
    end
  end
end
