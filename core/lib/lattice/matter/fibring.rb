# frozen_string_literal: true

module Lattice
  module Matter
    # The fibres of the sections of members, and their laws.
    class Fibring
      # Fibres of one law: points [n, 2] along the section's principal axes from its centre, m, and areas [n], m².
      Group = Struct.new(:points, :areas, :law) do
        # Strain of a fibre by that of the centre and the curvatures about the third and the second axis: [3, n]
        def arms = @arms ||= Numo::DFloat.zeros(3, areas.size).tap { |all| [Numo::DFloat.ones(areas.size), points[true, 0] * -1, points[true, 1]].each_with_index { |row, k| all[k, true] = row } }

        # What the stress of fibres sums up to: [n, 3]
        def table = @table ||= (arms * areas.reshape(1, areas.size)).transpose.dup

        # What their moduli do: [n, 9]
        def products = @products ||= Numo::Linalg.matmul(arms.transpose.dup.reshape(areas.size, 3, 1), table.reshape(areas.size, 1, 3)).reshape(areas.size, 9)
      end

      # outer: [k, 2] m, outermost points; elastic: [3, 3] N by the strain of the centre, N m by the curvatures about the third and the second axis; young: Pa
      Section = Struct.new(:groups, :elastic, :young, :outer) do
        def everywhere? = @everywhere.nil? ? @everywhere = groups.any? { |group| group.law.first.nil? } : @everywhere

        # Strains by forces, while all is elastic: [3, 3]
        def compliance = @compliance ||= Numo::Linalg.inv(elastic)

        # The least stress at which something flows, Pa.
        def first = everywhere? ? nil : groups.map { |group| group.law.first }.min

        # How far fibres are from the axes, m.
        def reach = @reach ||= [0, 1].map { |axis| outer[true, axis].abs.max }

        # Forces that are not small: [3]
        def sizes = @sizes ||= Numo::DFloat.cast((0..2).map { |k| elastic[k, k] * size_of_strain / (k.zero? ? 1.0 : reach[k - 1]) })

        private

        def size_of_strain = (first || (young * 1e-4)) / young
      end

      # @return [Array<Section>] by the numbers that the elements of a piece have
      attr_reader :sections

      # @param sections [Array<Section>]
      def initialize(sections) = @sections = sections

      # All sections of one metal.
      # @param shapes [Array<Element::Beam::Fibres::Section>]
      # @param law [#respond] of a fibre
      def self.plain(shapes, law)
        new(shapes.map { |shape| Section.new([Group.new(*SectionFibres.call(shape.loops.map { |range| shape.points[range, true].dup }), law)], elastic(shape, law.young), law.young, shape.points) })
      end

      def self.elastic(shape, young) = Numo::DFloat.cast([[shape.area, 0, 0], [0, shape.three, 0], [0, 0, shape.two]]) * young
    end
  end
end
