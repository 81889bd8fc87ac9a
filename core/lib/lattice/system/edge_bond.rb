# frozen_string_literal: true

module Lattice
  module System
    # Edges of shells on faces. On shells the nodes follow the face with its turns. On solids they follow the mean of a
    # strip as wide as the shell is thick, and turn with its first moment about the edge, so that bending passes.
    class EdgeBond
      V = Shape::Vectors
      AXES = Followers::AXES
      TURNS = Followers::TURNS
      STRIP = Element::Rule.gauss(3, 1)

      # Nodes of the other side where points lie on it, as lists [k]: the point, the node, and its shape function there.
      Feet = Struct.new(:points, :others, :weights)

      # @param structure [Structure]
      # @param condition [Load::Condition]
      # @param sides [Array(Side, Side)] the one with edges of shells first
      def initialize(structure, condition, sides)
        @structure = structure
        @condition = condition
        @one, @other = sides
        @at = structure.grid.nodes
      end

      # @return [Hash] see FaceBond
      # @raise [InvalidInput]
      def call
        all = Algebra::Gather.distinct(@one.pieces.map(&:conn))
        @foot = @structure.placed(@other, @at[all, true].dup, @condition.reach)
        found = (@foot.block >= 0).where
        nothing! if found.empty?
        @followers = Followers.new(@structure, @condition)
        @other.turns? ? on_shells(all) : on_solids(all, Numo::Int32.cast(found))
        @followers.tie(all[found].dup)
        length = @one.pieces.sum { |p| p.sizes.sum }
        { covered: length * found.size / all.size, whole: length, least: @foot.away[found].min, greatest: @foot.away[found].max, nodes: found.size }
      end

      private

      def nothing!
        raise @condition.statement.fault("no node of “#{@condition.statement['target']}” and “#{@condition.statement['to']}” lies within reach", path: "reach",
                                                                                                                                                 cure: "Give a larger reach, or choose regions that meet.")
      end

      # @param found [Mesh::Placing::Found] of points on the other side
      # @return [Feet]
      def feet(found) = Feet.new(*@other.feet(found))

      def on_shells(nodes)
        feet = feet(@foot)
        own = nodes[feet.points].dup
        arms = arms(own, feet.others, feet.weights)[own, true].dup
        AXES.each { |name| @followers.put(name, own, name, feet.others, feet.weights) }
        TURNS.each_with_index do |name, about|
          @followers.put(name, own, name, feet.others, feet.weights)
          @followers.put_arm(about, own, name, feet.others, feet.weights, arms)
        end
      end

      # From where weights put a node to where it is, by node: [n, 3]
      def arms(own, others, weights)
        put = Algebra::Gather.sum(@at[others, true].reshape(own.size, 1, 3) * weights.reshape(own.size, 1, 1), own.reshape(own.size, 1), @at.shape[0])
        @at - put
      end

      # @param rows [Numo::Int32] of the nodes that have a foot
      def on_solids(nodes, rows)
        slopes, normals = surface
        axes = frames(nodes, normals).map { |axis| by_node(nodes[rows], axis[rows, true].dup) }
        own, others, mean, moment = strips(nodes, rows, axes[1])
        arms = arms(own, others, mean)
        AXES.each { |name| @followers.put(name, own, name, others, mean) }
        turns(own, others, moment, axes)
        # -e2 (e1 · c) e3ᵀ
        follow_turn(nodes[slopes[0]].dup, slopes[1], axes[1], axes[2]) { |node| V.dot(axes[0][node, true].dup, slopes[2]) * -1 }
        @turned.each { |node, other, table| put_turn(node, other, table, arms[node, true].dup) }
      end

      # θ = e1 m e3ᵀ u - e3 m e1ᵀ u
      def turns(own, others, moment, axes)
        @turned = []
        follow_turn(own, others, axes[0], axes[2]) { moment }
        follow_turn(own, others, axes[2], axes[0]) { moment * -1 }
      end

      # θ = a f bᵀ u
      def follow_turn(own, others, one, other)
        k = own.size
        @turned << [own, others, one[own, true].reshape(k, 3, 1) * other[own, true].reshape(k, 1, 3) * yield(own).reshape(k, 1, 1)]
      end

      def put_turn(own, others, table, arms)
        3.times do |about|
          AXES.each_with_index do |axis, k|
            factors = table[true, about, k].dup
            @followers.put(TURNS[about], own, axis, others, factors)
            @followers.put_arm(about, own, axis, others, factors, arms)
          end
        end
      end

      def by_node(nodes, rows) = Numo::DFloat.zeros(@at.shape[0], 3).tap { |all| all[nodes, true] = rows }

      # Along the edge, across the shell in the face, and out of the face, at every dependent node: [k, 3]
      def frames(nodes, normal)
        along = Numo::DFloat.zeros(@at.shape[0], 3)
        @one.pieces.each { |p| 2.times { |k| along += Algebra::Gather.sum((@at[p.conn[true, 1], true] - @at[p.conn[true, 0], true]).reshape(p.conn.shape[0], 1, 3), p.conn[true, k..k].dup, @at.shape[0]) } }
        first = along[nodes, true].dup
        first = V.unit(first - V.times(normal, V.dot(first, normal)))
        [first, V.cross(normal, first), normal]
      end

      # Slopes of the shape functions at the feet, as lists [k] of point, node and slope [k, 3]; and normals by point.
      def surface
        normals = Numo::DFloat.zeros(@foot.block.size, 3)
        lists = @foot.by_block.map do |number, rows, elements, local|
          piece = @other.pieces[number]
          conn = piece.conn[elements, true].dup
          slopes, normals[rows, true] = Element::Slopes.call(piece.kind, Algebra::Gather.rows(@at, conn), local[true, 0..1].dup)
          [Algebra::Gather.repeat(rows, conn.shape[1]), conn.flatten, slopes.reshape(conn.size, 3)]
        end
        [lists.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } }, normals]
      end

      # Points across the strip of each node, placed on the faces: dependent node, other, weight in the mean and in the first
      # moment. Of strips that reach over the border only what lies on the faces counts.
      def strips(nodes, rows, across)
        z = STRIP.points[true, 0] * wall / 2
        points = (@at[nodes[rows], true].reshape(rows.size, 1, 3) + (across[nodes[rows], true].reshape(rows.size, 1, 3) * z.reshape(1, 3, 1))).reshape(rows.size * 3, 3)
        placed = @structure.placed(@other, points, @foot.away[rows].max + (wall * 1e-3))
        weight = Numo::DFloat.cast(placed.block >= 0).reshape(rows.size, 3) * STRIP.weights.reshape(1, 3)
        weight /= weight.sum(1).reshape(rows.size, 1)
        off = z.reshape(1, 3) - (weight * z.reshape(1, 3)).sum(1).reshape(rows.size, 1)
        spread = (weight * (off**2)).sum(1).reshape(rows.size, 1)
        spread[spread.eq(0).where] = Float::INFINITY if spread.eq(0).any?
        feet = feet(placed)
        [nodes[rows[feet.points / 3]].dup, feet.others, feet.weights * weight.flatten[feet.points], feet.weights * (weight * off / spread).flatten[feet.points]]
      end

      def wall = @one.places.map { |p| @structure.problem.parts.body(p.body).wall }.max
    end
  end
end
