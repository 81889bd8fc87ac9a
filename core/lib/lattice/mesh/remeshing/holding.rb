# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Puts points on curves at the places of their divisions, which stay there; the points
      # between them are drawn away by the remesher, which adds none.
      class Holding
        SAME = 1e-3 # of a piece: a point nearer than this is taken for the one wanted

        # @param sheet [Sheet]
        def initialize(sheet)
          @sheet = sheet
          @wanted = sheet.divisions.flat_map { |curve, shares| places(curve, shares) }
        end

        def call
          until @wanted.empty?
            settle
            cut unless @wanted.empty?
          end
        end

        # @raise [InvalidInput] when curves did not keep their pieces
        def check
          @sheet.divisions.each do |curve, shares|
            made = @sheet.curve.eq(curve).count
            next if made == shares.size - 1

            raise InvalidInput.at("“#{@sheet.facets_edge(curve).name}” could not be kept in the pieces it is divided into",
                                  cure: "Divide it into pieces that are nearer to the size of the elements, and at least eight round a circle.")
          end
        end

        private

        # [curve, reach, tolerance] of the points between the ends; of closed curves the start too.
        def places(curve, shares)
          reach = shares * @sheet.source.curves.lengths[curve]
          near = (reach[1..] - reach[0...-1]).min * SAME
          list = @sheet.facets_edge(curve).closed ? reach[0...-1] : reach[1...-1]
          list.to_a.map { |r| [curve, r, near] }
        end

        # Takes those that are there off the list.
        def settle
          ends = {}
          2.times { |k| @sheet.curve.to_a.zip(@sheet.reach[true, k].to_a, @sheet.pieces[true, k].to_a) { |c, r, node| (ends[c] ||= []) << [r, node] } }
          ends.transform_values! { |list| list.sort_by(&:first) }
          @wanted.reject! do |curve, reach, near|
            list = ends[curve]
            at = list.bsearch_index { |r, _| r >= reach - near }
            node = at && list[at][0] <= reach + near && list[at][1]
            @sheet.kinds[node] = Sheet::CORNER if node
            node
          end
        end

        # Cuts each piece of a curve once, at the middle one of the places wanted on it.
        def cut
          pairs = @sheet.sides
          sides = pairs.find(@sheet.pieces[true, 0].dup, @sheet.pieces[true, 1].dup).to_a
          cuts = by_piece.to_h { |piece, reaches| [sides[piece], reaches.sort[reaches.size / 2]] }
          chosen = EarOpening.apart(pairs, cuts.keys)
          Splitting.new(@sheet).halve(pairs, chosen, Numo::DFloat.cast(cuts.values_at(*chosen.to_a)))
        end

        # @return [Hash] piece => places wanted on it
        def by_piece
          rows = @sheet.curve.to_a.each_with_index.group_by(&:first).transform_values { |list| list.map(&:last).sort_by { |p| @sheet.reach[p, 0] } }
          starts = @sheet.reach[true, 0].to_a
          @wanted.group_by do |curve, reach, _|
            list = rows[curve]
            list[(list.bsearch_index { |p| starts[p] > reach } || list.size) - 1]
          end.transform_values { |list| list.map { |w| w[1] } }
        end
      end
    end
  end
end
