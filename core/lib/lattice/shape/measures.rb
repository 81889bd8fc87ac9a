# frozen_string_literal: true

module Lattice
  module Shape
    # Area, volume, centre and inertia of a surface, each triangle taken as a curved
    # six-node patch. Integrals over a volume become integrals over its surface by the
    # divergence theorem, with a rule that is exact to degree six.
    class Measures
      # Gauss-Legendre points in a square folded onto the triangle (A. H. Stroud, 1971).
      RULE = begin
        s = [0.06943184420297371, 0.33000947820757187, 0.6699905217924281, 0.9305681557970263]
        w = [0.17392742256872692, 0.32607257743127307, 0.32607257743127307, 0.17392742256872692]
        s.each_index.flat_map { |i| s.each_index.map { |j| [s[i], s[j] * (1 - s[i]), w[i] * w[j] * (1 - s[i])] } }.freeze
      end

      STEP = 1e-4 # of a triangle, on both sides of a place

      # @param facets [Facets]
      def initialize(facets)
        @facets = facets
        @origin = facets.points.mean(0)
        curved? ? integrate : sum_flat
        finish
      end

      attr_reader :area, :face_areas, :face_centres

      # @return [Float] m³; negative when the surface is inside out
      attr_reader :volume

      # @return [Array<Float>] of the volume when closed, otherwise of the surface
      def centre = @facets.closed? && !volume.zero? ? @first.map { |c| c / volume } : @surface_first.map { |c| c / area }

      # @return [Array<Array<Float>>] second moments about the centre per unit density (m⁵; m⁴ for
      #   surfaces): ∫ (r·r I − r rᵀ)
      def inertia
        solid = @facets.closed?
        total = solid ? volume : area
        square = solid ? @second : @surface_second
        c = centre
        about = (0..2).map { |i| (0..2).map { |j| square[i][j] - (total * c[i] * c[j]) } }
        trace = about[0][0] + about[1][1] + about[2][2]
        (0..2).map { |i| (0..2).map { |j| (i == j ? trace : 0.0) - about[i][j] } }
      end

      private

      def integrate
        nodes = patch_nodes.map { |n| n - @origin }
        @plane = plane_triangles
        @volume = 0.0
        @raw_first = [0.0] * 3
        @raw_second = Array.new(3) { [0.0] * 3 }
        @surface = { 0 => Numo::DFloat.zeros(@facets.count), 1 => Numo::DFloat.zeros(@facets.count, 3), 2 => Array.new(3) { [0.0] * 3 } }
        @cones = @facets.faces.each_index.select { |i| @facets.faces[i].surface.kind == "cone" }.to_h { |i| [moved_to_origin(@facets.faces[i].surface), @facets.of(i)] }
        RULE.each { |r, s, w| add(nodes, r, s, w) }
      end

      def moved_to_origin(surface) = surface.dup.tap { |s| s.origin = Vectors.minus3(surface.origin, @origin.to_a) }

      # Flat triangles in closed form: the tetrahedra that they span with the origin.
      # A. M. Messner, G. Q. Taylor, Algorithm 550: Solid polyhedron measures, 1980.
      def sum_flat
        a, b, c = @facets.corners.map { |p| p - @origin }
        volumes = Vectors.dot(a, Vectors.cross(b, c)) / 6
        areas = @facets.flat[1]
        sum = a + b + c
        squares = ->(weights) { (0..2).map { |i| (0..2).map { |j| [sum, a, b, c].sum { |p| (p[true, i] * p[true, j] * weights).sum } } } }
        @volume = volumes.sum
        @raw_first = (Vectors.times(sum, volumes).sum(0) / 4).to_a
        @raw_second = squares.call(volumes / 20)
        @surface = { 0 => areas.dup, 1 => Vectors.times(sum, areas) / 3, 2 => squares.call(areas / 12) }
      end

      # Plane faces are bent too where their edges are round.
      def curved?
        @facets.faces.any? { |f| f.surface.curved? && (@facets.normals || !f.surface.free?) } || @facets.edges.any?(&:radius)
      end

      # @return [Array<Numo::DFloat>] six arrays [t, 3]: corners, then the middles of 01, 12, 20
      def patch_nodes
        table = @facets.topology.sides.reshape(@facets.count, 3)
        @facets.corners + (0..2).map { |k| @facets.middles[table[true, k].dup, true].dup }
      end

      def add(nodes, r, s, weight)
        t = 1 - r - s
        shape = [t * ((2 * t) - 1), r * ((2 * r) - 1), s * ((2 * s) - 1), 4 * t * r, 4 * r * s, 4 * s * t]
        by_r = [1 - (4 * t), (4 * r) - 1, 0, 4 * (t - r), 4 * s, -4 * s]
        by_s = [1 - (4 * t), 0, (4 * s) - 1, -4 * r, 4 * r, 4 * (t - s)]
        at, du, dv = [shape, by_r, by_s].map { |f| nodes.zip(f).map { |n, c| n * c }.reduce(:+) }
        @cones.each { |cone, rows| [at, du, dv].zip(on_cone(cone, *[at, du, dv].map { |n| n[rows, true].dup })) { |all, part| all[rows, true] = part } }
        normal = Vectors.cross(du, dv) * weight
        spread(at, normal)
      end

      # Patches that run out in the tip of a cone do not lie on it; their places are moved onto
      # it, and their tangents follow.
      def on_cone(cone, at, *tangents)
        [cone.project(at), *tangents.map { |t| (cone.project(at + (t * STEP)) - cone.project(at - (t * STEP))) / (2 * STEP) }]
      end

      # On plane faces area has a sign: a slim triangle at the rim of a hole may reach over
      # itself where its side is bent.
      def plane_triangles
        plane = Numo::Int32.cast(@facets.faces.map { |f| f.surface.plane? ? 1 : 0 })
        Numo::DFloat.cast(plane[@facets.owners])
      end

      def spread(at, normal)
        area = (Vectors.norm(normal) * (1 - @plane)) + (Vectors.dot(normal, @facets.flat[0]) * @plane)
        @surface[0] += area
        @surface[1] += Vectors.times(at, area)
        x, y, z = (0..2).map { |k| at[true, k].dup }
        flux = Vectors.dot(at, normal)
        @volume += flux.sum / 3
        [x, y, z].each_with_index do |u, i|
          @raw_first[i] += (u * flux).sum / 4
          [x, y, z].each_with_index do |v, j|
            @raw_second[i][j] += (u * v * flux).sum / 5
            @surface[2][i][j] += (u * v * area).sum
          end
        end
      end

      # Moments were taken about the middle of the points; now about the origin.
      def finish
        o = @origin.to_a
        areas = @surface[0]
        @area = areas.sum
        raw = (0..2).map { |k| @surface[1][true, k].sum }
        @first, @second = shifted(@volume, @raw_first, @raw_second, o)
        @surface_first, @surface_second = shifted(@area, raw, @surface[2], o)
        @face_areas = @facets.owners.bincount(areas, minlength: @facets.faces.size).to_a
        @face_centres = centres_of_faces(o)
        @surface = nil
      end

      def centres_of_faces(origin)
        sums = (0..2).map { |k| @facets.owners.bincount(@surface[1][true, k].dup, minlength: @facets.faces.size).to_a }
        @face_areas.each_with_index.map { |a, i| (0..2).map { |k| (a.zero? ? 0.0 : sums[k][i] / a) + origin[k] } }
      end

      def shifted(total, first, second, by)
        [(0..2).map { |k| first[k] + (total * by[k]) },
         (0..2).map { |i| (0..2).map { |j| second[i][j] + (by[i] * first[j]) + (by[j] * first[i]) + (total * by[i] * by[j]) } }]
      end
    end
  end
end
