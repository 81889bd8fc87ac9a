# frozen_string_literal: true

module Lattice
  module Study
    # What is told of a building at every step of an earthquake.
    class Course
      attr_reader :times

      # @param structure [System::Structure]
      # @param storeys [Storeys]
      # @param start [Numo::DFloat] [unknowns] from where movement is counted
      # @param shapes [Numo::DFloat] [k, unknowns] how all moves with the ground
      # @param count [Integer] of steps
      def initialize(structure, storeys, start, shapes, count)
        @structure = structure
        @storeys = storeys
        @start = start
        @shapes = shapes
        @times = []
        @rows = []
        @count = count
        @iterations = 0
        @parts = 0
      end

      def size = times.size

      # @param moment [Engine::Motion::Moment]
      def add(moment)
        across = @storeys.across
        dofs = @structure.dofs
        table = dofs.spread(moment.pose.moved - @start)
        # With the ground.
        rates = dofs.spread(moment.acceleration + moment.ground.dot(@shapes))
        feet = dofs.spread(moment.push - moment.internal)
        @times << moment.time
        @iterations += moment.iterations
        @parts += moment.parts
        @rows << { moved: @storeys.read(table), rates: @storeys.read(rates), base: across.map { |k| feet[true, k].sum }, ground: moment.ground.to_a, farthest: Shape::Vectors.norm(table).max }
      end

      # @return [Hash] times s; storeys: see Storeys#to_h, with rates m/s² by frame and floor, nil without floors; base N by frame; ground m/s² by frame
      #   and direction; farthest m by frame; iterations, parts
      def to_h
        moved, rates, base, ground, farthest = %i[moved rates base ground farthest].map { |key| @rows.map { |row| row[key] } }
        { times: times, base: base, ground: ground, farthest: farthest, iterations: @iterations, steps: size, parts: @parts,
          storeys: @storeys.any? ? @storeys.to_h(moved, base).merge(rates: rates) : nil }
      end
    end
  end
end
