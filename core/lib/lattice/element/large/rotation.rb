# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Turns of any size, many at once: as matrices [k, 3, 3] and as vectors [k, 3] along their axes, of the length of their angles.
      # J. Argyris, An excursion into large rotations, 1982.
      module Rotation
        V = Shape::Vectors
        SMALL = 1e-3 # rad, under which quotients are read from their series
        FAR = -0.9 # cosine of an angle near half a turn, where the axis is read from the symmetric part

        module_function

        # @param count [Integer]
        # @return [Numo::DFloat] [count, 3, 3] no turn
        def none(count) = Numo::DFloat.zeros(count, 3, 3).tap { |all| 3.times { |i| all[true, i, i] = 1.0 } }

        # @param vectors [Numo::DFloat] [k, 3] rad
        # @return [Numo::DFloat] [k, 3, 3]
        def exp(vectors)
          angle = V.norm(vectors)
          spin = V.crossing(vectors)
          small = angle.lt(SMALL)
          safe = Algebra::Gather.put(angle.dup, small, 1.0)
          one = series(small, Numo::NMath.sin(safe) / safe, 1 - ((angle**2) / 6))
          two = series(small, (1 - Numo::NMath.cos(safe)) / (safe**2), 0.5 - ((angle**2) / 24))
          none(angle.size) + (spin * one.reshape(angle.size, 1, 1)) + (Numo::Linalg.matmul(spin, spin) * two.reshape(angle.size, 1, 1))
        end

        # @param turns [Numo::DFloat] [k, 3, 3]
        # @return [Numo::DFloat] [k, 3] rad, of at most half a turn
        def log(turns)
          k = turns.shape[0]
          axis = Numo::DFloat.zeros(k, 3)
          3.times { |i| axis[true, i] = (turns[true, (i + 2) % 3, (i + 1) % 3] - turns[true, (i + 1) % 3, (i + 2) % 3]) / 2 }
          sine = V.norm(axis)
          cosine = (turns[true, 0, 0] + turns[true, 1, 1] + turns[true, 2, 2] - 1) / 2
          angle = Numo::NMath.atan2(sine, cosine)
          small = sine.lt(SMALL) & cosine.gt(0)
          found = V.times(axis, series(small, angle / Algebra::Gather.put(sine.dup, sine.eq(0), 1.0), 1 + ((sine**2) / 6)))
          far = cosine.lt(FAR).where
          found[far, true] = half_turns(turns[far, true, true].dup, axis[far, true].dup, angle[far].dup) unless far.empty?
          found
        end

        # What a further small turn adds to the vector of a turn: δθ = Λ δω, Λ = I − ½ S(θ) + η S(θ)².
        # @param vectors [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k, 3, 3]
        def growth(vectors)
          spin = V.crossing(vectors)
          none(vectors.shape[0]) - (spin / 2) + (Numo::Linalg.matmul(spin, spin) * eta((vectors**2).sum(1)).reshape(vectors.shape[0], 1, 1))
        end

        # How Λᵀ m changes with a further small turn.
        # @param vectors [Numo::DFloat] [k, 3]
        # @param moments [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k, 3, 3]
        def growth_change(vectors, moments)
          k = vectors.shape[0]
          square = (vectors**2).sum(1)
          outer = Numo::Linalg.matmul(vectors.reshape(k, 3, 1), moments.reshape(k, 1, 3))
          spin = V.crossing(vectors)
          twice = Numo::Linalg.matmul(Numo::Linalg.matmul(spin, spin), moments.reshape(k, 3, 1))
          along = none(k) * V.dot(vectors, moments).reshape(k, 1, 1)
          change = (V.crossing(moments) / -2) + ((along + outer - (outer.transpose(0, 2, 1) * 2)) * eta(square).reshape(k, 1, 1)) +
                   (Numo::Linalg.matmul(twice, vectors.reshape(k, 1, 3)) * mu(square).reshape(k, 1, 1))
          Numo::Linalg.matmul(change, growth(vectors))
        end

        # Stress turned with what bears it.
        # @param table [Numo::DFloat] [e, n, 6] xx, yy, zz, xy, yz, zx
        # @param frames [Numo::DFloat] [e, 3, 3] what turns
        # @return [Numo::DFloat] [e, n, 6]
        def stress(table, frames)
          e, n, = table.shape
          all = Numo::DFloat.zeros(e, n, 3, 3)
          Shell::Turned::PAIRS.each_with_index { |(i, j), row| all[true, true, i, j] = all[true, true, j, i] = table[true, true, row] }
          turn = Numo::DFloat.zeros(e, n, 3, 3).tap { |t| n.times { |a| t[true, a, true, true] = frames } }.reshape(e * n, 3, 3)
          turned = Numo::Linalg.matmul(Numo::Linalg.matmul(turn, all.reshape(e * n, 3, 3)), turn.transpose(0, 2, 1).dup).reshape(e, n, 3, 3)
          Numo::DFloat.zeros(e, n, 6).tap { |found| Shell::Turned::PAIRS.each_with_index { |(i, j), row| found[true, true, row] = turned[true, true, i, j] } }
        end

        # (1 − ½ θ cot ½ θ) / θ² and what its slope is over θ, for turns of less than a right angle or so.
        def eta(square) = (1.0 / 12) + (square / 720) + ((square**2) / 30_240) + ((square**3) / 1_209_600)
        def mu(square) = (1.0 / 360) + (square / 7560) + ((square**2) / 201_600)

        def series(small, values, others) = Numo::DFloat.cast(small).then { |s| (values * (1 - s)) + (others * s) }

        def half_turns(turns, axis, angle)
          k = angle.size
          cosine = Numo::NMath.cos(angle)
          square = (turns + turns.transpose(0, 2, 1) - (none(k) * (cosine * 2).reshape(k, 1, 1))) / ((1 - cosine) * 2).reshape(k, 1, 1)
          column = Numo::DFloat.zeros(k, 3).tap { |all| 3.times { |i| all[true, i] = square[true, i, i] } }.max_index(axis: 1) % 3
          unit = V.unit(Numo::DFloat.cast(column.to_a.each_with_index.map { |c, i| square[i, true, c].to_a }))
          sign = (Numo::DFloat.cast(V.dot(unit, axis).ge(0)) * 2) - 1
          V.times(unit, angle * sign)
        end
      end
    end
  end
end
