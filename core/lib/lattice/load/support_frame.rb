# frozen_string_literal: true

module Lattice
  module Load
    # The axes along which a support holds: turned, round an axis (x away from it, y about it, z along it), or
    # across the surface (x).
    class SupportFrame
      V = Shape::Vectors

      def self.of(statement) = new(statement)

      # @param statement [Model::Statement] with a frame
      def initialize(statement)
        @statement = statement
        @data = statement["frame"]
      end

      def surface? = @data["surface"] == true
      def round? = @data.key?("axis")

      # @raise [InvalidInput]
      def check!(places, components, problem)
        return check_surface!(places, components, problem) if surface?
        return unless turned_along_itself?

        raise @statement.fault("both its axes point the same way", path: "frame", cure: "Give x and y axes at an angle to each other.")
      end

      # @param points [Numo::DFloat] [k, 3]
      # @param component [Integer] 0 to 2
      # @return [Numo::DFloat] [k, 3] units
      def directions(points, component)
        return all(axes[component], points.shape[0]) unless round?

        (@around ||= Shape::Around.new(axis, through)).directions(points, component)
      end

      private

      def check_surface!(places, components, problem)
        wrong = places.find { |p| p.of != :faces && !(p.of == :edges && problem.parts.body(p.body).plane?) }
        raise @statement.fault("“#{wrong.name}” has no surface to be held across", path: "target", cure: "Choose faces, or give directions.") if wrong
        return if components == [:x]

        raise @statement.fault("across the surface there is only one direction, x", path: "components", cure: "Hold x alone.")
      end

      def turned_along_itself? = !round? && (V.norm3(V.cross3(*%w[x y].map { |k| @statement.direction(@data[k]).to_a })) < 1e-6)

      def axis = @axis ||= @statement.direction(@data["axis"])
      def through = @data["through"] ? Numo::DFloat.cast(Shape::Placement.spot(@data["through"])) : Numo::DFloat.zeros(3)

      # x as given, y across it as near as may be to the one given.
      def axes
        @axes ||= begin
          x = @statement.direction(@data["x"]).to_a
          y = @statement.direction(@data["y"]).to_a
          z = V.unit3(V.cross3(x, y))
          [x, V.cross3(z, x), z].map { |v| Numo::DFloat.cast(v) }
        end
      end

      def all(vector, count) = Numo::DFloat.zeros(count, 3) + vector.reshape(1, 3)
    end
  end
end
