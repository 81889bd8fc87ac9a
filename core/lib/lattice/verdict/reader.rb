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

      attr_reader :problem

      # Half the thickness of walls, or a little: how far from a face a point may lie that is read.
      def reach = problem.parts.bodies.filter_map { |b| b.faces? ? b.wall.to_f / 2 : nil }.max || (problem.parts.size * 1e-6)

      # The frames that are judged, and have states of their own.
      def judged(result) = result.judged(@problem.cases).reject { |frame| result.envelope?(frame) }

      # @return [String, nil] the name of a frame, where there are several
      def named(result, frame) = result.frames.size > 1 ? result.frames[frame].name : nil
    end
  end
end
