# frozen_string_literal: true

module Lattice
  module Load
    # What loads have in common that warm bodies against the temperature at which they are free of stress.
    module Warming
      def spreads? = true
      def loads? = true
      def steady? = true
      def warms? = true

      # @return [Array<Fault>]
      def oddities
        least, greatest = temperatures
        return [] unless least

        bodies = places.map(&:body).select { |body| (over = problem.materials.to_h[body]&.over) && over.beyond?(*[least, greatest, reference].minmax) }
        return [] if bodies.empty?

        [statement.fault_at("it goes beyond the table of “#{problem.materials[bodies[0]].name}” over temperature, whose end is kept there", cure: "Give the table more rows, or check the unit.")]
      end

      private

      def reference = statement.quantity("reference", "temperature") || 293.15

      # @raise [InvalidInput] where it is not known how a material grows
      def grow!(piece)
        return piece.material if piece.material&.grows?

        raise statement.fault("the material of “#{piece.body.name}” has no thermal expansion", cure: "Type its expansion in the material statement.")
      end

      # @param change [Float, Numo::DFloat] K above the reference: of all, or [n] at the nodes
      def warm(structure, piece, change)
        strain = grow!(piece).free_strain(reference, change)
        strain.is_a?(Float) ? structure.warm(self, piece, strain) : structure.warm_by(self, piece, strain)
        structure.softened(self, piece, reference, change) if piece.material.over&.young
      end
    end
  end
end
