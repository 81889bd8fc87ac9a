# frozen_string_literal: true

module Lattice
  module Shape
    # Makes one of what coincides in a sheet: points, edges and whole faces that lie upon
    # each other; and counts what it made one.
    module Merging
      module_function

      # @param facets [Facets]
      # @return [Array(Facets, Hash)] the surface (nil when nothing has an area), and counts of points, edges and faces
      def call(facets)
        points, rank = Weld.call(facets.points, facets.size * 1e-6)
        triangles = rank[facets.triangles.flatten].reshape(*facets.triangles.shape).dup
        a, b, c = (0..2).map { |k| triangles[true, k].dup }
        real = a.ne(b) & b.ne(c) & c.ne(a)
        sound = (Doubled.first(triangles) & real).where
        return [nil, {}] if sound.empty?

        merged = Facets.new(points: points, triangles: triangles, owners: facets.owners, faces: facets.faces).subset(sound)
        counts = { points: facets.points.shape[0] - points.shape[0], faces: facets.faces.size - merged.faces.size,
                   edges: facets.topology.ends.shape[0] - merged.topology.ends.shape[0] }
        [merged, counts.select { |_, n| n.positive? }]
      end
    end
  end
end
