# frozen_string_literal: true

module Lattice
  # Raised when a model cannot be used as it is written; carries every fault found.
  class InvalidInput < Error
    attr_reader :faults

    def initialize(faults)
      @faults = faults.is_a?(Fault) ? [faults] : faults
      super(@faults.join("\n"))
    end

    # Shorthand for a single fault.
    def self.at(message, statement: nil, path: nil, cure: nil, place: nil)
      new(Fault.new(statement: statement, path: path, message: message, cure: cure, place: place))
    end
  end
end
