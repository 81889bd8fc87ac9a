# frozen_string_literal: true

module Lattice
  module Shape
    # A face of a body: its name, the surface it lies on, and its colour in the file it
    # came from ([r, g, b] from 0 to 1, or nil).
    Face = Struct.new(:name, :surface, :colour) do
      def moved(frame) = Face.new(name, surface.moved(frame), colour)
    end
  end
end
