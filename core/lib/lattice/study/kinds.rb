# frozen_string_literal: true

module Lattice
  module Study
    # The kinds of studies: each is one file in kinds/, named as the statement's type, with a class that extends Kind.
    module Kinds
      # @param statement [Model::Statement] a study
      # @return [Kind]
      def self.of(statement) = const_get(statement["type"].split("_").map(&:capitalize).join)
    end
  end
end
