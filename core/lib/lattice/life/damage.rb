# frozen_string_literal: true

module Lattice
  module Life
    # Damage of one pass of a load, by P. Palmgren 1924 and M. A. Miner 1945: the sum of 1/N over its loops.
    class Damage
      AT_ONCE = 2_000_000 # loops times places
      TOGETHER = 200_000 # of these, whose loops are looked at together

      # One loop at places: amplitude and mean of stress (Pa), amplitude of strain (nil by stress), greatest stress, and cycles.
      Loop = Struct.new(:from, :to, :amplitude, :mean, :strain, :greatest, :life, keyword_init: true)

      # @param strength [Strength]
      # @param strains [Numo::DFloat, nil] [n, k] at all values, where a study found them; else they follow from elastic stress
      def initialize(strength, strains = nil)
        @strength = strength
        @strains = strains
      end

      # @param path [Rainflow::Path] of a repeated block
      # @param values [Numo::DFloat] [n, k] elastic stress at all its values, at places
      # @return [Numo::DFloat] [k]
      def call(path, values)
        total = Numo::DFloat.zeros(values.shape[1])
        return many(path, values) unless @strength.strain?

        each(path, values) { |loop| total += 1 / loop.life }
        total
      end

      # @yield [Loop] one after the other
      def each(path, values, &)
        return by_stress(path, values, &) unless @strength.strain?

        stress, strain = branches(path, values)
        path.pairs.each { |i, j| yield(strained(path, stress, strain, i, j)) }
      end

      DRAWN = 60 # branches
      BENDS = 16 # parts of one

      # Stress over strain through a repeated block at one place: the way up from rest, then branch after branch, the largest of them.
      # @param path [Rainflow::Path]
      # @param values [Array<Float>] elastic stress, Pa
      # @return [Array<Array>] of each branch its strains and stresses, Pa
      def course(path, values)
        column = Numo::DFloat.cast(values).reshape(values.size, 1)
        stress, strain = branches(path, column).map { |list| list.map { |one| one[0] } }
        return straight(path, stress, strain) if @strains

        ends = path.turning.each_index.map { |k| [path.origins[k], k] }
        first, rest = ends.partition { |from, _| from.nil? }
        (first + rest.max_by(DRAWN) { |from, upto| (stress[upto] - stress[from]).abs }).map do |from, upto|
          base = from ? [strain[from], stress[from]] : [0.0, 0.0]
          rise = Numo::DFloat.new(BENDS + 1).seq / BENDS * (stress[upto] - base[1])
          size = from ? @strength.law.strain(rise.abs / 2) * 2 : @strength.law.strain(rise.abs)
          [((size * rise.sign) + base[0]).to_a, (rise + base[1]).to_a]
        end
      end

      # The same of a block that is a factor times one stress: damage by that stress, which may be either sign.
      # @param factors [Array<Float>]
      # @param stress [Numo::DFloat] [k]
      # @return [Numo::DFloat] [k]
      def of_factors(factors, stress)
        path = Rainflow.repeated(factors)
        return Numo::DFloat.zeros(stress.size) if path.pairs.empty?
        return over_table(path, factors, stress) if stress.size * path.pairs.size > AT_ONCE && stress.size > TABLE

        in_parts(path, factors, stress)
      end

      # By what the stress may be multiplied until a pass does so much damage.
      # @param damaging [Proc] factor => damage of it, rising
      # @param wanted [Float]
      # @return [Float] at most MOST
      MOST = 1000.0
      def self.factor(wanted)
        low = Math.log(1 / MOST)
        high = Math.log(MOST)
        return MOST if yield(MOST) < wanted
        return 1 / MOST if yield(1 / MOST) >= wanted

        60.times do
          middle = (low + high) / 2
          yield(Math.exp(middle)) >= wanted ? high = middle : low = middle
        end
        Math.exp((low + high) / 2)
      end

      TABLE = 3000 # stresses at which damage is known, to read others between
      DECADES = 3.0

      private

      # From one step to the next: what lies between is not known.
      def straight(path, stress, strain)
        path.turning.each_index.each_cons(2).map { |from, upto| [[strain[from], strain[upto]], [stress[from], stress[upto]]] }
      end

      # Damage by stress of many loops at once.
      def many(path, values)
        turning = Numo::Int32.cast(path.turning)
        path.pairs.each_slice([TOGETHER / values.shape[1], 1].max).reduce(Numo::DFloat.zeros(values.shape[1])) do |total, pairs|
          one, other = pairs.transpose.map { |ends| values[turning[Numo::Int32.cast(ends)], true].reshape(pairs.size * values.shape[1]) }
          life = @strength.life_of((one - other).abs / 2, (one + other) / 2)
          total + (1 / life).reshape(pairs.size, values.shape[1]).sum(0)
        end
      end

      def in_parts(path, factors, stress)
        step = [AT_ONCE / factors.size, 1].max
        column = Numo::DFloat.cast(factors).reshape(factors.size, 1)
        (0...stress.size).step(step).map { |from| stress[from...[from + step, stress.size].min].dup }
                         .map { |part| call(path, column * part.reshape(1, part.size)) }.reduce { |a, b| a.concatenate(b) }
      end

      # Damage depends on nothing but the stress: read between many stresses, straight in logarithms.
      def over_table(path, factors, stress)
        [1, -1].reduce(Numo::DFloat.zeros(stress.size)) do |found, sign|
          mine = (stress * sign > 0).where
          next found if mine.empty?

          top = (stress[mine] * sign).max
          grid = Numo::NMath.exp(Numo::DFloat.new(TABLE).seq * (DECADES * Math.log(10) / (TABLE - 1))) * (top / (10**DECADES))
          known = in_parts(path, factors, grid * sign)
          found.tap { |all| all[mine] = read(grid, known, stress[mine] * sign) }
        end
      end

      def read(grid, known, stress)
        place = (Numo::NMath.log(stress / grid[0]) / Math.log(grid[1] / grid[0])).clip(0, grid.size - 1.000001)
        low = Numo::Int32.cast(place.floor)
        share = place - low
        one = known[low]
        two = known[low + 1]
        none = (one <= 0) | (two <= 0)
        between = Numo::NMath.exp((Numo::NMath.log(one.clip(1e-300, nil)) * (1 - share)) + (Numo::NMath.log(two.clip(1e-300, nil)) * share))
        Algebra::Gather.put(between, none, 0.0)
        Algebra::Gather.put(between, stress < grid[0], 0.0)
      end

      def by_stress(path, values)
        path.pairs.each do |i, j|
          one, two = [i, j].map { |k| values[path.turning[k], true] }
          amplitude = (one - two).abs / 2
          mean = (one + two) / 2
          yield Loop.new(from: path.turning[i], to: path.turning[j], amplitude: amplitude, mean: mean, greatest: mean + amplitude, life: @strength.life_of(amplitude, mean))
        end
      end

      # Stress and strain at every turning point, each on the branch from where it starts.
      def branches(path, values)
        return [values, @strains / @strength.factor].map { |table| path.turning.map { |number| table[number, true] } } if @strains

        law = @strength.law
        stress = []
        strain = []
        path.turning.each_with_index do |number, k|
          from = path.origins[k]
          elastic = values[number, true]
          elastic -= values[path.turning[from], true] if from
          sizes = from ? law.branch(elastic.abs / @strength.factor) : law.neuber(elastic.abs / @strength.factor)
          signs = elastic.sign
          stress << ((sizes[0] * signs) + (from ? stress[from] : 0))
          strain << ((sizes[1] * signs) + (from ? strain[from] : 0))
        end
        [stress, strain]
      end

      def strained(path, stress, strain, one, two)
        amplitude = (strain[one] - strain[two]).abs / 2
        greatest = Numo::DFloat.maximum(stress[one], stress[two])
        mean = (stress[one] + stress[two]) / 2
        Loop.new(from: path.turning[one], to: path.turning[two], amplitude: (stress[one] - stress[two]).abs / 2, mean: mean, strain: amplitude, greatest: greatest,
                 life: @strength.law.life(amplitude, mean, greatest, @strength.rule))
      end
    end
  end
end
