# frozen_string_literal: true

module Lattice
  # Raised when the input is well formed but the computation cannot finish: what went wrong,
  # what to do, and, where they are known, the statement and the place.
  class SolveFailed < Error
    attr_reader :faults

    def initialize(message, cure: nil, statement: nil, place: nil, motions: nil)
      @faults = [Fault.new(message: message, cure: cure, statement: statement, place: place, motions: motions)]
      super(cure ? @faults[0].to_s : message)
    end
  end
end
