# frozen_string_literal: true

module Lattice
  module Matter
    # How the sections of members bend on once their metal flows, under a force along them.
    class MetalBending
      # @param problem [Study::Problem]
      # @param statement [Model::Statement] what yields
      def initialize(problem, statement)
        @problem = problem
        @statement = statement
      end

      # @return [Array<Hash>] of every outline: its name, and curves: axis, sign, curvatures 1/m and moments N m; none where the force is not borne
      # @raise [InvalidInput]
      def to_a
        members = @problem.groups.target!(@statement, %i[bodies]).map { |place| @problem.parts.body(place.body) }.select(&:members?)
        members.flat_map { |body| of(body.name) }.uniq { |found| found[:outline] }
      end

      private

      def of(body)
        flow = @problem.yielding.flows[body]
        material = @problem.materials[body]
        # Concrete with bars is drawn where its bars are placed.
        shapes = @problem.sections.shapes(body).except(*@problem.yielding.reinforced.keys)
        flow.fibring(material, shapes.values).sections.zip(shapes.keys).map { |section, outline| { outline: outline, curves: curves(section, flow.hardening.first / material.young) } }
      end

      # About the stiff axis and the other.
      def curves(section, reference)
        [["x", 2], ["y", 1]].filter_map do |axis, row|
          curvatures, moments = Bending.new(section, reference).call(@statement.quantity("axial", "force") || 0.0, row)
          { axis: axis, sign: 1, curvatures: curvatures.map(&:abs), moments: moments.map(&:abs) } if moments.size > 2
        end
      end
    end
  end
end
