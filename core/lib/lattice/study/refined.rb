# frozen_string_literal: true

module Lattice
  module Study
    # A problem on a finer mesh, similar to its own: all sizes so many times smaller, divisions so many times more.
    class Refined < Problem
      attr_reader :factor

      # @param problem [Problem]
      # @param factor [Float] above 1
      def initialize(problem, factor)
        super(problem.document, parts: problem.parts)
        @coarse = problem
        @factor = factor
      end

      def size = @coarse.size&./(factor)
      def settings = @settings ||= @coarse.settings&.finer(factor)
    end
  end
end
