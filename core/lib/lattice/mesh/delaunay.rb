# frozen_string_literal: true

require "open3"

module Lattice
  module Mesh
    # Raw Delaunay triangulation by the general library Qhull (its program qdelaunay).
    # C. B. Barber, D. P. Dobkin, H. Huhdanpaa, The Quickhull algorithm for convex hulls, 1996.
    module Delaunay
      module_function

      # @param points [Numo::DFloat] [n, 2]
      # @return [Numo::Int32] [t, 3], counter-clockwise, without triangles of no area
      # @raise [SolveFailed]
      def triangles(points)
        oriented(points, simplices(points))
      end

      # @param points [Numo::DFloat] [n, 3]
      # @return [Numo::Int32] [m, 4], each turned so that its volume is not negative
      # @raise [SolveFailed]
      def tetrahedra(points)
        tets = simplices(points)
        back = Numo::Int32.cast((Tetra::Shapes.six_volumes(*(0..3).map { |k| points[tets[true, k].dup, true] }) < 0).where)
        return tets if back.empty?

        second = tets[back, 1].dup
        tets[back, 1] = tets[back, 2].dup
        tets[back, 2] = second
        tets
      end

      # @return [Numo::Int32] [m, corners]
      def simplices(points)
        count, dimension = points.shape
        text = "#{dimension}\n#{count}\n"
        points.flatten.to_a.each_slice(dimension) { |row| text << row.join(" ") << "\n" }
        out, err, status = Open3.capture3("qdelaunay", "Qt", "i", stdin_data: text)
        raise SolveFailed.new("the triangulation failed: #{err[/\A[^\n]*/]}", cure: "Choose another mesh size.") unless status.success?

        entries = out.split.map(&:to_i).drop(1)
        Numo::Int32.cast(entries).reshape(entries.size / (dimension + 1), dimension + 1)
      rescue Errno::ENOENT
        raise SolveFailed.new("the program qdelaunay is missing", cure: "Install the Debian package qhull-bin.")
      end

      def oriented(points, tri)
        a, b, c = (0..2).map { |k| points[tri[true, k], true] }
        doubled = ((b[true, 0] - a[true, 0]) * (c[true, 1] - a[true, 1])) - ((c[true, 0] - a[true, 0]) * (b[true, 1] - a[true, 1]))
        longest = [b - a, c - b, a - c].map { |side| (side**2).sum(1) }.reduce { |p, q| Numo::DFloat.maximum(p, q) }
        turned = tri.dup
        back = doubled.lt(0).where
        turned[back, 1] = tri[back, 2]
        turned[back, 2] = tri[back, 1]
        turned[(doubled.abs > longest * 1e-6).where, true]
      end
    end
  end
end
