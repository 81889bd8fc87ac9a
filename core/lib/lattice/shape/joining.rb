# frozen_string_literal: true

module Lattice
  module Shape
    # Gives bodies that touch the same faces where they do: each is imprinted with the faces
    # of the other that lie on it, and their borders get the same points.
    class Joining
      DEPTH = 1e-3 # of the size
      SAG = 4.0    # times what the facets of a round face lie off it

      # bodies by name; shared: how many pairs of faces they have in common; apart: names of
      # bodies that touch, but whose faces could not be given a common border
      attr_reader :bodies, :shared, :apart

      # @param parts [Array<Body>] solids
      # @param keeper [#call] keeps facets under a signature
      def initialize(parts, keeper)
        @bodies = parts.to_h { |b| [b.name, b] }
        @keeper = keeper
        @shared = 0
        @apart = []
      end

      # @return [Joining] itself
      def call
        @bodies.keys.combination(2) { |a, b| imprint(a, b) }
        @bodies.keys.combination(2) { |a, b| match(a, b) }
        self
      end

      private

      def imprint(a, b)
        touching = pairs(a, b)
        return if touching.empty?

        one = @bodies[a]
        other = @bodies[b]
        @bodies[a] = imprinted(one, other, touching)
        @bodies[b] = imprinted(other, one, touching.map(&:reverse))
      end

      def pairs(a, b) = ContactFaces.pairs(@bodies[a].facets, @bodies[b].facets)

      # Round edges have points of their own in each body.
      def match(a, b)
        one, other = @bodies.values_at(a, b)
        touching = pairs(a, b)
        common = touching.select { |i, j| ContactFaces.coincide?(one.facets, i, other.facets, j) }
        @apart << [a, b] if common.empty? && touching.any?
        @shared += common.size
        return if common.empty?

        @bodies[a] = bordered(one, common.map(&:first), other, common.map(&:last))
        @bodies[b] = bordered(other, common.map(&:last), one, common.map(&:first))
      end

      def bordered(body, faces, other, theirs)
        nodes = other.facets.edges.select { |e| e.faces.intersect?(theirs) && e.curve != "line" }.flat_map(&:nodes).uniq
        return body if nodes.empty?

        signature = ["bordered", body.signature, faces, other.signature, theirs]
        facets, = @keeper.call(signature) { [CommonBorder.call(body.facets, faces, other.facets.points[nodes, true].dup)] }
        facets.equal?(body.facets) || facets.count == body.facets.count ? body : body.with(facets: facets, signature: signature)
      end

      # @param pairs [Array] faces of the body and of the other that lie on each other
      def imprinted(body, other, pairs)
        pairs.group_by(&:last).reduce(body) do |so_far, (face, mine)|
          name = "#{other.facets.faces[face].name} of #{other.name}"
          own = mine.map { |i, _| body.facets.faces[i].name }
          signature = ["joined", body.name, so_far.signature, other.name, other.signature, face]
          facets, = @keeper.call(signature) do
            slab = Cutters.slab(other.facets, face, (so_far.size * DEPTH) + (SAG * sag(other.facets, face)), beyond: rims(body, own))
            found = Imprinting.call(so_far.facets, slab, name, only: own)
            # A face that lies wholly on the other's is not parted, and keeps its name.
            [found&.faces&.any? { |f| own.include?(f.name) } ? found : so_far.facets]
          end
          facets.faces.size == so_far.facets.faces.size ? so_far : so_far.with(facets: facets, prism: nil, revolution: nil, signature: signature)
        end
      end

      # How far the middles of a face's triangles lie off its surface.
      def sag(facets, face)
        rows = facets.of(face)
        facets.faces[face].surface.distance(facets.corners.map { |c| c[rows, true] }.reduce(:+) / 3).max
      end

      # The border of faces, as segments [k, 2, 3].
      def rims(body, names)
        facets = body.facets
        edges = facets.edges.select { |e| e.faces.any? { |f| names.include?(facets.faces[f].name) } }
        runs = edges.flat_map { |e| e.run.each_cons(2).to_a }
        Numo::DFloat.zeros(runs.size, 2, 3).tap do |all|
          (0..1).each { |k| all[true, k, true] = facets.points[runs.map { |r| r[k] }, true] }
        end
      end
    end
  end
end
