# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Triangles with two sides on curves at a blunt corner would make flat quadrilaterals
      # there: the third side is turned onto the corner, or halved where it cannot be.
      module EarOpening
        ROUNDS = 4

        module_function

        # @param sheet [Sheet]
        def call(sheet)
          pairs, sides = ears(sheet)
          Flipping.new(sheet).turn(pairs, sides) { |triangles| Numo::Bit.ones(triangles[0].size) } unless sides.empty?
          ROUNDS.times do
            pairs, sides = ears(sheet)
            chosen = apart(pairs, sides)
            break if chosen.empty?

            Splitting.new(sheet).halve(pairs, chosen)
          end
        end

        # @return [Array(Algebra::Pairs, Array<Integer>)] sides across from blunt corners, those
        #   on curves left out
        def ears(sheet)
          pairs = sheet.sides
          held = sheet.pieces_of(pairs).ge(0)
          of = pairs.of(0)
          on = held[of]
          sides = (0..2).flat_map do |k|
            blunt = Ears.blunt?(sheet.points, *[k, k - 2, k - 1].map { |i| sheet.triangles[true, i].dup })
            rows = (on[true, k] & on[true, k - 1] & blunt).where
            rows.empty? ? [] : of[rows, k - 2].to_a
          end
          [pairs, sides.uniq.reject { |side| held[side] == 1 }]
        end

        # Sides of which no two share a triangle.
        def apart(pairs, sides)
          return Numo::Int32.zeros(0) if sides.empty?

          slot, entry = Algebra::Lists.new(pairs.of(0).flatten.dup, pairs.size).of(Numo::Int32.cast(sides))
          around = slot.to_a.zip((entry / 3).to_a).group_by(&:first)
          used = {}
          Numo::Int32.cast(sides.each_index.filter_map do |i|
            triangles = around[i].map(&:last)
            triangles.none? { |t| used[t] } && triangles.each { |t| used[t] = true } && sides[i]
          end)
        end
      end
    end
  end
end
