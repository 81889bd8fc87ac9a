# frozen_string_literal: true

module Lattice
  # Raised when the input is well formed but the computation cannot finish.
  class SolveFailed < Error; end
end
