# frozen_string_literal: true

module Lattice
  module Life
    # What places go through in a block of steps: stress, and strain where that is as a study found it.
    class Walk
      HALVINGS = 30

      # @return [Numo::DFloat] [steps, k] Pa
      attr_reader :stress

      # @return [Numo::DFloat, nil] [steps, k]
      attr_reader :strain

      def initialize(stress, strain = nil)
        @stress = stress
        @strain = strain
      end

      # @return [Numo::DFloat] [steps, k] what turns, and closes loops
      def leading = strain || stress

      # @param columns [Numo::Int32] places
      # @return [Walk]
      def at(columns) = Walk.new(stress[true, columns].dup, strain && strain[true, columns].dup)

      # @param factors [Numo::DFloat] [1, k]
      # @return [Walk] as if all of it were so much larger
      def times(factors) = Walk.new(stress * factors, strain && (strain * factors))

      # @return [Array(Numo::DFloat, Numo::DFloat)] [k] damage of a pass, and by what all may be multiplied for a design life
      def lived(strength, design)
        damage = Numo::DFloat.zeros(stress.shape[1])
        safety = Numo::DFloat.zeros(stress.shape[1]).fill(Damage::MOST)
        # Places whose steps rise and fall in the same order go through the same loops.
        orders.each do |columns|
          path = Rainflow.repeated(leading[true, columns[0]].to_a)
          next if path.pairs.empty?

          own = at(columns)
          damage[columns] = own.damage(strength, path)
          safety[columns] = own.safety(strength, path, design)
        end
        [damage, safety]
      end

      # @param path [Rainflow::Path] that all its places go
      # @return [Numo::DFloat] [k]
      def damage(strength, path) = Damage.new(strength, strain).call(path, stress)

      # By halving in its logarithm, for all places at once.
      def safety(strength, path, design)
        low = Numo::DFloat.zeros(stress.shape[1]).fill(-Math.log(Damage::MOST))
        high = low * -1
        HALVINGS.times do
          middle = (low + high) / 2
          over = Numo::DFloat.cast(times(Numo::NMath.exp(middle).reshape(1, middle.size)).damage(strength, path) * design >= 1)
          high = (middle * over) + (high * (1 - over))
          low = (low * over) + (middle * (1 - over))
        end
        Numo::NMath.exp((low + high) / 2)
      end

      # @return [Array<Numo::Int32>] columns by the order in which their values lie
      def orders
        values = leading
        count, width = values.shape
        keys = (0...count).to_a.combination(2).each_slice(60).map do |pairs|
          pairs.each_with_index.reduce(Numo::Int64.zeros(width)) { |sum, ((i, j), bit)| sum + (Numo::Int64.cast(values[i, true] > values[j, true]) << bit) }
        end
        keys << (0...(count - 1)).reduce(Numo::Int64.zeros(width)) { |sum, i| sum + (Numo::Int64.cast(values[i, true].eq(values[i + 1, true])) << i) }
        keys << Numo::Int64.cast(values.max(0) >= -values.min(0))
        number = keys.reduce(Numo::Int64.zeros(width)) { |so_far, key| Numo::Int64.cast(Algebra::Distinct.of((so_far * width) + Algebra::Distinct.of(key)[1])[1]) }
        (0..number.max).map { |order| number.eq(order).where }
      end
    end
  end
end
