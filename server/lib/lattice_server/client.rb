# frozen_string_literal: true

require "socket"

module LatticeServer
  # Who asked, as far as the thread that answers knows: what nobody waits for any more is not computed.
  module Client
    module_function

    # @param socket [IO, nil] of the connection
    def asks(socket) = Thread.current[:client] = socket

    # @return [Boolean] whether the connection was closed meanwhile
    def gone?
      socket = Thread.current[:client]&.to_io
      return false unless socket.respond_to?(:recv_nonblock)

      found = socket.recv_nonblock(1, Socket::MSG_PEEK, exception: false)
      found.nil? || found == ""
    rescue SystemCallError, IOError
      true
    end
  end
end
