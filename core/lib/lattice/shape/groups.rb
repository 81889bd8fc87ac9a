# frozen_string_literal: true

module Lattice
  module Shape
    # Finds the places that a target names: a group by its rule and picks, or a body.
    class Groups
      TOLERANCE = 1e-6 # of the shape's size

      def initialize(document, parts)
        @document = document
        @parts = parts
      end

      # @param target [String] the name of a group or of a body, or "everything"
      # @return [Array<Place>] empty when nothing bears the name
      def find(target)
        return bodies if target == "everything"

        group = @document.named("group", target)
        return members(group) if group

        bodies.select { |p| p.name == target }
      end

      # @return [Array<Place>] what the rule and the picks of a group find
      def members(group)
        of = group["of"].to_sym
        ruled = group["rule"] ? @parts.places.select(&matcher(of, group["rule"])) : []
        (ruled + picked(group)).uniq(&:key)
      end

      # @return [Array<Array(String, String)>] picks that are no longer on the shape
      def lost(group)
        (group["pick"] || []).map { |p| [p["body"], p["name"]] }.reject { |key| @parts.place(*key) }
      end

      # @param statement [Model::Statement] one with a target
      # @param kinds [Array<Symbol>] what may be targeted
      # @return [Array<Place>]
      # @raise [InvalidInput] for an unknown or empty target, or one of the wrong kind
      def target!(statement, kinds)
        name = statement["target"]
        raise statement.fault("it has no target yet", path: "target", cure: "Open its target chip and pick a place.") if name.strip.empty?

        unless name == "everything" || @document.named("group", name) || @parts.body(name)
          raise statement.fault("there is no group or body named “#{name}”", path: "target", cure: "Add that group, or choose another target.")
        end

        places = find(name)
        empty!(statement, name) if places.empty?
        wrong = places.find { |p| !kinds.include?(p.of) }
        return places unless wrong

        raise statement.fault("“#{name}” is made of #{wrong.of}, but #{kinds.join(' or ')} are wanted", path: "target", cure: "Choose another target.")
      end

      private

      def bodies = @parts.places.select { |p| p.of == :bodies }

      def empty!(statement, name)
        group = @document.named("group", name)
        raise (group || statement).fault("the group “#{name}” matches nothing on the shape", cure: "Change its rule, or pick its places again.")
      end

      def picked(group)
        (group["pick"] || []).filter_map { |p| @parts.place(p["body"], p["name"]) }
      end

      # @return [Proc] answers whether a place is of that kind and follows the rule
      def matcher(of, rule)
        tolerance = @parts.size * TOLERANCE
        if (plane = rule["plane"])
          at = Quantity.parse(plane["at"], "length")
          ->(place) { place.of == of && place.on_plane?(plane["axis"], at, tolerance) }
        elsif (bores = rule["bores"])
          diameter = Quantity.parse(bores["diameter"], "length")
          ->(place) { place.of == of && place.bore && (place.bore - diameter).abs <= tolerance }
        else
          ->(place) { place.of == of }
        end
      end
    end
  end
end
