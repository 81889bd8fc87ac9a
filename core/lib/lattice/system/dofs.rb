# frozen_string_literal: true

module Lattice
  module System
    # The unknowns of a model: which components move at which node, and their numbers. A node's
    # own come one after another, in the order of NAMES.
    class Dofs
      NAMES = %i[x y z rx ry rz].freeze

      # counts [n]: unknowns of each node; first [n]: the number of its first
      attr_reader :counts, :first

      # @param nodes [Integer]
      # @param uses [Array(Numo::Int32, Array<Symbol>)] nodes of any shape, and the names they need
      def initialize(nodes, uses)
        has = NAMES.to_h { |name| [name, Numo::Int8.zeros(nodes)] }
        uses.each { |used, names| names.each { |name| has[name][used.flatten] = 1 unless used.empty? } }
        @local = {}
        @counts = Numo::Int32.zeros(nodes)
        NAMES.each do |name|
          there = Numo::Int32.cast(has[name])
          @local[name] = (@counts * there) + there - 1
          @counts += there
          absent = has[name].eq(0).where
          @local[name][absent] = -1 unless absent.empty?
        end
        @first = @counts.cumsum - @counts
      end

      def nodes = counts.size
      def size = counts.sum
      def most = counts.max

      # @return [Boolean] whether all nodes have the same unknowns
      def uniform? = @uniform ||= counts.min == most && names.size == most

      # @return [Array<Symbol>] those that some node has
      def names = NAMES.select { |name| @local[name].max >= 0 }

      # @return [Numo::Int32] [n] place of a component among its node's own; -1 where absent
      def local(name) = @local.fetch(name)

      # @param nodes [Numo::Int32]
      # @return [Numo::Int32] numbers of the unknowns; -1 where absent
      def at(nodes, name)
        return Numo::Int32.zeros(0) if nodes.empty?

        local = @local.fetch(name)[nodes].dup
        there = Numo::Int32.cast(local >= 0)
        ((@first[nodes] + local) * there) + there - 1
      end

      # @param conn [Numo::Int32] [e, n]
      # @return [Numo::Int32] [e, n, names]
      def table(conn, names)
        result = Numo::Int32.zeros(*conn.shape, names.size)
        names.each_with_index { |name, k| result[true, true, k] = at(conn.flatten, name).reshape(*conn.shape) }
        result
      end

      # @param vector [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [n, names] with zeros where a component is absent
      def spread(vector, names = %i[x y z])
        result = Numo::DFloat.zeros(nodes, names.size)
        names.each_with_index do |name, k|
          there, at = placed(name)
          result[there, k] = vector[at] unless there.empty?
        end
        result
      end

      # @param moved [Numo::DFloat] [n, 3] along x, y and z
      # @param turned [Numo::DFloat, nil] [n, 3] about them
      # @return [Numo::DFloat] [unknowns]
      def gather(moved, turned = nil)
        Numo::DFloat.zeros(size).tap do |vector|
          NAMES.each_with_index do |name, k|
            table = k < 3 ? moved : turned or next
            there, at = placed(name)
            vector[at] = table[there, k % 3] unless there.empty?
          end
        end
      end

      # @param direction [Numo::DFloat] [3]
      # @return [Numo::DFloat] [unknowns] of all that moves along by one
      def along(direction) = gather(Numo::DFloat.zeros(nodes, 3) + direction.reshape(1, 3))

      # @param numbers [Numo::Int32] of unknowns
      # @return [Numo::Int32] the node of each
      def nodes_of(numbers) = Algebra::Search.first_not_below(@first + @counts, numbers + 1)

      # @return [Array(Integer, Symbol)] node and component of an unknown
      def of(number)
        node = nodes_of(Numo::Int32[number])[0]
        [node, NAMES.find { |name| @local[name][node] == number - @first[node] }]
      end

      private

      # @return [Array(Numo::Int32, Numo::Int32)] nodes that have a component, and its unknowns
      def placed(name)
        (@placed ||= {})[name] ||= begin
          there = Numo::Int32.cast((@local[name] >= 0).where)
          [there, at(there, name)]
        end
      end
    end
  end
end
