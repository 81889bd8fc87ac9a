# frozen_string_literal: true

module Lattice
  module Result
    # States of stages, increment by increment. What is judged are the ends of stages.
    class Staged < Way
      def judged(_cases) = found[:stages][:ends]
    end
  end
end
