# frozen_string_literal: true

module Lattice
  module Life
    # Strain that a study found, as one number for every step: what stress brings and what stays, so that of a bar that is pulled it is the strain along it.
    module OwnStrain
      WEIGHTS = Numo::DFloat[1, 1, 1, 2, 2, 2] # of the six components in the product of two tensors

      module_function

      # @param stress [Numo::DFloat] [k, 6] Pa
      # @param flow [Numo::DFloat] [k, 6] plastic strain, shears as half of the angle
      # @param young [Float] Pa
      # @return [Numo::DFloat] [k, 6] whose size, √(⅔ ε:ε), is σ / E + εₚ of a bar
      def tensor(stress, flow, young)
        mean = (stress[true, 0..2].sum(1) / 3).reshape(stress.shape[0], 1)
        deviator = stress.dup
        deviator[true, 0..2] = deviator[true, 0..2] - mean
        (deviator * (1.5 / young)) + flow
      end

      # Along the change between the two steps that lie farthest apart, which keeps its size.
      # @param tensors [Array<Numo::DFloat>] of every step [k, 6]
      # @param stress [Numo::DFloat] [steps, k] by whose signs it is read, Pa
      # @return [Numo::DFloat] [steps, k]
      def along(tensors, stress)
        widest = tensors[0] * 0
        size = Numo::DFloat.zeros(widest.shape[0])
        tensors.combination(2) do |one, other|
          change = one - other
          far = product(change, change)
          more = (far > size).where
          next if more.empty?

          widest[more, true] = change[more, true]
          size[more] = far[more]
        end
        whole = Algebra::Gather.put(Numo::NMath.sqrt(size * 2 / 3), size.eq(0), 1.0)
        values = Numo::DFloat.zeros(tensors.size, size.size).tap { |all| tensors.each_with_index { |tensor, i| all[i, true] = product(tensor, widest) * 2 / (whole * 3) } }
        upright = Numo::DFloat.cast((values * stress).sum(0) >= 0)
        values * ((upright * 2) - 1).reshape(1, size.size)
      end

      def product(one, other) = (one * other).dot(WEIGHTS)
      private_class_method :product
    end
  end
end
