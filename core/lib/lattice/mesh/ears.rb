# frozen_string_literal: true

module Lattice
  module Mesh
    # Triangles with two sides on the border at a blunt corner would make flat
    # quadrilaterals there; the side across from the corner is flipped onto it.
    module Ears
      BLUNT = -0.2 # cosine of the least angle that is opened

      module_function

      # @param points [Numo::DFloat] [n, 2]
      # @param tri [Numo::Int32] [t, 3] counter-clockwise, changed in place
      # @param border [Border]
      # @return [Numo::Int32] tri
      def open(points, tri, border)
        owners = side_owners(tri)
        border_keys = Algebra::Pairs.key(border.from, border.to).to_a.to_h { |k| [k, true] }
        2.times { blunt(points, tri, border_keys).each { |t, corner| flip(points, tri, owners, t, corner) } }
        tri
      end

      # Triangle and local corner of every ear.
      def blunt(points, tri, border_keys)
        (0..2).flat_map do |k|
          blunt?(points, *[k, k - 2, k - 1].map { |i| tri[true, i].dup }).where.to_a
                .select { |t| [tri[t, (k + 1) % 3], tri[t, (k + 2) % 3]].all? { |o| border_keys[pair(tri[t, k], o)] } }
                .map { |t| [t, k] }
        end
      end

      # @return [Numo::Bit] whether the angles at points, between two others, are blunt
      def blunt?(points, at, after, before)
        u = points[after, true] - points[at, true]
        v = points[before, true] - points[at, true]
        (u * v).sum(1) / Numo::NMath.sqrt((u**2).sum(1) * (v**2).sum(1)) < BLUNT
      end

      def pair(a, b) = ([a, b].min * (2**31)) + [a, b].max

      # Side => the triangles that have it.
      def side_owners(tri)
        owners = Hash.new { |hash, key| hash[key] = [] }
        tri.to_a.each_with_index { |(a, b, c), t| [[a, b], [b, c], [c, a]].each { |p, q| owners[pair(p, q)] << t } }
        owners
      end

      def flip(points, tri, owners, ear, corner)
        b, c, a = (0..2).map { |i| tri[ear, (corner + i) % 3] }
        other = (owners[pair(a, c)] - [ear]).first or return
        d = (tri[other, true].to_a - [a, c]).first or return
        return unless left?(points, a, b, d) && left?(points, b, c, d)

        tri[ear, true] = [a, b, d]
        tri[other, true] = [b, c, d]
        owners.delete(pair(a, c))
        owners[pair(b, d)] = [ear, other]
        owners[pair(a, d)].map! { |t| t == other ? ear : t }
        owners[pair(b, c)].map! { |t| t == ear ? other : t }
      end

      def left?(points, a, b, c)
        (((points[b, 0] - points[a, 0]) * (points[c, 1] - points[a, 1])) -
          ((points[c, 0] - points[a, 0]) * (points[b, 1] - points[a, 1]))).positive?
      end
    end
  end
end
