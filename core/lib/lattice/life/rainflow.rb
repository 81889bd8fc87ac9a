# frozen_string_literal: true

module Lattice
  module Life
    # Closed loops of a loading: pairs of turning points, and from which turning point each branch runs.
    # Rainflow counting after T. Endo, M. Matsuishi, 1968, in the form of four points of C. Amzallag et al., 1994; what a
    # block leaves over counts half, or, of a block that is repeated, whole, begun at the value greatest in size.
    module Rainflow
      # Of a repeated block: turning [k] numbers of the values that turn, in the order in which they are gone through; pairs [(one, other)]
      # of loops, and origins [k]: the turning point that each branch starts from (nil of the first), all as places in turning.
      Path = Struct.new(:turning, :pairs, :origins, keyword_init: true)

      module_function

      # @param values [Array<Float>]
      # @return [Array<Integer>] places of those that turn, and of the ends
      def turning(values)
        found = []
        values.each_with_index do |v, i|
          found.pop if found.any? && values[found.last] == v
          found.pop if found.size > 1 && ((values[found[-1]] - values[found[-2]]) * (v - values[found[-1]])).positive?
          found << i
        end
        found
      end

      # Cycles of a block that happens once.
      # @param values [Array<Float>]
      # @return [Array(Integer, Integer, Float)] numbers of both values, and 1 or a half
      def once(values)
        stack = []
        cycles = []
        turning(values).each do |i|
          stack << i
          while stack.size > 3
            a, b, c, d = stack.last(4).map { |k| values[k] }
            break unless (b - c).abs <= (a - b).abs && (b - c).abs <= (c - d).abs

            cycles << [stack[-3], stack[-2], 1.0]
            stack.slice!(-3, 2)
          end
        end
        cycles + stack.each_cons(2).map { |one, other| [one, other, 0.5] }
      end

      # @param values [Array<Float>] of a block that is repeated
      # @return [Path]
      def repeated(values)
        start = values.each_index.max_by { |i| values[i].abs }
        order = (0..values.size).map { |k| (start + k) % values.size }
        turns = turning(order.map { |i| values[i] }).map { |k| order[k] }
        return Path.new(turning: turns.first(1), pairs: [], origins: [nil]) if turns.size < 3

        stack = [0]
        pairs = []
        origins = [nil]
        (1...turns.size).each { |j| origins << step(stack, pairs, turns, values, j) }
        Path.new(turning: turns, pairs: pairs, origins: origins)
      end

      # @return [Integer] the place that the branch to the next turning point starts from
      def step(stack, pairs, turns, values, next_one)
        while stack.size > 1
          a, b = stack.last(2).map { |k| values[turns[k]] }
          break if (values[turns[next_one]] - b).abs < (b - a).abs

          pairs << stack.pop(2)
          break if stack.empty?
        end
        from = stack.last || pairs.last[1]
        stack << next_one
        from
      end
      private_class_method :step
    end
  end
end
