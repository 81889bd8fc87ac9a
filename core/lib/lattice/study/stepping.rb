# frozen_string_literal: true

module Lattice
  module Study
    # Damped oscillators of unit mass, all at once, under forces that are straight within a step: exact recurrences, of which each is
    # found by stepping once from a movement, a speed, a force before and a force after of one.
    # N. C. Nigam, P. C. Jennings, Calculation of response spectra from strong-motion earthquake records, 1969.
    class Stepping
      FREE = 1e-6 # rad a step, under which nothing pulls back: it moves as thrown

      # @param speeds [Numo::DFloat] [k] rad/s
      # @param ratios [Numo::DFloat] [k] of damping, under one
      # @param step [Float] s
      def initialize(speeds, ratios, step)
        @free = (speeds * step) < FREE
        @w = Algebra::Gather.put(speeds.dup, @free, 1 / step)
        @z = ratios
        @h = step
        @own = Algebra::Gather.put(speeds**2, @free, 0.0)
      end

      # @param forces [Numo::DFloat] [moments, k]
      # @return [Array(Numo::DFloat, Numo::DFloat, Numo::DFloat)] movement, velocity, acceleration [moments, k], at rest at first
      def call(forces)
        moved, speed = [0, 1].map { Numo::DFloat.zeros(*forces.shape) }
        u = v = Numo::DFloat.zeros(@w.size)
        (1...forces.shape[0]).each do |n|
          given = [u, v, forces[n - 1, true], forces[n, true]]
          u, v = rows.map { |row| row.zip(given).sum { |factor, value| factor * value } }
          moved[n, true] = u
          speed[n, true] = v
        end
        [moved, speed, forces - (speed * (2 * @z * Numo::NMath.sqrt(@own)).reshape(1, @w.size)) - (moved * @own.reshape(1, @w.size))]
      end

      private

      # What movement and speed after a step are made of: [[u, v, p before, p after] of u, the same of v].
      def rows
        @rows ||= begin
          none, one = [0, 1].map { |value| Numo::DFloat.zeros(@w.size).fill(value) }
          found = (0..3).map { |k| step(*(0..3).map { |i| i == k ? one : none }) }.transpose
          thrown = [[1.0, @h, (@h**2) / 3, (@h**2) / 6], [0.0, 1.0, @h / 2, @h / 2]]
          found.zip(thrown).map { |row, plain| row.zip(plain).map { |factor, value| Algebra::Gather.put(factor, @free, value) } }
        end
      end

      # Particular: u = (p − 2 ζ s / ω) / ω² with p straight and s its slope; the rest swings freely from what is left.
      def step(moved, speed, before, now)
        slope = (now - before) / @h
        a = moved - ((before - (slope * 2 * @z / @w)) / (@w**2))
        b = (speed - (slope / (@w**2)) + (a * @z * @w)) / damped
        [(decay * ((a * cosine) + (b * sine))) + ((now - (slope * 2 * @z / @w)) / (@w**2)),
         (decay * ((((b * damped) - (a * @z * @w)) * cosine) - (((a * damped) + (b * @z * @w)) * sine))) + (slope / (@w**2))]
      end

      def damped = @damped ||= @w * Numo::NMath.sqrt(1 - (@z**2))
      def decay = @decay ||= Numo::NMath.exp(@z * @w * -@h)
      def cosine = @cosine ||= Numo::NMath.cos(damped * @h)
      def sine = @sine ||= Numo::NMath.sin(damped * @h)
    end
  end
end
