# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A joint of two regions, or of one with the ground: each moves as the rigid motion that is nearest to it, and some
      # of what they do relative to each other is held. x is the joint's axis.
      class Joint < Join
        acts_on :faces, :edges, :points
        or_ground
        by_stiffness
        comes_and_goes

        HELD = { "ball" => [0, 1, 2], "hinge" => [0, 1, 2, 4, 5], "slider" => [1, 2, 3, 4, 5], "pin" => [1, 2, 4, 5], "bearing" => [1, 2], "weld" => [0, 1, 2, 3, 4, 5] }.freeze
        WITHOUT_AXIS = %w[ball weld].freeze

        def check!
          super
          return if statement["axis"] || WITHOUT_AXIS.include?(statement["how"])

          raise statement.fault("a #{statement['how']} has an axis, but none is told", path: "axis", cure: "Give the direction of its axis.")
        end

        def components = HELD.fetch(statement["how"]).map { |c| System::Dofs::NAMES[c] }
        def frame = @frame ||= statement["axis"] ? Axes.along(statement.direction(statement["axis"])) : Axes.new

        def apply(structure)
          check!
          first = System::RegionMotion.of(structure, places, about: through)
          sides = [first, *(grounded? ? [] : [System::RegionMotion.of(structure, others, about: first.at)])]
          held = HELD.fetch(statement["how"]).select { |c| structure.grid.dimension == 3 || in_plane?(c) }
          stiff!(sides, held)
          structure.connectors.add(self, "#{statement['how']} of “#{statement['target']}”", sides, frame.table, held)
        end

        private

        def through = statement["through"] && Shape::Placement.spot(statement["through"])

        # In the plane things move along what is not z, and turn about z.
        def in_plane?(component)
          out = frame.table[component % 3, 2].abs
          component < 3 ? out < 1 - 1e-9 : out > 1e-9
        end

        def stiff!(sides, held)
          return if held.none? { |c| c > 2 } || sides.all?(&:turns?)

          raise statement.fault("it holds turns, but a point of a solid does not turn", path: sides[0].turns? ? "to" : "target", cure: "Choose faces, or edges that are not straight.")
        end
      end
    end
  end
end
