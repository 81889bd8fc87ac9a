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
        text = "2\n#{points.shape[0]}\n"
        points.to_a.each { |x, y| text << x.to_s << " " << y.to_s << "\n" }
        out, err, status = Open3.capture3("qdelaunay", "Qt", "i", stdin_data: text)
        raise SolveFailed, "the triangulation failed: #{err[/\A[^\n]*/]}" unless status.success?

        rows = out.split("\n").drop(1).map { |line| line.split.map(&:to_i) }.select { |row| row.size == 3 }
        oriented(points, Numo::Int32.cast(rows))
      rescue Errno::ENOENT
        raise SolveFailed, "the program qdelaunay is missing; install the Debian package qhull-bin"
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
