# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Points within a closed surface: body-centred cubic lattices whose spacing halves with
      # the size wanted, inside by the parity of crossings of a vertical line, and not so near
      # the surface that they would come between the corners of its triangles.
      # F. Labelle, J. R. Shewchuk, Isosurface stuffing, 2007, on why that lattice.
      class InnerPoints
        V = Shape::Vectors
        PITCH = 1.06   # of the size: side of the cubes
        NEAR = 1.08    # of the circle round a triangle
        APART = 0.62   # of the size, from points of the surface
        JITTER = 0.03  # of the pitch: without it four points lie in a plane
        DEEPEST = 12
        MOST_CELLS = 4 # that a sphere reaches: what is larger than that is kept empty by others
        BLOCK = 8      # cells along a side of the blocks by which spheres are found

        # @param sheet [Remeshing::Sheet] closed
        # @param seed [Integer]
        def initialize(sheet, seed: 7)
          @sheet = sheet
          @field = sheet.field
          @random = Random.new(seed)
          @corners = sheet.corners
          @shell = shell
          spheres
        end

        # @return [Numo::DFloat] [n, 3]
        def call
          pitch = @field.size * PITCH
          low = @sheet.points.min(0)
          @low = low - (pitch * Numo::DFloat[0.4871, 0.4673, 0.4517])
          counts = ((@sheet.points.max(0) - @low) / pitch).ceil.to_a.map { |n| n.to_i + 1 }
          cells = all_cells(counts)
          found = []
          DEEPEST.times do |level|
            deeper = finer(cells, pitch)
            found.concat(points_of(cells, pitch, last: deeper.empty? || level == DEEPEST - 1, first: level.zero?))
            break if deeper.empty?

            cells = halved(deeper)
            pitch /= 2
          end
          found.reject!(&:empty?)
          found.empty? ? Numo::DFloat.zeros(0, 3) : Numo::DFloat.vstack(found)
        end

        private

        # Corners of the triangles that the void begins at: what parts bodies has an inside on both sides.
        def shell
          sides = [@sheet.source.behind, @sheet.source.before].map { |region| region[@sheet.owners].eq(0) }
          rows = (sides[0] | sides[1]).where
          @corners.map { |c| c[rows, true].dup }
        end

        def all_cells(counts)
          x, y, z = counts
          flat = Numo::Int32.new(x * y * z).seq
          columns(flat / (y * z), (flat / z) % y, flat % z)
        end

        def columns(*lists)
          Numo::Int32.zeros(lists[0].size, 3).tap { |table| lists.each_with_index { |l, k| table[true, k] = l } }
        end

        # Cells in which a smaller size may be wanted.
        def finer(cells, pitch)
          least = @field.at(place(cells, pitch, 0.5)) - (pitch * 0.87 * @field.growth)
          rows = Numo::Int32.cast((least * PITCH < pitch * 0.72).where)
          rows.empty? ? Numo::Int32.zeros(0, 3) : cells[rows, true].dup
        end

        def halved(cells)
          Numo::Int32.vstack((0..7).map { |k| (cells * 2) + Numo::Int32[[k & 1, (k >> 1) & 1, k >> 2]] })
        end

        def place(cells, pitch, shift) = ((cells + shift) * pitch) + @low

        def points_of(cells, pitch, last:, first:)
          [0.0, 0.5].map do |shift|
            at = place(cells, pitch, shift)
            wanted = @field.at(at) * PITCH
            mask = Numo::Bit.ones(at.shape[0])
            mask &= (wanted <= pitch * 1.42) unless first
            mask &= (wanted > pitch * 0.71) unless last
            chosen = pick(cells, mask)
            chosen = pick(chosen, inside(chosen, pitch, shift)) unless chosen.empty?
            chosen = pick(chosen, ~too_near(chosen, pitch, shift)) unless chosen.empty?
            next Numo::DFloat.zeros(0, 3) if chosen.empty?

            points = place(chosen, pitch, shift)
            points + (Numo::DFloat.cast(Array.new(points.size) { @random.rand - 0.5 }).reshape(*points.shape) * (2 * JITTER * pitch))
          end
        end

        def pick(cells, mask)
          rows = mask.where
          rows.empty? ? Numo::Int32.zeros(0, 3) : cells[rows, true].dup
        end

        # @return [Numo::Bit] whether the vertical line below each point crosses the surface an odd number of times
        def inside(cells, pitch, shift)
          column, height = crossings(pitch, shift)
          return Numo::Bit.zeros(cells.shape[0]) if column.empty?

          top = @sheet.points[true, 2].max
          bottom = @low[2] - pitch
          scale = 1 / ((top - bottom) * 1.01)
          keys = (column + ((height - bottom) * scale)).sort
          mine = Numo::DFloat.cast(column_key(cells[true, 0], cells[true, 1]))
          below = ((place(cells, pitch, shift)[true, 2] - bottom) * scale).clip(0, 0.999999)
          count = Algebra::Search.first_not_below(keys, mine + below) - Algebra::Search.first_not_below(keys, mine)
          (count % 2).eq(1)
        end

        def column_key(i, j) = ((Numo::Int64.cast(i) + 8) * (2**20)) + Numo::Int64.cast(j) + 8

        # Where vertical lines through the lattice meet the triangles: column and height.
        def crossings(pitch, shift)
          flat = @shell.map { |c| ((c - @low) / pitch) - shift }
          low, high = %i[minimum maximum].map { |m| flat.reduce { |a, b| Numo::DFloat.public_send(m, a, b) } }
          first = Numo::Int32.cast(low.ceil)
          spans = (Numo::Int32.cast(high.floor) - first + 1)[true, 0..1].clip(0, nil)
          triangle, rank = Algebra::Lists.laid(spans.prod(1))
          return [Numo::DFloat.zeros(0)] * 2 if triangle.empty?

          width = spans[triangle, 1].dup
          i = first[triangle, 0] + (rank / width)
          j = first[triangle, 1] + (rank % width)
          hit, height = heights(flat, triangle, i, j)
          return [Numo::DFloat.zeros(0)] * 2 if hit.empty?

          [Numo::DFloat.cast(column_key(i[hit], j[hit])), ((height + shift) * pitch) + @low[2]]
        end

        def heights(corners, triangle, i, j)
          x, y, z = (0..2).map { |k| corners.map { |c| c[triangle, k].dup } }
          areas = [[1, 2], [2, 0], [0, 1]].map { |p, q| ((x[p] - i) * (y[q] - j)) - ((x[q] - i) * (y[p] - j)) }
          total = areas.reduce(:+)
          inside = areas.map { |a| (a * total) > 0 }.reduce(:&)
          hit = Numo::Int32.cast(inside.where)
          return [hit, nil] if hit.empty?

          height = areas.each_with_index.sum { |a, k| a[hit] * z[k][hit] } / total[hit]
          [hit, height]
        end

        # Spheres that stay empty: through the corners of triangles, and round points.
        def spheres
          a, b, c = @corners
          u = b - a
          v = c - a
          n = V.cross(u, v)
          square = (V.dot(n, n) * 2) + 1e-300
          out = V.times(V.times(V.cross(n, u), V.dot(v, v)) + V.times(V.cross(v, n), V.dot(u, u)), 1 / square)
          @centres = Numo::DFloat.vstack([a + out, @sheet.points])
          @radii = (V.norm(out) * NEAR).concatenate(@sheet.sizes * APART)
        end

        def too_near(cells, pitch, shift)
          keys = cell_key(cells)
          order = Numo::Int32.cast(keys.sort_index)
          known = [keys[order].dup, order]
          hit = Numo::Bit.zeros(cells.shape[0])
          near = spheres_near(cells, pitch)
          return hit if near.empty?

          centres = @centres[near, true].dup
          reach = (@radii[near] / pitch).clip(0, MOST_CELLS) * pitch
          middle = V.shifted(centres, -@low)
          reach = V.columns(reach, 3)
          first = Numo::Int32.cast((((middle - reach) / pitch) - shift).ceil)
          last = Numo::Int32.cast((((middle + reach) / pitch) - shift).floor)
          spans = (last - first + 1).clip(0, nil)
          in_parts(spans.prod(1)) { |rows| mark(rows, near, first, spans, [pitch, shift], known, hit) }
          hit
        end

        # Spheres whose middle lies in a block of cells that are asked about, or beside one.
        def spheres_near(cells, pitch)
          blocks = Algebra::Gather.distinct([cell_key(cells / BLOCK)])
          around = [-1, 0, 1].product([-1, 0, 1], [-1, 0, 1]).map { |i, j, k| blocks + (((i * (2**20)) + j) * (2**20)) + k }
          keys = Algebra::Gather.distinct(around)
          own = cell_key(Numo::Int32.cast(((@centres - @low) / (pitch * BLOCK)).floor))
          Numo::Int32.cast(keys[Algebra::Search.first_not_below(keys, own).clip(0, keys.size - 1)].eq(own).where)
        end

        # Works through spheres in parts, so that the lists stay small.
        def in_parts(counts)
          done = counts.cumsum
          from = 0
          while from < counts.size
            before = from.zero? ? 0 : done[from - 1]
            upto = [(done <= before + 2_000_000).count, from + 1].max
            yield from...upto
            from = upto
          end
        end

        def mark(rows, near, first, spans, lattice, known, hit)
          sphere, rank = Algebra::Lists.laid(spans[rows, true].prod(1))
          return if sphere.empty?

          sphere += rows.first
          sy = spans[sphere, 1].dup
          sz = spans[sphere, 2].dup
          cell = columns(first[sphere, 0] + (rank / (sy * sz)), first[sphere, 1] + ((rank / sz) % sy), first[sphere, 2] + (rank % sz))
          mine = near[sphere].dup
          away = place(cell, *lattice) - @centres[mine, true]
          within = Numo::Int32.cast((V.dot(away, away) < @radii[mine]**2).where)
          return if within.empty?

          sorted, order = known
          key = cell_key(cell[within, true])
          found = Algebra::Search.first_not_below(sorted, key).clip(0, sorted.size - 1)
          same = sorted[found].eq(key).where
          hit[order[found[same]]] = 1 unless same.empty?
        end

        def cell_key(cells)
          x, y, z = (0..2).map { |k| Numo::Int64.cast(cells[true, k]) + 16 }
          (((x * (2**20)) + y) * (2**20)) + z
        end
      end
    end
  end
end
