# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # The field of sizes over a shape: what the plan asks for, less on curves, beside short
      # edges, between edges of one face that come near each other, and in thin walls.
      class Sizing
        V = Shape::Vectors
        LEAST = 1.0 / 4 # of the global size: short edges ask for no less by themselves, nor
        FLOORS = [4, 6, 8, 10, 12, 16].map { |n| 1.0 / n }.freeze # the same, where round bodies would lose volume
        OFF = 0.006       # of the volume, that straight sides may take off by an estimate
        OFF_BENT = 8e-5   # the same of quadratic elements
        ROUND = 0.8       # curves unless this share of their radius is less
        FINEST = 1.0 / 16 # of the global size: thin places and what cannot be filled otherwise
        LONGER = 4        # times the width of a narrow place, that elements may still be long there
        CELL = 1.0 / 400  # of the global size: the field is no finer
        GAP = 1.2         # of the distance between two edges of a face
        SAMPLES = 200_000

        attr_reader :field

        # The field of members, which have no surface.
        def self.along_lines(facets, plan)
          low, high = facets.bounds
          field = SizeField.new(low, high, plan.size, finest: [*plan.local.map(&:last), *plan.regions.map(&:last), plan.size].min, growth: plan.growth)
          plan.local.each { |points, size| field.limit(points, Numo::DFloat.zeros(points.shape[0]).fill(size)) }
          plan.regions.each { |test, size| field.limit_where(size, &test) }
          field.spread
        end

        # @param source [Source]
        # @param plan [SizingPlan]
        # @param divisions [Hash] curve => shares of its length at which it is cut
        def initialize(source, plan, divisions = {})
          @source = source
          @divisions = divisions
          @facets = source.facets
          @plan = plan
          @least = plan.size * LEAST
          @round = least_on_curves
          @field = build
        end

        private

        def build
          limits = curved_faces + cones + free_faces + curved_edges + short_edges + gaps + wishes
          wanted = [*limits.map { |_, size| size.min }, *@plan.regions.map(&:last), @plan.size].min
          low, high = @facets.bounds
          field = SizeField.new(low, high, @plan.size, finest: [wanted, @plan.size * CELL].max, growth: @plan.growth)
          limits.each { |points, sizes| field.limit(points, sizes) }
          @plan.regions.each { |test, size| field.limit_where(size, &test) }
          field.spread
        end

        # Small widths do not make small elements, unless these would be far longer than wide.
        def floor(sizes, width = sizes) = Numo::DFloat.maximum(sizes, Numo::DFloat.minimum(width * LONGER, @least))

        def curved_faces
          limits = bent(@source.turn_limits(1.0))
          tight = Numo::Bit.cast(limits < @plan.size)
          rows = Numo::Int32.cast(tight[@facets.owners].where)
          return [] if rows.empty?

          points, owner = Spread.over(@facets.corners.map { |c| c[rows, true].dup }, spacing(limits.min))
          [[points, limits[@facets.owners[rows[owner]]].dup]]
        end

        # The radius of a cone's curvature is its distance from the axis, along the normal.
        def cones
          @facets.faces.each_with_index.select { |face, _| face.surface.kind == "cone" }.flat_map do |face, f|
            cone = face.surface
            points, = Spread.over(@facets.corners.map { |c| c[@facets.of(f), true].dup }, spacing(@least))
            from = points - Numo::DFloat[*cone.origin]
            axis = Numo::DFloat[*cone.axis]
            out = V.norm(from - (from.dot(axis).reshape(points.shape[0], 1) * axis))
            [[points, bent(out / Math.cos(cone.angle))]]
          end
        end

        # Sizes for radii: by the turn, but not so small as to run away on tiny fillets.
        def bent(radii)
          bent_to(radii, @round)
        end

        def bent_to(radii, least)
          least = Numo::DFloat.minimum(radii * ROUND, least)
          Numo::DFloat.maximum(Numo::DFloat.maximum(radii * @plan.turn, least), @plan.size * FINEST)
        end

        # Sides of elements take volume off round bodies: where that would be much of the whole,
        # as of a thin rod, they may be shorter than curves else ask for.
        def least_on_curves
          measures = @facets.measures
          return @least unless @facets.closed? && measures.volume.positive?

          radii = @source.turn_limits(1.0)
          round = (radii < Float::MAX).where
          return @least if round.empty?

          areas = (Numo::DFloat.cast(measures.face_areas) * @source.signs)[round].dup
          floors, off = @plan.linear ? [FLOORS, OFF] : [FLOORS.first(2), OFF_BENT]
          found = floors.find do |floor|
            sides = bent_to(radii[round].dup, @plan.size * floor)
            ((areas * beneath(sides, radii[round].dup)).sum / measures.volume).abs < off
          end
          @plan.size * (found || floors.last)
        end

        # How far sides lie under their arc in the mean: of straight ones of length c it is c² / 12 r,
        # of parabolas about c⁴ / 1000 r³.
        def beneath(sides, radii) = @plan.linear ? (sides**2) / (radii * 12) : (sides**4) / ((radii**3) * 1000)

        def spacing(least) = [least * 2, Math.sqrt(@facets.measures.area / SAMPLES)].max

        def free_faces
          nodes, radii = @source.free_radii
          nodes.empty? ? [] : [[@facets.points[nodes, true].dup, bent(radii)]]
        end

        # Edges between plane faces, or of one: where they bend no face tells of it.
        def curved_edges
          flat = @facets.edges.each_index.select { |i| @facets.edges[i].curve != "line" && @facets.edges[i].faces.all? { |f| @facets.faces[f].surface.plane? } }
          flat.filter_map { |i| @facets.edges[i].radius ? on_round(i) : on_bent(i) }
        end

        def on_round(edge)
          size = bent(Numo::DFloat[@facets.edges[edge].radius])[0]
          return nil if size >= @plan.size

          points = sampled(edge, size * 2)
          [points, Numo::DFloat.zeros(points.shape[0]).fill(size)]
        end

        # Radii from the angle between the steps of the run before and after each of its points.
        def on_bent(edge)
          run = @facets.points[@facets.edges[edge].run, true].dup
          return nil if run.shape[0] < 3

          steps = run[1..-1, true] - run[0...-1, true]
          way = V.unit(steps)
          angle = Numo::NMath.acos(V.dot(way[0...-1, true], way[1..-1, true]).clip(-1, 1))
          length = V.norm(steps)
          [run[1...-1, true].dup, bent((length[0...-1] + length[1..]) / 2 / (angle + 1e-9))]
        end

        # Edges shorter than the size ask for elements of their own length at their ends.
        def short_edges
          curves = @source.curves
          edges = @facets.edges.each_index.select { |i| curves.lengths[i] < @plan.size && !@facets.edges[i].closed }
          return [] if edges.empty?

          nodes = edges.flat_map { |i| @facets.edges[i].run.values_at(0, -1) }
          [[@facets.points[nodes, true].dup, floor(Numo::DFloat.cast(edges.flat_map { |i| [curves.lengths[i]] * 2 }))]]
        end

        # Points of edges against the other edges of the same face that do not meet them.
        def gaps
          step = @plan.size / 2
          by_face = Hash.new { |hash, face| hash[face] = [] }
          @facets.edges.each_with_index { |e, i| e.faces.each { |f| by_face[f] << i } }
          by_face.values.uniq.filter_map { |edges| gap(edges.uniq, step) if edges.uniq.size > 1 }
        end

        def gap(edges, step)
          samples = edges.map { |i| sampled(i, step) }
          points = Numo::DFloat.vstack(samples)
          edge = Numo::Int32.cast(samples.each_with_index.flat_map { |s, k| [k] * s.shape[0] })
          return nil if points.shape[0] > 6000

          apart = Numo::Bit.cast(edges.map { |a| edges.map { |b| a != b && !@facets.edges[a].run.values_at(0, -1).intersect?(@facets.edges[b].run.values_at(0, -1)) ? 1 : 0 } })
          away = nearest(points, edge, apart)
          rows = Numo::Int32.cast((away * GAP / @plan.through < @plan.size).where)
          rows.empty? ? nil : [points[rows, true].dup, floor(away[rows] * GAP / @plan.through, away[rows])]
        end

        def sampled(edge, step)
          length = @source.curves.lengths[edge]
          n = [(length / step).ceil, 2].max
          at = Numo::DFloat.new(n + 1).seq * (length / n)
          @source.curves.at(Numo::Int32.zeros(n + 1).fill(edge), at)
        end

        def nearest(points, edge, apart)
          n = points.shape[0]
          result = Numo::DFloat.zeros(n)
          step = [1_000_000 / n, 1].max
          (0...n).step(step) do |first|
            range = first...[first + step, n].min
            square = (0..2).sum { |k| (points[range, k].reshape(range.size, 1) - points[true, k].reshape(1, n))**2 }
            near = apart[(edge[range] * apart.shape[1]).reshape(range.size, 1) + edge.reshape(1, n)]
            square[near.eq(0).where] = Float::INFINITY
            result[range] = Numo::NMath.sqrt(square.min(1))
          end
          result
        end

        def wishes
          @plan.local.map { |points, size| [points, Numo::DFloat.zeros(points.shape[0]).fill(size)] } + @divisions.map { |curve, shares| pieces(curve, shares) }
        end

        # Beside a divided curve elements are as long as its pieces.
        def pieces(curve, shares)
          length = @source.curves.lengths[curve]
          steps = (shares[1..] - shares[0...-1]) * length
          [@source.curves.at(Numo::Int32.zeros(steps.size).fill(curve), (shares[1..] + shares[0...-1]) * (length / 2)), steps]
        end
      end
    end
  end
end
