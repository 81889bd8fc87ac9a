# frozen_string_literal: true

module Lattice
  module Life
    # How stress goes up and down: between one value and a share of it, by a recorded history of one case, or through
    # cases in order. A block of values at places, each a factor times the stress of a frame.
    class Load
      MOST = 16 # cases of a duty, whose order is told apart point by point
      KINDS = %w[ratio history duty].freeze

      attr_reader :study

      # @param study [Model::Statement]
      # @param problem [Study::Problem]
      def initialize(study, problem)
        @study = study
        @problem = problem
      end

      def kind = KINDS.find { |k| load.key?(k) }
      def scale = study.quantity("life.scale", "ratio") || 1.0

      # @return [Boolean] whether all stress goes up and down in one, by factors of a single frame
      def single? = kind != "duty"

      # @return [Array<Float>] factors of the one frame, in order
      def factors = (kind == "ratio" ? [1.0, study.quantity("life.load.ratio", "ratio")] : load["history"].flatten).map { |f| f * scale }

      # @return [Model::Statement] the study whose stress it is
      def base = @base ||= Study::Kinds::Life.base!(@problem, study, *Study::Kinds::Life::BASES)

      # @return [Boolean] whether strain is what a study in stages found
      def found? = base["type"] == "stages"

      # @return [Array<String>] what a step of a duty may name
      def names = @names ||= found? ? Study::Stages.new(@problem, base).all.map(&:name) : @problem.cases.frame_names

      # @return [Array<Integer, nil>] places in #names
      def steps
        return [Study::Kinds::Life.frame(@problem, study)] if single?

        load["duty"].each_with_index.map { |step, i| step["case"].to_s.empty? ? nil : names.index(step["case"]) || unknown(step["case"], i) }
      end

      # @param result [Result::Outcome] of the study
      # @return [Array<Integer, nil>] its frames
      # @raise [SolveFailed]
      def frames(result)
        return steps unless found?

        steps.map do |step|
          result.found[:stages][:ends].find { |frame| result.frames[frame].name == names[step] } ||
            raise(SolveFailed.new("stage “#{names[step]}” of “#{base.name}” did not come to its end", statement: study.id, cure: "Look at what that study says, or leave the stage out of the duty."))
        end
      end

      # @return [Array<Float>] of a duty, by what the stress of each step is multiplied
      def weights = load["duty"].each_index.map { |i| (study.quantity("life.load.duty.#{i}.factor", "ratio") || 1.0) * scale }

      # @raise [InvalidInput]
      def check!
        raise study.fault("it does not say how the stress goes up and down", path: "life.load", cure: "Choose fully reversed, a ratio, a history or a duty.") unless kind
        raise study.fault("a scale of zero leaves no stress", path: "life.scale", cure: "Give a scale such as 1.") if scale.zero?

        found? ? check_found : steps
        send(:"check_#{kind}")
      end

      private

      def load = study["life"]["load"]

      def unknown(name, index)
        what = found? ? "stage of “#{base.name}”" : "case or combination"
        raise study.fault("there is no #{what} named “#{name}”", path: "life.load.duty.#{index}.case", cure: known)
      end

      def known = "Known: #{names.map { |n| "“#{n}”" }.join(', ')}."

      # What a study in stages found is taken as it is.
      def check_found
        raise study.fault("“#{base.name}” goes through stages: what comes after what is a duty of them", path: "life.load", cure: "Choose a duty, and name its stages in order.") unless kind == "duty"

        rest = load["duty"].index { |step| step["case"].to_s.empty? }
        raise study.fault("step #{rest + 1} of its duty names no stage", path: "life.load.duty.#{rest}.case", cure: known) if rest

        scaled = weights.index { |weight| weight != 1 } or return
        raise study.fault("what “#{base.name}” found is not in proportion to its loads, so it is taken as it is", path: "life.load.duty.#{scaled}.factor",
                                                                                                                  cure: "Leave factors and scale at 1, and change the loads of that study.")
      end

      def check_ratio
        ratio = study.quantity("life.load.ratio", "ratio")
        raise study.fault("with a ratio of #{ratio} the stress never changes", path: "life.load.ratio", cure: "Give the least over the greatest: -1 where it is fully reversed, 0 from zero.") if ratio >= 1
      end

      def check_history
        return if factors.uniq.size > 1

        raise study.fault("its history has one value alone", path: "life.load.history", cure: "Give at least two values that differ.")
      end

      def check_duty
        size = load["duty"].size
        raise study.fault("a duty of #{size} steps is more than the #{MOST} that are taken", path: "life.load.duty", cure: "Take a history, or fewer steps.") if size > MOST
        return if size > 1 && steps.zip(weights).uniq.size > 1

        raise study.fault("its duty stays in one case, in which nothing changes", path: "life.load.duty", cure: "Add a case that it goes through.")
      end
    end
  end
end
