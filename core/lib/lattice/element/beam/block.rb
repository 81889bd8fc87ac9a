# frozen_string_literal: true

module Lattice
  module Element
    module Beam
      # Straight members of two nodes that stretch, twist, bend and shear; exact for uniform sections under loads at
      # their ends and uniform loads between. J. S. Przemieniecki, Theory of Matrix Structural Analysis, 1968.
      # Stretching and bending go through the centre of the section, shear and twisting through its shear centre.
      class Block
        NAMES = %i[x y z rx ry rz].freeze
        V = Shape::Vectors

        # Properties of every element, [e]: area, second moments about the principal axes (two: about the second, ∫x3²;
        # three: ∫x2²), shear areas along them, torsion; shear centre and node line in them [e, 2] from the centre; angle from
        # the outline's x axis to the second principal axis; up [e, 3]; bar: carries only along its axis;
        # released: [e, 2] turns about axes two and three are free at either end.
        Properties = Struct.new(:area, :two, :three, :shear_two, :shear_three, :torsion, :shear_centre, :line, :angle, :up, :bar, :released, keyword_init: true)

        attr_reader :lengths, :axes

        # @param coordinates [Numo::DFloat] [e, 2, 3]
        # @param properties [Properties]
        # @param young [Float] Pa
        # @param poisson [Float]
        def initialize(coordinates, properties, young:, poisson:)
          @properties = properties
          @young = young
          @shear = young / (2 * (1 + poisson))
          @elements = coordinates.shape[0]
          along = coordinates[true, 1, true] - coordinates[true, 0, true]
          @lengths = V.norm(along)
          lay_axes(V.unit(along))
        end

        def names = NAMES

        # @return [Numo::DFloat] [6, 6, e, 2, 2]
        def stiffness = turned(condensed[0])

        # @param density [Float] kg/m³
        # @return [Numo::DFloat] [6, 6, e, 2, 2] consistent mass
        def mass(density)
          turned(Mass.local(@lengths, @properties.area, @properties.two + @properties.three, density, @properties.bar), centred)
        end

        # @param pull [Numo::DFloat] [e] N
        # @return [Numo::DFloat] [6, 6, e, 2, 2] what the pull adds to the stiffness
        def geometric(pull)
          turned(Geometric.local(@lengths, pull, (@properties.two + @properties.three) / @properties.area, @properties.bar), centred)
        end

        # @param matrices [Numo::DFloat] [e, 12, 12] in the axes of the members
        # @return [Numo::DFloat] [6, 6, e, 2, 2] global
        def turned(matrices, t = transforms)
          k = matrices.reshape(@elements, 2, 6, 2, 6)
          result = Numo::DFloat.zeros(6, 6, @elements, 2, 2)
          [0, 1].product([0, 1]).each do |a, b|
            turned = Numo::Linalg.matmul(t.transpose(0, 2, 1).dup, Numo::Linalg.matmul(k[true, a, true, b, true].dup, t))
            result[true, true, true, a, b] = turned.transpose(1, 2, 0)
          end
          result
        end

        # @param force [Numo::DFloat] [e, 3] N/m along the global axes, at the centres of the sections
        # @return [Numo::DFloat] [e, 2, 6] forces and moments at the nodes that stand for it
        def spread(force)
          local = held(force).reshape(@elements * 2, 6, 1)
          both = Numo::DFloat.zeros(@elements, 2, 6, 6).tap { |all| 2.times { |a| all[true, a, true, true] = transforms.transpose(0, 2, 1) } }
          Numo::Linalg.matmul(both.reshape(@elements * 2, 6, 6), local).reshape(@elements, 2, 6)
        end

        # @return [Numo::DFloat] [e, 2, 6] forces at the nodes of a unit of strain along the member
        def swelling
          pull = @properties.area * @young
          Numo::DFloat.zeros(@elements, 2, 6).tap do |all|
            2.times { |a| all[true, a, true] = transforms[true, 0, true] * (pull * ((2 * a) - 1)).reshape(@elements, 1) }
          end
        end

        # Internal forces at both ends, in the principal axes: N, V2, V3, T, M2, M3.
        # @param u [Numo::DFloat] [e, 2, 6] global
        # @param force [Numo::DFloat] [e, 3] N/m between the ends
        # @param free [Float] strain along the member that brings no force
        # @return [Numo::DFloat] [e, 2, 6]
        def ends(u, force, free = 0.0)
          local = Numo::Linalg.matmul(Numo::DFloat.zeros(@elements, 2, 6, 6).tap { |all| 2.times { |a| all[true, a, true, true] = transforms } }.reshape(@elements * 2, 6, 6),
                                      u.reshape(@elements * 2, 6, 1)).reshape(@elements, 12, 1)
          found = Numo::Linalg.matmul(condensed[0], local).reshape(@elements, 2, 6) - held(force)
          found[true, 0, true] *= -1
          found[true, true, 0] -= (@properties.area * (@young * free)).reshape(@elements, 1)
          found
        end

        # @return [Numo::Bit] [e] whose turns are free at neither end
        def stiff_ends = @properties.released.sum(1).eq(0)

        # What deforms elements by movements in their own axes: stretch, turns of both ends against the chord about the third axis, and
        # about the second.
        # @param at [Numo::Int32] [k] elements
        # @return [Numo::DFloat] [k, 5, 12]
        def deformations(at)
          lengths = @lengths[at].dup
          bends = 1 - Numo::DFloat.cast(@properties.bar[at].dup)
          Numo::DFloat.zeros(at.size, 5, 12).tap do |all|
            all[true, 0, 0] = -1.0
            all[true, 0, 6] = 1.0
            [[1, 1, 5, 1], [2, 1, 11, 1], [3, 2, 4, -1], [4, 2, 10, -1]].each do |row, across, turn, sign|
              all[true, row, turn] = bends
              all[true, row, across] = bends / lengths * sign
              all[true, row, across + 6] = bends / lengths * -sign
            end
          end
        end

        # What shear adds to those deformations, by the forces that go with them.
        # @return [Numo::DFloat] [k, 5, 5]
        def shear_flexibility(at)
          Numo::DFloat.zeros(at.size, 5, 5).tap do |all|
            [[1, @properties.shear_two], [3, @properties.shear_three]].each do |first, area|
              soft = 1 / (@lengths[at] * area[at] * @shear)
              [0, 1].product([0, 1]).each { |r, c| all[true, first + r, first + c] = soft }
            end
          end
        end

        # @param operators [Numo::DFloat] [k, rows, 12] by movements in their own axes
        # @param at [Numo::Int32] [k] elements
        # @return [Numo::DFloat] [k, rows, 12] by global ones
        def by_global(operators, at)
          t = transforms[at, true, true].dup
          operators.dup.tap { |all| [0, 6].each { |first| all[true, true, first..(first + 5)] = Numo::Linalg.matmul(operators[true, true, first..(first + 5)].dup, t) } }
        end

        private

        # Along the member; towards the section's principal axes.
        def lay_axes(along)
          up = @properties.up - V.times(along, V.dot(@properties.up, along))
          y = V.unit(up)
          x = V.cross(y, along)
          c = Numo::NMath.cos(@properties.angle)
          s = Numo::NMath.sin(@properties.angle)
          @axes = Numo::DFloat.zeros(@elements, 3, 3)
          @axes[true, 0, true] = along
          @axes[true, 1, true] = V.times(x, c) + V.times(y, s)
          @axes[true, 2, true] = V.times(y, c) - V.times(x, s)
        end

        # [e, 6, 6]: movement of the centre along the axis and of the shear centre across it, and the turns.
        def transforms
          @transforms ||= Numo::DFloat.zeros(@elements, 6, 6).tap do |t|
            t[true, 0..2, 0..2] = axes
            t[true, 3..5, 3..5] = axes
            one, two, three = (0..2).map { |k| axes[true, k, true].dup }
            centre = @properties.line * -1
            shear = centre + @properties.shear_centre
            t[true, 0, 3..5] = V.times(two, centre[true, 1]) - V.times(three, centre[true, 0])
            t[true, 1, 3..5] = V.times(one, -shear[true, 1])
            t[true, 2, 3..5] = V.times(one, shear[true, 0].dup)
          end
        end

        # [e, 6, 6]: movement of the centre along and across the axis, and the turns.
        def centred
          @centred ||= transforms.dup.tap do |t|
            one = axes[true, 0, true].dup
            t[true, 1, 3..5] = V.times(one, @properties.line[true, 1].dup)
            t[true, 2, 3..5] = V.times(one, -@properties.line[true, 0])
          end
        end

        # Stiffness [e, 12, 12] with released turns condensed out, and how held forces follow.
        def condensed
          @condensed ||= begin
            k = whole
            steps = releases.map do |dof, rows|
              pivot = k[rows, dof, dof].dup
              column = k[rows, true, dof].dup
              k[rows, true, true] = k[rows, true, true] - (column.reshape(rows.size, 12, 1) * (column / pivot.reshape(rows.size, 1)).reshape(rows.size, 1, 12))
              [dof, rows, column / pivot.reshape(rows.size, 1)]
            end
            [k, steps]
          end
        end

        # [unknown, elements] that are free of moment.
        def releases
          [[0, [4, 5]], [1, [10, 11]]].flat_map do |side, dofs|
            rows = @properties.released[true, side].ne(0).where
            rows.empty? ? [] : dofs.map { |dof| [dof, Numo::Int32.cast(rows)] }
          end
        end

        def whole
          k = Numo::DFloat.zeros(@elements, 12, 12)
          l = @lengths
          bends = 1 - Numo::DFloat.cast(@properties.bar)
          pair(k, 0, @young * @properties.area / l)
          pair(k, 3, @shear * @properties.torsion / l * bends)
          bend(k, [1, 5, 7, 11], @young * @properties.three * bends, @shear * @properties.shear_two, 1)
          bend(k, [2, 4, 8, 10], @young * @properties.two * bends, @shear * @properties.shear_three, -1)
          k
        end

        def pair(k, dof, value)
          [[dof, dof, 1], [dof + 6, dof + 6, 1], [dof, dof + 6, -1], [dof + 6, dof, -1]].each { |r, c, sign| k[true, r, c] = value * sign }
        end

        # @param sign [Integer] of the turn that a slope brings
        def bend(k, dofs, rigidity, shear, sign)
          l = @lengths
          soft = rigidity / (shear * (l**2)) * 12
          a = rigidity / ((soft + 1) * (l**3))
          v, r, w, s = dofs
          turn = a * l * (6 * sign)
          own = a * (soft + 4) * (l**2)
          far = a * ((soft * -1) + 2) * (l**2)
          { [v, v] => a * 12, [w, w] => a * 12, [v, w] => a * -12, [v, r] => turn, [v, s] => turn, [w, r] => -turn, [w, s] => -turn, [r, r] => own, [s, s] => own, [r, s] => far }
            .each { |(i, j), value| k[true, i, j] = k[true, j, i] = value }
        end

        # Forces at the ends that hold a member still under a uniform force, turned round: [e, 2, 6].
        def held(force)
          l = @lengths
          w = (0..2).map { |k| V.dot(axes[true, k, true].dup, force) }
          bends = 1 - Numo::DFloat.cast(@properties.bar)
          y = @properties.shear_centre[true, 0].dup
          z = @properties.shear_centre[true, 1].dup
          f = Numo::DFloat.zeros(@elements, 12)
          [0, 6].each do |first|
            3.times { |k| f[true, first + k] = w[k] * l / 2 }
            f[true, first + 3] = ((z * w[1]) - (y * w[2])) * l / 2 * bends
            turn = first.zero? ? 1 : -1
            f[true, first + 5] = w[1] * (l**2) / 12 * turn * bends
            f[true, first + 4] = w[2] * (l**2) / -12 * turn * bends
          end
          condensed[1].each { |dof, rows, share| f[rows, true] = f[rows, true] - (share * f[rows, dof].dup.reshape(rows.size, 1)) }
          f.reshape(@elements, 2, 6)
        end
      end
    end
  end
end
