# frozen_string_literal: true

module Lattice
  module Result
    # How much of the mass a shape carries in each direction, and where it moves.
    class ModalMass
      AXES = %i[x y z].freeze

      # @param structure [System::Structure]
      # @param masses [Algebra::SymmetricMatrix] of all unknowns
      def initialize(structure, masses)
        @structure = structure
        @masses = masses
        @pushes = AXES.map { |name| masses.dot(unit(name)) }
      end

      # @return [Array<Float>] kg that can move along x, y and z
      def total = @total ||= AXES.each_with_index.map { |name, k| unit(name).dot(@pushes[k]) }

      # @param shape [Numo::DFloat] [unknowns] of unit modal mass
      # @return [Hash] effective: kg along x, y and z; shares: of the modal mass by direction; body: which has most of it
      def of(shape)
        momentum = @masses.dot(shape)
        energy = shape * momentum
        by_direction = AXES.map { |name| at(name).then { |rows| rows.empty? ? 0.0 : energy[rows].sum } }
        { effective: @pushes.map { |push| shape.dot(push)**2 }, shares: by_direction, body: liveliest(energy) }
      end

      private

      def unit(name) = @structure.dofs.along(Numo::DFloat.cast(AXES.map { |axis| axis == name ? 1.0 : 0.0 }))

      def at(name)
        (@at ||= {})[name] ||= begin
          numbers = @structure.dofs.at(Numo::Int32.new(@structure.dofs.nodes).seq, name)
          there = (numbers >= 0).where
          there.empty? ? Numo::Int32.zeros(0) : numbers[there].dup
        end
      end

      # The body with most of the energy, and its share.
      def liveliest(energy)
        spread = @structure.dofs.spread(energy).sum(1)
        bodies = @structure.grid.blocks.map(&:body).uniq
        return { name: bodies[0], share: 1.0 } if bodies.size == 1

        all = spread.sum
        name = bodies.max_by { |body| spread[@structure.grid.body_nodes(body)].sum }
        { name: name, share: all.zero? ? 0.0 : spread[@structure.grid.body_nodes(name)].sum / all }
      end
    end
  end
end
