# frozen_string_literal: true

module Lattice
  module Shape
    # Flat faces filled into an outline or its regions.
    module Planar
      module_function

      # @param outline [Outline]
      # @param frame [Frame] where its plane lies
      # @param name [String] of the face
      # @return [Facets]
      def call(outline, frame, name)
        lines = SectionLines.of_outline(outline)
        triangles = Triangulation.call(lines.points, lines.loops)
        points = frame.apply(lifted(lines.points))
        plane = Surface.plane(frame.origin, frame.axes[2])
        Facets.new(points: points, triangles: triangles, owners: Numo::Int32.zeros(triangles.shape[0]),
                   faces: [Face.new(name, plane)], edges: edges(lines, points))
      end

      # @return [Numo::DFloat] [n, 3] plane points with z = 0
      def lifted(points)
        Numo::DFloat.zeros(points.shape[0], 3).tap { |all| all[true, 0..1] = points }
      end

      # Each side is an edge.
      def edges(lines, points)
        lines.runs.zip(lines.keys).flat_map do |run, keys|
          keys.each_index.chunk_while { |i, j| keys[i] == keys[j] }.map do |steps|
            Edge.of(keys[steps[0]], run[steps[0]..(steps[-1] + 1)], points, [0])
          end
        end
      end
    end
  end
end
