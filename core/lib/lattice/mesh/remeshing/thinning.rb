# frozen_string_literal: true

module Lattice
  module Mesh
    module Remeshing
      # Takes the size of elements down in thin walls.
      class Thinning
        WALL = 1.5     # most that an element may measure, of the thickness of a thin wall
        THINNER = 0.7  # of the size: less is no reason to change it
        FINE = 300_000 # points at most that stand for thin walls

        # middles [k, 3] of the triangles before thin walls, and the thickness there
        attr_reader :middles, :thickness

        # @param sheet [Sheet] closed
        # @param plan [SizingPlan]
        def initialize(sheet, plan)
          @sheet = sheet
          @plan = plan
        end

        # @return [Boolean] whether the field of the sheet was changed
        def call
          walls = Thickness.new(@sheet, through: @plan.through)
          rows, @thickness = walls.call
          return false if rows.empty?

          @middles = walls.middles(rows)
          wall = @plan.through > 1 ? 1.0 / @plan.through : WALL
          limits = Numo::DFloat.maximum(@thickness * wall, @plan.size * Sizing::FINEST)
          return false unless (limits < @sheet.field.at(@middles) * THINNER).any?

          corners = @sheet.corners(@sheet.triangles[rows, true].dup)
          points, owner = Spread.over(corners, [limits.min, Math.sqrt(Shape::Vectors.norm(@sheet.spans).sum / 2 / FINE)].max)
          @sheet.field.limit(points, limits[owner].dup).spread
          @sheet.resize(@sheet.field)
          true
        end
      end
    end
  end
end
