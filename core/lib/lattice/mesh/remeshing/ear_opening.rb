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
          wanted = sides.to_h { |side| [side, true] }
          used = {}
          around = Hash.new { |hash, side| hash[side] = [] }
          pairs.of(0).to_a.each_with_index { |three, t| three.each { |side| around[side] << t if wanted[side] } } unless sides.empty?
          Numo::Int32.cast(sides.select { |side| around[side].none? { |t| used[t] } && around[side].each { |t| used[t] = true } })
        end
      end
    end
  end
end
