# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Gives a place movements that another program found at points, in its case; in others it is held.
      class DisplacementMap < Condition
        include Carried

        acts_on :faces, :edges, :points, :bodies

        CARRIES = "displacement"
        DIMENSION = "length"

        def spreads? = true
        def holds? = true
        def steady? = true
        def components = (statement["components"] || %w[x y z].first(problem.parts.dimension)).map(&:to_sym)

        def check!
          super
          check_scale
          cloud && nil
        end

        def apply(structure)
          check!
          nodes = structure.grid.nodes_of(places)
          return if nodes.empty?

          at = structure.grid.nodes[nodes, true].dup
          moved = turned(cloud.values) * Format::ShapeFile::UNITS.fetch(statement["per"] || "m") * scale
          # How it was carried over is told of the size.
          carried(structure, at, Numo::NMath.sqrt((moved**2).sum(1)))
          components.each { |name| structure.hold(self, name, along(moved[true, "xyz".index(name.to_s)].dup, at)) }
        end

        private

        def along(values, at) = source(values).call(at).values.clip(*values.minmax)

        def cloud = @cloud ||= read { Format::Cloud.kept(statement["digest"], file, statement["columns"], wide: true) }
      end
    end
  end
end
