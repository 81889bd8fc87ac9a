# frozen_string_literal: true

module Lattice
  module Verdict
    # What a statement reads of a study's result.
    class Reader
      attr_reader :statement

      # @param statement [Model::Statement]
      # @param problem [Study::Problem]
      def initialize(statement, problem)
        @statement = statement
        @problem = problem
      end

      # @raise [InvalidInput] with what keeps it from being read
      def check! = nil

      # @param result [Result::Outcome]
      # @return [Hash, nil] a finding
      def read(result) = raise(NotImplementedError)

      private

      # The frames that are judged, and have states of their own.
      def judged(result) = @problem.cases.judged.reject { |frame| result.envelope?(frame) }

      # @return [String, nil] the name of a frame, where there are several
      def named(result, frame) = result.frames.size > 1 ? result.frames[frame].name : nil
    end
  end
end
