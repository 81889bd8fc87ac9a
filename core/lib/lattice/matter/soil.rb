# frozen_string_literal: true

module Lattice
  module Matter
    # What soil bears: cohesion and tension in Pa, angles of friction and of dilation in rad.
    Soil = Struct.new(:cohesion, :friction, :dilation, :tension) do
      # @param statement [Model::Statement]
      # @return [Soil]
      # @raise [InvalidInput]
      def self.read(statement)
        cohesion = statement.quantity("cohesion", "stress")
        friction = statement.quantity("friction", "angle")
        dilation = statement.quantity("dilation", "angle") || 0.0
        tension = statement.quantity("tension", "stress") || 0.0
        low = { "cohesion" => cohesion, "friction" => friction, "dilation" => dilation, "tension" => tension }.find { |_, value| value.negative? }
        raise statement.fault("its #{low[0]} is below zero", path: low[0], cure: "Give zero or more.") if low
        raise statement.fault("soil without cohesion and friction bears nothing", path: "cohesion", cure: "Give it some, such as 0.5 kPa and 30°.") if cohesion.zero? && friction.zero?
        raise statement.fault("an angle of friction of a right angle or more is none of soil", path: "friction", cure: "Give an angle such as 30°.") if friction >= Math::PI / 2
        raise statement.fault("it widens more than friction allows", path: "dilation", cure: "Give at most its angle of friction; 0° or friction less 30° is usual.") if dilation > friction

        new(cohesion, friction, dilation, tension).bounded
      end

      # @return [Soil] torn no later than at the apex, where friction ends
      def bounded
        apex = friction.zero? ? Float::INFINITY : cohesion / Math.tan(friction)
        tension > apex ? self.class.new(cohesion, friction, dilation, apex) : self
      end

      # How ground presses sideways, of the weight above: as it gives way to one side, as it is pushed, and at rest.
      # W. J. M. Rankine, On the stability of loose earth, 1857; J. Jaky, 1944.
      # @return [Hash] the parts active, passive and rest; cohesion: by how much it lessens the one and adds to the other, Pa
      def pressures
        active = Math.tan((Math::PI / 4) - (friction / 2))**2
        { active: active, passive: 1 / active, rest: 1 - Math.sin(friction), less: 2 * cohesion * Math.sqrt(active), more: 2 * cohesion / Math.sqrt(active) }
      end

      # @param factor [Float]
      # @return [Soil] that bears so many times less
      def weakened(factor)
        less = Math.atan(Math.tan(friction) / factor)
        self.class.new(cohesion / factor, less, [dilation, less].min, tension / factor).bounded
      end

      # @return [Law::MohrCoulomb]
      def law(material, strains, _sheet) = Law::MohrCoulomb.new(material.young, material.poisson, self, strains)
      def meaning = ["soil", *to_a]
    end
  end
end
