# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Turns sides within faces so that the two angles opposite a side sum to less than π
      # (the Delaunay condition), where the new triangles still face as the shape does.
      class Flipping
        V = Shape::Vectors
        ROUNDS = 12
        FACING = 0.5
        OFF = 0.1 # of the size

        # @param off [Float] of the size: what a side may lie off its face by, once turned
        def initialize(sheet, rounds: ROUNDS, off: OFF)
          @off = off
          @sheet = sheet
          @rounds = rounds
        end

        def call
          @rounds.times { break if pass.zero? }
        end

        # Turns the given sides, where they can be.
        # @yield [Array<Numo::Int32>] corners of new triangles; answers which are wanted
        # @return [Integer] how many were
        def turn(pairs, sides)
          prepare(pairs)
          mask = Numo::Bit.zeros(pairs.size)
          mask[sides] = 1
          keep(mask[@side])
          keep(yield([@from, @right, @left]) & yield([@to, @left, @right])) unless @side.empty?
          finish
        end

        private

        def pass
          @gain = nil
          prepare(@sheet.sides)
          keep(against_delaunay) unless @side.empty?
          finish
        end

        def finish
          return 0 if @side.empty?

          keep_fitting
          keep_apart unless @side.empty?
          apply unless @side.empty?
          @side.size
        end

        # Sides between two triangles of one face, with the points opposite.
        def prepare(pairs)
          @pairs = pairs
          of = pairs.of(0)
          flat = of.flatten.dup
          piece = @sheet.pieces_of(pairs)
          counts = flat.bincount(minlength: pairs.size)
          order = Numo::Int32.cast(flat.sort_index)
          rows = (counts[flat[order]].eq(2) & (piece[flat[order]] < 0)).where
          return @side = Numo::Int32.zeros(0) if rows.empty?

          inner = order[rows].dup
          half = inner.reshape(inner.size / 2, 2)
          one = half[true, 0].dup
          two = half[true, 1].dup
          @side = flat[one].dup
          @first = one / 3
          @second = two / 3
          tri = @sheet.triangles.flatten
          @from = tri[one].dup
          @to = tri[(@first * 3) + (((one % 3) + 1) % 3)].dup
          @left = tri[(@first * 3) + (((one % 3) + 2) % 3)].dup
          @right = tri[(@second * 3) + (((two % 3) + 2) % 3)].dup
          keep(@sheet.owners[@first].eq(@sheet.owners[@second]))
        end

        def keep(mask)
          return if @side.empty?

          rows = Numo::Int32.cast(mask.where)
          %i[@side @first @second @from @to @left @right].each { |name| instance_variable_set(name, rows.empty? ? rows : instance_variable_get(name)[rows].dup) }
          @gain = rows.empty? ? nil : @gain[rows].dup if @gain
        end

        def at(nodes) = @sheet.points[nodes, true]

        def against_delaunay
          p, q, l, r = [@from, @to, @left, @right].map { |n| at(n) }
          @gain = -(cotangent(p - l, q - l) + cotangent(p - r, q - r))
          @gain > 1e-3
        end

        def cotangent(u, v)
          V.dot(u, v) / (V.norm(V.cross(u, v)) + 1e-300)
        end

        # New triangles (from, right, left) and (to, left, right) face outward, their side
        # is not there yet and lies no farther off a bent face than the old one did.
        def keep_fitting
          faces = @sheet.owners[@first].dup
          p, q, l, r = [@from, @to, @left, @right].map { |n| at(n) }
          fits = [[p, r, l], [q, l, r]].map do |a, b, c|
            normal = V.unit(V.cross(b - a, c - a))
            V.dot(normal, @sheet.source.normals((a + b + c) / 3, faces)) > FACING
          end
          near = off(l, r, faces) < Numo::DFloat.maximum(off(p, q, faces), @sheet.sizes[@left] * @off)
          keep(fits[0] & fits[1] & near & ~@pairs.include?(@left, @right) & @left.ne(@right))
        end

        # How far the middle of a side lies off its face.
        def off(a, b, faces)
          middle = (a + b) / 2
          @sheet.off_face(middle, faces)
        end

        # One turn a triangle at a time, the one that gains most; and no new side twice.
        def keep_apart
          @gain ||= Numo::DFloat.ones(@side.size)
          order = Numo::Int32.cast(@gain.sort_index)
          claim = Numo::Int32.zeros(@sheet.count).fill(-1)
          claim[@first[order].dup] = order
          claim[@second[order].dup] = order
          own = Numo::Int32.new(@side.size).seq
          keep(claim[@first].eq(own) & claim[@second].eq(own))
          return if @side.size < 2

          _, index = Algebra::Distinct.of(Algebra::Pairs.key(@left, @right))
          first = Numo::Int32.zeros(index.max + 1)
          first[index] = Numo::Int32.new(index.size).seq
          keep(first[index].eq(Numo::Int32.new(index.size).seq))
        end

        def apply
          tri = @sheet.triangles
          [[@first, [@from, @right, @left]], [@second, [@to, @left, @right]]].each do |rows, nodes|
            nodes.each_with_index { |n, k| tri[rows, k] = n }
          end
        end
      end
    end
  end
end
