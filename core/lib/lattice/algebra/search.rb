# frozen_string_literal: true

module Lattice
  module Algebra
    # Binary search of many values at once in a sorted list.
    module Search
      module_function

      # What lies on straight lines between points; before the first and after the last as there.
      # @param places [Numo::DFloat] [m] ascending
      # @param heights [Numo::DFloat] [m]
      # @param wanted [Numo::DFloat] [n]
      # @return [Numo::DFloat] [n]
      def straight(places, heights, wanted)
        after = first_not_below(places, wanted).clip(1, places.size - 1)
        before = after - 1
        share = ((wanted - places[before]) / (places[after] - places[before])).clip(0, 1)
        heights[before] + ((heights[after] - heights[before]) * share)
      end

      # @param sorted [Numo::NArray] [m] ascending
      # @param values [Numo::NArray] [n]
      # @return [Numo::Int32] [n] the first place in the list whose entry is not below the value
      def first_not_below(sorted, values)
        low = Numo::Int32.zeros(values.size)
        return low if sorted.empty? || values.empty?

        high = Numo::Int32.zeros(values.size).fill(sorted.size)
        Math.log2(sorted.size + 1).ceil.succ.times do
          middle = (low + high) / 2
          open = low < high
          less = Numo::Int32.cast((sorted[middle.clip(0, sorted.size - 1)] < values) & open)
          low += less * (middle + 1 - low)
          high += (Numo::Int32.cast(open) - less) * (middle - high)
        end
        low
      end
    end
  end
end
