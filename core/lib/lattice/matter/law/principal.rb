# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # Principal values and directions of many symmetric tensors at once, components xx, yy, zz, xy, yz, zx.
      module Principal
        SWEEPS = 8
        # Where each component stands.
        PLACES = [[0, 0], [1, 1], [2, 2], [0, 1], [1, 2], [2, 0]].freeze

        module_function

        # @param tensors [Numo::DFloat] [k, 6], shears as in a tensor
        # @param plane [Boolean] whether z is a principal direction of all
        # @return [Array(Numo::DFloat, Numo::DFloat)] values [k, 3], the greatest first, and directions [k, 3, 3], rows
        def call(tensors, plane)
          values, rows = plane ? in_plane(tensors) : turned(tensors)
          sorted(values, rows)
        end

        # What reads stretches and angles along directions from strains, shears as angles, and puts stress together from principal ones.
        # @param rows [Numo::DFloat] [k, 3, 3]
        # @return [Numo::DFloat] [k, 6, 6]
        def reader(rows)
          Numo::DFloat.zeros(rows.shape[0], 6, 6).tap do |all|
            PLACES.each_with_index do |(i, j), r|
              PLACES.each_with_index do |(p, q), c|
                one = rows[true, i, p] * rows[true, j, q]
                all[true, r, c] = if p == q
                                    one * (i == j ? 1 : 2)
                                  else
                                    (one + (rows[true, i, q] * rows[true, j, p])) / (i == j ? 2 : 1)
                                  end
              end
            end
          end
        end

        # By Mohr's circle.
        def in_plane(tensors)
          middle = (tensors[true, 0] + tensors[true, 1]) / 2
          half = (tensors[true, 0] - tensors[true, 1]) / 2
          radius = Numo::NMath.sqrt((half**2) + (tensors[true, 3]**2))
          angle = Numo::NMath.atan2(tensors[true, 3].dup, half) / 2
          cos = Numo::NMath.cos(angle)
          sin = Numo::NMath.sin(angle)
          rows = Numo::DFloat.zeros(middle.size, 3, 3)
          rows[true, 0, 0] = rows[true, 1, 1] = cos
          rows[true, 0, 1] = sin
          rows[true, 1, 0] = -sin
          rows[true, 2, 2] = 1.0
          [Numo::DFloat.hstack([middle + radius, middle - radius, tensors[true, 2]].map { |v| v.reshape(v.size, 1) }), rows]
        end

        # By turns that take one shear after the other away: C. G. J. Jacobi, Über ein leichtes Verfahren, 1846.
        def turned(tensors)
          a = PLACES.each_with_index.with_object({}) { |((i, j), c), all| all[[i, j].minmax] = tensors[true, c].dup }
          rows = Element::Large::Rotation.none(tensors.shape[0])
          SWEEPS.times do
            break if a.sum { |(i, j), v| i == j ? 0.0 : (v**2).sum } < 1e-30 * a.sum { |(i, j), v| i == j ? (v**2).sum : 0.0 }

            [[0, 1], [1, 2], [0, 2]].each { |i, j| turn(a, rows, i, j) }
          end
          [Numo::DFloat.hstack(3.times.map { |i| a[[i, i]].reshape(rows.shape[0], 1) }), rows]
        end

        def turn(parts, rows, one, other)
          third = 3 - one - other
          shear = parts[[one, other]]
          angle = Numo::NMath.atan2(shear * 2, parts[[one, one]] - parts[[other, other]]) / 2
          cos = Numo::NMath.cos(angle)
          sin = Numo::NMath.sin(angle)
          first = parts[[one, one]]
          second = parts[[other, other]]
          across = shear * cos * sin * 2
          parts[[one, one]] = (first * (cos**2)) + (second * (sin**2)) + across
          parts[[other, other]] = (first * (sin**2)) + (second * (cos**2)) - across
          parts[[one, other]] = ((second - first) * cos * sin) + (shear * ((cos**2) - (sin**2)))
          a = parts[[one, third].minmax]
          b = parts[[other, third].minmax]
          parts[[one, third].minmax] = (a * cos) + (b * sin)
          parts[[other, third].minmax] = (b * cos) - (a * sin)
          k = cos.size
          a = rows[true, one, true].dup
          b = rows[true, other, true].dup
          cos = cos.reshape(k, 1)
          sin = sin.reshape(k, 1)
          rows[true, one, true] = (a * cos) + (b * sin)
          rows[true, other, true] = (b * cos) - (a * sin)
        end

        # The greatest first, by exchanging neighbours.
        def sorted(values, rows)
          [0, 1, 0].each do |i|
            wrong = (values[true, i] < values[true, i + 1]).where
            next if wrong.empty?

            values[wrong, i], values[wrong, i + 1] = [values[wrong, i + 1].dup, values[wrong, i].dup]
            rows[wrong, i, true], rows[wrong, i + 1, true] = [rows[wrong, i + 1, true].dup, rows[wrong, i, true].dup]
          end
          [values, rows]
        end
      end
    end
  end
end
