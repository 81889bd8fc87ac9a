# frozen_string_literal: true

module Lattice
  module Engine
    # Goes along a path of equilibrium in increments: Newton's method in each; increments that do not come to rest are halved,
    # those that do so easily grow.
    class March
      include Memory

      remembers :@scale, :@acts, :@more, :@failed, :@cuts, :@along, :@last
      TOLERANCE = 1e-6
      ROUNDING = 4.0 # times the unit of rounding, in places as large as the part
      LOOSEST = 1e-3
      ROUNDS = 14 # iterations of an increment
      WANTED = 6 # iterations, at which an increment keeps its size
      PRESSING = 4 # times as many where what touches is corrected, which few large increments bear best, and where ground slides
      GROUND = 1e-5 # left over, where ground slides
      STRAYS = 0.01 # of the tension that concrete bears, by which its stress may stray in an increment
      BRITTLE = 1.0 / 32 # of the first increment, under which what breaks at once takes no smaller steps, but is let go on where it is
      HOLDS = 150 # times
      LEAST = 1.0 / 1024 # of the first increment
      WORSE = 1e3 # times what was left over at first

      # An increment that has come to rest. residuals: what was left over, iteration by iteration, against what acts; lower: pivots
      # below zero, directions in which the part does not resist; slope: of the level over the length of the way, 1/m; read: see Equations#read.
      Increment = Struct.new(:level, :pose, :push, :internal, :residuals, :lower, :slope, :read, keyword_init: true) do
        # @return [Hash] plain data, see .of
        def record = to_h.merge(pose: [pose.moved, pose.turns])

        # @param record [Hash]
        # @param dofs [System::Dofs]
        def self.of(record, dofs) = new(**record, pose: Pose.new(dofs, *record[:pose]))
      end

      # cuts: how often an increment was halved; worst: the unknown where most was left over last; failed: the lowest level at
      # which nothing came to rest since the last that did
      attr_reader :cuts, :worst, :failed

      # @return [Proc, nil] that is told the level and what was left over, iteration by iteration
      attr_accessor :watch

      # @param equations [Equations]
      # @param control [Control::Level, Control::Arc]
      # @param least [Float] of the first increment, under which none is tried
      def initialize(equations, control, least: LEAST)
        @least = least
        @equations = equations
        @constraints = equations.constraints
        @control = control
        @cuts = 0
        @factors = Factors.new
      end

      # What it remembers, to go on from here.
      def memory = super.merge(control: @control.memory)

      # Goes on from an increment that had come to rest.
      # @param memory [Hash] see #memory, at that increment
      # @param found [Increment]
      # @yield as #call
      # @return [String]
      def go_on(memory, found, &)
        @control.recall(memory[:control])
        recall(memory.except(:control))
        @scale *= growth(found.residuals.size)
        call(found.pose, found.level, &)
      end

      # @param pose [Pose] to start from, at rest
      # @param level [Float]
      # @yield [Increment] each that has come to rest; answers :stop to go no further
      # @return [String] why it ended: "done", or "no further"
      def call(pose, level = 0.0)
        @scale ||= 1.0
        loop do
          found = increment(pose, level)
          unless found
            @equations.back
            @cuts += 1
            return "no further" if (@scale /= 2) < @least

            next
          end
          found = held(found) or return "no further"
          @last = found.pose.moved - pose.moved
          @failed = nil if @failed && @failed <= found.level
          @acts = [@acts || 0.0, norm(found.internal)].max
          pose = found.pose
          @more = found.level - level
          level = found.level
          return "done" if yield(found) == :stop

          @scale *= growth(found.residuals.size)
        end
      ensure
        @factors.free
      end

      private

      # Lets what breaks go on, without more load, until its stress is what it should be.
      # @return [Increment, nil] nil where it does not end
      def held(found)
        HOLDS.times do
          return found if @equations.strays <= STRAYS

          @equations.reach(found.level, 0.0)
          again = iterate(found.pose, found.level, found.pose.moved * 0, 0.0) or return
          found = again.tap { |one| one.residuals = found.residuals + one.residuals }
        end
        nil
      end

      # @return [Increment, nil] nil where it does not come to rest
      def increment(pose, level)
        unless @along
          @equations.bear(level)
          @rested ||= @equations.call(pose)[1]
          @factors.of(@constraints.reduce(@rested)) or return
          @along = along(@rested)
        end
        more, @scale = @control.predict(@along, @scale, @last, level)
        moved = @along * more
        @along = nil
        iterate(pose, level, moved, more)
      end

      def iterate(pose, level, moved, more)
        residuals = []
        begin_try(level, more)
        now = pose.step(moved)
        (ROUNDS * wanted / WANTED).to_i.times do
          @equations.bear(level + more)
          internal, matrix = @equations.call(now)
          push = @equations.pushed(level + more)
          rest = push - internal
          residuals << left_over(push, internal)
          watch&.call(level + more, residuals)
          return if hopeless?(residuals)

          if residuals[-1] < enough(matrix)
            return if !@control.takes?(moved, more) || strayed?(more)
            return rested(level + more, now, push, internal, residuals, matrix, moved) if @equations.settle

            # What is corrected once it rests asks for another round.
            next
          end
          @factors.of(@constraints.reduce(matrix)) or return
          along = along(matrix)
          mend = @mixing ? @mixing.call(solved(rest)) : solved(rest)
          change = @control.correct(mend, along, moved) or return
          step = mend + (along * change)
          moved += step
          more += change
          now = now.step(step)
        end
        nil
      end

      def begin_try(level, more)
        @equations.reach(level + more, @more ? (more / @more).abs.clamp(0.0, 2.0) : 0.0)
        @failed = [@failed, level + more].compact.min
        @mixing = @equations.slides? ? Mixing.new : nil
      end

      def hopeless?(residuals)
        !residuals[-1].finite? || (residuals[-1] > residuals[0] * WORSE && @equations.touches.empty? && !@equations.slides?)
      end

      def rested(level, pose, push, internal, residuals, matrix, moved)
        @equations.commit
        @rested = matrix
        @along = @factors.of(@constraints.reduce(matrix)) && along(matrix)
        way = @along && (@along.dot(moved).negative? ? -1 : 1)
        length = @along && norm(@along)
        Increment.new(level: level, pose: pose, push: push, internal: internal, residuals: residuals, lower: @along && @factors.lower, slope: length&.positive? ? way / length : nil,
                      read: @equations.read(pose, level))
      end

      def strayed?(more) = !more.zero? && @scale > BRITTLE && @equations.strays > STRAYS

      # What slides takes many small steps of an iteration; as long as it comes to rest, larger increments are tried.
      def growth(iterations) = @equations.slides? && iterations < wanted * 2 ? [Math.sqrt(wanted / iterations), 1.3].max.clamp(1.0, 2.0) : Math.sqrt(wanted / iterations).clamp(0.5, 2.0)

      def wanted = @equations.touches.any? || @equations.slides? ? WANTED * PRESSING.to_f : WANTED.to_f

      # What a unit of level moves: [unknowns]
      def along(matrix)
        push = @equations.push
        push -= matrix.dot(@equations.given) if @equations.given?
        solved(push) + @equations.given
      end

      # @param forces [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [unknowns] what they move
      def solved(forces)
        plain = straight(forces)
        @equations.slant(plain) ? Krylov.call(plain) { |moved| moved + straight(@equations.slant(moved)) } : plain
      end

      # The same with the symmetric part of the tangent.
      def straight(forces) = @constraints.expand_movements(@factors.solve(@constraints.reduce_loads(forces.reshape(1, forces.size))))[0, true]

      # What does not balance where nothing is held, against what acts: the loads, or all that came to rest before; never against
      # forces on the way, which may be far too large.
      def left_over(push, internal)
        rest = push - internal
        free = @constraints.reduce_loads(rest.reshape(1, rest.size))
        acts = [norm(push), @acts || 0.0, @equations.hardly, *@equations.touches.map(&:bears)].max
        acts = norm(internal) if acts.zero?
        @bears = [acts, Float::MIN].max
        @worst = @constraints.free[free[0, true].abs.max_index] unless free.empty?
        acts.zero? ? 0.0 : norm(free) / acts
      end

      # Thin sheets hold far more across their thickness than they bear: what rounding leaves of that is no force.
      def enough(matrix)
        floor = ROUNDING * Float::EPSILON * norm(matrix.diagonal) * @equations.extent
        (floor / @bears).clamp(tolerance, LOOSEST)
      end

      def tolerance = @equations.slides? ? GROUND : TOLERANCE

      def norm(vector) = Math.sqrt((vector**2).sum)
    end
  end
end
