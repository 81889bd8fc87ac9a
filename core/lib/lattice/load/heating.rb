# frozen_string_literal: true

module Lattice
  module Load
    # What heats or cools a place in a heat study: a temperature that is held, heat that flows in, a source within, or air that
    # takes it away.
    class Heating
      KIND = "heat"
      TARGETS = { "held" => %i[faces edges points bodies], "flux" => %i[faces edges], "source" => %i[bodies], "convection" => %i[faces edges bodies] }.freeze

      # @param problem [Study::Problem]
      # @return [Array<Heating>] those in force
      def self.all(problem) = problem.document.active(KIND).map { |s| new(s, problem) }

      attr_reader :statement

      # @param statement [Model::Statement]
      # @param problem [Study::Problem]
      def initialize(statement, problem)
        @statement = statement
        @problem = problem
      end

      def how = statement["how"]
      def places = @problem.groups.target!(statement, TARGETS.fetch(how))

      # @return [Float] K, that is held or that of the air
      def temperature = needed("temperature", "temperature", "20 degC")

      # @return [Float] W in all
      def power = needed("power", "power", "50 W")

      # @return [Float] W/(m² K)
      def film = needed("film", "film", "15 W/(m2 K)")

      def signature = [Model::Meaning.of(statement, except: ["target"]), @problem.keys(statement)]

      # @raise [InvalidInput]
      def check!
        check_places
        case how
        when "held" then temperature
        when "convection"
          temperature
          raise statement.fault("its film takes no heat: it is not above zero", path: "film", cure: "Give a coefficient such as 15 W/(m2 K).") unless film.positive?
        else power
        end
      end

      private

      # Air needs a surface: edges have one where bodies are plane, members around them.
      def check_places
        all = places
        bare = how == "convection" && all.find { |p| p.of == :bodies ? !@problem.parts.body(p.body).members? : p.of == :edges && @problem.parts.dimension == 3 }
        return unless bare

        raise statement.fault("“#{bare.name}” has no surface that air could take heat from", path: "target", cure: "Choose faces, or a body of members.")
      end

      def needed(key, dimension, example)
        statement.quantity(key, dimension) || raise(statement.fault("it has no #{key}", path: key, cure: "Give one, such as #{example}."))
      end
    end
  end
end
