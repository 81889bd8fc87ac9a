# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Linear static: K u = f with u = T q + g, all load cases on one factorisation.
      class Static
        VERSION = 2

        def self.options(study) = [study.quantity("load_factor", "ratio") || 1.0]

        # @param problem [Problem]
        # @param grid [Mesh::Grid]
        # @param study [Model::Statement]
        # @param monitor [Monitor]
        # @return [Result::Outcome]
        # @raise [InvalidInput] when the memory that is free does not suffice, or elements are folded
        # @raise [SolveFailed]
        def self.call(...) = new(...).call

        def initialize(problem, grid, study, monitor = Monitor.new)
          @problem = problem
          @grid = grid
          @study = study
          @monitor = monitor
        end

        def call
          Mesh::Estimate.check_solve!(@grid)
          @structure = @monitor.phase("loads and supports", upto: 0.2) { System::Structure.new(@problem, @grid, @problem.conditions).apply }
          loads = @structure.loads * self.class.options(@study)[0]
          matrix = @structure.assembled(@monitor) { |piece| check_folded(piece) }
          constraints = @structure.constraints
          stiff = @structure.sprung(matrix)
          @structure.hold_idle(stiff)
          reduced, right = @monitor.phase("assembly", upto: 0.45) { [constraints.reduce(stiff), constraints.reduce_load(stiff, loads)] }
          @monitor.log("#{reduced.size} unknowns, #{reduced.entries} entries#{", #{loads.shape[0]} cases" if loads.shape[0] > 1}")
          u = constraints.expand(solve(reduced, right))
          @monitor.phase("recovery", upto: 1.0) { recover(u, matrix.dot(u), loads) }
        end

        private

        def check_folded(piece)
          return unless piece.folded?

          Verdict::MeshQuality.new(@grid.quality.poor, @problem.document.units).check!
          raise SolveFailed.new("an element of “#{piece.body.name}” is folded by its curved sides", cure: "Choose a smaller mesh size.")
        end

        def solve(matrix, right)
          return right if matrix.size.zero?

          factor = @monitor.phase("factorisation", upto: 0.85) { Algebra::Factor.new(matrix) }
          result = @monitor.phase("solution", upto: 0.9) { factor.solve(right) }
          @monitor.add(factor.times.transform_keys { |k| "cholmod #{k}" })
          factor.free
          finite(result)
        rescue Algebra::Factor::NotPositive
          raise SolveFailed.new("the model can still move without resisting: a part is loose, or its supports leave a motion free",
                                statement: @problem.conditions.find(&:holds?)&.statement&.id,
                                cure: "Hold it in another place or component; the readiness list tells which motions are free.")
        end

        def finite(result)
          return result if result.abs.max < Float::INFINITY && !result.isnan.any?

          raise SolveFailed.new("the solution is not finite: the supports leave a motion free, or a stiffness is out of all proportion",
                                cure: "Check the supports, and the units of the materials.")
        end

        def recover(u, internal, loads)
          states = Array.new(u.shape[0]) { |k| state(u[k, true].dup, internal[k, true].dup, loads[k, true].dup, k) }
          frames, made = Steps.new(@problem.cases).to_a
          Result::Outcome.new(grid: @grid, frames: frames, states: states, made: made, mass: @structure.mass, ring: @problem.parts.bodies.any?(&:axisymmetric?))
        end

        def state(u, internal, load, in_case)
          dofs = @structure.dofs
          turns = dofs.names.include?(:rx)
          split = { displacement: u, load: load, reaction: internal - load }.transform_values { |vector| dofs.spread(vector) }
          turned = { rotation: u, moment_load: load, moment_reaction: internal - load }.transform_values { |vector| turns ? dofs.spread(vector, %i[rx ry rz]) : nil }
          stress, ends = recovered(u, in_case).transpose
          Result::State.new(**split, **turned, stress: stress, ends: ends, fibres: @structure.pieces.map(&:fibres), energy: energy(u, internal, in_case))
        end

        # Where bodies are warmed, ½ u K u is not what they hold.
        def energy(u, internal, in_case)
          @structure.free_strains.any? { |strains| strains[in_case].nonzero? } ? nil : (internal * u).sum / 2
        end

        # Of every piece its stress by layer and, of members, the forces at the ends of its elements.
        def recovered(vector, in_case)
          factor = self.class.options(@study)[0]
          @structure.pieces.zip(@structure.spread_loads, @structure.free_strains).map do |piece, spread, strains|
            free = strains[in_case] * factor
            table = @structure.dofs.table(piece.conn, piece.names)
            u = vector[table.flatten].reshape(*table.shape).dup
            next [piece.recover(u, free), nil] unless spread

            ends = piece.ends(u, spread[in_case, true, true] * factor, free)
            [piece.fibres.stresses(ends), ends]
          end
        end
      end
    end
  end
end
