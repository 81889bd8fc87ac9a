# frozen_string_literal: true

module Lattice
  module Result
    # What swings as a · cos ωt − b · sin ωt, by the greatest it is in a turn.
    module Swing
      module_function

      # Of Q(cos, sin) = A cos² + B sin² − 2 C cos sin the greatest, (A + B)/2 + √(((A − B)/2)² + C²), by its root.
      def greatest(one, other, both) = Numo::NMath.sqrt((((one + other) / 2) + Numo::NMath.sqrt((((one - other) / 2)**2) + (both**2))).clip(0, nil))

      # @param one [Numo::DFloat] [f, k, 3]; other as well
      # @return [Numo::DFloat] [f, k] half the longer axis of the ellipse
      def longest(one, other) = greatest((one**2).sum(2), (other**2).sum(2), (one * other).sum(2))

      # @param name [String] von_mises, or a component
      # @param one [Numo::DFloat] [f, k, 6] (of a component [f, k]); other as well
      def stress(name, one, other)
        if name == "von_mises"
          greatest(product(one, one), product(other, other), product(one, other))
        else
          column = Stress::COMPONENTS.index(name.delete_prefix("stress_"))
          Numo::NMath.sqrt((one[true, true, column]**2) + (other[true, true, column]**2))
        end
      end

      # The bilinear form of which von Mises stress is the root.
      def product(one, other)
        x, y, z, xy, yz, zx = (0..5).map { |k| one[true, true, k] }
        a, b, c, ab, bc, ca = (0..5).map { |k| other[true, true, k] }
        ((((x - y) * (a - b)) + ((y - z) * (b - c)) + ((z - x) * (c - a))) / 2) + (((xy * ab) + (yz * bc) + (zx * ca)) * 3)
      end
      private_class_method :product
    end
  end
end
