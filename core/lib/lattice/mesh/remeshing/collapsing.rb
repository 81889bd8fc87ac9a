# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Takes out points whose sides are too short, and points of triangles that are folded back
      # over their neighbours, by drawing them onto a neighbour. Many at
      # a time: no two that are neighbours, nor two that would make the same new side.
      #
      # A point is taken out only if the surface stays a surface (the link condition of
      # T. Dey, H. Edelsbrunner et al., 1999), no face, curve or corner is lost, and
      # the new triangles face as the shape does there.
      class Collapsing
        V = Shape::Vectors
        SHORT = 0.75
        ROUNDS = 60
        MANY = 3000
        CHORD = 0.96 # least chord of a new piece of a curve, of its length: a turn of 56 deg

        # @param longest [Float] most that a new side may measure, of its size
        def initialize(sheet, longest: Float::INFINITY, shortest: SHORT, rounds: ROUNDS, thin: CollapseFit::THIN)
          @sheet = sheet
          @fit = CollapseFit.new(sheet, longest, thin)
          @shortest = shortest
          @rounds = rounds
        end

        def call
          # Points that cannot go, as long as nothing changes beside them.
          @bound = Numo::Bit.zeros(@sheet.points.shape[0])
          @rounds.times { |round| break if pass(round).zero? }
          @sheet.compact
        end

        private

        # One set of collapses. @return [Integer] how many points went
        def pass(round)
          prepare
          candidates
          return 0 if @out.empty?

          choose(round)
          apply unless @out.empty?
          @out.size
        end

        # Of very many, those to be done at once are chosen first, and only they are looked at;
        # what would be in the way of a better choice for ever has its turn in later rounds.
        def choose(round)
          early = @out.size > MANY && round < @rounds / 2
          early ? keep_apart(round) : keep_sound
          return if @out.empty?

          early ? keep_sound : keep_apart(round)
        end

        def prepare
          @pairs = @sheet.sides
          @piece = @sheet.pieces_of(@pairs)
          @sides_of = @pairs.of(0)
          n = @sheet.points.shape[0]
          @around = Algebra::Lists.new(@sheet.triangles.flatten, n)
          @meeting = @sides_of.flatten.bincount(minlength: @pairs.size)
          @next = Algebra::Lists.new(@pairs.low.concatenate(@pairs.high), n)
          @to = @pairs.high.concatenate(@pairs.low)
        end

        # Directed short sides: @out is drawn onto @onto.
        def candidates
          ratio = @sheet.ratios(@pairs)
          folded = @sheet.folded
          ratio[@sides_of[folded, true].flatten.dup] = 0.0 unless folded.empty?
          draw_in(ratio) unless @sheet.divisions.empty?
          short = Numo::Int32.cast((ratio < @shortest).where)
          ends = [@pairs.low[short].dup, @pairs.high[short].dup]
          @out = ends[0].concatenate(ends[1])
          @onto = ends[1].concatenate(ends[0])
          @side = short.concatenate(short)
          @rank = short.empty? ? Numo::DFloat.zeros(0) : ratio[@side].dup
          return if short.empty?

          kind = @sheet.kinds[@out]
          free = kind.eq(Sheet::ON_FACE) | (kind.eq(Sheet::ON_CURVE) & @piece[@side].ge(0))
          keep(free & @bound[@out].eq(0))
          one_way
        end

        # On divided curves only the points that were put there stay.
        def draw_in(ratio)
          pieces = @sheet.pieces
          loose = (0..1).map { |k| @sheet.kinds[pieces[true, k].dup].eq(Sheet::ON_CURVE) }.reduce(:|)
          rows = (@sheet.held & loose).where
          ratio[@pairs.find(pieces[rows, 0].dup, pieces[rows, 1].dup)] = 0.0 unless rows.empty?
        end

        def keep(mask)
          return if @out.empty?

          rows = mask.where
          @out, @onto, @side, @rank = [@out, @onto, @side, @rank].map { |list| rows.empty? ? list.class.zeros(0) : list[rows].dup }
        end

        # Of several ways to draw a point out only the shortest two are tried.
        def one_way
          return if @out.empty?

          order = Numo::Int32.cast(((@out * 4.0) + @rank.clip(0, 3)).sort_index)
          sorted = @out[order].dup
          third = Numo::Bit.zeros(sorted.size)
          third[2..] = sorted[2..].eq(sorted[0...-2]) if sorted.size > 2
          keep(Numo::Bit.zeros(sorted.size).tap { |mask| mask[order] = ~third })
        end

        def keep_sound
          looked_at = @out
          check_chord
          check_link unless @out.empty?
          check_shape unless @out.empty?
          @bound[looked_at] = 1
          @bound[@out] = 0 unless @out.empty?
        end

        # Along a curve the new piece may not cut a corner off: its chord against the length
        # of the two pieces that it replaces.
        def check_chord
          mine = Numo::Int32.cast(@sheet.kinds[@out].eq(Sheet::ON_CURVE).where)
          return if mine.empty?

          n = @sheet.points.shape[0]
          steps = @sheet.reach[true, 1] - @sheet.reach[true, 0]
          both = Numo::DFloat.zeros(n)
          sums = Numo::Int32.zeros(n)
          2.times do |k|
            nodes = @sheet.pieces[true, k].dup
            both += nodes.bincount(steps, minlength: n)
            sums += nodes.bincount(Numo::DFloat.cast(@sheet.pieces[true, 1 - k]), minlength: n)
          end
          out = @out[mine].dup
          other = sums[out] - @onto[mine]
          chord = V.norm(@sheet.points[@onto[mine], true] - @sheet.points[other, true])
          bad = Numo::Bit.zeros(@out.size)
          bad[mine] = chord < both[out] * CHORD
          keep(~bad)
        end

        # Points next to both ends are exactly those opposite the side; and of the two other
        # sides of a triangle that goes, at most one is a piece of a curve.
        def check_link
          owner, triangle = triangles_around
          mine = @sheet.triangles[triangle, true].dup
          bad = Numo::Int32.zeros(@out.size)
          with = mine.eq(@onto[owner].reshape(owner.size, 1)).any?(1)
          lost = Numo::Int32.cast(with.where)
          unless lost.empty?
            flags = @piece[@sides_of[triangle[lost], true]].ge(0)
            pieces = Numo::Int32.cast(flags).sum(1) - Numo::Int32.cast(@piece[@side[owner[lost]]].ge(0))
            bad += Numo::Int32.cast(owner[lost].bincount(Numo::DFloat.cast(pieces > 1), minlength: @out.size) > 0.5)
          end
          bad += Numo::Int32.cast(shared_neighbours.ne(@meeting[@side]))
          keep(bad.eq(0))
        end

        # How many points are next to both ends, of each candidate.
        def shared_neighbours
          owner, entry = @next.of(@out)
          near = @to[entry].dup
          owner.bincount(Numo::DFloat.cast(@pairs.include?(near, @onto[owner].dup) & near.ne(@onto[owner])), minlength: @out.size).round
        end

        def check_shape
          owner, triangle = triangles_around
          mine = @sheet.triangles[triangle, true].dup
          stays = Numo::Int32.cast(mine.ne(@onto[owner].reshape(owner.size, 1)).all?(1).where)
          return if stays.empty?

          owner = owner[stays].dup
          triangle = triangle[stays].dup
          old = mine[stays, true].dup
          new = swapped(old, @out[owner].dup, @onto[owner].dup)
          bad = Numo::DFloat.cast(@fit.unfit(old, new, @sheet.owners[triangle].dup, @out[owner].dup, @onto[owner].dup))
          keep(owner.bincount(bad, minlength: @out.size) < 0.5)
        end

        def triangles_around
          owner, corner = @around.of(@out)
          [owner, corner / 3]
        end

        def swapped(triangles, out, onto)
          hit = Numo::Int32.cast(triangles.eq(out.reshape(out.size, 1)))
          triangles + (hit * (onto - out).reshape(out.size, 1))
        end

        # Of candidates in each other's way the shortest goes first; chance breaks ties.
        def keep_apart(round)
          chance = Numo::DFloat.cast(((@side * 7919) + (round * 104_729)) % 10_007) / 10_007
          @rank += chance * 0.3
          n = @sheet.points.shape[0]
          order = Algebra::Gather.descending(@rank)
          claim = Numo::Int32.zeros(n).fill(-1)
          # What is written last holds: both ends of each, the shortest last.
          claim[interleaved(@out[order], @onto[order])] = interleaved(order, order)
          own = Numo::Int32.new(@out.size).seq
          keep(claim[@out].eq(own) & claim[@onto].eq(own))
          return if @out.empty?

          keep_unhindered(n)
        end

        def interleaved(a, b) = Numo::Int32.vstack([a.dup, b.dup]).transpose.flatten.dup

        def keep_unhindered(count)
          level = Numo::DFloat.zeros(count).fill(Float::INFINITY)
          level[@out] = @rank
          level[@onto] = @rank
          owner, entry = @next.of(@out)
          near = @to[entry].dup
          rival = (level[near] < @rank[owner]) | (level[near].eq(@rank[owner]) & near.ne(@onto[owner]) & level[near].ne(Float::INFINITY))
          keep(owner.bincount(Numo::DFloat.cast(rival), minlength: @out.size) < 0.5)
        end

        def apply
          mine = Numo::Int32.cast(@piece[@side].ge(0).where)
          PieceJoining.call(@sheet, @piece[@side[mine]].dup, @out[mine].dup) unless mine.empty?
          rename = Numo::Int32.new(@sheet.points.shape[0]).seq
          rename[@out] = @onto
          tri = rename[@sheet.triangles.flatten].reshape(*@sheet.triangles.shape).dup
          gone = tri[true, 0].eq(tri[true, 1]) | tri[true, 1].eq(tri[true, 2]) | tri[true, 2].eq(tri[true, 0])
          rows = Numo::Int32.cast(gone.eq(0).where)
          @sheet.triangles = tri[rows, true].dup
          @sheet.owners = @sheet.owners[rows].dup
          release
          return if @sheet.curve.empty?

          @sheet.pieces = rename[@sheet.pieces.flatten].reshape(*@sheet.pieces.shape).dup
        end

        # Around what changed points may be able to go.
        def release
          drawn = Numo::Bit.zeros(@bound.size)
          drawn[@onto] = 1
          rows = drawn[@sheet.triangles].any?(1).where
          @bound[@sheet.triangles[rows, true].flatten.dup] = 0 unless rows.empty?
        end
      end
    end
  end
end
