# frozen_string_literal: true

module Lattice
  module Study
    # What a study of stages asks for: by what the cases are multiplied at the end of each. A stage that something drives through is
    # a stage for each of its positions.
    class Stages
      FIRST = 0.25 # of a stage, in the first increment, where their number is not told

      # name; factors [cases] at its end; increments, nil where as few as will do; comes: names of bodies, anchors, supports and joins that do,
      # and absent: of those that are not there in it; number: of the stage as it is told
      Stage = Struct.new(:name, :factors, :increments, :comes, :absent, :number)

      # @param problem [Problem]
      # @param study [Model::Statement]
      def initialize(problem, study)
        @problem = problem
        @before = before(study)
        @study = @before.empty? ? study : Model::Statement.new(study.data.merge("stages" => @before + study["stages"].to_a))
        @cases = problem.cases
      end

      # Stages of another study that it goes on from.
      # @return [Array<Hash>]
      # @raise [InvalidInput]
      def before(study, passed = [study.name])
        return [] if study["of"].to_s.empty?

        base = Kinds::Stages.base!(@problem, study, "stages")
        raise study.fault("it goes on from itself", path: "of", cure: "Let one of the studies begin from the beginning.") if passed.include?(base.name)

        all = before(base, passed + [base.name]) + base["stages"].to_a
        last = study["stage"] ? all.rindex { |stage| stage["name"] == study["stage"] } : all.size - 1
        last ? all.first(last + 1) : raise(study.fault("“#{base.name}” has no stage named “#{study['stage']}”", path: "stage", cure: "Choose one of #{all.map { |stage| "“#{stage['name']}”" }.join(', ')}."))
      end

      # @return [Array<Stage>]
      # @raise [InvalidInput]
      def all
        @all ||= begin
          raise @study.fault("it has no stages", path: "stages", cure: "Add one.") if @study["stages"].to_a.empty?

          factors = Numo::DFloat.zeros(@cases.names.size)
          absent = absent_at_first
          @study["stages"].each_with_index.flat_map do |stage, i|
            factors = changed(factors, stage["loads"] || [], i)
            comes = named(stage["comes"], "#{path(i)}.comes")
            absent = (absent - comes) | named(stage["goes"], "#{path(i)}.goes")
            through(Stage.new(stage["name"], factors, stage["increments"], comes, absent, i), stage["drives"])
          end
        end
      end

      # @raise [InvalidInput]
      def check!
        all
        twice = @study["stages"].map { |stage| stage["name"] }.tally.find { |_, count| count > 1 }
        raise @study.fault("two stages are named “#{twice[0]}”", path: "stages", cure: "Name them differently.") if twice

        check_coming
        check_weight
        idle = all.each_index.find { |i| idle?(i) }
        raise @study.fault("nothing changes in stage “#{all[idle].name}”", path: "#{path(all[idle].number)}.loads", cure: "Give it a case to load or unload, a body that comes or goes, or take it out.") if idle

        raise @study.fault("what holds it weakly is no small share of its stiffness", path: "steadied", cure: "Give a share such as 1e-3.") unless steadied.nil? || steadied.between?(1e-9, 0.1)

        from = @study["counted_from"]
        raise @study.fault("there is no stage named “#{from}” to count movement from", path: "counted_from", cure: "Choose one of its stages.") unless from.nil? || number(from)
      end

      # What comes before it goes is not there at first.
      # @return [Array<String>] bodies, anchors, supports and joins
      def absent_at_first
        @absent_at_first ||= begin
          met = {}
          @study["stages"].each_with_index do |stage, i|
            { "goes" => true, "comes" => false }.each { |way, there| named(stage[way], "#{path(i)}.#{way}").each { |name| met[name] = there unless met.key?(name) } }
          end
          anchors = @problem.conditions.select(&:comes?).map { |c| c.statement.name }
          (anchors - met.keys) | met.reject { |_, there| there }.keys
        end
      end

      # @return [Array<Fault>] what is odd: bolts that are tightened while something else begins to load
      def oddities
        tight = @problem.conditions.grep(Load::Conditions::Bolt).select(&:steady?).map { |bolt| @cases.index(bolt.case_name) }.uniq
        before = @cases.names.map { 0.0 }
        all.filter_map do |stage|
          grows = stage.factors.to_a.each_index.select { |k| stage.factors[k].abs > before[k].abs }
          before = stage.factors.to_a
          next if !grows.intersect?(tight) || (grows - tight).empty?

          other = @cases.shown(@cases.names[(grows - tight)[0]])
          @study.fault_at("bolts are tightened in stage “#{stage.name}” while “#{other}” loads them", path: "#{path(stage.number)}.loads", cure: "Tighten them in a stage of their own, and load in the next.")
        end
      end

      # @return [Array<String>] of all its stages
      def names = @study["stages"].map { |stage| stage["name"] }

      # @return [Integer, nil] of the last stage that goes by that name
      def number(name) = all.rindex { |stage| @study["stages"][stage.number]["name"] == name }

      # @return [Boolean] whether anything comes or goes
      def changes? = all.any? { |stage| stage.comes.any? || stage.absent.any? }

      # @return [Array] by meaning
      def signature
        [all.map { |stage| [stage.name, stage.factors.to_a, stage.increments, stage.comes, stage.absent] }, @study["counted_from"], @study["elastic"], *steadied, *named_so]
      end

      # @return [Float, nil] share of the stiffness by which what nothing holds yet is held
      def steadied = @study.quantity("steadied", "ratio")

      private

      # Where a stage is said: its own, or those of the study it goes on from.
      def path(number) = number < @before.size ? "of" : "stages.#{number - @before.size}"

      # Which supports and joins the names speak of.
      def named_so
        names = all.flat_map { |stage| stage.comes | stage.absent }
        @problem.conditions.select { |c| c.class.changes? && names.include?(c.statement.name) }.map { |c| [c.statement.name, c.signature] }
      end

      def idle?(index)
        before = index.zero? ? nil : all[index - 1]
        return false if all[index].comes.any? || all[index].absent != (before ? before.absent : absent_at_first)

        (all[index].factors - (before ? before.factors : 0)).eq(0).all? && !(index.zero? && @problem.at_rest.any?)
      end

      # @return [Array<String>] bodies, anchors, supports and joins
      def named(names, path)
        (names || []).each_with_index.flat_map do |name, k|
          places = @problem.groups.find(name)
          condition = @problem.conditions.find { |c| c.changes? && c.statement.name == name }
          both = condition && places.any?
          raise @study.fault("“#{name}” is a #{condition.statement.kind.tr('_', ' ')} and a place as well", path: "#{path}.#{k}", cure: "Name one of them differently.") if both
          next [name] if condition

          bad = places.empty? || places.any? { |p| p.of != :bodies }
          raise @study.fault("there is no body, group of bodies, anchor, support or join named “#{name}”", path: "#{path}.#{k}", cure: "Choose one that is there.") if bad

          places.map(&:body)
        end
      end

      # What is at rest holds its weight: without it, it would be lifted.
      def check_weight
        weighs = @problem.at_rest.any? && @problem.at_rest.gravity or return
        held = all[0].factors[@cases.names.index(weighs["case"].to_s)]
        return unless held.zero?

        raise @study.fault("its first stage does not bear the weight that ground at rest holds", path: "stages.0.loads", cure: "Load the case of gravity in the first stage.")
      end

      def check_coming
        there = @problem.parts.bodies.map(&:name)
        all.each_with_index do |stage, i|
          before = i.zero? ? absent_at_first : all[i - 1].absent
          twice = stage.comes.find { |name| !before.include?(name) }
          raise @study.fault("“#{twice}” comes in stage “#{stage.name}”, but is there already", path: "#{path(stage.number)}.comes", cure: "Let it go before, or leave it out here.") if twice

          next unless i.zero? || all[i - 1].number < stage.number

          gone = named(@study["stages"][stage.number]["goes"], "#{path(stage.number)}.goes").find { |name| before.include?(name) }
          raise @study.fault("“#{gone}” goes in stage “#{stage.name}”, but is not there", path: "#{path(stage.number)}.goes", cure: "Leave it out here.") if gone
          raise @study.fault("nothing is left in stage “#{stage.name}”", path: "#{path(stage.number)}.goes", cure: "Let something stay.") if (there - stage.absent).empty?
        end
      end

      # The stage once for every position of what drives through it, which is gone again afterwards.
      # @param drives [String, nil] name of a moving load
      # @return [Array<Stage>]
      def through(stage, drives)
        return [stage] if drives.to_s.empty?

        load = @problem.document.active("moving_load").find { |s| s.name == drives } or
          raise @study.fault("nothing that drives is named “#{drives}”", path: "#{path(stage.number)}.drives", cure: "Add a moving load, or choose another.")
        Load::Positions.new(load, @problem.document).names.each_with_index.map do |position, k|
          there = stage.factors.dup.tap { |factors| factors[@cases.names.index(position)] += 1.0 }
          Stage.new("#{stage.name}, #{position}", there, stage.increments, k.zero? ? stage.comes : [], stage.absent, stage.number)
        end
      end

      def unknown!(stage, load, name)
        known = @cases.names.map { |n| "“#{@cases.shown(n)}”" }
        raise @study.fault("stage #{stage + 1} loads a case named “#{name}” that is not there", path: "#{path(stage)}.loads.#{load}.case", cure: "Choose one of #{known.join(', ')}.")
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
