# frozen_string_literal: true

module Lattice
  module Shape
    # Puts surfaces together into one, welding points that coincide.
    module Assembly
      module_function

      # @param all [Array<Facets>]
      # @param weld [Float] of the size; nil keeps points apart
      # @return [Facets] faces of one name become one
      def join(all, weld: 1e-7)
        points = Numo::DFloat.vstack(all.map(&:points))
        size = Math.sqrt(((points.max(0) - points.min(0))**2).sum)
        distinct, rank = weld ? Weld.call(points, size * weld) : [points, Numo::Int32.new(points.shape[0]).seq]
        names = all.flat_map { |f| f.faces.map(&:name) }.uniq
        faces = names.map { |name| all.lazy.flat_map(&:faces).find { |f| f.name == name } }
        first = 0
        triangles = []
        owners = []
        all.each do |facets|
          triangles << rank[(facets.triangles + first).flatten].reshape(*facets.triangles.shape).dup
          owners << Numo::Int32.cast(facets.faces.map { |f| names.index(f.name) })[facets.owners].dup
          first += facets.points.shape[0]
        end
        Facets.new(points: distinct, triangles: Numo::Int32.vstack(triangles), owners: Numo::Int32.hstack(owners), faces: faces)
      end
    end
  end
end
