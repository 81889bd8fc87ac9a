# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Gives a component of a place a value in its case; in others it is held.
      class Displacement < Condition
        acts_on :faces, :edges, :points, :bodies

        def spreads? = true
        def holds? = true
        def imposes? = !value.zero?
        def steady? = imposes?
        def components = [statement["component"].to_sym]
        def value = statement.quantity("value", "length")

        def apply(structure) = structure.hold(self, components[0], value)
      end
    end
  end
end
