# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Frames that turn with members: along their chords, and about them by the mean of how both ends have turned.
      # J.-M. Battini, C. Pacoste, Co-rotational beam elements with warping effects in instability problems, 2002.
      class ChordFrame
        V = Shape::Vectors

        # @param axes [Numo::DFloat] [e, 3, 3] rows: along the member, and across it
        def initialize(axes)
          @axes = axes
        end

        def axes = 3

        # @return [Array] see FittedFrame#call; Γ [e, 2, 6, 3]
        def call(range, places, turns)
          start = @axes[range, true, true].dup
          e = start.shape[0]
          chord = places[true, 1, true] - places[true, 0, true]
          length = V.norm(chord)
          across = [0, 1].map { |a| Numo::Linalg.matmul(turns[true, a, true, true].dup, start[true, 1, true].dup.reshape(e, 3, 1)).reshape(e, 3) }
          triad = triad(chord, (across[0] + across[1]) / 2)
          forward = start.transpose(0, 2, 1).dup
          back = Numo::Linalg.matmul(forward, triad)
          arms = places - (places.sum(1) / 2).reshape(e, 1, 3)
          [back, Numo::Linalg.matmul(arms, back.transpose(0, 2, 1).dup), turned(turning(triad, across, length), start, forward)]
        end

        private

        def triad(chord, across)
          first = V.unit(chord)
          third = V.unit(V.cross(first, across))
          Numo::DFloat.zeros(chord.shape[0], 3, 3).tap { |all| [first, V.cross(third, first), third].each_with_index { |axis, k| all[true, k, true] = axis } }
        end

        # Γ in the axes of the member: [e, 2, 6, 3]
        def turning(triad, across, length)
          one, other = across.map { |q| [0, 1].map { |k| V.dot(triad[true, k, true].dup, q) } }
          height = (one[1] + other[1]) / 2
          slope = (one[0] + other[0]) / 2 / height
          Numo::DFloat.zeros(length.size, 2, 6, 3).tap do |all|
            [one, other].each_with_index do |q, a|
              sign = a.zero? ? 1 : -1
              all[true, a, 2, 0] = slope / length * sign
              all[true, a, 3, 0] = q[1] / height / 2
              all[true, a, 4, 0] = q[0] / height / -2
              all[true, a, 2, 1] = 1 / length * sign
              all[true, a, 1, 2] = 1 / length * -sign
            end
          end
        end

        # The same in the axes that the frame turns from.
        def turned(gamma, start, forward)
          e = gamma.shape[0]
          left = Numo::DFloat.zeros(e, 4, 3, 3).tap { |all| 4.times { |k| all[true, k, true, true] = forward } }.reshape(e * 4, 3, 3)
          right = Numo::DFloat.zeros(e, 4, 3, 3).tap { |all| 4.times { |k| all[true, k, true, true] = start } }.reshape(e * 4, 3, 3)
          Numo::Linalg.matmul(Numo::Linalg.matmul(left, gamma.reshape(e * 4, 3, 3)), right).reshape(e, 2, 6, 3)
        end
      end
    end
  end
end
