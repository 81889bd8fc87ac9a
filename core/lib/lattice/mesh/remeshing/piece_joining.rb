# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Takes pieces of curves out when one of their ends is drawn onto the other: the piece
      # on the other side of the point that goes reaches on to where the first one ended.
      module PieceJoining
        module_function

        # @param sheet [Sheet]
        # @param gone [Numo::Int32] pieces
        # @param out [Numo::Int32] the end of each that goes
        def call(sheet, gone, out)
          ahead = sheet.pieces[gone, 0].eq(out)
          stretch(sheet, gone[ahead.where].dup, 1, 0) if ahead.any?
          stretch(sheet, gone[(~ahead).where].dup, 0, 1) unless ahead.all?
          mask = Numo::Bit.ones(sheet.curve.size)
          mask[gone] = 0
          rows = Numo::Int32.cast(mask.where)
          sheet.pieces = sheet.pieces[rows, true].dup
          sheet.curve = sheet.curve[rows].dup
          sheet.reach = sheet.reach[rows, true].dup
        end

        # @param far [Integer] the column of the point that stays, +near+ of the one that goes
        def stretch(sheet, gone, far, near)
          node = sheet.pieces[gone, near].dup
          # The other piece at the point: the one that has it in the opposite column.
          holder = Numo::Int32.zeros(sheet.points.shape[0]).fill(-1)
          holder[sheet.pieces[true, far].dup] = Numo::Int32.new(sheet.curve.size).seq
          before = holder[node].dup
          step = sheet.reach[gone, far] - sheet.reach[gone, near]
          sheet.reach[before, far] = sheet.reach[before, far] + step
        end
      end
    end
  end
end
