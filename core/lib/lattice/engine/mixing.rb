# frozen_string_literal: true

module Lattice
  module Engine
    # Steps of an iteration whose tangent is not quite the true one, mended by what the last few of them brought: the mix of those that
    # leaves least to do. D. G. Anderson, Iterative procedures for nonlinear integral equations, 1965.
    class Mixing
      DEPTH = 6
      FLAT = 1e-10 # of the largest, under which steps tell nothing new

      def initialize
        @steps = []
        @wishes = []
      end

      # @param wish [Numo::DFloat] [unknowns] the step that the tangent asks for
      # @return [Numo::DFloat] the step to take
      def call(wish)
        step = @wishes.empty? ? wish : mixed(wish)
        @wishes << wish
        @steps << step
        [@wishes, @steps].each { |list| list.shift if list.size > DEPTH }
        step
      end

      private

      def mixed(wish)
        changes = (@wishes.drop(1) + [wish]).zip(@wishes).map { |after, before| after - before }
        table = Numo::DFloat.vstack(changes.map { |c| c.reshape(1, c.size) })
        products = table.dot(table.transpose)
        products += Numo::DFloat.eye(changes.size) * (products.diagonal.max * FLAT)
        shares = Numo::Linalg.solve(products, table.dot(wish))
        @steps.zip(changes, shares.to_a).reduce(wish) { |sum, (moved, change, share)| sum - ((moved + change) * share) }
      end
    end
  end
end
