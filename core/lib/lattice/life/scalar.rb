# frozen_string_literal: true

module Lattice
  module Life
    # One number for a stress tensor, with a sign.
    module Scalar
      USES = { "von_mises" => "signed von Mises stress", "shear" => "signed Tresca stress", "principal" => "principal stress largest in size" }.freeze

      module_function

      # @param tensor [Numo::DFloat] [n, 6]
      # @return [Numo::DFloat] [n]; von Mises by the sign of the mean, the others by that of the principal stress largest in size
      def of(use, tensor)
        return Result::Stress.von_mises(tensor) * signs(tensor[true, 0] + tensor[true, 1] + tensor[true, 2]) if use == "von_mises"

        largest, = by_size(tensor)
        use == "principal" ? largest : Result::Stress.scalar("tresca", tensor) * signs(largest)
      end

      # How biaxial: the second principal stress, by size, over the first.
      def biaxiality(tensor)
        first, second = by_size(tensor)
        Algebra::Gather.put(first.dup, first.eq(0), 1.0).then { |over| second / over }
      end

      # The two principal stresses that are largest in size.
      def by_size(tensor)
        greatest, middle, least = Result::Stress.principal(tensor)
        top = greatest.abs >= least.abs
        top = Numo::DFloat.cast(top)
        first = (greatest * top) + (least * (1 - top))
        other = (least * top) + (greatest * (1 - top))
        nearer = Numo::DFloat.cast(other.abs >= middle.abs)
        [first, (other * nearer) + (middle * (1 - nearer))]
      end

      def signs(values) = Algebra::Gather.put(values.sign, values.eq(0), 1.0)
      private_class_method :by_size, :signs
    end
  end
end
