# frozen_string_literal: true

module Lattice
  module Engine
    # Solves A x = b by what A makes of b, again and again: Y. Saad, M. H. Schultz, GMRES, 1986.
    module Krylov
      MOST = 40
      ENOUGH = 1e-3 # of b, left over

      module_function

      # @param right [Numo::DFloat] [n]
      # @yield [Numo::DFloat] [n] x
      # @yieldreturn [Numo::DFloat] [n] A x
      # @return [Numo::DFloat] [n]
      def call(right)
        size = Math.sqrt((right**2).sum)
        return right if size.zero?

        basis = [right / size]
        made = Numo::DFloat.zeros(MOST + 1, MOST)
        MOST.times do |k|
          own = yield(basis[k])
          basis.each_with_index do |b, i|
            made[i, k] = b.dot(own)
            own -= b * made[i, k]
          end
          made[k + 1, k] = length = Math.sqrt((own**2).sum)
          shares, rest = least(made[0..(k + 1), 0..k].dup, size)
          return mixed(basis, shares) if rest < size * ENOUGH || k == MOST - 1 || length < 1e-14

          basis << (own / length)
        end
      end

      # Shares that leave least of the right side, and how much.
      def least(made, size)
        right = Numo::DFloat.zeros(made.shape[0]).tap { |r| r[0] = size }
        shares = Numo::Linalg.solve(made.transpose.dot(made), made.transpose.dot(right))
        [shares, Math.sqrt(((made.dot(shares) - right)**2).sum)]
      end

      def mixed(basis, shares) = basis.zip(shares.to_a).sum { |b, share| share ? b * share : 0.0 }
    end
  end
end
