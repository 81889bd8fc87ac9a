# frozen_string_literal: true

module Lattice
  module Shape
    # The places to which a copy statement takes a body.
    module CopyMoves
      module_function

      # @param statement [Model::Statement] a copy
      # @return [Array<Frame>]
      # @raise [InvalidInput] when it says nothing of where to
      def call(statement)
        count = statement["count"] || 1
        if (move = statement["move"])
          step = Placement.spot(move)
          (1..count).map { |i| Frame.new(step.map { |c| c * i }) }
        elsif (turn = statement["turn"])
          axis = unit(turn["axis"])
          through = turn["through"] ? Placement.spot(turn["through"]) : [0.0, 0.0, 0.0]
          angle = Quantity.parse(turn["angle"], "angle")
          (1..count).map { |i| Frame.turning(through, axis, angle * i) }
        elsif (mirror = statement["mirror"])
          normal = unit(mirror["axis"])
          [Frame.mirror(normal.map { |c| c * Quantity.parse(mirror["at"], "length") }, normal)]
        else
          raise statement.fault("it does not say where the copy goes", cure: "Give a move, a turn or a mirror plane.")
        end
      end

      def unit(axis) = [0.0, 0.0, 0.0].tap { |v| v["xyz".index(axis)] = 1.0 }
    end
  end
end
