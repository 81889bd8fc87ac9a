# frozen_string_literal: true

module Lattice
  module Mesh
    # The divisions of the edges of a drawn body, as those of its outline and of its layers;
    # and the rings round its holes.
    module DrawnDivisions
      module_function

      # @param body [Shape::Body] a region or a prism
      # @param plan [SizingPlan]
      # @return [Hash] index of a side of the outline => Division
      # @raise [InvalidInput] when edges over each other are divided differently
      def along(body, plan)
        body.outline.segments.each_with_index.with_object({}) do |(segment, index), found|
          names = body.solid? ? ["#{segment.key} at bottom", "#{segment.key} at top"] : [segment.key]
          division = one(body, plan, names)
          found[index] = division if division
        end
      end

      # @return [Division] of the layers of a prism
      def upward(body, plan)
        names = body.outline.segments.map { |s| "upright at #{s.key}" }
        one(body, plan, names) || Division.new(Estimate.layers(body, plan))
      end

      # @return [Hash] index of a side of the outline => HoleRings::Ring
      def rings(body, plan)
        body.outline.segments.each_with_index.with_object({}) do |(segment, index), found|
          names = [segment.key, "#{segment.key} at bottom", "#{segment.key} at top"]
          ring = names.filter_map { |name| plan.rings[[body.name, name]] }.first
          found[index] = ring if ring
        end
      end

      def one(body, plan, names)
        given = names.filter_map { |name| plan.divisions[[body.name, name]]&.then { |d| [name, d] } }
        first = given[0] or return nil
        other = given.find { |_, d| d.signature != first[1].signature } or return first[1]
        raise InvalidInput.at("“#{first[0]}” and “#{other[0]}” of “#{body.name}” are divided differently, though bricks need the same",
                              cure: "Divide them the same way, or mesh with tetrahedra and triangles.")
      end
    end
  end
end
