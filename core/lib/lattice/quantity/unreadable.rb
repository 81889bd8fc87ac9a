# frozen_string_literal: true

module Lattice
  module Quantity
    # Raised when a text is not a quantity, or not one of the wanted dimension.
    class Unreadable < Error; end
  end
end
