# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Replaces the tetrahedra round an inner edge by those of the best cutting of their ring.
      # E. Brière de l'Isle, P. L. George, Optimization of tetrahedral meshes, 1995;
      # L. Freitag, C. Ollivier-Gooch, Tetrahedral mesh improvement using swapping and smoothing, 1997.
      class EdgeRemoval
        V = Shape::Vectors
        GAIN = 1e-3
        ROUNDS = 4

        # @param solid [Solid]
        # @param below [Float] quality of the tetrahedra whose edges are tried
        def initialize(solid, below)
          @solid = solid
          @below = below
        end

        # @return [Integer] edges removed
        def call
          ROUNDS.times.sum do
            removed = pass
            return 0 if removed.zero?

            removed
          end
        end

        private

        def pass
          bad = @solid.below(@below)
          return 0 if bad.empty?

          find_edges(bad)
          plans = (3..Rings::LARGEST).filter_map { |n| plan(n) }
          plans.empty? ? 0 : carry_out(plans)
        end

        # Inner edges of bad tetrahedra with all tetrahedra round them.
        def find_edges(bad)
          rows = @solid.around(bad, corners: 2)
          tets = @solid.tets[rows, true].dup
          pairs = Algebra::Pairs.new([[tets, Shapes::EDGES]])
          of = pairs.of(0)
          rank = Numo::Int32.zeros(@solid.count)
          rank[rows] = Numo::Int32.new(rows.size).seq
          wanted = Numo::Bit.zeros(pairs.size)
          wanted[of[rank[bad], true].flatten.dup] = 1
          sides = @solid.sheet.sides
          wanted &= ~sides.include?(pairs.low, pairs.high)
          spokes = Numo::Int32.cast(wanted[of.flatten].where)
          spokes = spokes[of.flatten[spokes].sort_index].dup unless spokes.empty?
          @edge = spokes.empty? ? spokes : of.flatten[spokes].dup
          @tet = spokes.empty? ? spokes : rows[spokes / 6].dup
          @low = pairs.low
          @high = pairs.high
          opposite(tets, spokes)
        end

        # The two other corners of every tetrahedron, in turn round its edge from low to high.
        def opposite(tets, spokes)
          @ahead = Numo::Int32.zeros(spokes.size)
          @behind = Numo::Int32.zeros(spokes.size)
          return if spokes.empty?

          local = spokes % 6
          row = spokes / 6
          Shapes::EDGES.each_with_index do |(i, j), e|
            mine = Numo::Int32.cast(local.eq(e).where)
            next if mine.empty?

            t = tets[row[mine], true].dup
            c, d = Shapes::OPPOSITE[e].map { |k| t[true, k].dup }
            forward = Numo::Int32.cast(t[true, i] < t[true, j])
            @ahead[mine] = (forward * c) + ((1 - forward) * d)
            @behind[mine] = (forward * d) + ((1 - forward) * c)
          end
        end

        # Edges with n tetrahedra round them, their rings and the best cutting of each.
        def plan(n)
          return nil if @edge.empty?

          counts = @edge.bincount(minlength: @low.size)
          first = counts.cumsum - counts
          edges = Numo::Int32.cast(counts.eq(n).where)
          return nil if edges.empty?

          slots = first[edges].reshape(edges.size, 1) + Numo::Int32.new(1, n).seq
          ring, closed = chained(@ahead[slots], @behind[slots])
          rows = Numo::Int32.cast(closed.where)
          return nil if rows.empty?

          edges = edges[rows].dup
          ring = ring[rows, true].dup
          tets = @tet[slots[rows, true]].dup
          one = @solid.regions[tets[true, 0].dup]
          worst = @solid.quality[tets].min(1)
          best, cutting = cut(n, edges, ring)
          better = Numo::Int32.cast(((best > worst + GAIN) & @solid.regions[tets].eq(one.reshape(one.size, 1)).all?(1)).where)
          return nil if better.empty?

          { n: n, edges: edges[better].dup, ring: ring[better, true].dup, tets: tets[better, true].dup, gain: (best - worst)[better].dup,
            worst: worst[better].dup, cutting: cutting[better].dup, region: one[better].dup }
        end

        # Follows each tetrahedron to the one that begins where it ends.
        def chained(ahead, behind)
          count, n = ahead.shape
          ring = Numo::Int32.zeros(count, n)
          ring[true, 0] = ahead[true, 0]
          goal = behind[true, 0].dup
          closed = Numo::Bit.ones(count)
          (1...n).each do |k|
            ring[true, k] = goal
            match = Numo::Int32.cast(ahead.eq(goal.reshape(count, 1)))
            closed &= match.sum(1).eq(1)
            goal = (match * behind).sum(1)
          end
          [ring, closed & goal.eq(ring[true, 0])]
        end

        def cut(n, edges, ring)
          triangles, cuttings = Rings.of(n)
          low = at(@low[edges].dup)
          high = at(@high[edges].dup)
          corners = (0...n).map { |k| at(ring[true, k].dup) }
          quality = triangles.map do |i, j, k|
            Numo::DFloat.minimum(Shapes.worths(corners[i], corners[j], corners[k], high), Shapes.worths(corners[i], corners[k], corners[j], low))
          end
          worth = cuttings.map { |list| list.map { |t| quality[t] }.reduce { |a, b| Numo::DFloat.minimum(a, b) } }
          table = Numo::DFloat.vstack(worth.map { |w| w.reshape(1, w.size) })
          choice = Numo::Int32.cast(table.max_index(axis: 0) / edges.size)
          [table.max(0), choice]
        end

        def at(nodes) = @solid.points[nodes, true]

        # The worst first; no tetrahedron twice.
        def carry_out(plans)
          starts = plans.map { |p| p[:edges].size }.each_with_object([0]) { |size, list| list << (list.last + size) }
          claim = claimed(plans, starts)
          done = plans.each_with_index.filter_map do |p, i|
            own = Numo::Int32.new(p[:edges].size).seq + starts[i]
            held = Numo::Int32.cast(claim[p[:tets]].eq(own.reshape(own.size, 1)).all?(1).where)
            held.empty? ? nil : [p[:tets][held, true].flatten.dup, *filled(p, held)]
          end
          return 0 if done.empty?

          gone, added, regions = done.transpose
          join = ->(lists) { lists.reduce { |a, b| a.concatenate(b) } }
          @solid.replace(join[gone], Numo::Int32.vstack(added), join[regions])
          gone.size
        end

        # @return [Numo::Int32] the edge that holds each tetrahedron: what is written last holds
        def claimed(plans, starts)
          claim = Numo::Int32.zeros(@solid.count).fill(-1)
          plan_of = plans.each_with_index.flat_map { |p, i| [i] * p[:edges].size }
          order = plans.map { |p| p[:worst] }.reduce { |a, b| a.concatenate(b) }.sort_index.to_a.reverse
          order.each { |k| claim[plans[plan_of[k]][:tets][k - starts[plan_of[k]], true].dup] = k }
          claim
        end

        def filled(plan, held)
          triangles, cuttings = Rings.of(plan[:n])
          table = Numo::Int32.cast(cuttings.map { |list| list.flat_map { |t| triangles[t] } })
          local = table[plan[:cutting][held].dup, true].dup # [k, 3 (n − 2)]
          k = held.size
          ring = plan[:ring][held, true].flatten.dup
          nodes = ring[local + (Numo::Int32.new(k, 1).seq * plan[:n])].reshape(k * (plan[:n] - 2), 3).dup
          repeat = ->(list) { Algebra::Gather.repeat(list, plan[:n] - 2) }
          low = repeat[@low[plan[:edges][held]]]
          high = repeat[@high[plan[:edges][held]]]
          tets = Numo::Int32.zeros(nodes.shape[0] * 2, 4)
          half = nodes.shape[0]
          [[0, [0, 1, 2], high], [half, [0, 2, 1], low]].each do |start, turn, tip|
            turn.each_with_index { |c, i| tets[start...(start + half), i] = nodes[true, c] }
            tets[start...(start + half), 3] = tip
          end
          region = repeat[plan[:region][held]]
          [tets, region.concatenate(region)]
        end
      end
    end
  end
end
