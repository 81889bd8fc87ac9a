# frozen_string_literal: true

module Lattice
  module Shape
    # Which faces go smoothly over into each other.
    class Tangency
      # @param facets [Facets]
      def initialize(facets)
        @facets = facets
      end

      # @param names [Array<String>] faces to start from
      # @param angle [Float] rad, the greatest turn over an edge
      # @return [Array<String>] those, and what is reached from them
      def grown(names, angle)
        found = names.dup
        loop do
          more = joins(angle).select { |pair| pair.intersect?(found) }.flatten.uniq - found
          return found if more.empty?

          found += more
        end
      end

      private

      # Pairs of faces whose true normals turn by less than the angle all along their edge.
      def joins(angle)
        @joins ||= begin
          sides, one, two = @facets.topology.pairs
          a = @facets.owners[one].dup
          b = @facets.owners[two].dup
          apart = a.ne(b).where
          turns = turn(sides[apart].dup, one[apart].dup, two[apart].dup)
          pairs = Numo::Int32.minimum(a, b)[apart].to_a.zip(Numo::Int32.maximum(a, b)[apart].to_a)
          pairs.zip(turns.to_a).group_by(&:first).select { |_, all| all.map(&:last).max <= angle + 1e-9 }.keys
               .map { |pair| pair.map { |f| @facets.faces[f].name } }
        end
      end

      # Each side's two normals at its middle: of the surface where it is known, of the triangle where not.
      def turn(sides, one, two)
        at = @facets.middles[sides, true].dup
        cosine = Vectors.dot(normals(one, at), normals(two, at)).clip(-1.0, 1.0)
        Numo::NMath.acos(cosine)
      end

      def normals(triangles, at)
        flat = @facets.flat[0][triangles, true].dup
        owners = @facets.owners[triangles].dup
        Algebra::Gather.distinct([owners]).to_a.each do |face|
          surface = @facets.faces[face].surface
          rows = owners.eq(face).where
          next if surface.plane? || surface.free?

          true_normals = surface.normals(at[rows, true].dup)
          signs = 1 - (2 * Numo::DFloat.cast(Vectors.dot(true_normals, flat[rows, true].dup).lt(0)))
          flat[rows, true] = Vectors.times(true_normals, signs)
        end
        flat
      end
    end
  end
end
