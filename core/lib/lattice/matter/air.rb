# frozen_string_literal: true

module Lattice
  module Matter
    # Dry air at 20 °C and 101.325 kPa.
    module Air
      DENSITY = 1.204 # kg/m³
      SOUND = 343.0   # m/s, speed of sound
    end
  end
end
