# frozen_string_literal: true

module Lattice
  module Result
    # Bolts with the forces in them: tension, shear and bending at head and nut, and how far they are used.
    module BoltForces
      module_function

      # @param result [Outcome]
      # @return [Array<Hash>] tension, shear [2], bending [2] in N and N m; used: shares of the proof force in tension, of the
      #   shear force, and both together as a root of squares
      def rows(result, frame)
        ends = result.state(frame).bolts or return []
        result.bolts.each_with_index.map do |bolt, i|
          tension, shear, bending = forces(ends[i, true, true])
          pull = [tension.max, 0.0].max / bolt[:proof]
          cut = shear.max / bolt[:shear_force]
          { tension: tension, shear: shear, bending: bending, used: { tension: pull, shear: cut, combined: Math.hypot(pull, cut) } }
        end
      end

      # @param ends [Numo::DFloat] [2, 6]
      def forces(ends)
        [ends[true, 0].to_a, *[[1, 2], [4, 5]].map { |a, b| (0..1).map { |k| Math.hypot(ends[k, a], ends[k, b]) } }]
      end
    end
  end
end
