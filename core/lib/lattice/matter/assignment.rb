# frozen_string_literal: true

module Lattice
  module Matter
    # Which material each body has; a later statement stands over an earlier one.
    class Assignment
      attr_reader :faults

      def initialize(document, parts, groups)
        @by_body = {}
        @faults = []
        document.active("material").each do |statement|
          material = Material.read(statement)
          groups.target!(statement, %i[bodies]).each { |place| @by_body[place.body] = material }
        rescue InvalidInput => e
          @faults.concat(e.faults)
        end
        @missing = parts.bodies.reject { |b| @by_body.key?(b.name) }
      end

      # @return [Material]
      # @raise [InvalidInput] for a body without
      def [](body) = @by_body[body] || raise(InvalidInput.at("the body “#{body}” has no material", cure: "Add a material statement for it."))

      # @return [Array<Fault>] bodies without material, and what is wrong with the statements
      def all_faults
        faults + @missing.map do |body|
          Fault.new(message: "the body “#{body.name}” has no material", cure: "Add a material statement for it.")
        end
      end

      # @param studies [Array<Model::Statement>]
      # @return [Array<Fault>] what is odd: a modulus that changes with temperature, where a study takes it as it is at 20 °C
      def oddities(studies)
        body = @by_body.find { |_, material| material.over&.young }&.first or return []
        cold = studies.find { |study| !%w[static heat life].include?(study["type"]) } or return []

        [cold.fault_at("it takes the modulus of “#{body}” as it is at 20 °C", cure: "Static studies alone follow how it changes with temperature.")]
      end

      def materials = @by_body.values.uniq
      def to_h = @by_body
    end
  end
end
