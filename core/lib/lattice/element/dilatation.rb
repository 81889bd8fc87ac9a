# frozen_string_literal: true

module Lattice
  module Element
    # Strains whose change of volume is that of the element on average, or straight over it: T. J. R. Hughes, Generalization of selective
    # integration procedures to anisotropic and nonlinear media, 1980.
    module Dilatation
      # Rows of stretches among the strains of a formulation.
      STRETCHES = { 3 => [0, 1], 4 => [0, 1, 2], 6 => [0, 1, 2] }.freeze

      module_function

      # @param operator [Numo::DFloat] [e, g, strains, unknowns]
      # @param volumes [Numo::DFloat] [e, g]
      # @param places [Numo::DFloat, nil] [e, g, 3] over which it is straight; the same all over without them
      # @return [Numo::DFloat] of the same shape
      def even(operator, volumes, places = nil)
        e, g, rows, width = operator.shape
        stretches = STRETCHES.fetch(rows)
        change = stretches.map { |row| operator[true, true, row, true].dup }.reduce(:+)
        mean = basis(volumes, places).map do |function|
          share = (change * (function * volumes).reshape(e, g, 1)).sum(1).reshape(e, 1, width)
          share * function.reshape(e, g, 1)
        end.reduce(:+)
        added = (mean - change) / stretches.size
        operator.dup.tap { |all| stretches.each { |row| all[true, true, row, true] = all[true, true, row, true] + added } }
      end

      # Functions of the place, each of size one over the element and at right angles to those before.
      # @return [Array<Numo::DFloat>] [e, g]
      def basis(volumes, places)
        e, g = volumes.shape
        plain = [Numo::DFloat.ones(e, g), *axes(places).map { |axis| places[true, true, axis].dup }]
        plain.each_with_object([]) do |function, all|
          all.each { |other| function -= other * (function * other * volumes).sum(1).reshape(e, 1) }
          all << (function / Numo::NMath.sqrt(((function**2) * volumes).sum(1)).reshape(e, 1))
        end
      end

      # Sections lie in x and y.
      def axes(places)
        return [] unless places

        places[true, true, 2].abs.max.zero? ? [0, 1] : [0, 1, 2]
      end
      private_class_method :basis, :axes
    end
  end
end
