# frozen_string_literal: true

module Lattice
  module Study
    # What a transient response asks for: at which moments, how damped, and by what it is pushed at each.
    class History
      MOST = 4000 # moments
      SAME = 1e-9 # s

      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      def until = @study.quantity("until", "time")
      def step = @study.quantity("step", "time")
      def times = Numo::DFloat.new((self.until / step).round + 1).seq * step
      def damping = Damping.new(@study)

      # @return [Array(Numo::DFloat, Float)] direction, and what the record is multiplied by in m/s²; nil without a base
      def base = @study["base"] && [@study.direction(@study["base"]["direction"]), @study.quantity("base.acceleration", "acceleration")]

      # @raise [InvalidInput]
      def check!(problem)
        %w[until step].each { |key| raise @study.fault("it has no #{key == 'until' ? 'end' : 'step'} of time", path: key, cure: "Give a time, such as 2 s.") unless @study[key] }
        raise @study.fault("its step is not above zero, or longer than all", path: "step", cure: "Give a short time, such as 5 ms.") unless step.positive? && step < self.until
        raise @study.fault("it has more than #{MOST} moments", path: "step", cure: "Give a longer step, or an earlier end.") if self.until / step > MOST
        raise @study.fault("a base that shakes in time wants an acceleration", path: "base", cure: "Choose an acceleration.") if @study["base"] && !@study["base"].key?("acceleration")

        damping.check!
        check_course
        drive(problem) if @study["drive"]
      end

      # @return [Numo::DFloat] [moments] the factor of what pushes; zero after the last point
      def course
        at, factors = points.transpose.map { |list| Numo::DFloat.cast(list) }
        Algebra::Gather.put(Algebra::Search.straight(at, factors, times), (times < at[0] - SAME) | (times > at[-1] + SAME), 0.0)
      end

      # From one position of the load that drives to the next.
      # @return [Numo::DFloat] [moments, cases]
      def weights(problem)
        positions, speed = drive(problem)
        rows = Numo::Int32.cast(positions.names.map { |name| problem.cases.index(name) })
        place = times * (speed / positions.spacing)
        Numo::DFloat.zeros(times.size, problem.cases.names.size).tap do |all|
          rows.each_with_index { |row, k| all[true, row] = (1 - (place - k).abs).clip(0, nil) }
        end
      end

      def signature = Model::Meaning.of(@study, except: %w[name of case record])

      private

      # Suddenly there, and staying, when nothing is told.
      def points = @points ||= @study["history"] ? @study["history"].each_slice(2).to_a : [[0.0, 1.0], [self.until, 1.0]]

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
    end
  end
end
