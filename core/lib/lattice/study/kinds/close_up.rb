# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # A close-up: a block, a ball or bodies out of a whole on a finer mesh, whose cut sides move as the whole moves there.
      # N. G. Cormier, B. S. Smallwood, G. B. Sinclair, G. Meda, Aggressive submodelling of stress concentrations, 1999.
      class CloseUp < Static
        VERSION = 1
        REACH = 0.2 # of the whole's reference elements, that a node of the cut may lie outside of them

        class << self
          def problem(problem, study) = problem.made_for(study) { Cutout.new(problem, study) }

          def check!(problem, study)
            base!(problem, study)
            problem(problem, study).then { |cutout| [cutout.size, cutout.conditions] }
          end

          def signature(problem, study)
            cutout = problem(problem, study)
            [problem.study_digest(base!(problem, study)), cutout.mesh_digest, cutout.conditions.map(&:signature)]
          end

          def solve(solving, study)
            base = base!(solving.problem, study)
            whole = solving.call(base)
            cutout = problem(solving.problem, study)
            new(cutout, solving.for(cutout).grid, base, solving.monitor).from(whole).call
          end

          def findings(problem, study, result)
            peak = Result::Peak.new(result, "von_mises")
            [{ kind: "close_up", statement: study.id, of: study["of"], peak: problem.cases.judged.map { |f| peak.at(f) }.max_by { |p| p[:value] }, **result.found[:close_up] }]
          end
        end

        # @param whole [Result::Outcome]
        def from(whole)
          @whole = whole
          self
        end

        def call = super.then { |result| result.with_found(veil: veil_data, close_up: compared(result)) }

        private

        def structure = super.tap { |made| move_cut(made) }
        def cut = @cut ||= @grid.nodes_of(@problem.parts.cut)
        def along = @along ||= Result::Along.new(@whole, @grid.nodes[cut, true].dup, outside: REACH)

        # The elements next to the cut, as long as that leaves half of the region.
        def depth = @depth ||= [@problem.size * 1.5, @problem.region.room(@problem.parts.cut)].min
        def veil_data = { **@problem.region.cuts(@problem.parts.cut), depth: depth }

        # Every case by its own movement of the whole.
        def move_cut(structure)
          names = %w[x y z]
          unless along.lost.zero?
            raise @problem.study.fault("#{along.lost} of #{cut.size} points of its cut lie outside the whole's mesh", path: @problem.region.words,
                                                                                                                      cure: "Mesh the whole more finely, or move what is cut out.")
          end

          @problem.cases.names.each_index do |k|
            names.each { |c| structure.constraints.prescribe(structure.dofs.at(cut, c.to_sym), along.values("displacement_#{c}", k), in_case: k) }
          end
        end

        # How far the stress of both differs on the cut: whether that lies far enough from what the whole does not see.
        def compared(result)
          frame = (0...@problem.cases.names.size).max_by { |f| result.field("von_mises", f).max }
          own = Result::Along.new(result, @grid.nodes[cut, true].dup, outside: REACH)
          one, two = [own, along].map { |a| Numo::DFloat.vstack(Result::Stress::COMPONENTS.map { |c| a.values("stress_#{c}", frame) }).transpose.dup }
          peak = Result::Peak.new(result, "von_mises").at(frame)[:value].abs
          jump = Result::Stress.von_mises(one - two)
          jump = jump[jump.isnan.eq(0).where]
          { nodes: cut.size, difference: Math.sqrt((jump**2).mean) / peak, whole: whole_peak, depth: depth, elements: @grid.size }
        end

        # The greatest stress of the whole within the region, away from the cut.
        def whole_peak
          inside = @problem.region.points_of(@whole.grid)
          return nil if inside.empty?

          peak = Result::Peak.new(@whole, "von_mises", Result::Veil.new(@whole.grid, **veil_data).outside(inside))
          @problem.cases.judged.map { |f| peak.at(f) }.max_by { |p| p[:value] }
        end
      end
    end
  end
end
