# frozen_string_literal: true

module Lattice
  module Engine
    # Where a structure is: movements of its nodes, and how they have turned.
    class Pose
      Turn = Element::Large::Rotation

      # moved [unknowns]: movements, and turns as vectors of at most half a turn; turns [n, 3, 3], nil where nothing turns
      attr_reader :moved, :turns

      # @param dofs [System::Dofs]
      # @return [Pose] where nothing has moved
      def self.start(dofs) = new(dofs, Numo::DFloat.zeros(dofs.size), dofs.names.include?(:rx) ? Turn.none(dofs.nodes) : nil)

      def initialize(dofs, moved, turns)
        @dofs = dofs
        @moved = moved
        @turns = turns
      end

      # @param step [Numo::DFloat] [unknowns] movements, and small turns on top of those there are
      # @return [Pose]
      def step(step)
        return Pose.new(@dofs, moved + step, nil) unless turns

        turned = Numo::Linalg.matmul(Turn.exp(@dofs.spread(step, %i[rx ry rz])), turns)
        Pose.new(@dofs, @dofs.gather(@dofs.spread(moved) + @dofs.spread(step), Turn.log(turned)), turned)
      end

      # @param nodes [Numo::DFloat] [n, 3] where nothing has moved
      # @return [Numo::DFloat] [n, 3]
      def places(nodes) = nodes + @dofs.spread(moved)
    end
  end
end
