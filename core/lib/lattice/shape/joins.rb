# frozen_string_literal: true

module Lattice
  module Shape
    # Which bodies the note joins, and the faces they share.
    class Joins
      def self.none = new([])

      # @param groups [Array<Array<String>>] names of bodies joined with each other
      def initialize(groups)
        @groups = groups
      end

      def signature = @groups

      # @param bodies [Array<Body>]
      # @return [Array<Array<Body>>] bodies that hang together by joined faces; others alone
      def clusters(bodies)
        return [] if bodies.empty?

        index = bodies.each_with_index.to_h { |b, i| [b.name, i] }
        links = regions(bodies) + @groups.flat_map do |names|
          names.filter_map do |n|
            index[n]
          end.select { |i| bodies[i].solid? }.combination(2).select { |i, j| touching?(bodies[i], bodies[j]) }
        end
        label = Components.call(bodies.size, *[0, 1].map { |k| Numo::Int32.cast(links.map { |l| l[k] }) })
        bodies.each_index.group_by { |i| label[i] }.values.map { |list| list.map { |i| bodies[i] } }
      end

      # @param cluster [Array<Body>]
      # @return [Array] pairs [[body, face], [body, face]] of whole faces that coincide
      def shared(cluster)
        cluster.combination(2).flat_map { |a, b| pairs(a, b).map { |i, j| [[a.name, a.facets.faces[i].name], [b.name, b.facets.faces[j].name]] } }
      end

      # @param cluster [Array<Body>]
      # @return [Boolean] whether all faces of theirs that touch coincide, so that what touches is joined
      def whole?(cluster)
        cluster.combination(2).all? { |a, b| touching(a, b).size == pairs(a, b).size }
      end

      private

      # Regions of one outline share their borders without being told.
      def regions(bodies)
        bodies.each_index.select { |i| bodies[i].whole }.group_by { |i| bodies[i].whole }.values.flat_map { |same| same.each_cons(2).to_a }
      end

      def touching?(one, other) = pairs(one, other).any?

      def pairs(one, other)
        one.facets.remember([:shared, other.signature, other.name]) { touching(one, other).select { |i, j| ContactFaces.coincide?(one.facets, i, other.facets, j) } }
      end

      def touching(one, other) = one.facets.remember([:touching, other.signature, other.name]) { ContactFaces.pairs(one.facets, other.facets) }
    end
  end
end
