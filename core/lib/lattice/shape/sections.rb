# frozen_string_literal: true

module Lattice
  module Shape
    # Corners of standard section outlines, about the middle of their box.
    class Sections
      def initialize(statement, data, path)
        @statement = statement
        @shape = data["shape"]
        @path = path
        @data = data
        @height = size("height")
        @width = data["width"] ? size("width") : nil
        @web = size("web")
        @flange = data["flange"] ? size("flange") : @web
        @root = data["root"] && value("root").nonzero?
        check
      end

      def round? = @shape == "tube"
      def hollow? = %w[hollow tube].include?(@shape)
      def middle = [value("x") || 0.0, value("y") || 0.0]
      def radius = @height / 2
      attr_reader :web

      # @return [Array<Array>] [x, y, fillet or nil], counter-clockwise
      def points
        x, y = middle
        send({ "I" => :i_shape, "channel" => :channel, "angle" => :angle, "T" => :tee, "hollow" => :box }.fetch(@shape)).map { |a, b, r| [x + a, y + b, r] }
      end

      # @return [Array<Array>] the inner corners of a hollow section
      def inner_points
        x, y = middle
        b = (@width / 2) - @web
        h = (@height / 2) - @flange
        inner = @root && [@root - [@web, @flange].max, 0].max.nonzero?
        [[-b, -h], [b, -h], [b, h], [-b, h]].map { |u, v| [x + u, y + v, inner] }
      end

      private

      def value(key) = @data[key] && Quantity.parse(@data[key], "length")

      def size(key)
        value(key).tap { |v| fault("its #{key} is not above zero", key, "Give a length above zero.") unless v.positive? }
      end

      def fault(message, key, cure) = raise(@statement.fault("the section: #{message}", path: "#{@path}.#{key}", cure: cure))

      def check
        fault("its width is missing", "width", "Give the width of its flanges.") if !round? && @width.nil?
        return fault("its wall fills it", "web", "Give a thinner wall.") if round? && @web * 2 >= @height
        return if round?

        flanges = @shape == "T" || @shape == "angle" ? 1 : 2
        webs = @shape == "hollow" ? 2 : 1
        fault("its flanges fill its height", "flange", "Give thinner flanges, or a greater height.") if @flange * flanges >= @height
        fault("its web fills its width", "web", "Give a thinner web, or a greater width.") if @web * webs >= @width
      end

      def i_shape
        b = @width / 2
        h = @height / 2
        w = @web / 2
        f = h - @flange
        [[-b, -h], [b, -h], [b, -f], [w, -f, @root], [w, f, @root], [b, f], [b, h], [-b, h], [-b, f], [-w, f, @root], [-w, -f, @root], [-b, -f]]
      end

      def channel
        b = @width / 2
        h = @height / 2
        w = @web - b
        f = h - @flange
        [[-b, -h], [b, -h], [b, -f], [w, -f, @root], [w, f, @root], [b, f], [b, h], [-b, h]]
      end

      def angle
        b = @width / 2
        h = @height / 2
        [[-b, -h], [b, -h], [b, @flange - h], [@web - b, @flange - h, @root], [@web - b, h], [-b, h]]
      end

      def tee
        b = @width / 2
        h = @height / 2
        w = @web / 2
        f = h - @flange
        [[-w, -h], [w, -h], [w, f, @root], [b, f], [b, h], [-b, h], [-b, f], [-w, f, @root]]
      end

      def box
        b = @width / 2
        h = @height / 2
        [[-b, -h], [b, -h], [b, h], [-b, h]].map { |x, y| [x, y, @root] }
      end
    end
  end
end
