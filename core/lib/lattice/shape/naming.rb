# frozen_string_literal: true

module Lattice
  module Shape
    # Names of places: no two of a body bear the same.
    module Naming
      module_function

      # @param plain [String] the name wanted
      # @param taken [Hash] names that are given already; the new one is added
      # @return [String] that name, or with a number behind it
      def free(plain, taken)
        name = taken[plain] ? (2..).lazy.map { |k| "#{plain} (#{k})" }.find { |n| !taken[n] } : plain
        taken[name] = true
        name
      end
    end
  end
end
