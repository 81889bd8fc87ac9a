# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # What flow of the material takes from the elastic forces of a piece's elements: where points yield, the difference of their stress from
      # the elastic one, by the same strains as the elastic stiffness has. Sheets have points through their thickness.
      class Flowing
        # Points of a thickness from -1 to 1 with its faces among them, and their weights: Simpson's rule over four parts, which is exact
        # while all is elastic, and when all flows.
        LAYERS = (-4..4).map do |i|
          [i / 4.0, (if i.abs == 4
                       1
                     else
                       i.odd? ? 4 : 2
                     end) / 12.0]
        end.freeze
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
        end

        # @param range [Range] of elements
        # @param moved [Numo::DFloat] [c, n w] what is left in their frames
        # @param tangent [Boolean]
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::Int32)] forces [y, n w] and stiffness [y, n w, n w] to be added, of elements [y] in the
        #   range; nil where nothing flows
        def call(range, moved, tangent)
          strain, bend, areas = operators(range)
          c, g, rows, width = strain.shape
          state = committed(range, c * g)
          flat = by_layer(strain, bend, moved)
          stress, at, moduli, @trial[range] = @law.respond(flat, state)
          mark = Numo::Int32.zeros(c * g * @layers.size)
          mark[at] = 1 unless at.empty?
          mark |= Numo::Int32.cast(@trial[range].sum > 0)
          mine = mark.reshape(@layers.size, c, g).sum(0).sum(1).ne(0).where
          return if mine.empty?

          less = (stress - flat.dot(@elasticity)).reshape(@layers.size, c, g, rows)[true, mine, true, true].dup
          strain, bend, areas = [strain, bend, areas].map { |table| table && table[mine, *[true] * (table.ndim - 1)].dup }
          force = pulled(less, strain, bend, areas)
          [force, tangent ? softened(whole(moduli, at, c * g * @layers.size, rows), mine, c, g, strain, bend, areas) : nil, Numo::Int32.cast(mine), width]
        end

        def commit = @committed.merge!(@trial)

        # @return [Array(Hash, Numo::DFloat, Numo::Int32)] by layer stress at the nodes [y, n, 3 or 6] of elements [y] in which something has flowed, and
        #   their equivalent plastic strain [y, n], the largest of all layers
        def at_nodes(range, moved)
          strain, bend, = operators(range)
          c, g, = strain.shape
          state = committed(range, c * g)
          stress = @law.full(by_layer(strain, bend, moved), state)
          sums = state.sum.reshape(@layers.size, c, g).max(0)
          mine = sums.max(1).gt(0).where
          return if mine.empty?

          nearest = @piece.nearest_points
          stress = stress.reshape(@layers.size, c, g, stress.shape[1])[true, mine, nearest, true]
          layers = @wall ? FACES : { "" => 0 }
          [layers.transform_values { |layer| stress[layer, true, true, true].dup }, sums[mine, nearest].dup, Numo::Int32.cast(mine)]
        end

        private

        def operators(range) = @operators[range] ||= @piece.operators(range)
        def committed(range, points) = @committed[range] ||= @law.start(points * @layers.size)

        # Strains [layers c g, rows] in the order of layers, elements, points.
        def by_layer(strain, bend, moved)
          c, g, rows, width = strain.shape
          column = moved.reshape(c, width, 1)
          plane, curved = [strain, bend].map { |table| table && Numo::Linalg.matmul(table.reshape(c, g * rows, width), column).reshape(c * g, rows) }
          Numo::DFloat.zeros(@layers.size, c * g, rows).tap { |all| @layers.each_with_index { |(z, _), l| all[l, true, true] = curved ? plane + (curved * z) : plane } }.reshape(@layers.size * c * g, rows)
        end

        # Differences of moduli from the elastic ones, of all points.
        def whole(moduli, at, points, rows)
          Numo::DFloat.zeros(points, rows, rows).tap { |all| all[at, true, true] = moduli - @elasticity.reshape(1, rows, rows) unless at.empty? }
        end

        def pulled(less, strain, bend, areas)
          y, g, rows, width = strain.shape
          [[strain, 0], [bend, 1]].sum do |table, power|
            next 0.0 unless table

            sum = @layers.each_with_index.map { |(z, w), l| less[l, true, true, true] * (w * (z**power)) }.reduce(:+) * areas.reshape(y, g, 1)
            Numo::Linalg.matmul(table.reshape(y, g * rows, width).transpose(0, 2, 1).dup, sum.reshape(y, g * rows, 1)).reshape(y, width)
          end
        end

        def softened(moduli, mine, count, points, strain, bend, areas)
          y, g, rows, width = strain.shape
          moduli = moduli.reshape(@layers.size, count, points, rows, rows)[true, mine, true, true, true].dup
          tables = [strain, bend].compact
          tables.each_index.to_a.product(tables.each_index.to_a).map do |i, j|
            sum = @layers.each_with_index.map { |(z, w), l| moduli[l, true, true, true, true] * (w * (z**(i + j))) }.reduce(:+) * areas.reshape(y, g, 1, 1)
            pressed = Numo::Linalg.matmul(sum.reshape(y * g, rows, rows), tables[j].reshape(y * g, rows, width)).reshape(y, g * rows, width)
            Numo::Linalg.matmul(tables[i].reshape(y, g * rows, width).transpose(0, 2, 1).dup, pressed)
          end.reduce(:+)
        end
      end
    end
  end
end
