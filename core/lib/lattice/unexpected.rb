# frozen_string_literal: true

module Lattice
  # Where a fault of ours is turned into words: what was being done goes on, or ends, without a trace
  # on the screen. With LATTICE_DEBUG set the trace goes to standard error.
  module Unexpected
    # What arithmetic and arrays raise on values that nobody foresaw; running out of memory is left to others.
    KINDS = [StandardError, SystemStackError].freeze

    module_function

    # @param statement [Model::Statement] whose values are being worked on
    # @raise [InvalidInput] that names the statement, for whatever else is raised within
    def within(statement)
      yield
    rescue Error
      raise
    rescue *KINDS => e
      tell(e)
      raise statement.fault("nothing can be made of the values in it (#{e.class.name.split('::').last})", cure: "Undo the last change in it, or give other values.")
    end

    # @return [String] a sentence for what stopped everything
    def sentence(error)
      tell(error)
      "something that was not foreseen stopped it (#{error.class}#{": #{error.message.to_s.scrub('?')[/\A[^\n]{0,120}/]}" unless error.message.to_s.match?(%r{/\w+/})})"
    end

    def tell(error) = ENV.fetch("LATTICE_DEBUG", nil) && warn(error.full_message)
  end
end
