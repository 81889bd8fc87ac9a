# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # What flow of the material takes from the elastic forces of a piece's elements: where points yield, the difference of their stress from
      # the elastic one, by the same strains as the elastic stiffness has. Sheets have points through their thickness.
      class Flowing
        include Engine::Memory

        remembers :@committed

        # Points of a thickness from -1 to 1 with its faces among them, and their weights: Simpson's rule over four parts, which is exact
        # while all is elastic, and when all flows.
        LAYERS = [1, 4, 2, 4, 2, 4, 2, 4, 1].each_with_index.map { |w, i| [(i - 4) / 4.0, w / 12.0] }.freeze
        FACES = { "bottom" => 0, "middle" => 4, "top" => 8 }.freeze

        # @param piece [ContinuumPiece, ShellPiece]
        # @param law [Matter::Law]
        def initialize(piece, law)
          @piece = piece
          @law = law
          @wall = piece.wall
          @layers = @wall ? LAYERS.map { |z, w| [z * @wall / 2, w * @wall / 2] } : [[0.0, 1.0]]
          @elasticity = piece.elasticity
          @committed = {}
          @trial = {}
          @operators = {}
          @slants = {}
        end

        # What is not symmetric of the tangent at the last call, times movements.
        # @param moved [Numo::DFloat] [e, n w]
        # @return [Numo::DFloat, nil] [e, n w]; nil where all is
        def slant(moved)
          return if @slants.empty?

          Numo::DFloat.zeros(*moved.shape).tap do |all|
            @slants.each_value { |mine, k| all[mine, true] = Numo::Linalg.matmul(k, moved[mine, true].dup.reshape(mine.size, moved.shape[1], 1)).reshape(mine.size, moved.shape[1]) }
          end
        end

        # @param range [Range] of elements
        # @param moved [Numo::DFloat] [c, n w] what is left in their frames
        # @param tangent [Boolean]
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::Int32)] forces [y, n w] and stiffness [y, n w, n w] to be added, of elements [y] in the
        #   range; nil where nothing flows
        def call(range, moved, tangent)
          strain, bend, areas = operators(range)
          c, g, rows, = strain.shape
          state = @trial[range] = committed(range, c * g)
          free = freely(range)
          mine = near(strain, bend, moved, state, free)
          return if mine.empty?

          strain, bend, areas, free = [strain, bend, areas, free].map { |table| table && table[mine, *[true] * (table.ndim - 1)].dup }
          flat = by_layer(strain, bend, moved[mine, true].dup, free)
          own = Numo::Int32.new(@layers.size, c, g).seq[true, mine, true].flatten
          stress, at, moduli, after, slant = @law.respond(flat, state[own])
          @trial[range] = state.dup.tap { |all| all.put(own, after) }
          slanted(range, slant, at, mine, [strain, bend, areas]) if tangent
          less = (stress - flat.dot(@elasticity)).reshape(@layers.size, mine.size, g, rows)
          moduli = tangent ? whole(moduli, at, flat.shape[0], @elasticity).reshape(@layers.size, mine.size, g, rows, rows) : nil
          [pulled(less, strain, bend, areas), tangent ? softened(moduli, strain, bend, areas) : nil, mine]
        end

        def commit = @committed.merge!(@trial)

        def slides? = @law.is_a?(Matter::Law::MohrCoulomb)

        # Begins anew, at rest under a stress.
        # @yield [Numo::DFloat] [k, 3] points
        # @yieldreturn [Numo::DFloat] [k, 6] Pa
        def rest(range)
          at = @piece.places_of_points(range)
          @committed[range] = @law.at_rest(yield(at.reshape(at.size / 3, 3)))
        end

        # Begins anew, free of stress.
        def clear = @committed.clear

        # @param free [Numo::DFloat] [e, n] strain at the nodes that brings no stress
        def warm(free) = @free = free.eq(0).all? ? nil : @piece.free_at_points(free)

        # @param factor [Float] by which it bears less
        def weaken(factor) = @law.weaken(factor)

        # @return [Array(Hash, Numo::DFloat, Numo::Int32)] by layer stress at the nodes [y, n, 3 or 6] of elements [y] in which something has flowed, and
        #   their equivalent plastic strain [y, n], the largest of all layers
        def at_nodes(range, moved)
          strain, bend, = operators(range)
          c, g, = strain.shape
          state = committed(range, c * g)
          stress = @law.full(by_layer(strain, bend, moved, freely(range)), state)
          sums = state.sum.reshape(@layers.size, c, g).max(0)
          mine = @law.everywhere? ? Numo::Int32.new(c).seq : sums.max(1).gt(0).where
          return if mine.empty?

          nearest = @piece.nearest_points
          stress = stress.reshape(@layers.size, c, g, stress.shape[1])
          return [{ "" => fitted(stress[0, true, true, true].dup) }, sums[mine, nearest].dup, Numo::Int32.cast(mine)] if @law.everywhere?

          stress = stress[true, mine, nearest, true]
          layers = @wall ? FACES : { "" => 0 }
          [layers.transform_values { |layer| stress[layer, true, true, true].dup }, sums[mine, nearest].dup, Numo::Int32.cast(mine)]
        end

        # @return [Array(Hash, Numo::DFloat)] by layer plastic strain at the nodes [y, n, 3 or 6] of elements [y] in which something has flowed, shears as
        #   half of the angle; nil where nothing has, or no metal does
        def flow_at_nodes(range)
          return if @law.everywhere?

          c, g, = operators(range)[0].shape
          state = committed(range, c * g)
          mine = state.sum.reshape(@layers.size, c, g).max(0).max(1).gt(0).where
          return if mine.empty?

          flowed = state.plastic.reshape(@layers.size, c, g, state.plastic.shape[1])[true, mine, @piece.nearest_points, true].dup
          sheared = flowed.shape[3] == 6 ? 3 : 2
          flowed[true, true, true, sheared..] = flowed[true, true, true, sheared..] / 2
          layers = @wall ? FACES : { "" => 0 }
          [layers.transform_values { |layer| flowed[layer, true, true, true].dup }, Numo::Int32.cast(mine)]
        end

        private

        def operators(range) = @operators[range] ||= @piece.operators(range)
        def freely(range) = @free && @free[range, true, true].dup
        def committed(range, points) = @committed[range] ||= @law.start(points * @layers.size)

        # Elements that have flowed, or may: von Mises stress is greatest on the faces of what bends and stretches.
        # @return [Numo::Int32]
        def near(strain, bend, moved, state, free)
          c, g, rows, = strain.shape
          return Numo::Int32.new(c).seq if @law.everywhere?

          faces = @layers.size == 1 ? [0] : [0, @layers.size - 1]
          stress = faces.map { |l| by_layer(strain, bend, moved, free, [@layers[l]]).dot(@elasticity) }
          high = stress.map { |s| @law.equivalent(s.reshape(c * g, rows)) > @law.first }.reduce(:|)
          mark = Numo::Int32.cast(high).reshape(c, g).sum(1) + Numo::Int32.cast(state.sum > 0).reshape(@layers.size, c, g).sum(0).sum(1)
          Numo::Int32.cast(mark.ne(0).where)
        end

        # Strains [layers c g, rows] in the order of layers, elements, points.
        # @param free [Numo::DFloat, nil] [c, g, rows] what of them brings no stress
        def by_layer(strain, bend, moved, free, layers = @layers)
          c, g, rows, width = strain.shape
          column = moved.reshape(c, width, 1)
          plane, curved = [strain, bend].map { |table| table && Numo::Linalg.matmul(table.reshape(c, g * rows, width), column).reshape(c * g, rows) }
          plane -= free.reshape(c * g, rows) if free
          Numo::DFloat.zeros(layers.size, c * g, rows).tap { |all| layers.each_with_index { |(z, _), l| all[l, true, true] = curved ? plane + (curved * z) : plane } }.reshape(layers.size * c * g, rows)
        end

        # Ground has stress that grows with depth: [c, n, 6] by a fit through the points.
        def fitted(stress)
          c, g, rows = stress.shape
          Numo::Linalg.matmul(Numo::DFloat.zeros(c, @piece.from_points.shape[0], g) + @piece.from_points.reshape(1, *@piece.from_points.shape), stress).reshape(c, @piece.from_points.shape[0], rows)
        end

        # Differences of moduli from others, of all points.
        def whole(moduli, at, points, from)
          rows = from.shape[0]
          Numo::DFloat.zeros(points, rows, rows).tap { |all| all[at, true, true] = moduli - from.reshape(1, rows, rows) unless at.empty? }
        end

        # What is not symmetric of the tangent, element by element; kept for #slant.
        def slanted(range, slant, at, mine, operators)
          @slants.delete(range)
          return unless slant

          rows = @elasticity.shape[0]
          g = operators[0].shape[1]
          moduli = whole(slant, at, mine.size * g, @elasticity * 0).reshape(1, mine.size, g, rows, rows)
          @slants[range] = [mine + range.begin, softened(moduli, *operators)]
        end

        def pulled(less, strain, bend, areas)
          y, g, rows, width = strain.shape
          [[strain, 0], [bend, 1]].sum do |table, power|
            next 0.0 unless table

            sum = @layers.each_with_index.map { |(z, w), l| less[l, true, true, true] * (w * (z**power)) }.reduce(:+) * areas.reshape(y, g, 1)
            Numo::Linalg.matmul(table.reshape(y, g * rows, width).transpose(0, 2, 1).dup, sum.reshape(y, g * rows, 1)).reshape(y, width)
          end
        end

        def softened(moduli, strain, bend, areas)
          y, g, rows, = strain.shape
          tables = [strain, bend].compact
          tables.each_index.to_a.product(tables.each_index.to_a).map do |i, j|
            sum = @layers.each_with_index.map { |(z, w), l| moduli[l, true, true, true, true] * (w * (z**(i + j))) }.reduce(:+) * areas.reshape(y, g, 1, 1)
            Quadrature.stiffness(tables[i], sum.reshape(y * g, rows, rows), tables[j])
          end.reduce(:+)
        end
      end
    end
  end
end
