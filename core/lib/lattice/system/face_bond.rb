# frozen_string_literal: true

module Lattice
  module System
    # Faces on faces (or sides of regions on sides): dual rows; where both sides lie apart, the arm between them
    # turns with the other side, so that rigid motions stay free.
    class FaceBond
      V = Shape::Vectors
      APART = 1e-9 # of the part, from which arms count

      # @param structure [Structure]
      # @param condition [Load::Condition]
      # @param sides [Array(Side, Side)] the dependent one first
      def initialize(structure, condition, sides)
        @structure = structure
        @condition = condition
        @one, @other = sides
        @grid = structure.grid
      end

      # @return [Hash] covered and whole in m², least and greatest distance in m, nodes that follow
      # @raise [InvalidInput] when nothing lies within reach
      def call
        found = @one.pieces.map { |piece| joined(piece) }
        covered = found.sum { |f| f[:covered] }
        gaps = found.flat_map { |f| f[:gaps] }
        @condition.out_of_reach! if gaps.empty?
        { covered: covered, whole: found.sum { |f| f[:whole] }, least: gaps.min, greatest: gaps.max, nodes: found.sum { |f| f[:nodes] } }
      end

      private

      def joined(piece)
        rows, parts = DualRows.over(@grid.nodes, piece, @other, @condition.reach)
        return { covered: 0.0, whole: piece.sizes.sum, gaps: [], nodes: 0 } unless rows

        entries = rows.call
        nodes = tie(entries, rows, parts)
        { covered: rows.covered, whole: rows.whole, gaps: parts.flat_map { |_, points| points.gaps.minmax }, nodes: nodes }
      end

      def tie(entries, rows, parts)
        nodes = Algebra::Gather.distinct([entries.nodes])
        arms = arms(entries, nodes)
        apart = @grid.dimension == 3 && V.norm(arms).max > @structure.problem.parts.size * APART
        turn = apart || (@one.turns? && @grid.dimension == 3) ? rows.turning(parts.map { |p, _| p }, @grid.nodes, @other.turns?) : []
        followers = Followers.new(@structure, @condition)
        Followers::AXES.first(@grid.dimension).each { |name| followers.put(name, entries.nodes, name, entries.others, entries.factors) }
        put_turns(followers, turn, apart ? [arms, rank_of(nodes)] : nil)
        followed!(nodes, followers.tie(nodes))
      end

      # @param arms [Array(Numo::DFloat, Numo::Int32), nil] by dependent node, and the rank of each; nil where none counts
      def put_turns(followers, turn, arms)
        turn.each_with_index do |lists, about|
          lists.each do |own, name, others, factors|
            followers.put_arm(about, own, name, others, factors, arms[0][arms[1][own], true].dup) if arms
            followers.put(Followers::TURNS[about], own, name, others, factors) if @one.turns?
          end
        end
      end

      # @return [Integer] nodes that follow now
      # @raise [InvalidInput] where all of them follow another join already
      def followed!(nodes, refused)
        moving = refused.empty? ? 0 : Algebra::Gather.distinct([@structure.dofs.nodes_of(refused)]).size
        other = refused.empty? ? nil : @structure.constraints.tied_by(refused[0])
        return nodes.size - moving unless moving == nodes.size && other.respond_to?(:statement)

        raise @condition.statement.fault("all of its finer side follows #{other.statement.label} already", path: "target", cure: "Remove one of the two, or choose other regions.")
      end

      # From where the row puts a node to where it is: [k, 3]
      def arms(entries, nodes)
        rank = rank_of(nodes)
        put = Algebra::Gather.sum(@grid.nodes[entries.others, true].reshape(entries.nodes.size, 1, 3) * entries.factors.reshape(entries.nodes.size, 1, 1), rank[entries.nodes].reshape(entries.nodes.size, 1),
                                  nodes.size)
        @grid.nodes[nodes, true] - put
      end

      def rank_of(nodes) = Numo::Int32.zeros(@grid.nodes.shape[0]).tap { |rank| rank[nodes] = Numo::Int32.new(nodes.size).seq }
    end
  end
end
