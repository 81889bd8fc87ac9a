# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Holds components of a place, in every case.
      class Support < Condition
        acts_on :faces, :edges, :points, :bodies

        def holds? = true
        def components = statement["components"].map(&:to_sym)

        def apply(structure) = components.each { |name| structure.hold(self, name) }
      end
    end
  end
end
