# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A vessel or vehicle swings with what it carries: about an axis (roll, pitch, yaw) or along one (heave, surge, sway),
      # as a sine of amplitude A and period T. At a phase φ of it everything that has mass is pushed by -ρ a, with
      # θ = A sin φ, θ' = A ω cos φ, θ" = -A ω² sin φ; and where weight is told, by the part of it that the turn brings.
      class Motion < Condition
        TURNS = %w[roll pitch yaw].freeze
        GREATEST = 60 * Math::PI / 180

        def loads? = true
        def turns? = TURNS.include?(statement["how"])

        def check!
          super
          field = turns? ? "angle" : "amplitude"
          raise statement.fault("it has no #{field}", path: field, cure: "Give the #{field} of its swing to one side.") unless statement[field]
          raise statement.fault("its period is not above zero", path: "period", cure: "Give the time of one full swing, such as 8 s.") unless statement.quantity("period", "time").positive?
          raise statement.fault("it acts out of the plane of the model", path: "axis", cure: turns? ? "Choose +z." : "Choose a direction in the plane.") unless in_plane?
        end

        # @return [Array<Fault>]
        def oddities
          return [] unless turns? && statement["angle"] && size.abs > GREATEST

          [statement.fault_at("it swings by more than 60 degrees", path: "angle", cure: "Check its unit.")]
        end

        def apply(structure)
          check!
          d = structure.grid.dimension
          structure.weigh_all(self) { |points| pushed(points) }
          structure.weigh_lumps(self) { |points| pushed(points)[true, 0...d].dup }
        end

        private

        def axis = statement.direction(statement["axis"])
        def size = turns? ? statement.quantity("angle", "angle") : statement.quantity("amplitude", "length")
        def rate = 2 * Math::PI / statement.quantity("period", "time")
        def phase = statement.quantity("phase", "angle") || (Math::PI / 2)
        def centre = statement["through"] ? Numo::DFloat.cast(Shape::Placement.spot(statement["through"])) : Numo::DFloat.zeros(3)
        def in_plane? = problem.parts.dimension == 3 || axis[2].abs == (turns? ? 1.0 : 0.0)

        # @param points [Numo::DFloat] [k, 3]
        # @return [Numo::DFloat] [k, 3] N/kg
        def pushed(points)
          swing = size * (rate**2) * Math.sin(phase)
          return Numo::DFloat.zeros(points.shape[0], 3) + (axis * swing).reshape(1, 3) unless turns?

          arms = points - centre.reshape(1, 3)
          about = Numo::DFloat.zeros(points.shape[0], 3) + axis.reshape(1, 3)
          away = arms - (arms.dot(axis).reshape(points.shape[0], 1) * axis.reshape(1, 3))
          (Shape::Vectors.cross(about, arms) * swing) + (away * ((size * rate * Math.cos(phase))**2)) + tilted.reshape(1, 3)
        end

        # What the weight is more, or less, in the axes of what has turned.
        def tilted
          weight = statement["weight"] or return Numo::DFloat.zeros(3)
          pull = statement.direction(weight["direction"]) * Quantity.parse(weight["value"], "acceleration")
          turned(pull, -size * Math.sin(phase)) - pull
        end

        # After O. Rodrigues
        def turned(vector, angle)
          a = axis.to_a
          v = vector.to_a
          across = Shape::Vectors.cross3(a, v)
          Numo::DFloat.cast((0..2).map { |k| (v[k] * Math.cos(angle)) + (across[k] * Math.sin(angle)) + (a[k] * Shape::Vectors.dot3(a, v) * (1 - Math.cos(angle))) })
        end
      end
    end
  end
end
