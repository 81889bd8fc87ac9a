# frozen_string_literal: true

module Lattice
  module Mesh
    # Faces, and plane regions that share borders, as quadrilaterals or triangles with nodes
    # in common: the surface is remeshed as a whole, at twice the size for quadrilaterals,
    # which come from pairs of triangles of one face with all sides halved; faces with three
    # or four sides, or between two closed curves, are mapped instead.
    class Sheets
      V = Shape::Vectors
      WORST = 0.05 # scaled Jacobian below which a quadrilateral counts as folded

      attr_reader :nodes

      # @param bodies [Array<Shape::Body>] that share borders, or one
      # @param plan [SizingPlan]
      # @param triangles [Boolean] instead of quadrilaterals
      # @yield [String, Float]
      # @raise [SolveFailed] when quadrilaterals come out folded
      def initialize(bodies, plan, triangles: false, &tell)
        @bodies = bodies
        @complex = Complex.new(bodies)
        plan = plan.scaled(2.0) unless triangles
        source = Remeshing::Source.new(@complex.facets, plan.size)
        @sheet = divided(source, plan, triangles)
        Remeshing::Remesher.new(@sheet).call { |share| tell&.call("surface", share) }
        triangles ? keep_triangles : pair
        bend
      end

      # @return [Hash] body name => { kind => conn }
      def elements
        @complex.faces.each_with_index.group_by { |keys, _| keys[0][0] }.transform_values do |faces|
          mask = Numo::Bit.zeros(@complex.faces.size)
          mask[faces.map(&:last)] = 1
          { @kind => @conn[mask[@owners].where, true].dup }
        end
      end

      # @return [Hash] [body, place] => conn
      def places
        faces = @complex.faces.each_with_index.to_h { |keys, f| [keys[0], @conn[@owners.eq(f).where, true].dup] }
        faces.merge(edges).merge(points)
      end

      private

      # Curves of mapped faces are divided like those opposite.
      def divided(source, plan, triangles)
        @divisions = CurveDivisions.of(@bodies, @complex, plan)
        shares = @divisions.to_h { |curve, division| [curve, division.shares(triangles ? division.count : even(curve, division) / 2)] }
        field = Remeshing::Sizing.new(source, plan, shares).field
        return Remeshing::Sheet.new(source, field, shares) if triangles

        @size = plan.size / 2
        patches = Patches.new(source, field.scaled(0.5), @divisions)
        @patches = patches.patches
        @divisions = patches.divisions
        shares = @divisions.to_h { |curve, division| [curve, division.shares(division.count / 2)] }
        Remeshing::Sheet.new(source, field, shares)
      end

      # Every piece is halved at the end.
      def even(curve, division)
        return division.count if division.count.even?

        raise InvalidInput.at("“#{@complex.facets.edges[curve].name}” cannot have #{division.count} pieces: quadrilaterals on faces divide edges into an even number",
                              cure: "Give #{division.count + 1}, or mesh with tetrahedra and triangles.")
      end

      def keep_triangles
        @kind = :tri6
        @points = @sheet.points
        @flat = @sheet.triangles
        @owners = @sheet.owners
        @from = @sheet.pieces[true, 0].dup
        @to = @sheet.pieces[true, 1].dup
        @curve = @sheet.curve
        @reach = @sheet.reach
      end

      def pair
        @kind = :quad8
        Remeshing::EarOpening.call(@sheet)
        tri = @sheet.triangles
        quads, rest, paired, left = QuadMerge.pair(@sheet.points, tri, (0..1).map { |k| @sheet.pieces[true, k].dup }, owners: @sheet.owners)
        sides = Algebra::Pairs.new([[quads, [[0, 1], [1, 2], [2, 3], [3, 0]]], [rest, Remeshing::Sheet::SIDES]])
        n = @sheet.points.shape[0]
        owner_of = @sheet.owners.to_a
        centre_owner = Numo::Int32.cast(owner_of.values_at(*paired, *left))
        middles = side_middles(sides, quads, rest, centre_owner)
        centres = [quads, rest].reject(&:empty?).map { |e| Algebra::Gather.rows(@sheet.points, e).mean(1) }
        centres = @sheet.source.project(Numo::DFloat.vstack(centres), centre_owner)
        @points = Numo::DFloat.vstack([@sheet.points, middles, centres])
        first = n + sides.size
        @flat = Numo::Int32.vstack([QuadMerge.split(quads, sides.of(0) + n, first), QuadMerge.split(rest, sides.of(1) + n, first + quads.shape[0])].reject(&:empty?))
        @owners = Numo::Int32.cast((owner_of.values_at(*paired) * 4) + (owner_of.values_at(*left) * 3))
        halve_pieces(n)
        smooth(centre_owner)
        map
      end

      # Puts mapped quadrilaterals in the place of free ones, where they are good.
      def map
        made = @patches.filter_map do |patch|
          grid = PatchGrid.new(@points, chains(patch), @size) { |places| @sheet.source.project(places, Numo::Int32.zeros(places.shape[0]).fill(patch.face)) }
          next if grid.quality < Mapped::SQUARE_ENOUGH

          first = @points.shape[0]
          @points = Numo::DFloat.vstack([@points, grid.points]) unless grid.points.empty?
          [patch.face, facing(grid.quads, patch.face), first]
        end
        replace(made) unless made.empty?
      end

      # @return [Array<Numo::Int32>] nodes of the sides of a patch, in order
      def chains(patch)
        patch.sides.map do |curve, forward|
          rows = Numo::Int32.cast(@curve.eq(curve).where)
          rows = rows[@reach[rows, 0].sort_index].dup
          nodes = @from[rows].dup
          nodes = nodes.concatenate(@to[rows[-1..]]) unless patch.ring?
          forward ? nodes : nodes.reverse.dup
        end
      end

      # The quadrilaterals turned to face as the face does.
      def facing(quads, face)
        a, b, d = [0, 1, 3].map { |k| @points[quads[0..0, k], true] }
        normal = @sheet.source.normals(a, Numo::Int32[face])
        V.dot(V.cross(b - a, d - a), normal)[0].positive? ? quads : quads[true, [0, 3, 2, 1]].dup
      end

      def replace(made)
        mapped = Numo::Bit.zeros(@complex.faces.size)
        mapped[made.map(&:first)] = 1
        free = Numo::Int32.cast(mapped[@owners].eq(0).where)
        flat = made.map { |_, quads| quads }
        flat.unshift(@flat[free, true].dup) unless free.empty?
        @owners = Numo::Int32.cast((free.empty? ? [] : @owners[free].to_a) + made.flat_map { |face, quads| [face] * quads.shape[0] })
        @flat = Numo::Int32.vstack(flat)
        leave_out
      end

      # Points that no quadrilateral uses go.
      def leave_out
        used = Algebra::Gather.distinct([@flat])
        @rank = Numo::Int32.zeros(@points.shape[0])
        @rank[used] = Numo::Int32.new(used.size).seq
        @points = @points[used, true].dup
        @flat = @rank[@flat.flatten].reshape(*@flat.shape).dup
        @from = @rank[@from].dup unless @from.empty?
        @to = @rank[@to].dup unless @to.empty?
      end

      # Middles of sides on their face, and of pieces of curves on their curve.
      def side_middles(sides, quads, rest, owner)
        at = (@sheet.points[sides.low, true] + @sheet.points[sides.high, true]) / 2
        @side_home = Numo::Int32.zeros(sides.size)
        count = quads.shape[0]
        [[quads, sides.of(0), 0], [rest, sides.of(1), count]].each do |elements, of, first|
          next if elements.empty?

          home = owner[first...(first + of.shape[0])].dup
          @side_home[of.flatten] = Algebra::Gather.repeat(home, of.shape[1])
        end
        at = @sheet.source.project(at, @side_home)
        return at if @sheet.curve.empty?

        @piece_side = sides.find(@sheet.pieces[true, 0].dup, @sheet.pieces[true, 1].dup)
        at[@piece_side, true] = @sheet.source.curves.at(@sheet.curve, halves)
        at
      end

      # Where pieces of curves are halved: divided ones by their steps.
      def halves
        @halves ||= @sheet.reach.mean(1).tap do |half|
          @divisions.each do |curve, division|
            on = @sheet.curve.eq(curve).where
            length = @sheet.source.curves.lengths[curve]
            half[on] = division.middles(@sheet.reach[on, 0] / length, @sheet.reach[on, 1] / length) * length
          end
        end
      end

      def halve_pieces(first)
        from, to = [0, 1].map { |k| @sheet.pieces[true, k].dup }
        middle = @piece_side ? @piece_side + first : Numo::Int32.zeros(0)
        @from = from.concatenate(middle)
        @to = middle.concatenate(to)
        @curve = @sheet.curve.concatenate(@sheet.curve)
        centre = halves.reshape(@sheet.curve.size, 1)
        @reach = Numo::DFloat.vstack([Numo::DFloat.hstack([@sheet.reach[true, 0..0], centre]), Numo::DFloat.hstack([centre, @sheet.reach[true, 1..1]])])
      end

      def smooth(centre_owner)
        home = @sheet.homes.concatenate(@side_home).concatenate(centre_owner)
        fixed = Algebra::Gather.distinct([@from, @to, Numo::Int32.cast(@sheet.kinds.ne(Remeshing::Sheet::ON_FACE).where)])
        QuadSmoothing.new(@points, @flat, fixed) { |nodes, places| @sheet.source.project(places, home[nodes].dup) }.call
        worst = Quality.quad_jacobian(@points, @flat).min
        return if worst > WORST

        raise SolveFailed.new("“#{@bodies[0].name}” could not be meshed without folded quadrilaterals", cure: "Choose another mesh size, or triangles.")
      end

      # Nodes in the middle of sides, on their faces and curves.
      def bend
        corners = @flat.shape[1]
        local = (0...corners).map { |k| [k, (k + 1) % corners] }
        @pairs = Algebra::Pairs.new([[@flat, local]])
        @first = @points.shape[0]
        home = Numo::Int32.zeros(@pairs.size)
        of = @pairs.of(0)
        home[of.flatten] = Algebra::Gather.repeat(@owners, of.shape[1])
        at = @sheet.source.project((@points[@pairs.low, true] + @points[@pairs.high, true]) / 2, home)
        at[@pairs.find(@from, @to), true] = @sheet.source.curves.at(@curve, @reach.mean(1)) unless @curve.empty?
        @nodes = Numo::DFloat.vstack([@points, at])
        @conn = Numo::Int32.hstack([@flat, of + @first])
      end

      def edges
        return {} if @curve.empty?

        lines = Numo::Int32.vstack([@from, @to, @pairs.find(@from, @to) + @first]).transpose.dup
        @complex.edges.transform_values do |curves|
          Numo::Int32.vstack(curves.map do |c|
            rows = @curve.eq(c).where
            lines[rows[@reach[rows, 0].sort_index].dup, true]
          end)
        end
      end

      def points
        at = @sheet.kinds.eq(Remeshing::Sheet::CORNER).where.to_a.to_h { |n| [@sheet.points[n, true].to_a, n] }
        @complex.points.filter_map { |key, place| (node = at[place]) && [key, Numo::Int32[[@rank ? @rank[node] : node]]] }.to_h
      end
    end
  end
end
