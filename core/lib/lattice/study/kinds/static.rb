# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Linear static: K u = f with u = T q + g, all load cases on one factorisation.
      class Static < Linear
        extend Kind

        VERSION = 8

        class << self
          def options(study) = [study.quantity("load_factor", "ratio") || 1.0]
          def signature(problem, study) = [options(study), *problem.acting]
          def solve(solving, study) = call(solving.problem, solving.grid, study, solving.monitor)

          # Where it turns too far for a linear answer.
          def findings(problem, study, result)
            turn = Result::Turns.new(result).far(problem.cases.judged) or return []
            [{ kind: "turns", statement: study.id, frame_name: problem.cases.judged.size > 1 ? result.frames[turn[:frame]].name : nil, **turn }]
          end
        end

        # @param problem [Problem]
        # @param grid [Mesh::Grid]
        # @param study [Model::Statement]
        # @param monitor [Monitor]
        # @return [Result::Outcome]
        # @raise [InvalidInput] when the memory that is free does not suffice, or elements are folded
        # @raise [SolveFailed]
        def self.call(...) = new(...).call

        def call
          matrix, stiff = stiffness
          loads = @structure.loads * self.class.options(@study)[0]
          constraints = @structure.constraints
          return by_warmth(loads) unless @structure.softening.empty?

          reduced, right = @monitor.phase("assembly", upto: 0.45) { [constraints.reduce(stiff), constraints.reduce_load(stiff, loads)] }
          @monitor.log("#{reduced.size} unknowns, #{reduced.entries} entries#{", #{loads.shape[0]} cases" if loads.shape[0] > 1}")
          u = constraints.expand(solve(reduced, right))
          u += tightening
          @monitor.phase("recovery", upto: 1.0) { recover(settled(u), matrix, loads) }
        end

        private

        # Where the modulus changes with temperature: every frame, or those that are as warm as each other, with a stiffness of their own.
        def by_warmth(loads)
          softening = Softening.new(@structure, self.class.options(@study)[0])
          softening.check!
          weights = Steps.new(@problem.cases).weights
          groups = softening.groups(weights)
          @monitor.log("#{groups.size} states of warmth, each with a stiffness of its own")
          found = groups.each_with_object([]) { |(scales, frames), all| frames.zip(warm(softening, scales, loads, frames.map { |k| weights[k] })).each { |k, solved| all[k] = solved } }
          @monitor.phase("recovery", upto: 1.0) { outcome(found.map(&:first), found.map { |frame, *rest| state(frame, *rest) }) }
        end

        # @return [Array<Array>] of every frame itself, forces inside, loads, and what the stiffness was multiplied by
        def warm(softening, scales, loads, weights)
          matrix = @structure.bolted(softening.matrix(scales))
          stiff = @structure.sprung(matrix)
          own = softening.loads(loads, scales)
          constraints = @structure.constraints
          u = constraints.expand(solve(constraints.reduce(stiff), constraints.reduce_load(stiff, own)))
          weights.map do |each|
            moved = each.dot(u)
            forces = @structure.connectors.forces(moved)
            frame = Settling::Frame.new(u: moved, weights: each, forces: forces, connectors: @structure.connectors.empty? ? nil : @structure.connectors.rows_of(forces))
            [frame, internal(matrix, frame), each.dot(own), scales]
          end
        end

        # What tightened bolts move, in every case; see System::Bolts.
        def tightening
          bolts = @structure.bolts
          return 0.0 if bolts.tightened.empty?

          @shortening = bolts.shortenings(@pulled)
          @shortening[true, bolts.tightened].dot(@pulled)
        end

        # Cases, and where one-way links may let go also combinations, which are no sums of cases then.
        # @return [Array<Settling::Frame>]
        def settled(u) = Settling.new(@structure, Steps.new(@problem.cases), @columns, @monitor).call(u)

        # Forces inside: of elements, bolts, and what joins parts.
        def internal(matrix, frame)
          forces = matrix.dot(frame.u)
          forces += @structure.bolts.held(frame.weights.dot(@shortening)) if @shortening
          forces + @structure.connectors.held(frame.forces)
        end

        def solve(matrix, right)
          return right if matrix.size.zero?

          factor = @monitor.phase("factorisation", upto: 0.85) { Algebra::Factor.new(matrix) }
          result = @monitor.phase("solution", upto: 0.9) { factor.solve(right) }
          @pulled = moved(factor, @structure.bolts.pulls) unless @structure.bolts.tightened.empty?
          @columns = moved(factor, System::OneWay.unit_forces(@structure.connectors, @structure.dofs.size)) if @structure.connectors.one_way.any?
          @monitor.add(factor.times.transform_keys { |k| "cholmod #{k}" })
          factor.free
          finite(result)
        rescue Algebra::Factor::NotPositive
          raise Loose.new(@structure, matrix).failure
        end

        # What forces move, besides what is given.
        def moved(factor, forces)
          constraints = @structure.constraints
          constraints.expand_movements(factor.solve(constraints.reduce_loads(forces)))
        end

        def finite(result)
          return result if result.abs.max < Float::INFINITY && !result.isnan.any?

          raise SolveFailed.new("the solution is not finite: the supports leave a motion free, or a stiffness is out of all proportion",
                                cure: "Check the supports, and the units of the materials.")
        end

        def recover(settled, matrix, loads)
          outcome(settled, settled.map { |frame| state(frame, internal(matrix, frame), frame.weights.dot(loads)) })
        end

        def outcome(settled, states)
          frames, made = Steps.new(@problem.cases).to_a(settled.size)
          settled.zip(frames) { |solved, frame| frame.name = "#{frame.name}, #{solved.note}" if solved.note }
          Result::Outcome.new(grid: @grid, frames: frames, states: states, made: made, about: about)
        end

        def about
          Result::Outcome::About.new(mass: @structure.mass, ring: @problem.parts.bodies.any?(&:axisymmetric?), totals: @structure.totals.rows(self.class.options(@study)[0]), joins: @structure.reports,
                                     bolts: @structure.bolts.rows, connectors: @structure.connectors.about, bars: @structure.bars.rows,
                                     walls: @problem.parts.bodies.select(&:faces?).to_h { |b| [b.name, b.wall] })
        end

        def state(frame, internal, load, scales = nil)
          dofs = @structure.dofs
          turns = dofs.names.include?(:rx)
          held = @structure.constraints.carried(internal - load)
          split = { displacement: frame.u, load: load, reaction: held }.transform_values { |vector| dofs.spread(vector) }
          turned = { rotation: frame.u, moment_load: load, moment_reaction: held }.transform_values { |vector| turns ? dofs.spread(vector, %i[rx ry rz]) : nil }
          stress, ends = recovered(frame.u, frame.weights, self.class.options(@study)[0], scales)
          Result::State.new(**split, **turned, stress: stress, ends: ends, fibres: @structure.pieces.map(&:fibres), bolts: bolts(frame), connectors: frame.connectors,
                                               bars: @structure.bars.empty? ? nil : @structure.bars.strains(frame.u), energy: energy(frame, internal), warmth: warmth(frame), free: free(frame))
        end

        def warmth(frame)
          @structure.warmth && (frame.weights.dot(@structure.warmth) * self.class.options(@study)[0]).reshape(@grid.nodes.shape[0], 1)
        end

        # The strain that temperature alone would bring.
        def free(frame)
          weights = frame.weights * self.class.options(@study)[0]
          all = @structure.pieces.each_index.map { |i| @structure.swells?(i) ? @structure.swellings(i).map { |row, strain| strain * weights[row] }.reduce(:+) : nil }
          all.any? ? all : nil
        end

        def bolts(frame)
          return if @structure.bolts.empty?

          @structure.bolts.ends(frame.u, @shortening ? frame.weights.dot(@shortening) : Numo::DFloat.zeros(@structure.bolts.bolts.size))
        end

        # Where bodies are warmed, bolts tightened or links let go, ½ u K u is not what they hold.
        def energy(frame, internal)
          warmed = @structure.free_strains.any? { |strains| !(strains * frame.weights).eq(0).all? } || @structure.strain_fields.any?(&:any?)
          @shortening || warmed || @columns ? nil : (internal * frame.u).sum / 2
        end
      end
    end
  end
end
