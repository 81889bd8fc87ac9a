# frozen_string_literal: true

module Lattice
  module Result
    # Scalars read from stress tensors [n, 6]: xx, yy, zz, xy, yz, zx.
    module Stress
      COMPONENTS = %w[xx yy zz xy yz zx].freeze
      SCALARS = (%w[von_mises tresca principal_max principal_mid principal_min] + COMPONENTS.map { |c| "stress_#{c}" }).freeze

      module_function

      # @param name [String] one of SCALARS
      # @param tensor [Numo::DFloat] [n, 6]
      # @return [Numo::DFloat] [n]
      def scalar(name, tensor)
        case name
        when "von_mises" then von_mises(tensor)
        when "tresca" then principal(tensor).then { |p| p[0] - p[2] }
        when "principal_max" then principal(tensor)[0]
        when "principal_mid" then principal(tensor)[1]
        when "principal_min" then principal(tensor)[2]
        else tensor[true, COMPONENTS.index(name.delete_prefix("stress_"))].dup
        end
      end

      # @param tensor [Numo::DFloat] [n, 6]
      # @param units [Numo::DFloat] [n, 3]
      # @return [Numo::DFloat] [n, 3] what acts on a surface across each
      def across(tensor, units)
        x, y, z = (0..2).map { |k| units[true, k] }
        Numo::DFloat.zeros(*units.shape).tap do |all|
          [[0, 3, 5], [3, 1, 4], [5, 4, 2]].each_with_index { |(a, b, c), k| all[true, k] = (tensor[true, a] * x) + (tensor[true, b] * y) + (tensor[true, c] * z) }
        end
      end

      # R. von Mises, Mechanik der festen Körper im plastisch-deformablen Zustand, 1913.
      def von_mises(tensor)
        x, y, z, xy, yz, zx = (0..5).map { |k| tensor[true, k] }
        Numo::NMath.sqrt(((((x - y)**2) + ((y - z)**2) + ((z - x)**2)) / 2) + (((xy**2) + (yz**2) + (zx**2)) * 3))
      end

      # Roots of the characteristic cubic by the trigonometric solution.
      # O. K. Smith, Eigenvalues of a symmetric 3 × 3 matrix, 1961.
      # @return [Array<Numo::DFloat>] greatest, middle, least
      def principal(tensor)
        mean = (tensor[true, 0] + tensor[true, 1] + tensor[true, 2]) / 3
        x, y, z = (0..2).map { |k| tensor[true, k] - mean }
        xy, yz, zx = (3..5).map { |k| tensor[true, k] }
        size = Numo::NMath.sqrt(((x**2) + (y**2) + (z**2) + (((xy**2) + (yz**2) + (zx**2)) * 2)) / 6)
        third = (x * ((y * z) - (yz**2))) - (xy * ((xy * z) - (yz * zx))) + (zx * ((xy * yz) - (y * zx)))
        safe = size.dup.tap { |s| s[s.eq(0).where] = 1.0 }
        angle = Numo::NMath.acos((third / (safe**3) / 2).clip(-1, 1)) / 3
        greatest = mean + (size * Numo::NMath.cos(angle) * 2)
        least = mean + (size * Numo::NMath.cos(angle + (2 * Math::PI / 3)) * 2)
        [greatest, (mean * 3) - greatest - least, least]
      end
    end
  end
end
