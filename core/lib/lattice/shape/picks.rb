# frozen_string_literal: true

module Lattice
  module Shape
    # Finds picked places again: by their name; where that is gone, or names something else
    # by now, by their position and kind.
    class Picks
      NEAR = 1e-4 # of the shape's size

      # @param parts [Parts]
      def initialize(parts)
        @parts = parts
      end

      # @param pick [Hash] of the document: body, name, and what it was when it was picked
      # @return [Place, nil]
      def find(pick)
        named = @parts.place(pick["body"], pick["name"])
        return named if named && (pick["kind"].nil? || (named.kind == pick["kind"] && !numbered?(named, pick)))

        at_place(pick) || (named if pick["kind"].nil? || named&.kind == pick["kind"])
      end

      private

      # Numbers given by a reader or a combination may pass to another face: the name alone
      # does not count where something of the kind lies just where the pick was.
      def numbered?(named, pick)
        pick["at"] && named.name.match?(/\Aface \d+|\(\d+\)\z/) && distance(named, pick) > @parts.size * NEAR && at_place(pick)
      end

      def at_place(pick)
        return nil unless pick["at"]

        found = @parts.places.select { |p| p.kind == pick["kind"] && p.at }.min_by { |p| [distance(p, pick), p.body == pick["body"] ? 0 : 1] }
        found if found && distance(found, pick) <= @parts.size * NEAR
      end

      def distance(place, pick) = Vectors.norm3(Vectors.minus3(place.at, pick["at"]))
    end
  end
end
