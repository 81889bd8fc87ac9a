# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # The edges of a shape as curves by length: each runs from 0 to its length; closed ones
      # go on beyond. Points between two given ones lie on the circle, where it is one, or
      # on both faces that meet there, or on parabolas where their bulges are known.
      class Curves
        V = Shape::Vectors
        ROUNDS = 4

        attr_reader :lengths, :edges

        # @param points [Numo::DFloat] of the shape
        # @param edges [Array<Shape::Edge>]
        # @param surfaces [Array<Shape::Surface>] of the faces
        # @param bulges [Proc, nil] of the ends of steps, answers how far the curve's middles lie off theirs [k, 3]
        def initialize(points, edges, surfaces, bulges: nil)
          @edges = edges
          @surfaces = surfaces
          @bulges = bulges
          lay(points) unless edges.empty?
        end

        def size = @edges.size

        # @return [Numo::DFloat] lengths from the start, of the nodes of a curve's run
        def reaches(curve) = (@reach[@first[curve]..@last[curve]] - @starts[curve]).dup

        # @param curve [Numo::Int32] [n]
        # @param at [Numo::DFloat] [n] lengths from the start
        # @return [Numo::DFloat] [n, 3]
        def at(curve, at)
          length = @lengths[curve].dup
          turns = Numo::DFloat.cast(@closed[curve]) * (at / length).floor
          reach = @starts[curve] + (at - (turns * length)).clip(0, length)
          i = Algebra::Search.first_not_below(@reach, reach)
          # The list repeats the same reach where one curve ends and the next starts.
          i = Numo::Int32.maximum(Numo::Int32.minimum(i, @last[curve]), @first[curve] + 1)
          before = @reach[i - 1].dup
          span = @reach[i] - before
          share = ((reach - before) / (span + 1e-300)).clip(0, 1)
          straight = @points[i - 1, true] + V.times(@points[i, true] - @points[i - 1, true], share)
          straight += V.times(@lift[i, true].dup, share * (1 - share) * 4) if @lift
          on_curve(curve, straight)
        end

        private

        # The points of all runs, one after another, and how far along each lies.
        def lay(points)
          runs = @edges.map(&:run)
          nodes = Numo::Int32.cast(runs.flatten)
          curve = Numo::Int32.cast(runs.each_with_index.flat_map { |run, i| [i] * run.size })
          @points = points[nodes, true].dup
          steps = Numo::DFloat.zeros(nodes.size)
          steps[1..] = V.norm(@points[1..-1, true] - @points[0...-1, true]) if nodes.size > 1
          jumps = curve[1..].ne(curve[0...-1]).where + 1
          steps[jumps] = 0.0 unless jumps.empty?
          @reach = steps.cumsum
          sizes = Numo::Int32.cast(runs.map(&:size))
          @first = sizes.cumsum - sizes
          @last = @first + sizes - 1
          @starts = @reach[@first].dup
          @lengths = @reach[@last] - @starts
          @closed = Numo::Bit.cast(@edges.map { |e| e.closed ? 1 : 0 })
          columns
          @lift = lifts(nodes, curve) if @bulges
        end

        # Of the step before each node of the runs: none where curves are found otherwise.
        def lifts(nodes, curve)
          lift = Numo::DFloat.zeros(nodes.size, 3)
          plain = @edges.map { |e| !e.radius && e.curve != "line" && !bends?(e) }
          inner = (1...nodes.size).select { |i| plain[curve[i]] && curve[i] == curve[i - 1] }
          lift[inner, true] = @bulges.call(nodes[inner.map { |i| i - 1 }].dup, nodes[inner].dup) unless inner.empty?
          lift
        end

        def columns
          @round = Numo::Bit.cast(@edges.map { |e| e.radius ? 1 : 0 })
          @radius, @axis, @centre = [[:radius, 0.0], [:axis, [0.0, 0.0, 1.0]], [:centre, [0.0, 0.0, 0.0]]].map { |key, none| Numo::DFloat.cast(@edges.map { |e| e[key] || none }) }
          @free = Numo::Bit.cast(@edges.map { |e| bends?(e) ? 1 : 0 })
        end

        # Whether a curve is found by the faces beside it.
        def bends?(edge) = !edge.radius && edge.curve != "line" && !edge.faces.all? { |f| @surfaces[f].free? || @surfaces[f].plane? }

        def on_curve(curve, points)
          rows = Numo::Int32.cast(@round[curve].where)
          points[rows, true] = on_circle(curve[rows].dup, points[rows, true].dup) unless rows.empty?
          rows = Numo::Int32.cast(@free[curve].where)
          rows.to_a.group_by { |row| curve[row] }.each { |c, mine| points[mine, true] = on_faces(c, points[mine, true].dup) }
          points
        end

        def on_circle(curve, points)
          axis = @axis[curve, true].dup
          centre = @centre[curve, true].dup
          from = points - centre
          centre + V.times(V.unit(from - V.times(axis, V.dot(from, axis))), @radius[curve].dup)
        end

        def on_faces(curve, points)
          surfaces = @edges[curve].faces.map { |f| @surfaces[f] }
          ROUNDS.times { surfaces.each { |s| points = s.project(points) } }
          points
        end
      end
    end
  end
end
