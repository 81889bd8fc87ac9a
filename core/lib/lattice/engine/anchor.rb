# frozen_string_literal: true

module Lattice
  module Engine
    # A tie that comes in a stage: pulled with its force while that stage runs, and locked at its end; bonded along the rest of its
    # line, stress-free as it comes.
    class Anchor
      include Memory

      remembers :@state, :@force, :@start

      attr_reader :condition

      # @param structure [System::Structure]
      # @param condition [Load::Conditions::Anchor]
      # @raise [InvalidInput] where its head or its bonded part lies outside
      def initialize(structure, condition)
        @condition = condition
        @dofs = structure.dofs
        bars = System::Bars.new(structure)
        bars.add(condition.bond, condition.places.map(&:body).uniq)
        @bond = Embedded.new(bars, @dofs.size)
        @free = reach(structure)
        @rigidity = condition.material.young * condition.area / condition.free
        @state = :out
      end

      # @return [Boolean]
      def there? = @state != :out

      # @param moved [Numo::DFloat] [unknowns] now
      def come(moved)
        @state = condition.force.positive? ? :pulled : :locked
        @force = 0.0
        @start = elongation(moved)
        @bond.begin_at(moved)
      end

      def go = @state = :out

      # At the end of a stage.
      def lock(moved)
        return unless @state == :pulled

        @state = :locked
        @force = condition.force * condition.share
        @start = elongation(moved)
      end

      # @return [Numo::DFloat, nil] [unknowns] loads of a unit of level, while it is pulled
      def push = @state == :pulled ? along * (-condition.force * condition.share) : nil

      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns]
      def forces(moved)
        held = @bond.forces(moved)
        @state == :locked ? held + (along * tension(moved)) : held
      end

      # @return [Array<Algebra::Sparse>] lower triangles of what it adds to the tangent at the last forces
      def tangents
        return [@bond.tangent] unless @state == :locked

        dofs, rate = @free
        [@bond.tangent, System::DenseBlocks.matrix([[dofs, rate.reshape(rate.size, 1).dot(rate.reshape(1, rate.size)) * @rigidity]], @dofs.size)]
      end

      def commit = @bond.commit
      def memory = super.merge(bond: @bond.memory)

      def recall(memory)
        @bond.recall(memory[:bond])
        super(memory.except(:bond))
      end

      # @param level [Float] of the stage
      # @return [Hash, nil] N of one tie in its free part and at the most along its bonded part, nil while it is not there
      def read(moved, level)
        return unless there?

        strains, stays = @bond.read(moved)
        held = (strains - stays).max * condition.material.young * condition.area
        { name: condition.statement.name, force: (@state == :pulled ? condition.force * level : tension(moved) / condition.share), bonded: held / condition.share }
      end

      private

      def tension(moved) = @force + ((elongation(moved) - @start) * @rigidity)
      def elongation(moved) = @free[1].dot(moved[@free[0]].dup)
      def along = @along ||= Numo::DFloat.zeros(@dofs.size).tap { |all| @free[0].to_a.zip(@free[1].to_a) { |d, r| all[d] += r } }

      # How much the free part is stretched by what its ends move.
      # @return [Array(Numo::Int32, Numo::DFloat)] unknowns and rates
      def reach(structure)
        ends = Numo::DFloat.vstack([condition.head.reshape(1, 3), condition.foot.reshape(1, 3)])
        way = ends[1, true] - ends[0, true]
        unit = way / Math.sqrt((way**2).sum)
        found = Mesh::Placing.new(structure.grid).call(ends, reach: structure.problem.parts.size * 1e-6)
        lost = (0..1).find { |i| found.block[i].negative? }
        raise condition.statement.fault("its #{lost.zero? ? 'head' : 'bonded part'} lies outside of the part", path: "line", cure: "Draw its line from what it ties into the ground.") if lost

        parts = []
        found.by_block.each do |number, rows, element, local|
          piece = structure.pieces[number]
          values = Element::Kind[piece.block.kind].values(local[true, 0...piece.body.dimension].dup)
          rows.to_a.each_with_index { |row, k| parts << part(piece, element[k], values[k, true].dup, unit * (row.zero? ? -1 : 1)) }
        end
        parts.transpose.map { |list| list.reduce { |a, b| a.concatenate(b) } }
      end

      def part(piece, element, values, way)
        names = piece.names.first(piece.body.dimension)
        dofs = @dofs.table(piece.conn[element..element, true].dup, names).flatten
        [dofs, (values.reshape(values.size, 1) * way[0...names.size].reshape(1, names.size)).flatten.dup]
      end
    end
  end
end
