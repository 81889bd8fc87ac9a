# frozen_string_literal: true

module Lattice
  module Study
    # What is told of a building at every step of an earthquake.
    class Course
      TOLD = 800 # moments at most

      attr_reader :times

      # @param structure [System::Structure]
      # @param storeys [Storeys]
      # @param start [Numo::DFloat] [unknowns] from where movement is counted
      # @param shapes [Numo::DFloat] [k, unknowns] how all moves with the ground
      # @param springs [Engine::Springs]
      def initialize(structure, storeys, start, shapes, springs)
        @springs = springs
        @structure = structure
        @storeys = storeys
        @start = start
        @shapes = shapes
        @times = []
        @rows = []
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
        feet = dofs.spread(moment.push - moment.internal + @structure.grounded(moment.pose.moved, @springs.read(moment.pose.moved)[0]))
        @times << moment.time
        @iterations += moment.iterations
        @parts += moment.parts
        @rows << { moved: @storeys.read(table), rates: @storeys.read(rates), base: across.map { |k| feet[true, k].sum }, ground: moment.ground.to_a, farthest: Shape::Vectors.norm(table).max }
      end

      # Of at most TOLD moments, and what is greatest of all.
      # @return [Hash] times s; storeys: see Storeys#to_h, with rates m/s² by frame and floor, nil without floors; base N by frame; ground m/s² by frame
      #   and direction; farthest m by frame; iterations, parts
      def to_h
        moved, rates, base, ground, farthest = %i[moved rates base ground farthest].map { |key| @rows.map { |row| row[key] } }
        every = (size.to_f / TOLD).ceil
        told = ->(list) { list.each_slice(every).map(&:last).then { |some| rounded(some) } }
        { times: told[times], base: told[base], ground: told[ground], farthest: told[farthest], iterations: @iterations, steps: size, parts: @parts,
          most: { base: most(base), farthest: farthest.max, ground: ground.transpose.map { |list| list.map(&:abs).max } },
          storeys: storeys(moved, rates, base, told) }
      end

      private

      # What is greatest is of all moments.
      def storeys(moved, rates, base, told)
        return unless @storeys.any?

        @storeys.to_h(moved, base).merge(moved: told[moved], base: told[base], rates: told[rates], fastest: @storeys.floors.each_index.map { |i| most(rates.map { |row| row[i] }) })
      end

      # Of two components.
      def most(rows) = rows.map { |parts| Math.sqrt(parts.sum { |v| v * v }) }.max

      def rounded(value) = value.is_a?(Array) ? value.map { |one| rounded(one) } : Kernel.format("%.6g", value).to_f
    end
  end
end
