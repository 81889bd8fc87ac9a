# frozen_string_literal: true

module Lattice
  class Command
    # One line that grows, on a terminal; plain lines elsewhere.
    class ProgressBar
      WIDTH = 30

      def initialize(stream)
        @stream = stream
      end

      def show(event, text, share)
        return @stream.puts("#{clear}#{text}") if event == :log
        return unless event == :phase

        if @stream.tty?
          done = (share * WIDTH).round
          @stream.print "#{clear}[#{'=' * done}#{' ' * (WIDTH - done)}] #{(share * 100).round} % #{text}"
        else
          @stream.puts "#{(share * 100).round} % #{text}"
        end
      end

      # @param phases [Hash] seconds by phase
      def finish(phases)
        @stream.puts "#{clear}#{phases.map { |name, seconds| "#{name} #{seconds.round(2)} s" }.join(', ')}"
      end

      private

      def clear = @stream.tty? ? "\r\e[K" : ""
    end
  end
end
