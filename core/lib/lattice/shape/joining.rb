# frozen_string_literal: true

module Lattice
  module Shape
    # Gives bodies that touch the same faces where they do: each is imprinted with the
    # plane faces of the other that lie on it.
    class Joining
      DEPTH = 1e-3 # of the size

      # bodies by name; shared: how many pairs of faces they have in common
      attr_reader :bodies, :shared

      # @param parts [Array<Body>] solids
      # @param keeper [#call] keeps facets under a signature
      def initialize(parts, keeper)
        @bodies = parts.to_h { |b| [b.name, b] }
        @keeper = keeper
        @shared = 0
      end

      # @return [Joining] itself
      def call
        @bodies.keys.combination(2) do |a, b|
          touching = ContactFaces.pairs(@bodies[a].facets, @bodies[b].facets)
          next if touching.empty?

          @shared += touching.size
          one = @bodies[a]
          other = @bodies[b]
          @bodies[a] = imprinted(one, other, touching)
          @bodies[b] = imprinted(other, one, touching.map(&:reverse))
        end
        self
      end

      private

      # @param pairs [Array] faces of the body and of the other that lie on each other
      def imprinted(body, other, pairs)
        plane = pairs.select { |_, f| other.facets.faces[f].surface.plane? }
        plane.group_by(&:last).reduce(body) do |so_far, (face, mine)|
          name = "#{other.facets.faces[face].name} of #{other.name}"
          own = mine.map { |i, _| body.facets.faces[i].name }
          signature = ["joined", body.name, so_far.signature, other.name, other.signature, face]
          facets, = @keeper.call(signature) do
            slab = Cutters.slab(other.facets, face, so_far.size * DEPTH, beyond: rims(body, own))
            found = Imprinting.call(so_far.facets, slab, name, only: own)
            # A face that lies wholly on the other's is not parted, and keeps its name.
            [found&.faces&.any? { |f| own.include?(f.name) } ? found : so_far.facets]
          end
          facets.faces.size == so_far.facets.faces.size ? so_far : so_far.with(facets: facets, prism: nil, revolution: nil, signature: signature)
        end
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
