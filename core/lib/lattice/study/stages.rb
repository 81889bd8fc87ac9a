# frozen_string_literal: true

module Lattice
  module Study
    # What a study of stages asks for: by what the cases are multiplied at the end of each.
    class Stages
      FIRST = 0.25 # of a stage, in the first increment, where their number is not told

      # name; factors [cases] at its end; increments, nil where as few as will do
      Stage = Struct.new(:name, :factors, :increments)

      # @param study [Model::Statement]
      # @param cases [Load::Cases]
      def initialize(study, cases)
        @study = study
        @cases = cases
      end

      # @return [Array<Stage>]
      # @raise [InvalidInput]
      def all
        @all ||= begin
          raise @study.fault("it has no stages", path: "stages", cure: "Add one.") if @study["stages"].to_a.empty?

          factors = Numo::DFloat.zeros(@cases.names.size)
          @study["stages"].each_with_index.map do |stage, i|
            factors = changed(factors, stage["loads"] || [], i)
            Stage.new(stage["name"], factors, stage["increments"])
          end
        end
      end

      # @raise [InvalidInput]
      def check!
        twice = all.map(&:name).tally.find { |_, count| count > 1 }
        raise @study.fault("two stages are named “#{twice[0]}”", path: "stages", cure: "Name them differently.") if twice

        idle = all.each_index.find { |i| (all[i].factors - (i.zero? ? all[0].factors * 0 : all[i - 1].factors)).eq(0).all? }
        raise @study.fault("nothing changes in stage “#{all[idle].name}”", path: "stages.#{idle}.loads", cure: "Give it a case to load or unload, or take it out.") if idle
      end

      # @return [Array] by meaning
      def signature = all.map { |stage| [stage.name, stage.factors.to_a, stage.increments] }

      private

      def unknown!(stage, load, name)
        known = @cases.names.map { |n| "“#{@cases.shown(n)}”" }
        raise @study.fault("stage #{stage + 1} loads a case named “#{name}” that is not there", path: "stages.#{stage}.loads.#{load}.case", cure: "Choose one of #{known.join(', ')}.")
      end

      def changed(before, loads, stage)
        before.dup.tap do |factors|
          loads.each_index do |k|
            name = loads[k]["case"]
            number = @cases.names.index(name) || (name == Load::Cases::UNNAMED ? @cases.names.index("") : nil) || unknown!(stage, k, name)
            factors[number] = @study.quantity("stages.#{stage}.loads.#{k}.factor", "ratio")
          end
        end
      end
    end
  end
end
