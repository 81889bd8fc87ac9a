# frozen_string_literal: true

module Lattice
  module Shape
    # A face, edge, point or body of the shape. +kind+ is plane, cylinder, line, arc,
    # circle, point, region or body; +bounds+ is [[x, y, z], [x, y, z]]; +bore+ the
    # diameter of a round hole's wall; +measure+ an area or length in SI.
    Place = Struct.new(:body, :of, :name, :kind, :bounds, :bore, :measure, keyword_init: true) do
      def key = [body, name]

      # @return [Boolean] whether it lies in the plane axis = at
      def on_plane?(axis, at, tolerance)
        k = "xyz".index(axis)
        bounds.all? { |corner| (corner[k] - at).abs <= tolerance }
      end

      def as_json
        { body: body, of: of, name: name, kind: kind, bounds: bounds, bore: bore, measure: measure }
      end
    end
  end
end
