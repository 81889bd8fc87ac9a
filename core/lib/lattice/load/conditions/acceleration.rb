# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Everything is carried along with an acceleration: inertia pushes back.
      class Acceleration < Gravity
        def steady? = false
        def weight? = false

        private

        def sign = -1
      end
    end
  end
end
