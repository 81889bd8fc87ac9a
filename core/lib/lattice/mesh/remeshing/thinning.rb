# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Takes the size of elements down in thin walls.
      class Thinning
        WALL = 1.5     # most that an element may measure, of the thickness of a thin wall
        THINNER = 0.7  # of the size: less is no reason to change it
        FINE = 300_000 # points at most that stand for thin walls

        # middles [k, 3]: places before thin walls, and the thickness there
        attr_reader :middles, :thickness

        # @param sheet [Sheet] closed
        # @param plan [SizingPlan]
        def initialize(sheet, plan)
          @sheet = sheet
          @plan = plan
        end

        # @return [Boolean] whether the field of the sheet was changed
        def call
          thickness = Thickness.new(@sheet, through: @plan.through)
          spacing = @plan.size / 2
          home = look(*thickness.call(spacing))
          return false if home.empty?

          # Once more, as closely as the walls are thin.
          close = [limits.min, Math.sqrt(area(home) / FINE)].max
          look(*thickness.call(close, only: home)) if close < spacing
          @sheet.field.limit(@middles, limits).spread
          @sheet.resize(@sheet.field)
          true
        end

        private

        # Keeps the places that are thinner than the size there. @return [Numo::Int32] their triangles
        def look(places, thickness, home)
          @middles = places
          @thickness = thickness
          return home if home.empty?

          rows = (limits < @sheet.field.at(places) * THINNER).where
          @middles, @thickness = rows.empty? ? [Numo::DFloat.zeros(0, 3), Numo::DFloat.zeros(0)] : [places[rows, true].dup, thickness[rows].dup]
          rows.empty? ? Numo::Int32.zeros(0) : Algebra::Gather.distinct([home[rows]])
        end

        def limits
          wall = @plan.through > 1 ? 1.0 / @plan.through : WALL
          Numo::DFloat.maximum(@thickness * wall, @plan.size * Sizing::FINEST)
        end

        def area(triangles) = Shape::Vectors.norm(@sheet.spans(@sheet.triangles[triangles, true].dup)).sum / 2
      end
    end
  end
end
