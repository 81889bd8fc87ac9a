# frozen_string_literal: true

module Lattice
  module Study
    # Linear static: K u = f with u = T q + g.
    class Static
      # @param problem [Problem]
      # @param grid [Mesh::Grid]
      # @param study [Model::Statement]
      # @param monitor [Monitor]
      def initialize(problem, grid, study, monitor = Monitor.new)
        @problem = problem
        @grid = grid
        @study = study
        @monitor = monitor
      end

      # @return [Result::Static]
      # @raise [InvalidInput] when the memory that is free does not suffice, or elements are folded
      # @raise [SolveFailed]
      def call
        Mesh::Estimate.check_solve!(@grid)
        load, constraints = @monitor.phase("loads and supports", upto: 0.2) { [loads, supports] }
        matrix = assembled
        reduced, right = @monitor.phase("assembly", upto: 0.45) { [constraints.reduce(matrix), constraints.reduce_load(matrix, load)] }
        @monitor.log("#{reduced.size} unknowns, #{reduced.entries} entries")
        u = constraints.expand(solve(reduced, right))
        @monitor.phase("recovery", upto: 1.0) { recover(u, matrix, load) }
      end

      private

      def loads
        factor = @study.quantity("load_factor", "ratio") || 1.0
        Load::Loads.new(@problem.document, @problem.parts, @problem.groups, @problem.materials, @grid).vector(factor).flatten
      end

      def supports = Load::Supports.new(@problem.document, @problem.groups, @grid).constraints

      def assembled
        pattern = @monitor.phase("assembly") { System::Pattern.new(@grid.blocks.map(&:conn), @grid.nodes.shape[0], @grid.dimension) }
        matrices = @monitor.phase("stiffness", upto: 0.35) { @grid.blocks.map { |b| stiffness(b) } }
        @monitor.phase("assembly", upto: 0.42) { pattern.assemble(matrices) }
      end

      def stiffness(block)
        continuum = continuum(block)
        folded(block) if continuum.least_determinant <= 0

        material = @problem.materials[block.body]
        continuum.stiffness(material.young, material.poisson)
      end

      def folded(block)
        Verdict::MeshQuality.new(@grid.quality.poor, @problem.document.units).check!
        raise SolveFailed.new("an element of “#{block.body}” is folded by its curved sides", cure: "Choose a smaller mesh size.")
      end

      def continuum(block) = Blocks.continuum(@grid, block, @problem.parts.body(block.body))

      def solve(matrix, right)
        return Numo::DFloat.zeros(0) if matrix.size.zero?

        factor = @monitor.phase("factorisation", upto: 0.85) { Algebra::Factor.new(matrix) }
        result = @monitor.phase("solution", upto: 0.9) { factor.solve(right) }
        @monitor.add(factor.times.transform_keys { |k| "cholmod #{k}" })
        factor.free
        finite(result)
      rescue Algebra::Factor::NotPositive
        raise SolveFailed.new("the model can still move without resisting: a part is loose, or its supports leave a motion free",
                              statement: @problem.document.active.find { |s| Load::Supports::KINDS.include?(s.kind) }&.id,
                              cure: "Hold it in another place or component; the readiness list tells which motions are free.")
      end

      def finite(result)
        return result if result.abs.max < Float::INFINITY && !result.isnan.any?

        raise SolveFailed.new("the solution is not finite: the supports leave a motion free, or a stiffness is out of all proportion",
                              cure: "Check the supports, and the units of the materials.")
      end

      def recover(displacement, matrix, load)
        internal = matrix.dot(displacement)
        d = @grid.dimension
        blocks = @grid.blocks.map { |block| nodal_stress(block, displacement.reshape(displacement.size / d, d)) }
        Result::Static.new(grid: @grid, displacement: wide(displacement), load: wide(load), reaction: wide(internal - load),
                           element_stress: blocks, energy: (internal * displacement).sum / 2, mass: mass, ring: @problem.parts.bodies.any?(&:axisymmetric?))
      end

      def nodal_stress(block, table)
        material = @problem.materials[block.body]
        continuum(block).nodal_stress(Algebra::Gather.rows(table, block.conn), material.young, material.poisson)
      end

      # Three components everywhere, whatever the model's dimension.
      def wide(flat)
        d = @grid.dimension
        Numo::DFloat.zeros(flat.size / d, 3).tap { |table| table[true, 0...d] = flat.reshape(flat.size / d, d) }
      end

      # @return [Float, nil] kg; nil when a density is unknown
      def mass
        shares = @grid.blocks.map do |block|
          density = @problem.materials[block.body].density
          density && (density * continuum(block).volumes_of_elements.sum)
        end
        shares.include?(nil) ? nil : shares.sum
      end
    end
  end
end
