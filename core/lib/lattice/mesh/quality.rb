# frozen_string_literal: true

module Lattice
  module Mesh
    # Measures of element shape.
    module Quality
      CHUNK = 2000

      module_function

      # Least over the corners of the sine of the angle between the two sides there,
      # negative where the element is folded.
      #
      # @param points [Numo::DFloat] [n, 2], or [n, 3] for quadrilaterals in space
      # @param quads [Numo::Int32] [q, 4 or more] (the first four columns count)
      # @return [Numo::DFloat] [q]
      def quad_jacobian(points, quads)
        corners = (0..3).map { |k| points[quads[true, k].dup, true] }
        sides = (0..3).map { |k| corners[(k + 1) % 4] - corners[k] }
        sides.map! { |side| side / (Numo::NMath.sqrt((side**2).sum(1)) + 1e-300).expand_dims(-1) }
        at = (0..3).map { |k| points.shape[1] == 2 ? cross2(sides[k - 1], sides[k]) : Shape::Vectors.cross(sides[k - 1], sides[k]) }
        return at.reduce { |a, b| Numo::DFloat.minimum(a, b) } if points.shape[1] == 2

        normal = Shape::Vectors.unit(at.reduce(:+))
        at.map { |a| Shape::Vectors.dot(a, normal) }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
      end

      # Scaled Jacobian of any block: at each corner the determinant of the unit
      # vectors along the sides that meet there, least over corners. In space, faces are
      # measured against their mean normal.
      #
      # @param points [Numo::DFloat] [n, 3]
      # @param kind [Symbol] see Element::Kind
      # @param conn [Numo::Int32] [e, k]
      # @return [Numo::DFloat] [e]
      def scaled_jacobian(points, kind, conn)
        kind = Element::Kind[kind]
        frames = kind.corner_frames.map do |corner, *others|
          others.map { |other| Shape::Vectors.unit(side(points, conn, corner, other)) }
        end
        least(kind.dimension == 2 ? turns(frames) : frames.map { |sides| triple(*sides) }) / kind.ideal_corner
      end

      # @return [Array<Numo::DFloat>] sine of the angle at each corner, negative where it turns back
      def turns(frames)
        crosses = frames.map { |a, b| Shape::Vectors.cross(a, b) }
        normal = Shape::Vectors.unit(crosses.reduce(:+))
        crosses.map { |c| Shape::Vectors.dot(c, normal) }
      end

      def side(points, conn, from, to) = points[conn[true, to].dup, true] - points[conn[true, from].dup, true]
      def least(list) = list.reduce { |a, b| Numo::DFloat.minimum(a, b) }
      def most(list) = list.reduce { |a, b| Numo::DFloat.maximum(a, b) }

      # @param key [Symbol] see QualityReport::MEASURES
      # @param block [Block]
      # @return [Numo::DFloat] [e]; NaN where the measure does not apply to the kind
      def measure(key, points, block)
        return scaled_jacobian(points, block.kind, block.conn) if key == :scaled_jacobian

        public_send(key, points, Element::Kind[block.kind], block.conn)
      end

      # Mean ratio: 1 where the element is even. Of triangles 4 √3 A / Σ l², of tetrahedra
      # 12 (3 V)^(2/3) / Σ l²; of others the least over corners of d det^(2/d) / Σ s² with the
      # sides s that meet there. P. Knupp, Algebraic mesh quality metrics, 2001.
      def mean_ratio(points, kind, conn)
        corners = (0...kind.corners).map { |k| points[conn[true, k].dup, true] }
        return Tetra::Shapes.mean_ratios(*corners) if kind.corners == 4 && kind.dimension == 3
        return Remeshing::Sheet.shapes(*corners) if kind.corners == 3

        frames = kind.corner_frames.map { |corner, *others| others.map { |other| side(points, conn, corner, other) } }
        least(frames.map { |sides| corner_ratio(sides) })
      end

      def corner_ratio(sides)
        sum = sides.map { |s| Shape::Vectors.dot(s, s) }.reduce(:+) + 1e-300
        return Shape::Vectors.norm(Shape::Vectors.cross(*sides)) * 2 / sum if sides.size == 2

        det = triple(*sides)
        root = Numo::NMath.cbrt(det.abs)
        root * root * 3 / sum * (1 - (Numo::DFloat.cast(det < 0) * 2))
      end

      # Longest side over shortest.
      def aspect(points, kind, conn)
        lengths = kind.edges.map { |i, j, _| Shape::Vectors.norm(side(points, conn, i, j)) }
        most(lengths) / (least(lengths) + 1e-300)
      end

      # How far the angles of faces are from those of even faces: 0 to 1.
      def skew(points, kind, conn)
        most(face_lists(kind).flat_map do |face|
          ideal = face.size == 3 ? Math::PI / 3 : Math::PI / 2
          angles(points, conn, face).map { |a| Numo::DFloat.maximum((a - ideal) / (Math::PI - ideal), (ideal - a) / ideal) }
        end)
      end

      # Of solids the least angle between faces, otherwise between sides; deg.
      def least_angle(points, kind, conn)
        return least(face_lists(kind).flat_map { |face| angles(points, conn, face) }) * (180 / Math::PI) if kind.dimension == 2

        normals = kind.faces.map { |face| Shape::Vectors.unit(Shape::Vectors.cross(side(points, conn, face[0], face[1]), side(points, conn, face[0], face[-1]))) }
        pairs = (0...kind.faces.size).to_a.combination(2).select { |i, j| (kind.faces[i] & kind.faces[j]).size == 2 }
        least(pairs.map { |i, j| Numo::NMath.acos((-Shape::Vectors.dot(normals[i], normals[j])).clip(-1, 1)) }) * (180 / Math::PI)
      end

      # Angle between the two triangles a quadrilateral face parts into, deg; no measure of triangles.
      def warp(points, kind, conn)
        quads = face_lists(kind).select { |face| face.size == 4 }
        return Numo::DFloat.zeros(conn.shape[0]).fill(Float::NAN) if quads.empty?

        most(quads.flat_map do |a, b, c, d|
          [[a, b, c, d], [b, c, d, a]].map do |p, q, r, s|
            one = Shape::Vectors.unit(Shape::Vectors.cross(side(points, conn, p, q), side(points, conn, p, r)))
            two = Shape::Vectors.unit(Shape::Vectors.cross(side(points, conn, p, r), side(points, conn, p, s)))
            Numo::NMath.acos(Shape::Vectors.dot(one, two).clip(-1, 1))
          end
        end) * (180 / Math::PI)
      end

      # What nodes in the middle of sides do: the least determinant over the mean.
      def distortion(points, kind, conn)
        return Numo::DFloat.zeros(conn.shape[0]).fill(Float::NAN) unless kind.quadratic? && (kind.dimension == 3 || points[true, 2].abs.max.zero?)

        least, mean = determinants(points, kind.name, conn)
        least / mean
      end

      def face_lists(kind) = kind.dimension == 2 ? [(0...kind.corners).to_a] : kind.faces

      def angles(points, conn, face)
        face.each_index.map do |k|
          u = Shape::Vectors.unit(side(points, conn, face[k], face[(k + 1) % face.size]))
          v = Shape::Vectors.unit(side(points, conn, face[k], face[k - 1]))
          Numo::NMath.acos(Shape::Vectors.dot(u, v).clip(-1, 1))
        end
      end

      # Determinants of the mapping at the stiffness points, nodes and corners of quadratic
      # elements (15 different points in a ten-node tetrahedron).
      # @return [Array(Numo::DFloat, Numo::DFloat)] least and mean of each element [e]
      def determinants(points, kind, conn)
        kind = Element::Kind[kind]
        at = Numo::DFloat.vstack([kind.nodes_at, kind.stiffness_rule.points, kind.nodes_at.mean(0).reshape(1, kind.dimension)])
        least = Numo::DFloat.zeros(conn.shape[0])
        mean = least.dup
        gradients = kind.gradients(at)
        (0...conn.shape[0]).step(CHUNK) do |first|
          range = first...[first + CHUNK, conn.shape[0]].min
          values = jacobians(gradients, Algebra::Gather.rows(points, conn[range, true].dup))
          least[range] = values.min(0)
          mean[range] = values.mean(0)
        end
        [least, mean]
      end

      # @param block [Block] of solids
      # @return [Float] m³; exact for ten-node tetrahedra, whose determinants are cubic
      def volume(points, block)
        kind = Element::Kind[block.kind]
        rule = kind.stiffness_rule
        gradients = kind.gradients(rule.points)
        (0...block.size).step(CHUNK).sum do |first|
          range = first...[first + CHUNK, block.size].min
          (jacobians(gradients, Algebra::Gather.rows(points, block.conn[range, true].dup)) * rule.weights.reshape(rule.size, 1)).sum
        end
      end

      # @param gradients [Numo::DFloat] [g, n, d] of the shape functions
      # @param coordinates [Numo::DFloat] [e, n, 3]
      # @return [Numo::DFloat] [g, e]
      def jacobians(gradients, coordinates)
        g, n, d = gradients.shape
        e = coordinates.shape[0]
        flat = coordinates[true, true, 0...d].transpose(1, 0, 2).reshape(n, e * d)
        sides = (0...d).map { |i| gradients[true, true, i].dot(flat).reshape(g * e, d) }
        (d == 2 ? cross2(*sides) : triple(*sides)).reshape(g, e)
      end

      def cross2(a, b)
        (a[true, 0] * b[true, 1]) - (a[true, 1] * b[true, 0])
      end

      def triple(a, b, c)
        (a[true, 0] * ((b[true, 1] * c[true, 2]) - (b[true, 2] * c[true, 1]))) -
          (a[true, 1] * ((b[true, 0] * c[true, 2]) - (b[true, 2] * c[true, 0]))) +
          (a[true, 2] * ((b[true, 0] * c[true, 1]) - (b[true, 1] * c[true, 0])))
      end
    end
  end
end
