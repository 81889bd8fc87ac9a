# frozen_string_literal: true

module Lattice
  module Verdict
    # The modes of a vibration study as a table.
    class Modes
      # @param result [Result::Outcome]
      # @param running [Array(Float, Float), nil] Hz, of what runs
      def initialize(result, running = nil)
        @result = result
        @running = running
      end

      # @return [Array<Hash>] number, frequency in Hz, period in s (nil of rigid motions), effective masses in kg, their shares of
      #   all that can move, sums of shares so far, words, and whether it lies inside the running range
      def rows
        sums = [0.0, 0.0, 0.0]
        character = Result::Character.new(@result.grid)
        @result.found[:modes].each_with_index.map do |mode, i|
          frequency = @result.frames[i].value
          shares = mode[:effective].zip(@result.found[:mass]).map { |m, all| all.positive? ? m / all : 0.0 }
          sums = sums.zip(shares).map(&:sum)
          { number: i + 1, frequency: frequency, period: frequency.zero? ? nil : 1 / frequency, effective: mode[:effective], shares: shares, sums: sums, rigid: frequency.zero?,
            words: frequency.zero? ? "moves as a rigid body" : worded(character, i, mode), inside: inside?(frequency) }
        end
      end

      private

      def worded(character, frame, mode)
        words = character.words(@result.displacement(frame), mode[:shares])
        mode[:body][:share] > 0.999 || @result.grid.blocks.map(&:body).uniq.size == 1 ? words : "#{words}, #{(mode[:body][:share] * 100).round} % in #{mode[:body][:name]}"
      end

      def inside?(frequency) = @running ? frequency.between?(*@running) : false
    end
  end
end
