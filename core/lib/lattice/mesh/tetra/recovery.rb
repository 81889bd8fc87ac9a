# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # A Delaunay tetrahedralisation that holds every triangle of a surface. What is missing
      # at first is turned to the sides the tetrahedra have; else the inner points near it go;
      # else the size there is made less and the surface is meshed anew.
      class Recovery
        V = Shape::Vectors
        JITTER = 1e-5 # of the least size
        ROUNDS = 16
        OFF = 0.25    # of the size: sides may lie off their faces by more than usual
        AGAIN = 2     # times that the same points are tried with other shifts
        LESS = 0.6    # what sizes shrink by
        WIDER = 1.25  # by which the emptied spheres grow at each try

        BLUNT = 0.05  # cosine of the angle under which a piece of a curve is too long
        AT_ONCE = 1_000_000 # pairs of point and triangle
        HOPELESS = 0.1 # share of the surface that may be missing at first
        REFINED = 4    # times that the size is made less
        LEAST = Remeshing::Sizing::FINEST / 4 # of the global size: where it ends

        # What cannot be filled: +at+ [k, 3] places on the surface.
        class Stuck < StandardError
          attr_reader :at

          def initialize(at)
            @at = at
            super("part of the surface cannot be filled with tetrahedra")
          end
        end

        # @param sheet [Remeshing::Sheet]
        # @param seed [Integer] of the small shifts that part points in special positions
        def initialize(sheet, seed: 11)
          @sheet = sheet
          @seed = seed
          @random = Random.new(seed)
          @refined = 0
        end

        # @return [Array(Numo::DFloat, Numo::Int32)] points (those of the surface first) and tetrahedra
        # @raise [Stuck] after making the sizes smaller did not help
        def call
          @inner = InnerPoints.new(@sheet, seed: @seed).call
          wider = 1.0
          again = 0
          ROUNDS.times do
            build
            missing = self.missing
            return result if missing.empty?

            missing = turned(missing)
            return result if missing.empty?

            raise Stuck, places(missing) if missing.size > @sheet.count * HOPELESS

            next if halved(missing)

            wider *= WIDER
            next unless cleared(missing, wider).zero?
            # Four points on a circle may come out either way: other shifts are tried first.
            next if (again += 1) <= AGAIN

            again = 0
            refine(missing)
          end
          raise Stuck, places(missing)
        end

        private

        def result = [@points, @tets]

        def build
          @points = @inner.empty? ? @sheet.points.dup : Numo::DFloat.vstack([@sheet.points, @inner])
          noise = Numo::DFloat.cast(Array.new(@points.size) { @random.rand - 0.5 }).reshape(*@points.shape)
          @tets = Delaunay.tetrahedra(@points + (noise * (@sheet.sizes.min * JITTER)))
          keys, = Shapes.face_keys(@tets)
          @faces = keys.sort
        end

        def there?(keys)
          found = Algebra::Search.first_not_below(@faces, keys).clip(0, @faces.size - 1)
          @faces[found].eq(keys)
        end

        # @return [Numo::Int32] triangles of the surface that are no face of a tetrahedron
        def missing
          keys, = Shapes.keys_of(*(0..2).map { |k| @sheet.triangles[true, k].dup })
          Numo::Int32.cast(there?(keys).eq(0).where)
        end

        # Turns sides between triangles that are missing where the turned ones are there.
        def turned(missing)
          pairs = @sheet.sides
          sides = Algebra::Gather.distinct([pairs.of(0)[missing, true]])
          Remeshing::Flipping.new(@sheet, off: OFF).turn(pairs, sides) { |triangles| there?(Shapes.keys_of(*triangles)[0]) }
          self.missing
        end

        # Halves pieces of curves that see a corner of a missing triangle under a blunt angle:
        # such sides cannot turn, and no tetrahedron wants them.
        # @return [Boolean] whether there are any
        def halved(missing)
          pairs = @sheet.sides
          chosen = Remeshing::EarOpening.apart(pairs, blunt_pieces(pairs, missing))
          return false if chosen.empty?

          Remeshing::Splitting.new(@sheet).halve(pairs, chosen)
          Remeshing::Flipping.new(@sheet).call
          true
        end

        # @return [Array<Integer>] sides
        def blunt_pieces(pairs, missing)
          piece = @sheet.pieces_of(pairs)
          held = @sheet.held
          corners = @sheet.corners(@sheet.triangles[missing, true].dup)
          (0..2).flat_map do |k|
            side = pairs.of(0)[missing, k].dup
            u = corners[k] - corners[k - 1]
            v = corners[k - 2] - corners[k - 1]
            blunt = V.dot(u, v) < V.norm(u) * V.norm(v) * BLUNT
            side.to_a.zip(blunt.to_a).filter_map { |s, wide| s if wide == 1 && piece[s] >= 0 && held[piece[s]].zero? }
          end.uniq
        end

        # Takes inner points out of the spheres through the corners of missing triangles.
        def cleared(missing, wider)
          return 0 if @inner.empty?

          a, b, c = @sheet.corners(@sheet.triangles[missing, true].dup)
          centre = (a + b + c) / 3
          reach = [a, b, c].map { |x| V.norm(x - centre) }.reduce { |p, q| Numo::DFloat.maximum(p, q) } * wider
          keep = Numo::Bit.ones(@inner.shape[0])
          count = centre.shape[0]
          (0...count).step([AT_ONCE / keep.size, 1].max) do |first|
            range = first...[first + [AT_ONCE / keep.size, 1].max, count].min
            square = (0..2).sum { |k| (@inner[true, k].reshape(keep.size, 1) - centre[range, k].reshape(1, range.size))**2 }
            keep &= (square > (reach[range]**2).reshape(1, range.size)).all?(1)
          end
          gone = keep.size - keep.count
          @inner = @inner[keep.where, true].dup if gone.positive?
          gone
        end

        def places(missing) = @sheet.corners(@sheet.triangles[missing, true].dup).reduce(:+) / 3

        def refine(missing)
          at = places(missing)
          least = @sheet.field.size * LEAST
          wanted = (@sheet.field.at(at) * LESS)
          raise Stuck, at if wanted.min < least || (@refined += 1) > REFINED

          @sheet.field.limit(at, wanted).spread
          @sheet.resize(@sheet.field)
          Remeshing::Remesher.new(@sheet).call(rounds: 2)
          @inner = InnerPoints.new(@sheet, seed: @seed).call
        end
      end
    end
  end
end
