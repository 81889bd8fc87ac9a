# frozen_string_literal: true

module Lattice
  module Shape
    # The list of parts: what each body measures and weighs, and all together.
    class Inventory
      # @param bodies [Array<Body>]
      # @param materials [Hash{String => Matter::Material}] by the body's name
      # @param sections [#volume, nil] of members
      def initialize(bodies, materials, sections = nil)
        @bodies = bodies
        @sections = sections
        @densities = materials.transform_values { |material| material&.density }.compact
      end

      # @return [Hash{String => Float}] kg/m³ of bodies, where it is known
      attr_reader :densities

      # @return [Float, nil] kg; nil for members without sections, and where the density is not known
      def mass(body)
        volume = body.members? ? @sections&.volume(body) : body.volume
        densities[body.name] * volume if volume && densities.key?(body.name)
      end

      # @return [Array<Hash>] in SI
      def rows
        @bodies.map do |body|
          { name: body.name, make: body.make, thickness: body.thickness, volume: body.volume, area: body.area, outline: body.outline&.name, closed: body.facets.closed?,
            length: body.members? ? body.length : nil, mass: mass(body), centre: body.centre, faces: body.facets.faces.size, merged: body.merged, bounds: body.bounds }
        end
      end

      # @return [Hash] volume, mass of what has one, and whether that is everything
      def total
        weighed = @sections ? @bodies : @bodies.reject(&:members?)
        masses = weighed.filter_map { |body| mass(body) }
        { volume: @bodies.sum(&:volume), mass: masses.empty? ? nil : masses.sum, complete: masses.size == weighed.size, faces: @bodies.sum { |b| b.facets.faces.size } }
      end
    end
  end
end
