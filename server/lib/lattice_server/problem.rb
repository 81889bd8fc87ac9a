# frozen_string_literal: true

module LatticeServer
  # What a request cannot be given: status, message and cure for the answer.
  class Problem < StandardError
    attr_reader :status, :body

    def initialize(status, message, cure: nil, **more)
      super(message)
      @status = status
      @body = { error: message, cure: cure, **more }.compact
    end
  end
end
