# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Pressure onto faces, or onto the sides of plane regions, from points that another program made.
      class PressureMap < Pressure
        include Carried

        CARRIES = "pressure"
        DIMENSION = "stress"
        UNIT = "Pa"

        # How it was carried over is told of the nodes, once.
        def pressures(structure) = (@pressures ||= {}.compare_by_identity)[structure] ||= brought(structure)

        private

        def brought(structure)
          check!
          values = cloud.values * Quantity::Unit.find(statement["per"] || UNIT).factor * scale
          carried(structure, structure.grid.nodes[structure.grid.nodes_of(places), true].dup, values)
          from = source(values)
          ->(points) { from.call(points).values.clip(values.min, values.max) }
        end

        def check_value
          check_scale
          cloud
        end
      end
    end
  end
end
