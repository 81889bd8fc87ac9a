# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # What both parts of a shell need at the integration points of flat elements: shape functions
      # with their slopes, those of the sides' bulges, areas, and the sides themselves.
      class Points
        SIDES = { 3 => [[0, 1], [1, 2], [2, 0]], 4 => [[0, 1], [1, 2], [2, 3], [3, 0]] }.freeze
        GAUSS = 1 / Math.sqrt(3)
        # Natural coordinates and weights: products of Gauss's two points; the middles of a triangle's sides.
        RULES = { 4 => [[[-GAUSS, -GAUSS], [GAUSS, -GAUSS], [GAUSS, GAUSS], [-GAUSS, GAUSS]], 1.0], 3 => [[[0.5, 0.0], [0.5, 0.5], [0.0, 0.5]], 1 / 6.0] }.freeze

        # at: natural coordinates; areas: [e, g]; values: [g, n]; slopes: [e, g, 2, n]; bulges: [g, n], bulge_slopes: [e, g, 2, n];
        # inverse: dξ/dx [e, g] at [x][ξ]
        attr_reader :plane, :at, :areas, :values, :slopes, :bulges, :bulge_slopes, :inverse, :determinants, :sides

        # @param plane [Numo::DFloat] [e, n, 2]
        # @param at [Array] natural coordinates, of the rule when left out
        def initialize(plane, at = nil)
          @plane = plane
          @nodes = plane.shape[1]
          @at, weight = RULES.fetch(@nodes)
          @at = at if at
          @kind = Kind[@nodes == 4 ? :quad4 : :tri3]
          points = Numo::DFloat.cast(@at)
          @values = @kind.values(points)
          differentiate(@kind.gradients(points), bulge_gradients)
          @areas = @determinants * weight
          @bulges = Numo::DFloat.cast(@at.map { |p| bulge(*p) })
          lay_sides
        end

        def count = @at.size
        def elements = @plane.shape[0]

        # ∫ Bᵀ D C over every element.
        # @param one [Numo::DFloat] [e, g, rows, n]
        # @param stiffness [Numo::DFloat] [rows, rows]
        # @return [Numo::DFloat] [e, n, m]
        def integral(one, stiffness, other = one)
          e, g, rows, n = one.shape
          m = other.shape[3]
          pressed = Numo::Linalg.matmul(Numo::DFloat.zeros(1, rows, rows) + stiffness, other.reshape(e * g, rows, m)).reshape(e, g, rows, m) * areas.reshape(e, g, 1, 1)
          Numo::Linalg.matmul(one.reshape(e, g * rows, n).transpose(0, 2, 1).dup, pressed.reshape(e, g * rows, m))
        end

        private

        def lay_sides
          @sides = SIDES[@nodes].map do |i, j|
            x = @plane[true, j, 0] - @plane[true, i, 0]
            y = @plane[true, j, 1] - @plane[true, i, 1]
            { from: i, to: j, x: x, y: y, length: Numo::NMath.sqrt((x**2) + (y**2)) }
          end
        end

        # Quadratic functions that are one at the middle of a side and zero at the corners and on other sides.
        def bulge(a, b)
          return [4 * (1 - a - b) * a, 4 * a * b, 4 * b * (1 - a - b)] if @nodes == 3

          [(1 - (a * a)) * (1 - b) / 2, (1 + a) * (1 - (b * b)) / 2, (1 - (a * a)) * (1 + b) / 2, (1 - a) * (1 - (b * b)) / 2]
        end

        def bulge_gradients
          Numo::DFloat.cast(@at.map do |a, b|
            if @nodes == 3 then [[4 - (8 * a) - (4 * b), -4 * a], [4 * b, 4 * a], [-4 * b, 4 - (4 * a) - (8 * b)]]
            else [[-a * (1 - b), -(1 - (a * a)) / 2], [(1 - (b * b)) / 2, -(1 + a) * b], [-a * (1 + b), (1 - (a * a)) / 2], [-(1 - (b * b)) / 2, -(1 - a) * b]]
            end
          end)
        end

        # @param plain [Numo::DFloat] [g, n, 2] of the corners' functions
        # @param bent [Numo::DFloat] [g, n, 2] of the sides'
        def differentiate(plain, bent)
          x, y = [0, 1].map { |k| @plane[true, true, k].dup }
          j = [0, 1].map { |i| [x, y].map { |c| c.dot(plain[true, true, i].transpose.dup) } } # [e, g]: dx/dξ
          @determinants = (j[0][0] * j[1][1]) - (j[0][1] * j[1][0])
          @inverse = [[j[1][1] / @determinants, -j[0][1] / @determinants], [-j[1][0] / @determinants, j[0][0] / @determinants]]
          @slopes = sloped(plain)
          @bulge_slopes = sloped(bent)
        end

        def sloped(gradients)
          g, n, = gradients.shape
          result = Numo::DFloat.zeros(elements, g, 2, n)
          2.times { |x| result[true, true, x, true] = (0..1).map { |i| inverse[x][i].reshape(elements, g, 1) * gradients[true, true, i].reshape(1, g, n) }.reduce(:+) }
          result
        end
      end
    end
  end
end
