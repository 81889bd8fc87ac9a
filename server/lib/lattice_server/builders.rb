# frozen_string_literal: true

module LatticeServer
  # Has shapes built, notes checked and fields read in processes with limits on their time and
  # memory, so that no model can stop the server or fill it.
  class Builders
    GIGABYTE = 1024**3
    WAIT = 30 # s for a builder that is free
    LOOK = 0.5 # s after which it is looked whether anybody still waits

    class << self
      # For what an edit waits for, and for what may take a while.
      def quick = own[:quick] ||= new(2)
      def slow = own[:slow] ||= new(2)

      def stop
        own.each_value(&:stop)
        own.clear
        Nursery.stop
      end

      private

      def own
        @own = {} unless @owner == Process.pid
        @owner = Process.pid
        @own
      end
    end

    def initialize(size)
      @size = size
      @made = 0
      @idle = []
      @lock = Mutex.new
      @freed = ConditionVariable.new
    end

    # @param task [Symbol] see Building::Tasks
    # @param key [String, nil] a builder that was last asked with the same key is preferred
    # @return [Object] what the task gives
    # @raise [Problem, Lattice::InvalidInput, Lattice::Format::ArrayFile::Torn]
    def ask(task, *arguments, key: nil, seconds: 9, memory: 2 * GIGABYTE)
      child = take(key)
      kind, value, last = exchange(child, [task, arguments], seconds, memory) || [:gone, nil, true]
      give_back(child, key) unless last
      whole = true unless last
      unpack(kind, value)
    ensure
      kill(child) if child && !whole
    end

    def stop
      @lock.synchronize { @idle.each { |child| finish(child) }.clear }
    end

    private

    # @return [Array, nil] nil when the builder is gone
    def exchange(child, request, seconds, memory)
      Message.send(child.socket, request)
      wait(child, seconds, memory)
    rescue SystemCallError, IOError
      nil
    end

    def take(key)
      @lock.synchronize do
        deadline = now + WAIT
        while @idle.empty? && @made >= @size
          left = deadline - now
          raise Problem.new(503, "the server is busy with other models", cure: "Try again in a moment.") if left <= 0

          raise Problem.new(503, "nobody waits for it any more", cure: "Ask again.") if Client.gone?

          @freed.wait(@lock, [left, LOOK].min)
        end
        return @idle.delete_at(@idle.index { |c| c.key == key } || 0) unless @idle.empty?

        @made += 1
      end
      Nursery.shared.child
    rescue SystemCallError, IOError, SocketError
      Nursery.stop
      @lock.synchronize { @made -= 1 }
      raise Problem.new(503, "the process that builds shapes was ended from outside", cure: "Try again.")
    end

    def give_back(child, key)
      child.key = key
      @lock.synchronize do
        @idle << child
        @freed.signal
      end
    end

    def kill(child)
      finish(child)
      @lock.synchronize do
        @made -= 1
        @freed.signal
      end
    end

    def finish(child)
      child.socket.close
      Process.kill(:KILL, -child.pid)
    rescue SystemCallError
      nil
    end

    def wait(child, seconds, memory)
      deadline = now + seconds
      until child.socket.wait_readable(0.2)
        over("took longer than #{seconds} s") if now > deadline
        over("needs more than #{memory / (1024**2)} MB") if Lattice::ProcessGroup.memory(child.pid) > memory
      end
      Message.receive(child.socket)
    end

    def over(what)
      raise Problem.new(422, "what was asked for #{what} to build", cure: "Make the last change smaller: fewer points, copies or holes, or simpler parts.")
    end

    def unpack(kind, value)
      case kind
      when :value then value
      when :invalid then raise Lattice::InvalidInput, value
      when :problem then raise Problem.new(value[:status], value[:error], **value.except(:status, :error))
      when :torn then raise Lattice::Format::ArrayFile::Torn, value
      when :gone then raise Problem.new(422, "the process that builds the shape was ended, perhaps because memory ran out", cure: "Make the last change smaller, or try again.")
      end
    end

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end
end
