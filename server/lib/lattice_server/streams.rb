# frozen_string_literal: true

module LatticeServer
  # All event streams, served by one thread: a stream costs a socket, and nothing else. The
  # database is asked for runs only when somebody has written to it.
  class Streams
    POLL = 0.2
    BEAT = 10 # s between signs of life, by which a closed connection is noticed
    MOST = 400
    WAITING = 1_000_000 # bytes that a reader may be behind

    HEAD = ["HTTP/1.1 200 OK", "Content-Type: text/event-stream", "Cache-Control: no-store", "X-Content-Type-Options: nosniff", "Connection: close", "", ""].join("\r\n").freeze

    # A reader: its socket, what it follows, what is yet to be sent, and when something was sent last.
    Reader = Struct.new(:socket, :events, :waiting, :told_at)

    class << self
      def shared = @shared ||= new
      def stop = @shared&.stop
    end

    def initialize
      @readers = []
      @lock = Mutex.new
    end

    # @param socket [IO] of a connection that was taken over
    # @param events [RunEvents]
    # @raise [Problem] when there are too many
    def add(socket, events)
      @lock.synchronize do
        @readers << Reader.new(socket, events, "#{HEAD}: here\n\n#{events.changes.join}", now)
        flush(@readers.last)
        @thread = Thread.new { watch } unless @thread&.alive?
      end
    end

    def full? = @lock.synchronize { @readers.size >= MOST }

    def stop
      @thread&.kill
      @lock.synchronize { @readers.each { |reader| close(reader) }.clear }
    end

    private

    def watch
      version = nil
      database = SQLite3::Database.new(Config.database, readonly: true)
      loop do
        sleep POLL
        latest = database.get_first_value("PRAGMA data_version")
        changed = latest != version
        version = latest
        @lock.synchronize { @readers.select! { |reader| serve(reader, changed) } }
      end
    rescue SQLite3::Exception, Sequel::DatabaseError => e
      warn "following runs failed: #{e.message}"
      sleep 1
      retry
    end

    # @return [Boolean] whether the reader is still there
    def serve(reader, changed)
      reader.waiting << reader.events.changes.join if changed
      reader.waiting << ": still here\n\n" if reader.waiting.empty? && now - reader.told_at > BEAT
      flush(reader)
    end

    def flush(reader)
      return close(reader) if reader.waiting.bytesize > WAITING || gone?(reader.socket)

      until reader.waiting.empty?
        sent = reader.socket.write_nonblock(reader.waiting, exception: false)
        break if sent == :wait_writable

        reader.waiting = reader.waiting.byteslice(sent..)
        reader.told_at = now
      end
      true
    rescue SystemCallError, IOError
      close(reader)
    end

    # A reader that sends something more, or an end, is done.
    def gone?(socket)
      found = socket.read_nonblock(1024, exception: false)
      found.nil?
    end

    def close(reader)
      reader.socket.close
      false
    rescue SystemCallError, IOError
      false
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
