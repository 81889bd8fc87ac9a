# frozen_string_literal: true

module Lattice
  module Study
    # Damped oscillators of unit mass, all at once, under forces that are straight within a step: exact recurrences.
    # N. C. Nigam, P. C. Jennings, 1969.
    class Stepping
      # @param speeds [Numo::DFloat] [k] rad/s
      # @param ratios [Numo::DFloat] [k] of damping, under one
      # @param step [Float] s
      def initialize(speeds, ratios, step)
        @w = speeds.clip(1e-6, nil)
        @z = ratios
        @h = step
      end

      # @param forces [Numo::DFloat] [moments, k]
      # @return [Array(Numo::DFloat, Numo::DFloat, Numo::DFloat)] movement, velocity, acceleration [moments, k], at rest at first
      def call(forces)
        moved, speed = [0, 1].map { Numo::DFloat.zeros(*forces.shape) }
        u = v = Numo::DFloat.zeros(@w.size)
        (1...forces.shape[0]).each do |n|
          now = forces[n, true]
          before = forces[n - 1, true]
          # Particular: u = (p − 2 ζ s / ω) / ω² with p straight and s its slope; the rest swings freely from what is left.
          slope = (now - before) / @h
          still = (before - (slope * 2 * @z / @w)) / (@w**2)
          a = u - still
          b = (v - (slope / (@w**2)) + (a * @z * @w)) / damped
          u = (decay * ((a * cosine) + (b * sine))) + ((now - (slope * 2 * @z / @w)) / (@w**2))
          v = (decay * ((((b * damped) - (a * @z * @w)) * cosine) - (((a * damped) + (b * @z * @w)) * sine))) + (slope / (@w**2))
          moved[n, true] = u
          speed[n, true] = v
        end
        [moved, speed, forces - (speed * (2 * @z * @w).reshape(1, @w.size)) - (moved * (@w**2).reshape(1, @w.size))]
      end

      private

      def damped = @damped ||= @w * Numo::NMath.sqrt(1 - (@z**2))
      def decay = @decay ||= Numo::NMath.exp(@z * @w * -@h)
      def cosine = @cosine ||= Numo::NMath.cos(damped * @h)
      def sine = @sine ||= Numo::NMath.sin(damped * @h)
    end
  end
end
