# frozen_string_literal: true

module Lattice
  module Study
    # The floors of a building, from the lowest, and what is told of them in every frame.
    class Storeys
      # name; level m; height m above the floor below, or the ground
      Floor = Struct.new(:name, :level, :height, :nodes)

      attr_reader :floors

      # @param problem [Problem]
      # @param grid [Mesh::Grid]
      def initialize(problem, grid)
        given = problem.conditions.grep(Load::Conditions::Floor).sort_by(&:level)
        @axis = given[0]&.axis || 2
        below = grid.nodes[true, @axis].min
        @floors = given.map { |floor| Floor.new(floor.statement.name, floor.level, floor.level - below, grid.nodes_of(floor.places)).tap { below = floor.level } }
      end

      def any? = floors.any?

      # @return [Array<Integer>] axes across which floors move
      def across = [0, 1, 2] - [@axis]

      # @param table [Numo::DFloat] [n, 3] at the nodes
      # @return [Array<Array<Float>>] by floor, the two components in its plane
      def read(table) = floors.map { |floor| across.map { |k| table[floor.nodes, k].mean } }

      # @param moved [Array] of every frame by floor two components, see #read
      # @param base [Array] of every frame the two components of what holds the feet, N
      # @return [Hash] axes, floors, moved, base, and drifts: the greatest of every storey by its height, and its frame; farthest m of every floor
      def to_h(moved, base)
        { axes: across.map { |k| "xyz"[k] }, floors: floors.map { |f| { name: f.name, level: f.level, height: f.height } }, moved: moved, base: base, drifts: drifts(moved),
          farthest: floors.each_index.map { |i| moved.map { |row| Math.hypot(*row[i]) }.max } }
      end

      private

      def drifts(moved)
        table = Numo::DFloat.cast(moved)
        floors.each_with_index.map do |floor, i|
          own = table[true, i, true] - (i.zero? ? 0.0 : table[true, i - 1, true])
          size = Numo::NMath.sqrt((own**2).sum(1)) / floor.height
          frame = size.max_index
          { drift: size[frame], frame: frame }
        end
      end
    end
  end
end
