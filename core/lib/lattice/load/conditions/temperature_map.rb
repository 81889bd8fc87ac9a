# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Temperatures of bodies from points that another program made, or from a heat study of the same note.
      class TemperatureMap < Condition
        include Carried
        include Warming

        acts_on :bodies

        CARRIES = "temperature"
        DIMENSION = "temperature"
        COLDEST = 0.0 # K

        def check!
          super
          check_scale
          places.each { |place| grow!(Struct.new(:material, :body).new(problem.materials[place.body], problem.parts.body(place.body))) }
          return heat_study if statement["study"]

          coldest = kelvin(cloud.values.min)
          return if coldest >= COLDEST

          raise statement.fault("its coldest point has #{Quantity::Display.format(coldest, 'temperature')}, which nothing can have", path: "degrees", cure: "Choose the unit that the temperatures are in.")
        end

        def signature = [*super, statement["study"] && problem.study_digest(heat_study)]

        def apply(structure)
          check!
          names = places.map(&:body)
          pieces = structure.pieces.select { |p| names.include?(p.body.name) }
          nodes = Algebra::Gather.distinct(pieces.map(&:conn))
          change = statement["study"] ? (Study::Kinds::Heat.temperatures(problem, structure.grid, heat_study) - reference) * scale : mapped(structure, nodes)
          structure.heat(self, nodes, change[nodes].dup)
          pieces.each { |piece| warm(structure, piece, change) }
        end

        private

        def heat_study
          found = problem.studies.find { |s| s.name == statement["study"] && s["type"] == "heat" }
          found || raise(statement.fault("there is no heat study named “#{statement['study']}”", path: "study", cure: "Choose a heat study, or a file."))
        end

        # Of a heat study it is not known before.
        # @return [Array(Float, Float), nil] K
        def temperatures = statement["study"] ? nil : cloud.values.minmax.map { |value| ((kelvin(value) - reference) * scale) + reference }

        def kelvin(value)
          unit = Quantity::Unit.find(statement["degrees"] || "degC")
          (value * unit.factor) + unit.offset
        end

        # @return [Numo::DFloat] [n] K above the reference, at the nodes
        def mapped(structure, nodes)
          values = carried(structure, structure.grid.nodes[nodes, true].dup, kelvin(cloud.values))
          Numo::DFloat.zeros(structure.grid.nodes.shape[0]).tap { |all| all[nodes] = (values - reference) * scale }
        end
      end
    end
  end
end
