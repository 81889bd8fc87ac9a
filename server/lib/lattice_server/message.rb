# frozen_string_literal: true

module LatticeServer
  # Values between processes of ours: their length, then the values.
  module Message
    module_function

    # @param socket [UNIXSocket]
    def send(socket, value)
      bytes = Marshal.dump(value)
      socket.write([bytes.bytesize].pack("Q<"), bytes)
    end

    # @return [Object, nil] nil when the other side is gone
    def receive(socket)
      head = socket.read(8)
      return nil unless head&.bytesize == 8

      size = head.unpack1("Q<")
      bytes = socket.read(size)
      Marshal.load(bytes) if bytes&.bytesize == size # rubocop:disable Security/MarshalLoad -- a pipe between our own processes
    end
  end
end
