# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Holds components of a place, in every case; along the axes of the model, or of a frame of its own.
      class Support < Condition
        acts_on :faces, :edges, :points, :bodies
        comes_and_goes

        def spreads? = true
        def holds? = true
        def components = statement["components"].map(&:to_sym)
        def frame = statement["frame"] && (@frame ||= SupportFrame.of(statement))

        def check!
          super
          frame&.check!(places, components, problem)
        end

        def apply(structure)
          return components.each { |name| structure.hold(self, name) } unless frame

          check!
          frame.surface? ? across_surface(structure) : along_frame(structure)
        end

        private

        def along_frame(structure)
          nodes = structure.grid.nodes_of(places)
          at = structure.grid.nodes[nodes, true].dup
          components.each do |name|
            number = System::Dofs::NAMES.index(name)
            structure.hold_along(self, nodes, frame.directions(at, number % 3), what: number < 3 ? :slides : :turns)
          end
        end

        def across_surface(structure)
          places.each do |place|
            nodes = structure.grid.nodes_of([place])
            structure.hold_along(self, nodes, structure.normals([place], nodes))
          end
        end
      end
    end
  end
end
