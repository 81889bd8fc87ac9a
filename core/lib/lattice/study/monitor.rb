# frozen_string_literal: true

module Lattice
  module Study
    # Follows a computation: what it is doing, how far it is, how long each phase took.
    class Monitor
      attr_reader :phases

      # @yield [Symbol, String, Float] event (:phase or :log), text, share of the whole done (0 to 1)
      def initialize(&listener)
        @listener = listener
        @phases = {}
        @share = 0.0
        @upto = 0.0
      end

      # Runs a phase that ends when +upto+ of the whole is done.
      def phase(name, upto: @share)
        tell(:phase, name)
        @upto = upto
        @within = nil
        start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        result = yield
        @phases[name] = (@phases[name] || 0.0) + Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
        @share = upto
        result
      end

      def log(text) = tell(:log, text)

      # What a phase that reports by itself is doing; told of when it changes, or by a hundredth.
      # @param part [Float] of the phase that is done
      def within(what, part)
        return if @within && @within[0] == what && part - @within[1] < 0.01

        @within = [what, part]
        @listener&.call(:phase, what, @share + (part * (@upto - @share)))
      end

      # Sets times measured elsewhere.
      def add(times) = @phases.merge!(times) { |_, a, b| a + b }

      private

      def tell(event, text) = @listener&.call(event, text, @share)
    end
  end
end
