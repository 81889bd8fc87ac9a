# frozen_string_literal: true

module Lattice
  module Shape
    # Turns an outline statement into an Outline, and says what is wrong with it.
    class OutlineReader
      # @param statement [Model::Statement]
      # @param others [Proc] gives the outline of a name, or nil
      def initialize(statement, others = ->(_) {})
        @statement = statement
        @forms = LoopForms.new(statement, others)
      end

      # @return [Outline]
      # @raise [InvalidInput] for sides without length, crossings, holes outside
      def outline
        boundary = @forms.read(@statement["boundary"], "side", "boundary")
        outline = Outline.new(@statement.name, boundary, holes + hollow)
        OutlineCheck.call(@statement, outline)
        @statement["dividers"]&.any? ? outline.with_regions(Regions.new(@statement, outline).call) : outline
      end

      private

      def holes
        (@statement["holes"] || []).each_with_index.flat_map do |hole, i|
          Pattern.call(@forms.read(hole, "hole #{i + 1}", "holes.#{i}"), hole["pattern"])
        end
      end

      # Hollow sections bring their hole with them.
      def hollow
        data = @statement["boundary"]["section"] or return []
        section = Sections.new(@statement, data, "boundary.section")
        return [] unless section.hollow?
        return [Loop.new([Arc.new(section.middle, section.radius - section.web, 0.0, 2 * Math::PI, "hollow")], "hollow")] if section.round?

        corners = section.inner_points.each_with_index.map { |(x, y, r), i| Corners::Corner.new(at: [x, y], fillet: r, side: "hollow side #{i + 1}") }
        sides = Sides.new(@statement, "boundary.section", "the hollow").call(corners, closed: true, fillet_name: ->(i) { "hollow fillet #{i + 1}" })
        [Loop.new(sides, "hollow")]
      end
    end
  end
end
