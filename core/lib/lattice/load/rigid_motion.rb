# frozen_string_literal: true

module Lattice
  module Load
    # Which rigid motions of a body its supports leave free, in words.
    class RigidMotion
      SMALL = 1e-6

      # @param points [Array<Array(Numo::DFloat, Array)>] held points [k, 3] with what is held there: numbers of
      #   components, or directions [k, 3] and whether they are turns
      # @param centre [Array<Float>]
      # @param size [Float] m
      # @param make [String] of the body
      def initialize(points, centre, size, make)
        @centre = Numo::DFloat[*centre]
        @size = size
        @modes = { "axisymmetric" => [1], "plane stress" => [0, 1, 5], "plane strain" => [0, 1, 5] }.fetch(make, [0, 1, 2, 3, 4, 5])
        @rows = points.flat_map { |at, components| components.map { |c| rows(at, c) } }
      end

      # @return [Array<String>] such as "slide along x", "turn about an axis along z"
      def free
        basis = null_space(held)
        slides = (0..2).select { |k| @modes.include?(k) && null_space(held(k)).shape[1].positive? }
        words = slides.map { |k| "slide along #{'xyz'[k]}" }
        words.concat(skew_slide(slides))
        words + turns(basis)
      end

      # The free motions themselves, for drawing: slides along axes first, then what else is left.
      # @return [Array<Hash>] slide [3] and turn [3] about centre [3], as large as moves the part by about its size
      def motions
        slides = (0..2).select { |k| @modes.include?(k) && null_space(held(k)).shape[1].positive? }.map { |k| Numo::DFloat.zeros(6).tap { |v| v[k] = 1.0 } }
        basis = null_space(held)
        whole = Numo::DFloat.zeros(6, basis.shape[1]).tap { |all| @modes.each_with_index { |m, i| all[m, true] = basis[i, true] } }
        rest = slides.reduce(whole) { |left, v| left - v.reshape(6, 1).dot(v.reshape(1, 6).dot(left)) }
        [*slides, *span(rest)].map { |v| { slide: v[0..2].to_a, turn: (v[3..5] / @size).to_a, centre: @centre.to_a } }
      end

      private

      # Columns as few vectors at right angles.
      def span(columns)
        return [] if columns.empty?

        values, vectors = Numo::Linalg.eigh(columns.dot(columns.transpose))
        values.gt(0.5).where.to_a.map { |k| vectors[true, k].dup }
      end

      # What of the six unit motions is held at each point, a movement or a turn: [k, 6].
      def rows(points, held)
        count = points.shape[0]
        along, turn = held.is_a?(Integer) ? [Numo::DFloat.zeros(count, 3).tap { |all| all[true, held % 3] = 1.0 }, held > 2] : held
        table = Numo::DFloat.zeros(count, 6)
        table[true, turn ? 3..5 : 0..2] = along
        table[true, 3..5] = Shape::Vectors.cross((points - @centre) / @size, along) unless turn
        table
      end

      def held(only = nil)
        columns = only ? [only] : @modes
        return Numo::DFloat.zeros(1, columns.size) if @rows.empty?

        Numo::DFloat.vstack(@rows)[true, columns].dup
      end

      def null_space(table)
        normal = table.transpose.dot(table) / table.shape[0]
        values, vectors = Numo::Linalg.eigh(normal)
        vectors[true, (values < SMALL).where].dup
      end

      # A slide along a direction that is no axis.
      def skew_slide(slides)
        along = @modes.select { |m| m < 3 }
        table = @rows.empty? ? Numo::DFloat.zeros(1, along.size) : Numo::DFloat.vstack(@rows)[true, along].dup
        extra = null_space(table).shape[1] - slides.size
        Array.new([extra, 0].max, "slide along a skew direction")
      end

      # Turns left over once slides are set aside.
      def turns(basis)
        spin = @modes.each_index.select { |i| @modes[i] > 2 }
        return [] if spin.empty? || basis.shape[1].zero?

        part = basis[spin, true].dup
        values, vectors = Numo::Linalg.eigh(part.dot(part.transpose))
        free = (values > SMALL).where.to_a
        return spin.map { |i| turn("xyz"[@modes[i] - 3]) } if free.size == 3

        free.map do |column|
          axis = vectors[true, column].abs.to_a
          k = axis.index(axis.max)
          axis[k] > 0.999 ? turn("xyz"[@modes[spin[k]] - 3]) : "turn about a skew axis"
        end
      end

      def turn(axis) = "turn about an axis along #{axis}"
    end
  end
end
