# frozen_string_literal: true

module Lattice
  module Study
    # Follows a computation: what it is doing, how far it is, how long each phase took.
    class Monitor
      attr_reader :phases

      # @yield [Symbol, String, Float] event (:phase or :log, and :came or :tries with a Hash), text, share of the whole done (0 to 1)
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

      OFTEN = 0.3 # s between two words of what is being tried

      # What has come to rest, for who looks on.
      # @param told [Hash] name of the stage, level, residuals, pressing: places that press, iteration by iteration; keeps: whether it can go on from there
      def came(told)
        @listener&.call(:came, told, @share)
      end

      # What is being tried, now and then.
      # @param told [Hash] as #came
      def tries(told)
        now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        return if @listener.nil? || (@told && now - @told < OFTEN)

        @told = now
        @listener.call(:tries, told, @share)
      end

      # Sets times measured elsewhere.
      def add(times) = @phases.merge!(times) { |_, a, b| a + b }

      private

      def tell(event, text) = @listener&.call(event, text, @share)
    end
  end
end
