# frozen_string_literal: true

module Lattice
  module Mesh
    # How long the sides of elements will be at a place of the shape, before it is meshed.
    class WantedSize
      # @param bodies [Array<Shape::Body>]
      # @param settings [Settings]
      def initialize(bodies, settings)
        @bodies = bodies
        @settings = settings
        @fields = {}
      end

      # @param name [String] of a body
      # @param point [Array<Float>] m
      # @return [Float] m
      # @raise [InvalidInput] when there is no such body
      def at(name, point) = (@fields[name] ||= field(body!(name))).call(Numo::DFloat[point])[0]

      # @return [Integer] of the elements' faces on the body's: 4, or 3
      # @raise [InvalidInput] when there is no such body
      def corners(name)
        body = body!(name)
        return 3 if @settings.triangles?

        (@corners ||= {})[name] ||= !body.solid? || body.prism || turned?(body) || Shape::Footprint.of([body]) ? 4 : 3
      end

      private

      def turned?(body) = body.revolution && (body.revolution.hollow? || Sweeping::AxisCore.of(body.revolution.outline))

      def body!(name) = @bodies.find { |b| b.name == name } || raise(InvalidInput.at("there is no body named “#{name}”", cure: "Load the model again."))

      # @return [Proc] of points [n, 3] to sizes
      def field(body)
        plan = @settings.plan([body])
        if body.members? then Remeshing::Sizing.along_lines(body.facets, plan).method(:at)
        elsif body.prism && !body.faces? && !@settings.triangles? then drawn(body, plan)
        else on_surface(body, plan).method(:at)
        end
      end

      # With thin walls, as far as the triangles of the shape itself tell of them.
      # @return [SizeField]
      def on_surface(body, plan)
        complex = Complex.new([body])
        shares = CurveDivisions.of([body], complex, plan).transform_values(&:shares)
        source = Remeshing::Source.new(complex.facets, plan.size)
        sheet = Remeshing::Sheet.new(source, Remeshing::Sizing.new(source, plan, shares).field)
        Remeshing::Thinning.new(sheet, plan).call if body.solid? && body.facets.closed?
        sheet.field
      end

      def drawn(body, plan)
        sizing = PlaneSizing.new(body.outline, plan, body.frame, divisions: DrawnDivisions.along(body, plan), depth: body.solid? ? body.thickness : 0.0)
        ->(points) { sizing.at(body.frame.back(points)[true, 0..1].dup) }
      end
    end
  end
end
