# frozen_string_literal: true

module Lattice
  module Shape
    # Finds the places that a target names: a group by its rule and picks, or a body.
    class Groups
      DEEPEST = 40 # groups that start one from another

      def initialize(document, parts)
        @document = document
        @parts = parts
        @picks = Picks.new(parts)
        @found = {}
      end

      # @param target [String] the name of a group or of a body, or "everything"
      # @return [Array<Place>] empty when nothing bears the name
      def find(target)
        return bodies if target == "everything"

        group = @document.named("group", target)
        return members(group) if group

        marker = @parts.marker(target)
        marker ? [marker.place] : bodies.select { |p| p.name == target }
      end

      # @return [Array<Place>] what the rule and the picks of a group find
      # @raise [InvalidInput] for a rule that goes round in a circle, or names what is not there
      def members(group)
        found = @found[group.id] ||= begin
          check_depth(group)
          (ruled(group) + (group["pick"] || []).filter_map { |pick| @picks.find(pick) }).uniq(&:key)
        rescue InvalidInput => e
          e
        end
        found.is_a?(InvalidInput) ? raise(found) : found
      end

      # @return [Array<Hash>] picks that are no longer on the shape
      def lost(group) = (group["pick"] || []).reject { |pick| @picks.find(pick) }

      # @param statement [Model::Statement] one with a target
      # @param kinds [Array<Symbol>] what may be targeted
      # @return [Array<Place>]
      # @raise [InvalidInput] for an unknown or empty target, or one of the wrong kind
      # @param field [String] of the statement, that names the target
      def target!(statement, kinds, field = "target")
        name = statement[field].to_s
        raise statement.fault("it has no target yet", path: field, cure: "Open its target chip and pick a place.") if name.strip.empty?

        unless name == "everything" || @document.named("group", name) || @parts.body(name)
          raise statement.fault("there is no group or body named “#{name}”", path: field, cure: "Add that group, or choose another target.")
        end

        places = find(name)
        empty!(statement, name) if places.empty?
        wrong = places.find { |p| !kinds.include?(p.of) }
        return places unless wrong

        raise statement.fault("“#{name}” is made of #{wrong.of}, but #{kinds.join(' or ')} are wanted", path: field, cure: "Choose another target.")
      end

      private

      # Rules that start from other groups are followed level by level, so that no chain of them
      # runs out of stack.
      def check_depth(group)
        level = [group]
        DEEPEST.times do
          level = level.flat_map { |g| sources(g["rule"]) }.uniq.filter_map { |name| @document.named("group", name) }
          raise group.fault("its rule starts from itself", path: "rule", cure: "Start from another group.") if level.any? { |g| g.id == group.id }
          return if level.empty?
        end
        raise group.fault("it starts from other groups, more than #{DEEPEST} deep, or from a circle of them", path: "rule", cure: "Pick its places, or start from fewer groups.")
      end

      # @return [Array<String>] the groups that a rule starts from
      def sources(rule)
        return [] unless rule.is_a?(Hash)

        [rule.dig("grown", "from"), rule["edges_of"]].compact + [*rule["all"], *rule["any"], rule["not"]].flat_map { |inner| sources(inner) }
      end

      def bodies = @parts.places.select { |p| p.of == :bodies }

      def empty!(statement, name)
        group = @document.named("group", name)
        raise (group || statement).fault("the group “#{name}” matches nothing on the shape", cure: "Change its rule, or pick its places again.")
      end

      def ruled(group)
        return [] unless group["rule"]

        of = group["of"].to_sym
        test = Rule.new(@parts, self, group).test(group["rule"])
        @parts.places.select { |place| place.of == of && test.call(place) }
      end
    end
  end
end
