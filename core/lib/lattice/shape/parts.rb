# frozen_string_literal: true

module Lattice
  module Shape
    # All bodies of a model and the places on them.
    class Parts
      attr_reader :bodies, :faults

      # @param document [Model::Document]
      def initialize(document)
        @document = document
        @faults = []
        @bodies = document.active("body").filter_map { |s| build(s) }
        mixed
      end

      def places = @places ||= bodies.flat_map(&:places)
      def place(body, name) = index[[body, name]]
      def body(name) = bodies.find { |b| b.name == name }
      def dimension = bodies.first&.dimension

      # @return [Float] length by which tolerances are scaled
      def size = bodies.map(&:size).max || 1.0

      def digest = Model::Digest.of(["shape", bodies.map(&:signature)])

      private

      def index = @index ||= places.to_h { |p| [p.key, p] }

      def build(statement)
        source = @document.named("outline", statement["outline"])
        return fault(statement, "there is no outline named “#{statement['outline']}”", "outline", "Add that outline, or choose another.") unless source
        thickness = statement.quantity("thickness", "length")
        return fault(statement, "its thickness is missing", "thickness", "Give its depth along z.") if thickness.nil? && ["solid", "plane stress"].include?(statement["make"])
        return fault(statement, "its thickness is not above zero", "thickness", "Give a length above zero.") if thickness && thickness <= 0

        made(statement, @document.outline(source), thickness || 1.0)
      end

      def made(statement, outline, thickness)
        body = Body.new(statement.name, statement["make"], outline, thickness)
        if body.axisymmetric? && outline.bounds[0][0] < -1e-9 * outline.size
          return fault(statement, "a ring's outline may not reach left of its axis, x = 0", "outline", "Move the outline to x ≥ 0.")
        end
        body
      end

      def fault(statement, message, path, cure)
        @faults << statement.fault_at(message, path: path, cure: cure)
        nil
      end

      def mixed
        kinds = bodies.map(&:make).uniq
        return if kinds.size < 2

        other = @document.active("body").find { |s| s["make"] == kinds[1] }
        fault(other, "is #{kinds[1]}, but “#{bodies[0].name}” is #{kinds[0]}", "make", "Make all bodies of one kind.")
      end
    end
  end
end
