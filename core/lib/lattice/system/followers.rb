# frozen_string_literal: true

module Lattice
  module System
    # Collects what nodes follow, component by component, and ties them: sums of factors times the movements and turns of
    # others, and of arms that turn with them.
    class Followers
      AXES = %i[x y z].freeze
      TURNS = %i[rx ry rz].freeze

      # @param structure [Structure]
      # @param condition [Load::Condition] that ties them
      def initialize(structure, condition)
        @structure = structure
        @condition = condition
        @entries = Hash.new { |hash, name| hash[name] = [] }
      end

      # u(name)[own] += factors · u(other)[others]
      # @param own [Numo::Int32] [k] dependent nodes
      # @param others [Numo::Int32] [k]
      def put(name, own, other, others, factors) = @entries[name] << [dofs(own, name), dofs(others, other), factors]

      # Movements that a turn brings at the end of an arm, turn × arm; the turn follows the others by factors.
      # @param about [Integer] axis of the turn
      # @param arms [Numo::DFloat] [k, 3]
      def put_arm(about, own, other, others, factors, arms)
        a = (about + 1) % 3
        b = (about + 2) % 3
        put(AXES[b], own, other, others, factors * arms[true, a])
        put(AXES[a], own, other, others, factors * arms[true, b] * -1)
      end

      # @param nodes [Numo::Int32] all that follow; components that a node does not have are left out
      # @return [Numo::Int32] unknowns that are held or follow something else, and do so still
      def tie(nodes)
        refused = @entries.map { |name, lists| tie_component(dofs(nodes, name), lists) }.reject(&:empty?)
        refused.empty? ? Numo::Int32.zeros(0) : refused.reduce { |a, b| a.concatenate(b) }
      end

      private

      def tie_component(own, lists)
        there = (own >= 0).where
        return Numo::Int32.zeros(0) if there.empty?

        rows, others, factors = lists.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } }
        kept = (rows >= 0).where
        @structure.constraints.tie_entries(own[there].dup, rows[kept].dup, others[kept].dup, factors[kept].dup, by: @condition)
      end

      def dofs(nodes, name) = @structure.dofs.at(nodes, name)
    end
  end
end
