# frozen_string_literal: true

module Lattice
  module System
    # How warm the pieces of a structure are in every case, and how they would swell freely.
    module Warmth
      # A free strain, the same in all directions, on a piece; it is taken off again when stress is read.
      # @param strain [Float]
      def warm(condition, piece, strain)
        return if @absent.include?(piece.body.name)

        row = problem.cases.index(condition.case_name)
        free_strains[pieces.index(piece)][row] += strain
        push(condition, piece.conn, piece.swelling * strain, piece.names)
      end

      # The same with a strain that varies.
      # @param strain [Numo::DFloat] [n] at the nodes of the mesh
      def warm_by(condition, piece, strain)
        return if @absent.include?(piece.body.name)

        row = problem.cases.index(condition.case_name)
        table = strain[piece.conn.flatten].reshape(*piece.conn.shape).dup
        of = strain_fields[pieces.index(piece)]
        of[row] = of[row] ? of[row] + table : table
        push(condition, piece.conn, piece.swelling_by(table), piece.names)
      end

      # How warm a piece is whose modulus changes with that.
      # @param reference [Float] K
      # @param change [Float, Numo::DFloat] K above it: of all, or [n] at the nodes
      def softened(condition, piece, reference, change)
        mean = change.is_a?(Float) ? change : change[piece.conn.flatten].reshape(*piece.conn.shape).mean(1)
        of = softening[pieces.index(piece)] ||= { from: reference, rows: Numo::DFloat.zeros(problem.cases.names.size, piece.block.size) }
        row = problem.cases.index(condition.case_name)
        of[:rows][row, true] = of[:rows][row, true] + mean
      end

      # @return [Hash{Integer => Hash}] by number of piece: from, K, and rows [cases, e] K above that
      def softening = @softening ||= {}

      # @param number [Integer] of a piece
      # @return [Boolean] whether it is warmed in any case
      def swells?(number) = free_strains[number].ne(0).any? || strain_fields[number].any?

      # @return [Hash{Integer => Numo::DFloat}] by case the free strain of a piece at its nodes [e, n]
      def swellings(number)
        even = free_strains[number]
        fields = strain_fields[number]
        (0...even.size).select { |row| !even[row].zero? || fields[row] }.to_h { |row| [row, Numo::DFloat.zeros(*pieces[number].conn.shape) + even[row] + (fields[row] || 0.0)] }
      end

      # @return [Array<Hash>] for every piece the number of a case => [e, n] strain that varies
      def strain_fields = @strain_fields ||= pieces.map { {} }

      # How much warmer each node is than where it is free of stress, in every case.
      # @param nodes [Numo::Int32] each once
      # @param change [Float, Numo::DFloat] K
      def heat(condition, nodes, change)
        @warmth ||= Numo::DFloat.zeros(problem.cases.names.size, grid.nodes.shape[0])
        row = problem.cases.index(condition.case_name)
        @warmth[row, nodes] = @warmth[row, nodes] + change
      end

      # @return [Numo::DFloat, nil] [cases, n] K
      attr_reader :warmth

      # @return [Array<Numo::DFloat>] for every piece [cases]
      def free_strains = @free_strains ||= pieces.map { Numo::DFloat.zeros(problem.cases.names.size) }
    end
  end
end
