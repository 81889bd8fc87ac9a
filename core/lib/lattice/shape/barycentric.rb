# frozen_string_literal: true

module Lattice
  module Shape
    # Where points lie over triangles: the shares s and t of the sides u and v, from the
    # corner they leave, of the vector w to the point. C. Ericson, Real-Time Collision Detection, 2005, 3.4.
    module Barycentric
      module_function

      # @param u [Numo::DFloat] [..., 3], with v and w of shapes that go together
      # @return [Array(Numo::DFloat, Numo::DFloat)] s and t; 0 over triangles without area
      def shares(u, v, w)
        uu = dot(u, u)
        uv = dot(u, v)
        vv = dot(v, v)
        wu = dot(w, u)
        wv = dot(w, v)
        det = (uu * vv) - (uv * uv)
        flat = Numo::DFloat.cast(det <= 0)
        over = (1 - flat) / (det + flat)
        [((vv * wu) - (uv * wv)) * over, ((uu * wv) - (uv * wu)) * over]
      end

      def dot(a, b) = Vectors.dot(a, b)
    end
  end
end
