# frozen_string_literal: true

module LatticeServer
  module Building
    # The loop of a builder: takes a task, answers, and ends when it has grown large.
    class Builder
      LARGE = 600 * (1024**2)

      def initialize(socket)
        @socket = socket
      end

      def call
        while (request = Message.receive(@socket))
          kind, value = answer(*request)
          last = Lattice::ProcessGroup.memory(Process.pid, alone: true) > LARGE
          Message.send(@socket, [kind, value, last])
          return if last
        end
      rescue SystemCallError, IOError
        nil
      end

      private

      def answer(task, arguments)
        [:value, Tasks.public_send(task, *arguments)]
      rescue Lattice::InvalidInput, Lattice::SolveFailed => e
        [:invalid, e.faults]
      rescue Problem => e
        [:problem, e.body.merge(status: e.status)]
      rescue Lattice::Format::ArrayFile::Torn => e
        [:torn, e.message]
      rescue NoMemoryError
        [:problem, { status: 422, error: "memory ran out", cure: "Make the last change smaller." }]
      rescue *Lattice::Unexpected::KINDS => e
        warn e.full_message
        [:problem, { status: 422, error: "nothing can be made of this (#{e.class.name.split('::').last})", cure: "Undo the last change, or give other values." }]
      end
    end
  end
end
