# frozen_string_literal: true

module Lattice
  module Mesh
    # The faces of a surface that can be mapped: those with four sides, with three, and those
    # between two closed curves; and the divisions that their sides must have in common.
    class Patches
      RATIO = 3.0 # by which the pieces wanted on opposite sides may differ

      # A face to be mapped: +sides+ are [curve, forward] in order round the face, or the two
      # closed curves of a ring.
      Patch = Struct.new(:face, :sides) do
        def ring? = sides.size == 2

        # Sides that must have as many pieces as each other.
        def opposite
          curves = sides.map(&:first)
          curves.size == 4 ? [curves.values_at(0, 2), curves.values_at(1, 3)] : [curves]
        end
      end

      attr_reader :patches, :divisions

      # @param source [Remeshing::Source]
      # @param field [SizeField] of pieces
      # @param given [Hash] curve => Division
      def initialize(source, field, given)
        @source = source
        @field = field
        @given = given
        @patches = source.facets.faces.each_index.filter_map { |face| patch(face) }
        drop_unlike
        @divisions = given.merge(common)
      end

      private

      def edges_of
        @edges_of ||= @source.facets.edges.each_with_index.with_object(Hash.new { |hash, face| hash[face] = [] }) do |(edge, curve), found|
          edge.faces.each { |face| found[face] << curve }
        end
      end

      def patch(face)
        curves = edges_of[face]
        return nil if curves.uniq.size != curves.size

        edges = @source.facets.edges.values_at(*curves)
        if edges.size == 2 && edges.all?(&:closed) then Patch.new(face, curves.map { |c| [c, true] })
        elsif edges.size.between?(3, 4) && edges.none?(&:closed) then chained(curves)&.then { |sides| Patch.new(face, sides) }
        end
      end

      # The curves one after another, each with whether it is followed forward.
      def chained(curves)
        ends = curves.to_h { |c| [c, @source.facets.edges[c].run.values_at(0, -1)] }
        sides = [[curves[0], true]]
        at = ends[curves[0]][1]
        while sides.size < curves.size
          found = curves.find { |c| sides.none? { |s, _| s == c } && ends[c].include?(at) } or return nil
          forward = ends[found][0] == at
          sides << [found, forward]
          at = ends[found][forward ? 1 : 0]
        end
        at == ends[curves[0]][0] && ends.values.flatten.tally.values.all?(2) ? sides : nil
      end

      # Classes of curves that must be divided alike, one way or another.
      def classes
        parent = Hash.new { |hash, c| hash[c] = c }
        root = ->(c) { c == parent[c] ? c : root[parent[c]] }
        @patches.flat_map(&:opposite).each { |curves| curves.each_cons(2) { |a, b| parent[root[a]] = root[b] } }
        parent.keys.group_by { |c| root[c] }.values
      end

      # Faces go whose sides want too different a number of pieces, or are given one.
      def drop_unlike
        classes.each do |curves|
          counts = curves.filter_map { |c| @given[c]&.count }.uniq
          wishes = curves.map { |c| wish(c) }
          next if counts.size <= 1 && wishes.max <= wishes.min * RATIO

          @patches.reject! { |patch| patch.sides.any? { |c, _| curves.include?(c) } }
        end
      end

      # @return [Hash] curve => Division
      def common
        classes.each_with_object({}) do |curves, found|
          given = curves.filter_map { |c| @given[c]&.count }.first
          count = given || ((curves.map { |c| wish(c) }.max / 2.0).ceil * 2)
          curves.each { |c| found[c] = Division.new(count) unless @given[c] }
        end
      end

      # Pieces that the sizes ask for along a curve; at least four round a closed one.
      def wish(curve)
        @wishes ||= {}
        @wishes[curve] ||= begin
          length = @source.curves.lengths[curve]
          steps = 32
          at = @source.curves.at(Numo::Int32.zeros(steps).fill(curve), (Numo::DFloat.new(steps).seq + 0.5) * (length / steps))
          [((length / steps / @field.at(at)).sum - 1e-6).ceil, @source.facets.edges[curve].closed ? 8 : 1].max
        end
      end
    end
  end
end
