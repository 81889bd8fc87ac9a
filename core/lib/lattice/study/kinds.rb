# frozen_string_literal: true

module Lattice
  module Study
    # The kinds of studies: each is one file in kinds/, named as the statement's type. A kind answers VERSION, which is
    # raised when a change in it makes stored results obsolete, options(statement) by meaning, and
    # call(problem, grid, statement, monitor) => Result::Outcome.
    module Kinds
      # @param statement [Model::Statement] a study
      # @return [Module]
      def self.of(statement) = const_get(statement["type"].split("_").map(&:capitalize).join)
    end
  end
end
