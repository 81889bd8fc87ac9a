# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Halves sides that are too long: at a time those that are the longest of every triangle
      # they belong to, so that no triangle is cut twice. M.-C. Rivara, Algorithms for refining
      # triangular grids, 1984.
      class Splitting
        LONG = 1.35
        ROUNDS = 40

        # @param curves [Boolean] halves pieces of curves only
        def initialize(sheet, longest: LONG, curves: false)
          @sheet = sheet
          @longest = longest
          @curves = curves
        end

        # @return [Integer] how many sides were halved
        def call(rounds: ROUNDS)
          halved = 0
          rounds.times do
            pairs = @sheet.sides
            chosen = chosen_sides(pairs, @sheet.ratios(pairs))
            break if chosen.empty?

            halve(pairs, chosen)
            halved += chosen.size
          end
          halved
        end

        # Halves given sides of which no two share a triangle.
        # @param cuts [Numo::DFloat, nil] where to cut instead, when all are pieces of curves
        def halve(pairs, chosen, cuts = nil)
          middles = new_points(pairs, chosen, cuts)
          cut_triangles(pairs, chosen, middles)
        end

        private

        def chosen_sides(pairs, ratio)
          of = pairs.of(0)
          ratio[held_sides(pairs)] = 0.0 unless @sheet.divisions.empty?
          ratio[(@sheet.pieces_of(pairs) < 0).where] = 0.0 if @curves
          # The longest of those that are too long, not the one that is the most times too long:
          # beside small elements the others would be halved for ever, into slivers.
          long = @sheet.lengths(pairs) * Numo::DFloat.cast(ratio > @longest) * unlike(pairs.size)
          worst = long[of]
          best = worst.max_index(1) # flat places
          rows = (worst.flatten[best] > 0).where
          return Numo::Int32.zeros(0) if rows.empty?

          picked = of.flatten[best][rows].dup
          votes = picked.bincount(minlength: pairs.size)
          Numo::Int32.cast((votes.eq(of.flatten.bincount(minlength: pairs.size)) & votes.ne(0)).where)
        end

        # Numbers near one: of sides of one length, as round the tip of a cone, one is to be the longest.
        def unlike(count) = (Numo::DFloat.cast((Numo::Int64.new(count).seq * 7919) % 10_007) * 1e-10) + 1

        def held_sides(pairs)
          held = @sheet.held.where
          pairs.find(@sheet.pieces[held, 0].dup, @sheet.pieces[held, 1].dup)
        end

        def new_points(pairs, chosen, cuts)
          low = pairs.low[chosen].dup
          high = pairs.high[chosen].dup
          piece = @sheet.pieces_of(pairs)[chosen].dup
          owner = Numo::Int32.zeros(pairs.size)
          owner[pairs.of(0).flatten] = Algebra::Gather.repeat(@sheet.owners, 3)
          home = owner[chosen].dup
          at = (@sheet.points[low, true] + @sheet.points[high, true]) / 2
          inner = Numo::Int32.cast((piece < 0).where)
          at[inner, true] = @sheet.source.project(at[inner, true].dup, home[inner].dup) unless inner.empty?
          first = @sheet.points.shape[0]
          nodes = Numo::Int32.new(chosen.size).seq + first
          on = Numo::Int32.cast(piece.ge(0).where)
          at[on, true] = halve_pieces(piece[on].dup, nodes[on].dup, cuts) unless on.empty?
          home[on] = @sheet.curve[piece[on]].dup unless on.empty?
          append(at, Numo::Int32.cast(piece < 0) + 1, home)
          nodes
        end

        def append(at, kinds, homes)
          @sheet.points = Numo::DFloat.vstack([@sheet.points, at])
          @sheet.kinds = @sheet.kinds.concatenate(kinds)
          @sheet.homes = @sheet.homes.concatenate(homes)
          @sheet.sizes = @sheet.sizes.concatenate(@sheet.field.at(at))
        end

        # @return [Numo::DFloat] the new points on their curves
        def halve_pieces(piece, nodes, cuts)
          sheet = @sheet
          middle = cuts || ((sheet.reach[piece, 0] + sheet.reach[piece, 1]) / 2)
          curve = sheet.curve[piece].dup
          added = Numo::Int32.zeros(piece.size, 2)
          added[true, 0] = nodes
          added[true, 1] = sheet.pieces[piece, 1]
          reach = Numo::DFloat.zeros(piece.size, 2)
          reach[true, 0] = middle
          reach[true, 1] = sheet.reach[piece, 1]
          sheet.pieces[piece, 1] = nodes
          sheet.reach[piece, 1] = middle
          sheet.pieces = Numo::Int32.vstack([sheet.pieces, added])
          sheet.curve = sheet.curve.concatenate(curve)
          sheet.reach = Numo::DFloat.vstack([sheet.reach, reach])
          sheet.source.curves.at(curve, middle)
        end

        def cut_triangles(pairs, chosen, middles)
          middle = Numo::Int32.zeros(pairs.size).fill(-1)
          middle[chosen] = middles
          of = middle[pairs.of(0)]
          added = []
          owners = []
          tri = @sheet.triangles
          Sheet::SIDES.each_with_index do |(i, j), side|
            rows = Numo::Int32.cast(of[true, side].ge(0).where)
            next if rows.empty?

            node = of[rows, side].dup
            other = tri[rows, true].dup
            other[true, i] = node
            tri[rows, j] = node
            added << other
            owners << @sheet.owners[rows].dup
          end
          @sheet.triangles = Numo::Int32.vstack([tri, *added])
          @sheet.owners = owners.reduce(@sheet.owners) { |a, b| a.concatenate(b) }
        end
      end
    end
  end
end
