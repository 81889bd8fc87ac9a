# frozen_string_literal: true

module Lattice
  module Result
    # What each point of the mesh counts in the integral of a field over a place: ∫N, of area, length or volume; one at a
    # point of the shape.
    class Shares
      # @param grid [Mesh::Grid]
      # @param problem [Study::Problem]
      def initialize(grid, problem)
        @grid = grid
        @structure = System::Structure.new(problem, grid, [])
      end

      # @param places [Array<Shape::Place>] places, or whole bodies
      # @return [Numo::DFloat] [p] at the points of the mesh; zero elsewhere
      def of(places)
        places.flat_map { |place| place.of == :bodies ? of_body(place.body) : [of_place(place)] }
              .reduce(Numo::DFloat.zeros(@grid.points.size)) { |sum, (index, shares)| sum + index.flatten.bincount(shares.flatten, minlength: sum.size) }
      end

      private

      def of_place(place) = [@grid.points.place(place.key, @grid.places.fetch(place.key)), @structure.surface(place).shares]

      def of_body(body)
        @structure.pieces.each_index.select { |b| @grid.blocks[b].body == body }.map { |b| [@grid.points.block(b), @structure.pieces[b].node_volumes] }
      end
    end
  end
end
