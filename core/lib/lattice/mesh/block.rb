# frozen_string_literal: true

module Lattice
  module Mesh
    # Elements of one kind in one body: connectivity [e, nodes of the kind].
    Block = Struct.new(:kind, :body, :conn) do
      def size = conn.shape[0]
    end
  end
end
