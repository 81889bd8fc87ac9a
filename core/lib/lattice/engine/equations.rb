# frozen_string_literal: true

module Lattice
  module Engine
    # Forces inside a structure that may have moved and turned far, and how they change: what its elements hold, and
    # what springs, bolts and links add, which stay as they are drawn.
    class Equations
      # push [unknowns] and given [unknowns]: loads and prescribed movements of a unit of level; base [unknowns]: loads at level zero
      attr_reader :structure, :push, :given, :base

      # @return [Array<Touch>]
      attr_reader :touches

      # @param structure [System::Structure] loaded and held
      # @param weights [Numo::DFloat] [cases] of the loads that grow
      # @param nodes [Numo::DFloat] [n, 3] where the nodes start
      # @param yielding [Matter::Yielding, nil] what flows
      def initialize(structure, weights, nodes, yielding: nil)
        @structure = structure
        @nodes = nodes
        @dofs = structure.dofs
        stiffnesses = structure.pieces.map(&:stiffness)
        @parts = structure.pieces.zip(stiffnesses).map { |piece, k| Element::Large::Turning.new(piece, k, Algebra::Gather.rows(nodes, piece.conn), yielding&.law(piece)) }
        @tables = structure.pieces.map { |piece| @dofs.table(piece.conn, piece.names) }
        @touches = structure.conditions.select(&:touches?).map { |condition| Touch.new(structure, condition, nodes) }
        @tightening = structure.bolts.tightened.empty? ? nil : Tightening.new(structure)
        join(structure.assemble(stiffnesses))
        @moves = structure.constraints.expand(Numo::DFloat.zeros(weights.size, structure.constraints.free.size))
        between(weights * 0, weights)
      end

      # Loads go from some factors of the cases to others while the level goes from zero to one.
      # @param from [Numo::DFloat] [cases]
      # @param upto [Numo::DFloat] [cases]
      def between(from, upto)
        @from = from
        @more = upto - from
        @base = from.dot(structure.loads)
        @push = @more.dot(structure.loads)
        @given = @more.dot(@moves)
        pull
        self
      end

      # What is told of a pose at rest. recovered: see #recovered; touched [n, 4]: see Touch#at_nodes, nil where nothing may touch; pressed:
      # what each touch says; shortenings [bolts] m, nil without.
      Read = Struct.new(:recovered, :touched, :pressed, :shortenings, keyword_init: true)

      # @return [Read]
      def read(pose, level)
        Read.new(recovered: recovered(pose, level), touched: touched, pressed: touches.map(&:summary), shortenings: @tightening&.shortenings(pose.moved, level))
      end

      # Whether everything that presses and slides has settled; corrects it where not.
      def settle = touches.map(&:settle).all?

      # After a try that failed.
      def back = touches.each(&:back)

      # At the end of a stage.
      def lock(pose) = @tightening&.lock(pose.moved)

      # @return [Numo::DFloat] [unknowns] loads at a level
      def pushed(level) = base + (push * level)

      def constraints = structure.constraints
      def extent = @extent ||= (@nodes.max(0) - @nodes.min(0)).max

      # @return [Boolean] whether something is moved by a given amount
      def given? = given.ne(0).any?

      # @param pose [Pose]
      # @return [Array(Numo::DFloat, Algebra::SymmetricMatrix)] forces [unknowns], and the tangent
      def call(pose)
        places = pose.places(@nodes)
        forces = Numo::DFloat.zeros(@dofs.size)
        matrices = @parts.zip(@tables).map do |part, table|
          force, matrix = part.call(*at(part, places, pose))
          forces += table.flatten.bincount(force.flatten, minlength: @dofs.size)
          matrix
        end
        forces += @joins.dot(pose.moved) if @joins
        forces += @tightening.forces(pose.moved) if @tightening
        forces = touches.reduce(forces) { |sum, touch| sum + touch.forces(pose.moved) }
        [forces, whole(matrices)]
      end

      # What has flowed at the last pose stays.
      def commit
        @parts.each(&:commit)
        touches.each(&:keep)
      end

      # @param level [Float] of the loads between the ends of members
      # @return [Array] of every piece its stress by layer, of members the forces at the ends of its elements, and equivalent plastic strain
      def recovered(pose, level)
        places = pose.places(@nodes)
        @parts.zip(structure.spread_loads).map do |part, spread|
          own, turns = at(part, places, pose)
          part.recover(own, turns, spread && (@from + (@more * level)).dot(spread.reshape(spread.shape[0], spread.size / spread.shape[0])).reshape(*spread.shape[1..]))
        end.transpose
      end

      # @return [Float] rad, how far anything that joins parts has turned
      def turn_of_joins(pose)
        return 0.0 unless pose.turns && @joined&.any?

        turned = @dofs.spread(pose.moved, %i[rx ry rz])
        Shape::Vectors.norm(turned[Numo::Int32.cast(@joined), true].dup).max
      end

      private

      # Where a node belongs to several touches, the one that presses it most.
      def touched
        touches.map(&:at_nodes).reduce do |one, other|
          more = (other[true, 3].ne(0) & (one[true, 3].eq(0) | (other[true, 0] > one[true, 0]))).where
          more.empty? ? one : one.tap { |all| all[more, true] = other[more, true] }
        end
      end

      def pull
        return unless @tightening

        @tightening.between(@from, @from + @more)
        start, growth = @tightening.pushes
        @base += start
        @push += growth
      end

      def at(part, places, pose)
        conn = part.piece.conn
        turns = pose.turns && pose.turns.reshape(pose.turns.shape[0], 9)[conn.flatten, true].reshape(*conn.shape, 3, 3)
        [Algebra::Gather.rows(places, conn), turns]
      end

      # Springs, bolts and links beside the elements.
      def join(plain)
        all = structure.sprung(structure.bolted(plain))
        structure.hold_idle(all)
        @joins = Algebra::Sparse.symmetric(all).add(Algebra::Sparse.symmetric(plain.times(-1))).to_symmetric unless all.equal?(plain)
        tied = constraints.ties? ? constraints.tied.to_a : []
        @joined = (tied + (@joins ? @joins.diagonal.abs.gt(plain.diagonal.abs * 1e-9).where.to_a : [])).then { |list| list.empty? ? [] : @dofs.nodes_of(Numo::Int32.cast(list)).to_a.uniq }
      end

      def whole(matrices)
        plain = structure.assemble(matrices)
        slack = @tightening&.slack
        more = [*(@joins && Algebra::Sparse.symmetric(@joins)), *(System::DenseBlocks.matrix(slack, @dofs.size) if slack&.any?), *touches.map(&:tangent)]
        more.reduce(Algebra::Sparse.symmetric(plain)) { |sum, one| sum.add(one) }.to_symmetric
      end
    end
  end
end
