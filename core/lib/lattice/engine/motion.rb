# frozen_string_literal: true

module Lattice
  module Engine
    # Goes through time in steps: what shakes is in balance at the end of each, with its inertia and its damping. N. M. Newmark, A method of
    # computation for structural dynamics, 1959, by the mean acceleration. A step that does not come to rest is tried again with a
    # tangent of its own in every iteration, and then halved.
    class Motion
      TOLERANCE = 1e-6
      ROUNDS = 25
      KEPT = 6 # iterations of a step, over which the tangent is made anew
      SLOW = 0.3 # of what was left over before
      LEAST = 1.0 / 256 # of a step
      EASY = 4 # parts of a step that come to rest one after the other, before they grow again

      # At the end of a step: time s; velocity and acceleration [unknowns] against the ground; ground: m/s² of each direction; push: loads less inertia and
      # damping [unknowns]; internal [unknowns]; iterations: of the step; parts: that it took
      Moment = Struct.new(:time, :pose, :velocity, :acceleration, :ground, :push, :internal, :iterations, :parts, keyword_init: true)

      # @return [Array(Float, Integer), nil] where it came to no rest: time, and the unknown where most was left over
      attr_reader :stuck

      # @param equations [Equations] under the loads that stay
      # @param masses [Algebra::SymmetricMatrix]
      # @param parts [Array(Float, Float)] of damping by mass, 1/s, and by the stiffness it starts with, s
      # @param shapes [Numo::DFloat] [k, unknowns] how all would move with the ground, direction by direction
      # @param ground [Proc] from a time in s to m/s² [k]
      def initialize(equations, masses, parts, shapes, ground)
        @equations = equations
        @constraints = equations.constraints
        @masses = masses
        @by_mass, @by_stiffness = parts
        @shapes = shapes
        @drag = masses.dot(shapes)
        @ground = ground
        @factors = Factors.new
      end

      # @param pose [Pose] at rest
      # @param step [Float] s
      # @param count [Integer] of steps
      # @yield [Moment] the end of each step; answers :stop to go no further
      # @return [String] "done", or "no further"
      def call(pose, step, count)
        begin_at(pose)
        count.times do |k|
          iterations = parts = 0
          from = k * step
          easy = 0
          share = 1.0
          done = 0.0
          while done < 1 - 1e-9
            part = [share, 1 - done].min
            found = advance(from + ((done + part) * step), part * step)
            unless found
              easy = 0
              return "no further" if (share /= 2) < LEAST

              next
            end
            iterations += found
            parts += 1
            done += part
            easy += 1
            share *= 2 if share < 1 && (easy % EASY).zero?
          end
          return "done" if yield(moment(from + step, iterations, parts)) == :stop
        end
        "done"
      ensure
        @factors.free
      end

      private

      def begin_at(pose)
        @pose = pose
        @equations.bear(0.0)
        @internal, @first = @equations.call(pose)
        @acts = norm(@internal)
        @speed = @internal * 0
        @rate = freely(@ground.call(0.0).dot(@shapes) * -1)
        @for = nil
      end

      # What is held does not move against the ground.
      def freely(vector)
        held = @constraints.held
        vector.tap { |all| all[held] = 0.0 unless held.empty? }
      end

      # @return [Integer, nil] iterations; nil where it does not come to rest
      def advance(time, step)
        [false, true].each do |own|
          found = attempt(time, step, own)
          return found if found

          @for = nil
        end
        @stuck = [time, @worst]
        nil
      end

      # By the mean of the accelerations before and after.
      # @param own [Boolean] whether every iteration has a tangent of its own
      def attempt(time, step, own)
        # From where it would go without a change of its acceleration.
        moved = (@speed * step) + (@rate * ((step**2) / 2))
        pose = @pose.step(moved)
        last = nil
        drag = @ground.call(time).dot(@drag)
        ROUNDS.times do |k|
          anew = own || @for != step
          rate = (moved * (4 / (step**2))) - (@speed * (4 / step)) - @rate
          speed = @speed + ((@rate + rate) * (step / 2))
          internal, tangent = @equations.call(pose, tangent: anew)
          push = @equations.pushed(0.0) - drag - @masses.dot(rate + (speed * @by_mass)) - (@first.dot(speed) * @by_stiffness)
          left = left_over(push, internal)
          break unless left.finite?
          return settled(pose, speed, rate, push, internal, k) if left < TOLERANCE && k.positive?
          break if anew && !factored(tangent, step)

          @for = nil if last && left > last * SLOW
          last = left
          change = solved(push - internal)
          moved += change
          pose = pose.step(change)
        end
        nil
      end

      def settled(pose, speed, rate, push, internal, iterations)
        @equations.commit
        @pose = pose
        @speed = speed
        @rate = rate
        @push = push
        @internal = internal
        @acts = [@acts, norm(internal)].max
        @for = nil if iterations > KEPT
        iterations
      end

      # What resists within a step.
      def factored(tangent, step)
        parts = [[tangent, 1.0], [@masses, (4 / (step**2)) + (@by_mass * 2 / step)], [@first, @by_stiffness * 2 / step]]
        sum = parts.reject { |_, factor| factor.zero? }.map { |matrix, factor| Algebra::Sparse.symmetric(matrix.times(factor)) }.reduce { |a, b| a.add(b) }
        @for = @factors.of(@constraints.reduce(sum.to_symmetric)) && step
      end

      def solved(forces) = @constraints.expand_movements(@factors.solve(@constraints.reduce_loads(forces.reshape(1, forces.size))))[0, true]

      def left_over(push, internal)
        rest = push - internal
        # Where sections found no balance.
        return Float::INFINITY unless rest.sum.finite?

        free = @constraints.reduce_loads(rest.reshape(1, rest.size))
        @worst = @constraints.free[free[0, true].abs.max_index] unless free.empty?
        norm(free) / [@acts, norm(push), norm(internal), Float::MIN].max
      end

      def moment(time, iterations, parts)
        Moment.new(time: time, pose: @pose, velocity: @speed, acceleration: @rate, ground: @ground.call(time), push: @push, internal: @internal, iterations: iterations, parts: parts)
      end

      def norm(vector) = Math.sqrt((vector**2).sum)
    end
  end
end
