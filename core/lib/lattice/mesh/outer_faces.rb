# frozen_string_literal: true

module Lattice
  module Mesh
    # The faces of solid elements that no two of them share.
    module OuterFaces
      module_function

      # @param corners [Numo::Int32] [k, 3 or 4] of faces
      # @return [Numo::Int32] rows of those that come once
      def alone(corners)
        key = keys(corners)
        order = Numo::Int32.cast(key.sort_index)
        sorted = key[order].dup
        twin = Numo::Bit.zeros(sorted.size)
        same = sorted.size > 1 ? Numo::Int32.cast(sorted[0...-1].eq(sorted[1..]).where) : Numo::Int32.zeros(0)
        [same, same + 1].each { |rows| twin[rows] = 1 } unless same.empty?
        single = twin.eq(0).where
        single.empty? ? Numo::Int32.zeros(0) : order[single].dup
      end

      # Three of the corners tell a face: the least, the greatest and the least of the rest.
      def keys(corners)
        sorted = corners.sort(1)
        (((Numo::Int64.cast(sorted[true, 0]) * (2**21)) + Numo::Int64.cast(sorted[true, 1])) * (2**21)) + Numo::Int64.cast(sorted[true, -1])
      end

      # @param elements [Hash] kind => conn, of quadratic solids
      # @return [Hash] corners of a face => [k, 2 * corners] outer faces with their middle nodes, facing outward
      def of(elements)
        tables = elements.flat_map { |kind, conn| faces(Element::Kind[kind], conn) }.group_by { |t| t.shape[1] / 2 }
        tables.transform_values { |list| Numo::Int32.vstack(list) }.to_h { |n, all| [n, all[alone(all[true, 0...n].dup), true].dup] }
      end

      def faces(kind, conn)
        middle = kind.edges.to_h { |a, b, m| [[a, b].sort, m] }
        kind.faces.map do |face|
          columns = face + face.each_index.map { |k| middle.fetch([face[k], face[(k + 1) % face.size]].sort) }
          conn[true, columns].dup
        end
      end
    end
  end
end
