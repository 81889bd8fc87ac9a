# frozen_string_literal: true

module Lattice
  module Element
    # Integration points [g, dimension] and weights [g] on a reference element.
    Rule = Struct.new(:points, :weights) do
      def size = weights.size

      # Products of Gauss's rule on [-1, 1].
      # @param order [Integer] 1 to 3 points a direction
      def self.gauss(order, dimension)
        x, w = Rule::LINE.fetch(order)
        all = Array.new(dimension) { x.each_index.to_a }
        indices = all[0].product(*all[1..])
        new(Numo::DFloat.cast(indices.map { |i| i.map { |k| x[k] } }), Numo::DFloat.cast(indices.map { |i| i.map { |k| w[k] }.reduce(:*) }))
      end

      # Fourteen points on the cube, exact to the fifth degree.
      # B. M. Irons, Quadrature rules for brick based finite elements, 1971.
      def self.irons
        a = Math.sqrt(19.0 / 30)
        b = Math.sqrt(19.0 / 33)
        faces = (0..2).flat_map { |k| [-a, a].map { |s| [0.0, 0.0, 0.0].tap { |p| p[k] = s } } }
        corners = [-b, b].product([-b, b], [-b, b])
        new(Numo::DFloat.cast(faces + corners), Numo::DFloat.cast(([320.0 / 361] * 6) + ([121.0 / 361] * 8)))
      end

      # On the triangle (0,0) (1,0) (0,1): 3 points (degree 2) or 6 (degree 4).
      # D. A. Dunavant, High degree efficient symmetrical Gaussian quadrature rules for the triangle, 1985.
      def self.triangle(count)
        sets = count == 3 ? [[1.0 / 6, 1.0 / 3]] : [[0.091576213509771, 0.109951743655322], [0.445948490915965, 0.223381589678011]]
        points = sets.flat_map { |a, _| [[a, a], [1 - (2 * a), a], [a, 1 - (2 * a)]] }
        new(Numo::DFloat.cast(points), Numo::DFloat.cast(sets.flat_map { |_, w| [w / 2] * 3 }))
      end

      # On the tetrahedron of the origin and the unit points: 4 points within (degree 2), or the
      # corners and the middles of faces (8 points, degree 3), which curved sides want.
      # A. H. Stroud, Approximate calculation of multiple integrals, 1971.
      def self.tetrahedron(count)
        a = (5 - Math.sqrt(5)) / 20
        return new(Numo::DFloat.cast(corners_of(a, 1 - (3 * a))), Numo::DFloat.zeros(4).fill(1.0 / 24)) if count == 4

        weights = ([1.0 / 240] * 4) + ([9.0 / 240] * 4)
        new(Numo::DFloat.cast(corners_of(0.0, 1.0) + corners_of(1.0 / 3, 0.0)), Numo::DFloat.cast(weights))
      end

      # Fourteen points on the tetrahedron, exact to the fifth degree, for masses.
      # N. J. Walkington, Quadrature on simplices of arbitrary dimension, 2000.
      def self.tetrahedron_fine
        a = 0.31088591926330060980
        b = 0.092735250310891226402
        c = 0.045503704125649649492
        pairs = [0, 1, 2, 3].combination(2).map { |i, j| [c, c, c, c].tap { |l| l[i] = l[j] = 0.5 - c }[1..] }
        weights = ([0.11268792571801585080] * 4) + ([0.07349304311636194934] * 4) + ([0.04254602077708146686] * 6)
        new(Numo::DFloat.cast(corners_of(a, 1 - (3 * a)) + corners_of(b, 1 - (3 * b)) + pairs), Numo::DFloat.cast(weights) / 6)
      end

      # Four points with three equal volume coordinates.
      def self.corners_of(same, other) = [[same] * 3, *(0..2).map { |k| Array.new(3, same).tap { |p| p[k] = other } }]

      # The triangle's rule times Gauss's rule along the prism.
      def self.prism(count, order)
        base = triangle(count)
        x, w = Rule::LINE.fetch(order)
        points = x.flat_map { |z| base.points.to_a.map { |p| [*p, z] } }
        new(Numo::DFloat.cast(points), Numo::DFloat.cast(w.flat_map { |f| base.weights.to_a.map { |v| v * f } }))
      end
    end

    Rule::LINE = {
      1 => [[0.0], [2.0]],
      2 => [[-1 / Math.sqrt(3), 1 / Math.sqrt(3)], [1.0, 1.0]],
      3 => [[-Math.sqrt(0.6), 0.0, Math.sqrt(0.6)], [5.0 / 9, 8.0 / 9, 5.0 / 9]]
    }.freeze
  end
end
