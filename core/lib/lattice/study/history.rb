# frozen_string_literal: true

module Lattice
  module Study
    # What a transient response asks for: at which moments, how damped, and by what it is pushed at each.
    class History
      MOST = 4000 # moments
      PER_PERIOD = 20

      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      def until = @study.quantity("until", "time")
      def step = @study.quantity("step", "time")
      def times = Numo::DFloat.new((self.until / step).round + 1).seq * step
      def damping(natural) = Sweep.new(@study).damping(natural)

      # @return [Array(Numo::DFloat, Float)] direction, and what the record is multiplied by in m/s²; nil without a base
      def base = @study["base"] && [@study.direction(@study["base"]["direction"]), @study.quantity("base.acceleration", "acceleration")]

      # @raise [InvalidInput]
      def check!(problem)
        %w[until step].each { |key| raise @study.fault("it has no #{key == 'until' ? 'end' : 'step'} of time", path: key, cure: "Give a time, such as 2 s.") unless @study[key] }
        raise @study.fault("its step is not above zero, or longer than all", path: "step", cure: "Give a short time, such as 5 ms.") unless step.positive? && step < self.until
        raise @study.fault("it has more than #{MOST} moments", path: "step", cure: "Give a longer step, or an earlier end.") if self.until / step > MOST
        raise @study.fault("a base that shakes in time wants an acceleration", path: "base", cure: "Choose an acceleration.") if @study["base"] && !@study["base"].key?("acceleration")

        check_course
        drive(problem) if @study["drive"]
      end

      # Where pushes come in order of time, by case.
      # @return [Numo::DFloat] [moments, cases]
      def weights(problem)
        cases = problem.cases.names
        return driven(problem) if @study["drive"]

        of_frame = Steps.new(problem.cases).weights[Kinds::Transient.frame(problem, @study)]
        course.reshape(times.size, 1) * of_frame.reshape(1, cases.size)
      end

      # @return [Numo::DFloat] [moments] the factor of what pushes; zero after the last point
      def course
        at, factors = points.transpose
        Numo::DFloat.cast(times.to_a.map { |t| between(at, factors, t) })
      end

      def signature = %w[until step damping damping_of rayleigh history base drive].map { |key| @study[key] }

      private

      # Suddenly there, and staying, when nothing is told.
      def points = @points ||= @study["history"] ? @study["history"].each_slice(2).to_a : [[0.0, 1.0], [self.until, 1.0]]

      def between(at, factors, time)
        return 0.0 if time < at[0] - 1e-12 || time > at[-1] + 1e-9

        after = at.bsearch_index { |t| t >= time - 1e-12 } || (at.size - 1)
        before = [after - 1, 0].max
        wide = at[after] - at[before]
        wide.positive? ? factors[before] + ((factors[after] - factors[before]) * ((time - at[before]) / wide).clamp(0, 1)) : factors[after]
      end

      def check_course
        list = @study["history"] or return
        raise @study.fault("its course has a time without a value", path: "history", cure: "Give pairs of a time in s and a factor.") if list.size.odd? || list.size < 4

        at = points.map(&:first)
        wrong = at.each_cons(2).find_index { |a, b| b <= a }
        raise @study.fault("its course goes back, or stands, at #{at[wrong + 1]} s", path: "history", cure: "Give its points by rising time.") if wrong
      end

      # @return [Array(Load::Positions, Float)] of the moving load, and its speed in m/s
      def drive(problem)
        statement = problem.document.active("moving_load").find { |s| s.name == @study["drive"]["load"] }
        raise @study.fault("there is no moving load named “#{@study['drive']['load']}”", path: "drive.load", cure: "Choose a moving load.") unless statement

        speed = @study.quantity("drive.speed", "velocity")
        raise @study.fault("it does not drive: its speed is not above zero", path: "drive.speed", cure: "Give a speed, such as 10 m/s.") unless speed.positive?

        [Load::Positions.new(statement, problem.document), speed]
      end

      # From one position to the next.
      def driven(problem)
        positions, speed = drive(problem)
        names = positions.names.map { |name| problem.cases.index(name) }
        Numo::DFloat.zeros(times.size, problem.cases.names.size).tap do |all|
          times.each_with_index do |t, i|
            place = t * speed / positions.spacing
            low = place.floor
            [[low, 1 - (place - low)], [low + 1, place - low]].each { |k, share| all[i, names[k]] = all[i, names[k]] + share if k < names.size }
          end
        end
      end
    end
  end
end
