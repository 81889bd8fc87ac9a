# frozen_string_literal: true

module Lattice
  module Study
    # Where a study that goes in increments has come to, kept beside it so that it goes on from there after a stop or a kill:
    # what came to rest, one after the other, and what is remembered at the last of them. Written seldom, and so that a kill at any moment
    # leaves what was kept before.
    class Waypoints
      EVERY = 5.0 # s

      # Keeps nothing, and knows of nothing.
      class None
        def last = nil
        def kept? = false
        def pass(_record) = nil
        def done = nil
      end

      # @param folder [String] that is made when there is something to keep
      # @param every [Float] s between two times that it is written
      def initialize(folder, every: EVERY)
        @folder = folder
        @every = every
        @new = []
        @written = now
        @bytes = @count = 0
      end

      # Read is only what was written here, in a folder of our own.
      # rubocop:disable Security/MarshalLoad
      # @return [Array(Array, Hash), nil] records, and what is remembered at the last; nil where nothing whole is kept
      def last
        @count, @bytes, memory = Marshal.load(File.binread(path("memory")))
        records = File.open(path("records"), "rb") { |file| Array.new(@count) { Marshal.load(file) } }
        [records, memory]
      rescue SystemCallError, TypeError, ArgumentError, EOFError
        @count = @bytes = 0
        nil
      end
      # rubocop:enable Security/MarshalLoad

      # @return [Boolean] whether there is something to go on from
      def kept? = @count.positive?

      # @param record [Object] of what has come to rest, plain data
      # @yieldreturn [Hash] what is to be remembered, asked for only when it is written
      def pass(record)
        @new << record
        return if now - @written < @every

        write(yield)
        @written = now
      end

      # It is not needed any more.
      def done = FileUtils.rm_rf(@folder)

      private

      def write(memory)
        FileUtils.mkdir_p(@folder)
        File.open(path("records"), File::WRONLY | File::CREAT | File::BINARY) do |file|
          # What a kill left half written is overwritten.
          file.truncate(@bytes)
          file.seek(@bytes)
          @new.each { |record| Marshal.dump(record, file) }
          file.flush
          @bytes = file.pos
        end
        @count += @new.size
        @new = []
        File.binwrite(path("next"), Marshal.dump([@count, @bytes, memory]))
        File.rename(path("next"), path("memory"))
      end

      def path(name) = File.join(@folder, name)
      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
