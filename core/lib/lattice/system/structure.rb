# frozen_string_literal: true

module Lattice
  module System
    # The equations of a model: pieces of elements, unknowns, constraints, and a column of loads for every case.
    class Structure
      attr_reader :problem, :grid, :pieces, :dofs, :constraints, :loads, :conditions

      # @param problem [Study::Problem]
      # @param grid [Mesh::Grid]
      # @param conditions [Array<Load::Condition>]
      def initialize(problem, grid, conditions = Load::Condition.all(problem))
        @problem = problem
        @grid = grid
        @conditions = conditions
        @pieces = grid.blocks.map { |b| Element::Pieces.of(b, grid, problem.parts.body(b.body), problem.materials[b.body]) }
        @dofs = Dofs.new(grid.nodes.shape[0], @pieces.map { |p| [p.conn, p.names] })
        cases = problem.cases.names.size
        @constraints = Constraints.new(@dofs.size, cases)
        @loads = Numo::DFloat.zeros(cases, @dofs.size)
      end

      # @return [Structure] loaded and held
      def apply
        conditions.each { |condition| condition.apply(self) }
        self
      end

      # Adds forces at nodes.
      # @param condition [Load::Condition]
      # @param conn [Numo::Int32] [k, m] nodes
      # @param values [Numo::DFloat] [k, m, c] N along x, y and z, or moments after them
      def push(condition, conn, values, names = Dofs::NAMES.first(values.shape[2]))
        nodes = conn.flatten
        table = values.reshape(nodes.size, names.size)
        row = problem.cases.index(condition.case_name)
        names.each_with_index do |name, c|
          at = dofs.at(nodes, name)
          there = (at >= 0).where
          next if there.empty?

          loads[row, true] += at[there].bincount(table[there, c].dup, minlength: dofs.size)
        end
      end

      # Holds a component at the places of a condition in every case, or gives it a value in its own.
      # @raise [InvalidInput] where another statement gives another value
      def hold(condition, name, value = nil)
        nodes = grid.nodes_of(condition.places)
        at = dofs.at(nodes, name)
        at = at[(at >= 0).where]
        at = at.empty? ? Numo::Int32.zeros(0) : at.dup
        clash = constraints.prescribe(at, value || 0.0, in_case: value && problem.cases.index(condition.case_name))
        return if clash.empty?

        raise condition.statement.fault("it gives #{name} another value where an earlier statement already holds it", path: "target", cure: "Change one of the two targets.")
      end

      # @param place [Shape::Place]
      # @return [Element::Surface] its pieces, for spreading loads
      def surface(place)
        body = problem.parts.body(place.body)
        measure = if body.axisymmetric? then :ring
                  elsif body.plane? then body.thickness
                  else 1.0
                  end
        conn = grid.places.fetch(place.key)
        Element::Surface.new(Algebra::Gather.rows(grid.nodes, conn), measure, grid.piece(conn))
      end

      # @return [Algebra::SymmetricMatrix]
      # @yield [Element piece] before its stiffness is made
      def assembled(monitor)
        pattern = monitor.phase("assembly") { Pattern.new(pieces.map { |p| [p.conn, p.names] }, dofs) }
        matrices = monitor.phase("stiffness", upto: 0.35) { pieces.each { |p| yield p }.map(&:stiffness) }
        monitor.phase("assembly", upto: 0.42) { pattern.assemble(matrices) }
      end

      # @return [Float, nil] kg; nil when a density is unknown
      def mass
        shares = pieces.map { |p| p.material.density && (p.material.density * p.node_volumes.sum) }
        shares.include?(nil) ? nil : shares.sum
      end
    end
  end
end
