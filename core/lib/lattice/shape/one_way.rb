# frozen_string_literal: true

module Lattice
  module Shape
    # Which pieces of a surface to turn so that all neighbours run one way: every piece stands
    # twice in a graph, as it is and turned; what hangs together there runs one way.
    module OneWay
      module_function

      # @param count [Integer] of triangles or other pieces
      # @param one [Numo::Int32] [k] neighbours
      # @param two [Numo::Int32] [k]
      # @param against [Numo::Int32] [k] 1 where they run along their common side the same way, else 0
      # @return [Numo::Bit] [count] those that are to be turned: in each part of the surface the fewer
      def turned(count, one, two, against)
        return Numo::Bit.zeros(count) if one.empty?

        shift = against * count
        way = Components.call(count * 2, one.concatenate(one + count), (two + shift).concatenate(two + count - shift))
        fewer(way[0...count].dup, Components.call(count, one, two))
      end

      # In each part those that run unlike one of its pieces, or like it, whichever are fewer.
      def fewer(way, part)
        size = part.max + 1
        some = Numo::Int32.zeros(size)
        some[part] = way
        unlike = way.ne(some[part])
        most = part.bincount(Numo::DFloat.cast(unlike), minlength: size) * 2 > part.bincount(minlength: size)
        unlike ^ most[part]
      end
    end
  end
end
