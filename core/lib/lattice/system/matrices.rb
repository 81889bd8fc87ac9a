# frozen_string_literal: true

module Lattice
  module System
    # The matrices of a structure: stiffness with bolts, springs and joins, masses, and what stress adds.
    module Matrices
      # @param matrix [Algebra::SymmetricMatrix] of the elements
      # @param embedded [Boolean] whether with embedded bars
      # @return [Algebra::SymmetricMatrix] with the bolts, and beds between parts
      def bolted(matrix, embedded: true) = with(matrix, [*(bolts.empty? ? nil : bolts.matrix), *(bars.empty? || !embedded ? nil : bars.matrix), *blocks_of(false)])

      # @param matrix [Algebra::SymmetricMatrix] of the elements
      # @param linked [Boolean] whether with joints, springs of places and links, besides beds and what stands on springs
      # @return [Algebra::SymmetricMatrix] with the springs, and all that joins places
      def sprung(matrix, linked: true)
        sprung = @springs ? matrix.with_diagonal(@springs) : matrix
        connectors.settle(matrix.diagonal) unless connectors.empty?
        with(sprung, [*blocks_of(true), *(connectors.matrix if linked)])
      end

      # What springs and beds that stand on the ground do to it, which is a reaction.
      # @param u [Numo::DFloat] [unknowns]
      # @param forces [Array<Numo::DFloat>] of the connectors
      # @return [Numo::DFloat] [unknowns]
      def grounded(u, forces)
        sum = connectors.grounded(forces)
        sum += @springs * u if @springs
        blocks_of(true).reduce(sum) { |all, blocks| all + blocks.to_symmetric.dot(u) }
      end

      # @return [Algebra::SymmetricMatrix]
      # @yield [Element piece] before its stiffness is made
      def assembled(monitor, &block)
        monitor.phase("assembly") { pattern }
        matrices = monitor.phase("stiffness", upto: 0.35) { pieces.each(&block).map(&:stiffness) }
        monitor.phase("assembly", upto: 0.42) { pattern.assemble(matrices) }
      end

      # @param matrices [Enumerable<Numo::DFloat>] of the pieces, [names, names, e, n, n] each
      # @return [Algebra::SymmetricMatrix]
      def assemble(matrices) = pattern.assemble(matrices)

      # @param lumped [Boolean] at the nodes alone, instead of consistent
      # @return [Algebra::SymmetricMatrix] masses of pieces, and of what stands at nodes
      # @raise [InvalidInput] for a material without density
      def masses(lumped: false)
        consistent = pattern.assemble(pieces.map { |p| p.mass(density_of(p)).then { |m| lumped ? Element::Lumped.of(m, p.names) : m } })
        there = Numo::Int32.cast(lumps.ne(0).where)
        return consistent if there.empty?

        consistent.with_diagonal(%i[x y z].map { |name| dofs.at(there, name) }.reduce(Numo::DFloat.zeros(dofs.size)) do |sum, at|
          moves = (at >= 0).where
          moves.empty? ? sum : sum + at[moves].bincount(lumps[there[moves]].dup, minlength: dofs.size)
        end)
      end

      # What the stress of a state adds to the stiffness.
      # @param u [Numo::DFloat] [unknowns]
      # @param weights [Numo::DFloat] [cases] of the state
      # @param factor [Float] of all loads
      # @return [Algebra::SymmetricMatrix]
      def geometric(u, weights, factor = 1.0)
        pattern.assemble(moved(u, weights, factor).map { |piece, *state| piece.geometric(*state) })
      end

      # How every piece is moved and loaded within in a state.
      # @param weights [Numo::DFloat] [cases] of the state
      # @param factor [Float] of all loads
      # @return [Array] of every piece: itself, u [e, n, names], free strain (a number, or [e, n] where it varies), and of members the load on them [e, 3] N/m
      def moved(u, weights, factor)
        pieces.zip(spread_loads, free_strains, strain_fields).map do |piece, spread, strains, fields|
          table = dofs.table(piece.conn, piece.names)
          per_length = spread && (weights.dot(spread.reshape(spread.shape[0], spread.size / spread.shape[0])).reshape(*spread.shape[1..]) * factor)
          [piece, u[table.flatten].reshape(*table.shape).dup, fields.reduce((strains * weights).sum * factor) do |sum, (row, field)|
            weights[row].zero? ? sum : (field * (weights[row] * factor)) + sum
          end, per_length]
        end
      end

      # Turns that nothing resists, as of nodes where only bars meet, are no unknowns, unless others follow them.
      # @param matrix [Algebra::SymmetricMatrix]
      def hold_idle(matrix)
        idle = matrix.diagonal.eq(0)
        turns = %i[rx ry rz].map { |name| dofs.at(Numo::Int32.new(dofs.nodes).seq, name) }.reduce { |a, b| a.concatenate(b) }
        turns = turns[(turns >= 0).where]
        constraints.leaders.then { |others| idle[others] = 0 unless others.empty? }
        turns = turns[idle[turns].where] unless turns.empty?
        constraints.prescribe(turns.dup, 0.0) unless turns.empty?
      end

      private

      def pattern = @pattern ||= Pattern.new(pieces.map { |p| [p.conn, p.names] }, dofs)

      def density_of(piece)
        piece.material.density || raise(InvalidInput.at("the material of “#{piece.body.name}” has no density, without which nothing vibrates", cure: "Type its density in the material statement."))
      end

      def with(matrix, added)
        added.reduce(matrix) { |sum, more| Algebra::Sparse.symmetric(sum).add(more).to_symmetric }
      end

      def blocks_of(ground)
        lists = @blocks ? @blocks[ground] : []
        lists.empty? ? [] : [DenseBlocks.of_entries(lists, dofs.size)]
      end
    end
  end
end
