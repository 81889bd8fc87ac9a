# frozen_string_literal: true

module Lattice
  module Study
    # Bodies whose modulus changes with their temperature: frames that are as warm as each other have one stiffness. Of every element the mean
    # of its nodes counts.
    class Softening
      # @param structure [System::Structure]
      # @param factor [Float] of all loads
      def initialize(structure, factor)
        @structure = structure
        @factor = factor
      end

      # @raise [SolveFailed] where what settles by itself would meet another stiffness in every case
      def check!
        odd = @structure.connectors.one_way.first&.statement
        odd ||= @structure.bolts.tightened.first&.then { |number| @structure.bolts.bolts[number].condition.statement }
        raise SolveFailed.new("it does not go with a modulus that changes with temperature yet", statement: odd.id, cure: "Give the material one modulus, or leave it out.") if odd
      end

      # @param weights [Numo::DFloat] [cases]
      # @return [Array<Numo::DFloat, nil>] for every piece [e], what its stiffness is multiplied by; nil where it stays
      def scales(weights)
        @structure.pieces.each_with_index.map do |piece, i|
          of = @structure.softening[i]
          change = of && (weights.dot(of[:rows]) * @factor)
          piece.material.over.young_at(change + of[:from]) / piece.material.young unless change.nil? || change.eq(0).all?
        end
      end

      # @param all [Array<Numo::DFloat>] weights of frames
      # @return [Array(Array, Array<Integer>)] scales, and numbers of the frames that share them
      def groups(all) = all.each_index.group_by { |k| scales(all[k]).map { |one| one&.to_binary } }.values.map { |frames| [scales(all[frames[0]]), frames] }

      # @return [Algebra::SymmetricMatrix] of the elements
      def matrix(scales)
        @structure.assemble(@structure.pieces.zip(scales).map { |piece, scale| scale ? piece.stiffness * scale.reshape(1, 1, scale.size, 1, 1) : piece.stiffness })
      end

      # @param loads [Numo::DFloat] [cases, unknowns] with the forces of free strains at the modulus of 20 °C
      # @return [Numo::DFloat] [cases, unknowns]
      def loads(loads, scales)
        scales.each_with_index.with_object(loads.dup) do |(scale, i), sum|
          next unless scale

          piece = @structure.pieces[i]
          table = @structure.dofs.table(piece.conn, piece.names).flatten
          @structure.swellings(i).each do |row, strain|
            force = piece.swelling_by(strain) * ((scale - 1) * @factor).reshape(scale.size, 1, 1)
            sum[row, true] = sum[row, true] + table.bincount(force.flatten, minlength: sum.shape[1])
          end
        end
      end
    end
  end
end
