# frozen_string_literal: true

module Lattice
  module Shape
    # Resolves typed corners to places: absolute, by steps from the corner before, or by
    # distance and angle from it.
    class Corners
      # at: [x, y] or [x, y, z]; the rest describes the side that leaves the corner.
      Corner = Struct.new(:at, :fillet, :through, :curve, :centre, :turn, :side, keyword_init: true)

      # @param statement [Model::Statement] named in faults
      # @param prefix [String] before the names of sides: "side ", or "hole 1 side "
      def initialize(statement, prefix = "side ")
        @statement = statement
        @prefix = prefix
      end

      # @param list [Array<Hash>] of the document
      # @param path [String] where they stand in the statement
      # @param space [Boolean] whether they have a z
      # @return [Array<Corner>]
      # @raise [InvalidInput]
      def resolve(list, path, space: false)
        before = nil
        taken = list.filter_map { |c| c["side"] }
        corners = list.each_with_index.map do |data, i|
          at = place(data, before, "#{path}.#{i}", i, space)
          before = at
          Corner.new(at: at, fillet: fillet(data, "#{path}.#{i}"), through: point(data["through"]), curve: data["curve"]&.map { |p| point(p) }, centre: point(data["centre"]), turn: data["turn"] || "left",
                     side: data["side"] || free_name(i, taken))
        end
        check_names(corners, path)
        corners
      end

      private

      def length(text) = Quantity.parse(text, "length")
      def point(data) = data && [length(data["x"]), length(data["y"])]

      def free_name(index, taken)
        name = "#{@prefix}#{index + 1}"
        taken.include?(name) ? "#{name}′" : name
      end

      def check_names(corners, path)
        twice = corners.group_by(&:side).values.find { |same| same.size > 1 }
        return unless twice

        raise @statement.fault("two sides bear the name “#{twice[0].side}”", path: path, cure: "Give each its own name.")
      end

      def place(data, before, path, index, space)
        return absolute(data, path, index, space) if data["x"] || data["y"]
        raise @statement.fault("its first corner is not placed by x and y", path: path, cure: "Give its x and y.") unless before
        return polar(data, before) if data["distance"] && data["angle"]
        return stepped(data, before) if %w[dx dy dz].any? { |k| data[k] }

        raise @statement.fault("corner #{index + 1} is not placed", path: path, cure: "Give its x and y, a step dx and dy, or a distance and an angle.")
      end

      def absolute(data, path, index, space)
        missing = %w[x y].reject { |k| data[k] }
        raise @statement.fault("corner #{index + 1} has no #{missing[0]}", path: path, cure: "Give its #{missing[0]}.") unless missing.empty?

        at = [length(data["x"]), length(data["y"])]
        if space
          [*at, data["z"] ? length(data["z"]) : 0.0]
        else
          at
        end
      end

      def stepped(data, before)
        %w[dx dy dz].first(before.size).each_with_index.map { |k, i| before[i] + (data[k] ? length(data[k]) : 0.0) }
      end

      def polar(data, before)
        distance = length(data["distance"])
        angle = Quantity.parse(data["angle"], "angle")
        [before[0] + (distance * Math.cos(angle)), before[1] + (distance * Math.sin(angle)), *before[2..]]
      end

      def fillet(data, path)
        return nil unless data["fillet"]

        radius = length(data["fillet"])
        raise @statement.fault("a fillet wants a radius above zero", path: "#{path}.fillet", cure: "Give a radius.") if radius.negative?

        radius.nonzero?
      end
    end
  end
end
