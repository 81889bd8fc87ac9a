# frozen_string_literal: true

module Lattice
  module Shape
    # A face, edge, point or body of the shape. +kind+ is plane, cylinder, cone, sphere, torus,
    # free, line, arc, circle, curve, point, region or body; +bounds+ is [[x, y, z], [x, y, z]];
    # +bore+ the diameter of a round hole's wall; +measure+ an area, length or volume in SI; +at+ its
    # middle; +normal+ of plane faces, +axis+ and +radius+ of round ones; +node+ of a point.
    Place = Struct.new(:body, :of, :name, :kind, :bounds, :bore, :measure, :at, :normal, :axis, :radius, :angle, :node, keyword_init: true) do
      def key = [body, name]

      # @return [Boolean] whether it lies in the plane axis = at
      def on_plane?(axis, at, tolerance)
        k = "xyz".index(axis)
        bounds.all? { |corner| (corner[k] - at).abs <= tolerance }
      end

      def as_json = to_h.except(:node)
    end
  end
end
