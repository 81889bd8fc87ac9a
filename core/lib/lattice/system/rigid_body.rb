# frozen_string_literal: true

module Lattice
  module System
    # Nodes that move as one rigid body: all follow the movement of one of them and, where it turns, that of one or two more, by as many of their
    # components as the body has turns. Turns are small.
    class RigidBody
      AXES = Followers::AXES
      TURNS = Followers::TURNS

      # @return [Integer] the node that all follow
      attr_reader :leader

      # @param structure [Structure]
      # @param condition [Load::Condition] that ties them
      # @param nodes [Numo::Int32] [k]
      # @param turns [Boolean] whether it turns
      def initialize(structure, condition, nodes, turns)
        @structure = structure
        @condition = condition
        @nodes = nodes
        @turns = turns
        @axes = AXES.first(structure.grid.dimension)
        at = structure.grid.nodes[nodes, true].dup
        first = ((at - at.mean(0).reshape(1, 3))**2).sum(1).min_index
        @leader = nodes[first]
        @arms = at - at[first, true].reshape(1, 3)
      end

      # @return [Numo::Int32] unknowns that are held or follow something else already
      def call
        @turns ? turning : sliding
      end

      private

      def dofs(nodes, name) = @structure.dofs.at(nodes, name)

      def sliding
        others = @nodes[@nodes.ne(@leader).where].dup
        refused = @axes.map { |name| follow(dofs(others, name), Numo::Int32.zeros(others.size, 1).fill(dofs(Numo::Int32[@leader], name)[0]), Numo::DFloat.ones(others.size, 1)) }
        TURNS.each { |name| dofs(@nodes, name).then { |at| (at >= 0).where.then { |there| @structure.constraints.prescribe(at[there].dup, 0.0) unless there.empty? } } }
        joined(refused)
      end

      # The leader's movement and the turn from components of some nodes: q = L p, so that the others are u = G p = (G L⁻¹) q.
      def turning
        led, whole = leaders
        back = Numo::Linalg.inv(whole)
        lead = Numo::Int32.cast(led.map { |node, name| dofs(Numo::Int32[node], name)[0] })
        names = @axes.size == 2 ? [*@axes, :rz] : [*@axes, *TURNS]
        joined(names.filter_map do |name|
          own = dofs(@nodes, name)
          free = (own >= 0).where.to_a.reject { |i| led.include?([@nodes[i], name]) }
          next if free.empty?

          follow(own[free].dup, Numo::Int32.zeros(free.size, lead.size) + lead.reshape(1, lead.size), rows(name)[free, true].dup.dot(back))
        end)
      end

      # How a component of every node follows from the leader's movement and the turn: [k, 3 or 6]
      def rows(name)
        flat = @axes.size == 2
        all = Numo::DFloat.zeros(@nodes.size, flat ? 3 : 6)
        turn = TURNS.index(name)
        return all.tap { |t| t[true, flat ? 2 : 3 + turn] = 1.0 } if turn

        c = AXES.index(name)
        all[true, c] = 1.0
        # u = u₀ + θ × a
        across = Shape::Vectors.crossing(@arms)[true, c, true] * -1
        flat ? all[true, 2] = across[true, 2] : all[true, 3..5] = across
        all
      end

      # @return [Array] nodes with their components, and how these follow [n, n]: the best of those of the nodes farthest from the leader
      def leaders
        own = @axes.map { |name| [@leader, name] }
        far = farthest.product(@axes)
        tables = @axes.to_h { |name| [name, rows(name)] }
        row = ->((node, name)) { tables[name][@nodes.eq(node).where[0], true].reshape(1, own.size == 2 ? 3 : 6) }
        far.combination(own.size == 2 ? 1 : 3).map { |more| [own + more, Numo::DFloat.vstack((own + more).map(&row))] }.max_by { |_, whole| Numo::Linalg.det(whole).abs }
      end

      # The node farthest from the leader and, in space, the one farthest from the line through both.
      def farthest
        one = (@arms**2).sum(1).max_index
        return [@nodes[one]] if @axes.size == 2

        along = Shape::Vectors.unit(@arms[one, true].reshape(1, 3))[0, true]
        off = @arms - (@arms.dot(along).reshape(@nodes.size, 1) * along.reshape(1, 3))
        [@nodes[one], @nodes[(off**2).sum(1).max_index]]
      end

      def follow(own, others, factors) = @structure.constraints.tie(own, others, factors, by: @condition)

      def joined(lists) = lists.reject(&:empty?).then { |all| all.empty? ? Numo::Int32.zeros(0) : all.reduce { |a, b| a.concatenate(b) } }
    end
  end
end
