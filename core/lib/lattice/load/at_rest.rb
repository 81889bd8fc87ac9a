# frozen_string_literal: true

module Lattice
  module Load
    # What ground holds before anything is done to it: upright the weight above, across a part of that.
    # J. Jaky, The coefficient of earth pressure at rest, 1944, for the size of that part.
    class AtRest
      # @param problem [Study::Problem]
      def initialize(problem)
        @problem = problem
        @statements = problem.document.active("at_rest")
      end

      # @return [Hash{String => Float}] the part by body; a later statement stands over an earlier one
      # @raise [InvalidInput]
      def coefficients
        @coefficients ||= @statements.each_with_object({}) do |statement, all|
          part = statement.quantity("coefficient", "ratio")
          raise statement.fault("a coefficient at rest of #{part} is not above zero", path: "coefficient", cure: "Give one such as 0.5; 1 less the sine of friction is usual.") unless part.positive?

          @problem.groups.target!(statement, %i[bodies]).each { |place| all[place.body] = part }
        end
      end

      def any? = @statements.any?

      # @return [Hash{String => String}] bodies that are ground like another one, until they go for the first time
      # @raise [InvalidInput]
      def stand_ins
        @stand_ins ||= @statements.each_with_object({}) do |statement, all|
          other = statement["as"] or next
          raise statement.fault("there is no body named “#{other}” that it could be like", path: "as", cure: "Name a body of the ground beside it.") unless @problem.parts.body(other)

          @problem.groups.target!(statement, %i[bodies]).each { |place| all[place.body] = other unless place.body == other }
        end
      end

      # @raise [InvalidInput] with what keeps ground from being at rest
      def check!
        return if coefficients.empty?

        stand_ins
        wrong = @problem.parts.bodies.find { |b| coefficients.key?(b.name) && !b.solid? && (b.dimension != 2 || b.make == "plane stress") }
        raise @statements[0].fault("“#{wrong.name}” is neither a solid, a slice of plane strain nor a ring", path: "target", cure: "Choose the ground.") if wrong
        raise @statements[0].fault("nothing weighs on what is at rest", cure: "Add gravity.") unless gravity
        return if solids? ? up : up == 1

        wanted = solids? ? "an axis" : "-y"
        raise gravity.fault("what is at rest weighs along #{wanted}, and this does not", path: "direction", cure: "Choose #{solids? ? '-z or -y' : '-y'}.")
      end

      # @return [Array<Fault>] ground that could not rest as it is said to: it would slide at once
      def oddities
        return [] unless any?

        @statements.filter_map do |statement|
          part = statement.quantity("coefficient", "ratio")
          bodies = @problem.groups.target!(statement, %i[bodies]).map { |place| stand_ins[place.body] || place.body }
          loose = @problem.yielding.flows.values_at(*bodies).grep(Matter::Soil).select { |soil| soil.cohesion.zero? }.map(&:pressures)
          range = loose.find { |one| !part.between?(one[:active], one[:passive]) } or next
          statement.fault_at("ground with its friction slides before it rests so", path: "coefficient", cure: format("Give a coefficient between %.2f and %.2f.", range[:active], range[:passive]))
        end
      end

      # @return [Array] by meaning
      def signature = [coefficients.to_a, stand_ins.to_a, gravity && Model::Meaning.of(gravity, except: %w[case])]

      # @param grid [Mesh::Grid]
      # @param present [Array<String>] bodies that are there
      # @return [Proc] of a body: a proc from points [k, 3] to stress [k, 6], Pa
      def stress(grid, present)
        columns = present.select { |name| !solids? || @problem.parts.body(name).solid? }.flat_map { |name| columns(grid, name).map { |column| [weight(name), column] } }
        lambda do |name|
          part = coefficients[name]
          part && lambda do |points|
            upright = columns.map { |weight, column| column.call(points) * weight }.reduce(:+)
            Numo::DFloat.zeros(points.shape[0], 6).tap { |all| 3.times { |k| all[true, k] = upright * (k == up ? -1 : -part) } }
          end
        end
      end

      # @return [Model::Statement, nil] by which it weighs
      def gravity = @problem.document.active("gravity").first

      # @return [Integer, nil] the axis against which it weighs; nil without gravity, or of any other direction
      def up = gravity && (0..2).find { |axis| gravity.direction[axis] < -1 + 1e-9 }

      private

      def solids? = @problem.parts.dimension == 3

      def columns(grid, name) = solids? ? [Above::Solid.new(grid, name, up)] : grid.of(name).map { |block| Above::Section.new(grid, block) }

      # N/m³
      def weight(name)
        density = @problem.materials[stand_ins[name] || name].density || raise(gravity.fault("the material of “#{name}” has no density", cure: "Type its density in the material statement."))
        density * gravity.quantity("value", "acceleration")
      end
    end
  end
end
