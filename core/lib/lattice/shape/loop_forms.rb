# frozen_string_literal: true

module Lattice
  module Shape
    # Turns each form that a closed line may have in the document into a Loop.
    class LoopForms
      FORMS = %w[circle ellipse rectangle slot regular section offset].freeze

      # @param statement [Model::Statement] the outline
      # @param others [Proc] gives the outline of a name, or nil
      def initialize(statement, others)
        @statement = statement
        @others = others
      end

      # @param data [Hash] one loop of the document
      # @param name [String] "side", or "hole n"
      # @param path [String] where it stands
      # @return [Loop]
      # @raise [InvalidInput]
      def read(data, name, path)
        form = FORMS.find { |f| data[f] }
        loop = form ? send(form, data[form], name, "#{path}.#{form}") : polygon(corners(data, name, path), name, path)
        raise @statement.fault("#{spoken(path)} encloses no area", path: path, cure: "Move its corners apart.") if loop.area.abs < 1e-18

        loop
      end

      private

      def length(text) = Quantity.parse(text, "length")
      def prefix(name) = name == "side" ? "side " : "#{name} side "

      def positive(data, key, path)
        value = length(data[key])
        return value if value.positive?

        raise @statement.fault("the #{key} “#{data[key]}” is not above zero", path: "#{path}.#{key}", cure: "Give a length above zero.")
      end

      def optional(data, key) = data[key] && length(data[key])
      def angle(data) = data["angle"] ? Quantity.parse(data["angle"], "angle") : 0.0
      def middle(data) = [optional(data, "x") || 0.0, optional(data, "y") || 0.0]

      def spoken(path) = path.start_with?("holes") ? "hole #{path[/\d+/].to_i + 1}" : "the boundary"

      def polygon(corners, name, path)
        naming = ->(i) { name == "side" ? "fillet #{i + 1}" : "#{name} fillet #{i + 1}" }
        Loop.new(Sides.new(@statement, path, spoken(path)).call(corners, closed: true, fillet_name: naming), name)
      end

      def corners(data, name, path)
        half = Corners.new(@statement, prefix(name)).resolve(data["corners"], "#{path}.corners")
        data["mirror"] ? Mirrored.call(half, data["mirror"]["axis"], length(data["mirror"]["at"])) : half
      end

      # Corners in order, sides numbered, turned about a point.
      def plain(points, name, about: [0.0, 0.0], angle: 0.0, fillet: nil)
        c = Math.cos(angle)
        s = Math.sin(angle)
        points.each_with_index.map do |(x, y, radius), i|
          dx = x - about[0]
          dy = y - about[1]
          Corners::Corner.new(at: [about[0] + (dx * c) - (dy * s), about[1] + (dx * s) + (dy * c)], fillet: radius || fillet, side: "#{prefix(name)}#{i + 1}")
        end
      end

      def circle(data, name, path)
        radius = positive(data, "diameter", path) / 2
        Loop.new([Arc.new([length(data["x"]), length(data["y"])], radius, 0.0, 2 * Math::PI, name)], name)
      end

      # As arcs, see Biarcs.
      def ellipse(data, name, path)
        w, h = %w[width height].map { |key| positive(data, key, path) / 2 }
        x, y = middle(data)
        turn = angle(data)
        c = Math.cos(turn)
        s = Math.sin(turn)
        turned = ->(a, b) { [(a * c) - (b * s), (a * s) + (b * c)] }
        curve = lambda do |u|
          at = turned.call(w * Math.cos(u), h * Math.sin(u))
          slope = turned.call(-w * Math.sin(u), h * Math.cos(u))
          [[x + at[0], y + at[1]], slope.map { |v| v / Math.hypot(*slope) }]
        end
        Loop.new(Biarcs.call(curve, (0..4).map { |k| k * Math::PI / 2 }, [w, h].min, name), name)
      end

      def rectangle(data, name, path)
        x = length(data["x"])
        y = length(data["y"])
        w = positive(data, "width", path)
        h = positive(data, "height", path)
        points = [[x, y], [x + w, y], [x + w, y + h], [x, y + h]]
        polygon(plain(points, name, about: [x, y], angle: angle(data), fillet: nonzero(data, "fillet")), name, path)
      end

      def nonzero(data, key)
        value = optional(data, key)
        value&.zero? ? nil : value
      end

      def slot(data, name, path)
        width = positive(data, "width", path)
        length = positive(data, "length", path)
        raise @statement.fault("a slot is longer than wide", path: "#{path}.length", cure: "Give a length above its width.") if length <= width

        x, y = middle(data)
        half = (length - width) / 2
        r = width / 2
        at = plain([[x - half, y - r], [x + half, y - r], [x + half, y + r], [x - half, y + r]], name, about: [x, y], angle: angle(data))
        ends = plain([[x + half, y], [x - half, y]], name, about: [x, y], angle: angle(data)).map(&:at)
        at[1].centre, at[3].centre = ends
        at[1].turn = at[3].turn = "left"
        polygon(at, name, path)
      end

      def regular(data, name, path)
        x, y = middle(data)
        radius = positive(data, "across", path) / 2
        start = angle(data)
        points = (0...data["sides"]).map { |i| start + (2 * Math::PI * i / data["sides"]) }.map { |a| [x + (radius * Math.cos(a)), y + (radius * Math.sin(a))] }
        polygon(plain(points, name, fillet: nonzero(data, "fillet")), name, path)
      end

      def section(data, name, path)
        Sections.new(@statement, data, path).then do |section|
          section.round? ? Loop.new([Arc.new(section.middle, section.radius, 0.0, 2 * Math::PI, name)], name) : polygon(plain(section.points, name), name, path)
        end
      end

      def offset(data, name, path)
        source = @others.call(data["outline"])
        raise @statement.fault("there is no outline named “#{data['outline']}” before it", path: "#{path}.outline", cure: "Name one that stands above it.") unless source

        Offset.call(source.boundary, length(data["by"]), name) or
          raise @statement.fault("an offset of #{data['by']} leaves nothing of “#{data['outline']}” whole", path: "#{path}.by", cure: "Give a smaller offset.")
      end
    end
  end
end
