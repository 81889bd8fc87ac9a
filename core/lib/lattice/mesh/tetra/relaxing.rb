# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Moves points of bad tetrahedra to where the worst tetrahedron around each becomes
      # better: tried along changing axes, towards the middle of those around, with shrinking
      # steps. Points of faces move on their face. No two that are neighbours move at once.
      class Relaxing
        V = Shape::Vectors
        STEPS = [0.3, 0.12, 0.05].freeze
        GAIN = 1e-4

        def initialize(solid, below, surface: true)
          @solid = solid
          @below = below
          @surface = surface
          @random = Random.new(3)
        end

        def call
          bad = @solid.below(@below)
          return if bad.empty?

          colours(candidates(bad)).each { |nodes| improve(nodes) }
        end

        private

        # Inner points, and those of faces, of bad tetrahedra; the worst first.
        def candidates(bad)
          sheet = @solid.sheet
          nodes = Algebra::Gather.distinct([@solid.tets[bad, true]])
          skin = sheet.points.shape[0]
          inner = nodes >= skin
          return nodes[inner.where].dup unless @surface

          movable = inner | sheet.kinds[nodes.clip(0, skin - 1)].eq(Remeshing::Sheet::ON_FACE)
          nodes[movable.where].dup
        end

        # Sets of points that share no tetrahedron, in a few rounds by chance.
        def colours(nodes)
          sets = []
          until nodes.empty? || sets.size > 11
            flags = Numo::Int32.zeros(@solid.points.shape[0]).fill(-1)
            order = Numo::Int32.cast(Array.new(nodes.size) { |i| i }.shuffle(random: @random))
            flags[nodes] = order
            around = flags[@solid.tets]
            highest = around.max(1)
            beaten = (around < highest.reshape(highest.size, 1)) & around.ge(0)
            lost = Numo::Bit.zeros(@solid.points.shape[0])
            rows = beaten.where
            lost[@solid.tets.flatten[rows].dup] = 1 unless rows.empty?
            sets << nodes[lost[nodes].eq(0).where].dup
            rest = lost[nodes].where
            nodes = rest.empty? ? Numo::Int32.zeros(0) : nodes[rest].dup
          end
          sets.reject(&:empty?)
        end

        def improve(nodes)
          star(nodes)
          STEPS.each do |share|
            directions.each { |way| try(way, share) }
          end
        end

        # The tetrahedra round each point, the point first, turned so that they stay right.
        def star(nodes)
          @nodes = nodes
          rank = Numo::Int32.zeros(@solid.points.shape[0]).fill(-1)
          rank[nodes] = Numo::Int32.new(nodes.size).seq
          mine = rank[@solid.tets]
          flat = Numo::Int32.cast(mine.flatten.ge(0).where)
          @rows = flat / 4
          @owner = mine.flatten[flat].dup
          @others = Numo::Int32.zeros(flat.size, 3)
          Shapes::FACES.each_with_index do |f, k|
            here = Numo::Int32.cast((flat % 4).eq(k).where)
            next if here.empty?

            # The face opposite is seen from outside; from the point it runs the other way.
            f.each_with_index { |c, i| @others[here, i] = @solid.tets[@rows[here], c].dup }
          end
          @order = Numo::Int32.cast(@owner.sort_index)
          counts = @owner.bincount(minlength: nodes.size)
          @slots = padded(counts)
          @corners = (0..2).map { |k| @solid.points[@others[true, k].dup, true].dup }
          @at = @solid.points[nodes, true].dup
          @worst = worst(@at)
          @size = Numo::NMath.sqrt(star_mean(V.dot(@corners[0] - @at[@owner, true], @corners[0] - @at[@owner, true])))
        end

        def padded(counts)
          first = counts.cumsum - counts
          most = counts.max
          slots = first.reshape(counts.size, 1) + Numo::Int32.minimum(Numo::Int32.new(1, most).seq, (counts - 1).reshape(counts.size, 1))
          @order[slots].dup
        end

        def star_mean(values) = @owner.bincount(values, minlength: @nodes.size) / @owner.bincount(minlength: @nodes.size)

        # @return [Numo::DFloat] the least quality round each point, were it at the given place
        def worst(at)
          Shapes.worths(@corners[0], @corners[2], @corners[1], at[@owner, true])[@slots].min(1)
        end

        # The middle of the star (nil), and axes turned by chance, both ways.
        def directions
          a = V.unit3(Array.new(3) { @random.rand - 0.5 })
          b, c = V.across(a)
          axes = [a, b, c].flat_map { |v| [v, v.map(&:-@)] }.map { |v| Numo::DFloat[*v] }
          [nil, *axes]
        end

        def try(way, share)
          step = way ? V.times(Numo::DFloat.zeros(*@at.shape) + way, @size * share) : (middle - @at) * (share * 2)
          goal = @at + step
          goal = on_faces(goal)
          found = worst(goal)
          better = Numo::Int32.cast((found > @worst + GAIN).where)
          return if better.empty?

          @at[better, true] = goal[better, true].dup
          @worst[better] = found[better].dup
          moved = Numo::Bit.zeros(@nodes.size)
          moved[better] = 1
          rows = Numo::Int32.cast(moved[@owner].where)
          @solid.move(@nodes[better].dup, @at[better, true].dup, @rows[rows].dup)
        end

        def middle
          sums = Numo::DFloat.zeros(*@at.shape)
          centre = @corners.reduce(:+) / 3
          3.times { |k| sums[true, k] = star_mean(centre[true, k].dup) }
          sums
        end

        def on_faces(goal)
          sheet = @solid.sheet
          on = Numo::Int32.cast((@nodes < sheet.points.shape[0]).where)
          return goal if on.empty?

          homes = sheet.homes[@nodes[on]].dup
          back = goal[on, true].dup
          normal = sheet.source.normals(@at[on, true].dup, homes)
          back -= V.times(normal, V.dot(back - @at[on, true], normal))
          goal[on, true] = sheet.source.project(back, homes)
          goal
        end
      end
    end
  end
end
