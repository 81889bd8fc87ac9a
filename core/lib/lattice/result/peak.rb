# frozen_string_literal: true

module Lattice
  module Result
    # The greatest value of a field, in size, averaged at points and within elements alone.
    class Peak
      # @param result [Outcome]
      # @param name [String] of the catalogue
      # @param points [Numo::Int32, nil] of the mesh that are looked at; nil takes all that can be read
      def initialize(result, name, points = nil)
        @result = result
        @name = name
        @points = result.readable(points)
      end

      # @param frame [Integer]
      # @return [Hash] value; element: before averaging (the same for what is not averaged); at: m
      def at(frame = 0)
        field = @result.field(@name, frame)[@points]
        point = field.abs.max_index
        { value: field[point], element: element(frame) || field[point], at: @result.at(@points[point]) }
      end

      private

      def element(frame)
        return unless Stress::SCALARS.include?(@name) && !@result.envelope?(frame)

        wanted = Numo::Bit.zeros(@result.grid.points.size)
        wanted[@points] = 1
        @result.state(frame).stress.each_with_index.flat_map { |layers, b| layers.values.filter_map { |tensor| greatest(tensor, b, wanted) } }.max_by(&:abs)
      end

      def greatest(tensor, block, wanted)
        there = wanted[@result.grid.points.block(block).flatten].where
        return if there.empty?

        values = Stress.scalar(@name, tensor.reshape(tensor.shape[0] * tensor.shape[1], 6)[there, true].dup)
        values[values.abs.max_index]
      end
    end
  end
end
