# frozen_string_literal: true

module Lattice
  module Study
    # What a shaking study asks for: how the ground shakes and in which directions, how long, in which steps, and how it is damped.
    class Shaken
      MOST = 12_000 # steps
      FRAMES = 120
      RATIO = 0.05

      # motion; direction [3]; scale
      Direction = Struct.new(:motion, :along, :scale)

      # @param problem [Problem]
      # @param study [Model::Statement]
      # @param motion [String, nil] that takes the place of the first
      # @param scale [Float] of all directions besides
      def initialize(problem, study, motion = nil, scale = 1.0)
        @problem = problem
        @study = study
        @first = motion
        @scale = scale
      end

      # @return [Array<Direction>]
      # @raise [InvalidInput]
      def directions
        @directions ||= begin
          given = @study["ground"] or raise @study.fault("the ground does not shake", path: "ground", cure: "Choose a ground motion and a direction.")
          given.each_index.map do |i|
            name = (i.zero? && @first) || given[i]["motion"]
            Direction.new(motion!(name, "ground.#{i}.motion"), @study.direction(given[i]["direction"]), (@study.quantity("ground.#{i}.scale", "ratio") || 1.0) * @scale)
          end
        end
      end

      def step = @study.quantity("step", "time") || directions.map { |d| d.motion.step }.min
      def until = @study.quantity("until", "time") || directions.map { |d| d.motion.duration }.max
      def count = (self.until / step).round

      # @return [Proc] from a time in s to m/s² of every direction
      def ground
        list = directions
        ->(time) { Numo::DFloat.cast(list.map { |d| d.motion.at(time) * d.scale }) }
      end

      # @return [Numo::DFloat] [k, unknowns] how all would move with the ground
      def shapes(dofs) = Numo::DFloat.vstack(directions.map { |d| dofs.along(d.along).reshape(1, dofs.size) })

      # @return [Array(Float, Float)] of damping by mass, 1/s, and by stiffness, s
      def damping = rayleigh&.parts || [0.0, 0.0]

      # @return [Rayleigh, nil]
      def rayleigh
        return unless @study["periods"]

        ratio, longer, shorter = periods
        Rayleigh.new(1 / longer, 1 / shorter, [ratio, ratio])
      end

      # @return [Array<Array(String, Float)>, nil] motions and scales of many runs
      def runs
        given = @study["runs"] or return
        given["motions"].product(given["scales"].each_index.map { |i| @study.quantity("runs.scales.#{i}", "ratio") })
      end

      # Every how many steps a frame is kept.
      def every = [(count.to_f / FRAMES).ceil, 1].max

      # @raise [InvalidInput]
      def check!
        directions.each { |d| d.motion.check! }
        (@study["runs"] || {})["motions"].to_a.each_with_index { |name, i| motion!(name, "runs.motions.#{i}").check! }
        check_directions
        check_damping if @study["periods"]
        raise @study.fault("its step is not above zero, or longer than all", path: "step", cure: "Give a short time, such as 10 ms.") unless step.positive? && step < self.until
        raise @study.fault("it has #{count} steps, of which at most #{MOST} are gone", path: "step", cure: "Let it end earlier, take a longer step, or leave out what is still in the record.") if count > MOST
      end

      COARSE = 1.5 # times the step of the record

      # @return [Array<Fault>] what is odd: peaks of the record that the steps go over
      def oddities
        fine = directions.map { |d| d.motion.step }.min
        return [] if step <= fine * COARSE

        own, of_record = [step, fine].map { |time| Quantity::Display.format(time, "time") }
        [@study.fault_at("its step of #{own} goes over values of the record, which has one every #{of_record}", path: "step", cure: "Take a step as short as that of the record, or leave it out.")]
      end

      # @return [Array] by meaning
      def signature = [directions.map { |d| [d.motion.signature, d.along.to_a, d.scale] }, step, count, damping, runs&.map { |name, scale| [motion!(name, "runs").signature, scale] }]

      private

      def motion!(name, path)
        (@motions ||= {})[name] ||= Load::GroundMotion.named(@problem.document, name) ||
                                    raise(@study.fault("there is no ground motion named “#{name}”", path: path, cure: "Add one: read a record from a file, or take one from the station."))
      end

      def check_directions
        wrong = directions.each_index.find { |i| directions[i].scale.zero? }
        raise @study.fault("a scale of nothing does not shake", path: "ground.#{wrong}.scale", cure: "Give a scale, or leave that direction out.") if wrong
        return unless directions.combination(2).any? { |a, b| a.along.dot(b.along).abs > 1 - 1e-9 }

        raise @study.fault("it shakes twice along the same direction", path: "ground", cure: "Give each record a direction of its own.")
      end

      def periods = %w[ratio longer shorter].map { |key| @study.quantity("periods.#{key}", key == "ratio" ? "ratio" : "time") }

      def check_damping
        ratio, longer, shorter = periods
        raise @study.fault("a damping ratio of #{ratio} is none that swings", path: "periods.ratio", cure: "Give a ratio such as 3 %.") unless ratio >= 0 && ratio < 1
        return if shorter.positive? && longer > shorter

        raise @study.fault("the two periods of its damping are not in order", path: "periods.longer", cure: "Give the longer one first, such as that of its first shape.")
      end
    end
  end
end
