# frozen_string_literal: true

module Lattice
  module Shape
    # Turns a rule of the document into a test of places.
    class Rule
      FORMS = %w[plane bores everything box surface normal size named body touching grown edges_of all any not].freeze
      NEAR = 1e-6 # of the shape's size
      ROUND = 2e-5 # of a radius

      # @param parts [Parts]
      # @param groups [Groups] for rules that start from another group
      # @param group [Model::Statement] named in faults
      def initialize(parts, groups, group)
        @parts = parts
        @groups = groups
        @group = group
        @near = parts.size * NEAR
      end

      # @param rule [Hash] of the document
      # @return [Proc] answers whether a place follows it
      # @raise [InvalidInput]
      def test(rule)
        form = FORMS.find { |f| rule.key?(f) }
        send("#{form}_test", rule[form])
      end

      private

      def length(text) = Quantity.parse(text, "length")

      def plane_test(data)
        at = length(data["at"])
        ->(place) { place.on_plane?(data["axis"], at, @near) }
      end

      def bores_test(data)
        diameter = length(data["diameter"])
        ->(place) { place.bore && (place.bore - diameter).abs <= [@near, diameter * ROUND].max }
      end

      def everything_test(_) = ->(_) { true }

      def box_test(data)
        low, high = [Placement.spot(data["from"]), Placement.spot(data["to"])].transpose.map(&:minmax).transpose
        ->(place) { place.bounds.all? { |corner| (0..2).all? { |k| corner[k].between?(low[k] - @near, high[k] + @near) } } }
      end

      def surface_test(data)
        radius = data["radius"] && length(data["radius"])
        ->(place) { place.kind == data["kind"] && (radius.nil? || (place.radius && (place.radius - radius).abs <= [@near, radius * ROUND].max)) }
      end

      def normal_test(data)
        direction = @group.direction(data["direction"]).to_a
        cosine = Math.cos(data["within"] ? Quantity.parse(data["within"], "angle") : Math::PI / 180)
        ->(place) { place.normal && Vectors.dot3(place.normal, direction) >= cosine - 1e-12 }
      end

      def size_test(data)
        least = data["least"] ? Quantity.parse(data["least"], "area") : 0.0
        most = data["most"] ? Quantity.parse(data["most"], "area") : Float::INFINITY
        ->(place) { place.of == :faces && place.measure.between?(least * (1 - 1e-9), most * (1 + 1e-9)) }
      end

      def named_test(text)
        wanted = text.downcase
        ->(place) { place.name.downcase.include?(wanted) || (place.of == :bodies && place.body.downcase.include?(wanted)) }
      end

      def body_test(name) = ->(place) { place.body == name }

      def touching_test(name)
        other = @parts.body(name) or fault("there is no body “#{name}”", "touching")
        found = {}
        lambda do |place|
          next false if place.body == name

          keys = found[place.body] ||= faces_on(@parts.body(place.body), other)
          place.of == :bodies ? keys.any? : keys.include?(place.name)
        end
      end

      def faces_on(body, other)
        return [] if body.members? || other.members?

        ContactFaces.pairs(body.facets, other.facets).map { |i, _| body.facets.faces[i].name }.uniq
      end

      def grown_test(data)
        angle = data["angle"] ? Quantity.parse(data["angle"], "angle") : 15 * Math::PI / 180
        start = @groups.find(data["from"]).select { |p| p.of == :faces }
        keys = start.group_by(&:body).flat_map { |body, places| Tangency.new(@parts.body(body).facets).grown(places.map(&:name), angle).map { |name| [body, name] } }
        ->(place) { keys.include?(place.key) }
      end

      def edges_of_test(group)
        keys = @groups.find(group).select { |p| p.of == :faces }.group_by(&:body).flat_map do |body, places|
          facets = @parts.body(body).facets
          mine = places.map { |p| facets.faces.index { |f| f.name == p.name } }
          facets.edges.select { |e| e.faces.intersect?(mine) }.map { |e| [body, e.name] }
        end
        ->(place) { keys.include?(place.key) }
      end

      def all_test(rules)
        tests = rules.map { |r| test(r) }
        ->(place) { tests.all? { |t| t.call(place) } }
      end

      def any_test(rules)
        tests = rules.map { |r| test(r) }
        ->(place) { tests.any? { |t| t.call(place) } }
      end

      def not_test(rule)
        inner = test(rule)
        ->(place) { !inner.call(place) }
      end

      def fault(message, path) = raise(@group.fault(message, path: "rule.#{path}", cure: "Choose one that is there."))
    end
  end
end
