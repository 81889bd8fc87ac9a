# frozen_string_literal: true

module Lattice
  module Life
    # What the material bears, of one body: its curve, what lowers it, and what a mean does.
    class Strength
      LAWS = %i[strength exponent ductility ductile_exponent hardening hardening_exponent].freeze
      STRESSES = %i[strength hardening].freeze

      # @param study [Model::Statement]
      # @param material [Matter::Material]
      # @param body [String] whose material it is
      def initialize(study, material, body)
        @study = study
        @material = material
        @body = body
      end

      def by = life["by"] || "stress"
      def strain? = by == "strain"
      def rule = life["mean"] || "none"

      # @return [Hash{String => Float}] by what the strength is multiplied
      def factors = lowered.all

      # @return [Hash{String => String}] how those that are worked out came about
      def worked = lowered.worked

      def factor = factors.values.reduce(1.0, :*)

      # @return [Curve, CurvesBetween]
      # @raise [InvalidInput]
      def curve
        @curve ||= several? ? between : one
      end

      # @return [Boolean] whether it has curves by ratio or mean
      def several? = !life["curves"].nil?

      # @return [LocalStrain]
      # @raise [InvalidInput]
      def law
        @law ||= LocalStrain.new(@material.young, life["strain"] ? typed_law : LocalStrain.estimate(@material.young, needed(:ultimate)))
      end

      def estimated? = strain? && life["strain"].nil?

      # @return [Float, nil] Pa, that the rule for means is about
      def mean_strength
        key = Means::NEEDS[rule] or return
        return needed(key) unless key == :coefficient

        if life["curve"]&.key?("coefficient")
          @study.quantity("life.curve.coefficient",
                          "stress")
        else
          raise(@study.fault("Morrow's rule is about the coefficient of a curve that is a power of life, which this one is not", path: "life.mean",
                                                                                                                                 cure: "Give the curve by coefficient and exponent, or choose another rule."))
        end
      end

      # @param amplitude [Numo::DFloat] Pa; mean as well
      # @return [Numo::DFloat] Pa, about no mean
      def equivalent(amplitude, mean) = Means.equivalent(rule, amplitude, mean, strength: mean_strength, exponent: walker)

      STEPS = 60 # of the line of equal life

      # Amplitudes that are borne for a life, over their mean: from the lowest mean, or none, to where nothing is borne, or as far again as the highest.
      # @param cycles [Float]
      # @param means [Array<Float>] Pa, that are to lie in it
      # @return [Hash, nil] life; level: Pa about no mean; line [[mean, amplitude]]; nil of what has no rule for means
      def diagram(cycles, means)
        return if strain? || several?

        level = curve.bears(cycles) * factor
        low = [0.0, *means].min
        high = mean_strength || ([level, *means].max * 2)
        line = Numo::DFloat.linspace(low, high, STEPS)
        { life: cycles, level: level, line: line.to_a.zip(Means.amplitude(rule, level, line, strength: mean_strength, exponent: walker).to_a) }
      end

      # @return [Numo::DFloat] cycles
      def life_of(amplitude, mean)
        several? ? curve.life(amplitude, mean, factor) : curve.life(equivalent(amplitude, mean) / factor)
      end

      # @raise [InvalidInput]
      def check!
        lowered.check!
        strain? ? check_law : check_curve
        raise @study.fault("Walker's exponent lies between 0 and 1", path: "life.walker", cure: "Give one such as 0.65.") if @study.quantity("life.walker", "ratio")&.then { |g| !g.between?(0.01, 1) }
      end

      private

      def walker = @study.quantity("life.walker", "ratio") || 0.5
      def life = @study["life"]

      def lowered = @lowered ||= Lowered.new(@study) { needed(:ultimate) }

      def needed(key)
        @material[key] || raise(@study.fault("the material of “#{@body}” has no #{key} strength", path: "life.#{key == :ultimate && strain? ? 'strain' : 'mean'}", cure: "Type it in the material statement."))
      end

      def one
        given = life["curve"] or raise(@study.fault("it has no curve of stress against life", path: "life.curve", cure: "Give points of a curve, its coefficient and exponent, or choose one from the library."))
        return library(given["library"]) if given["library"]
        return Curve.of_power(@study.quantity("life.curve.coefficient", "stress"), Quantity.parse(given["exponent"], "ratio"), endurance: endurance) if given["coefficient"]

        Curve.new(points("life.curve.points", given["points"]), between: given["between"] || "log-log", endurance: endurance)
      end

      def library(name)
        found = Curves.find(name) or raise(@study.fault("there is no curve named “#{name}” in the library", path: "life.curve.library", cure: "Known: #{Curves.names.join(', ')}."))
        Curve.new(found["points"], endurance: endurance || found["endurance"])
      end

      def between
        CurvesBetween.new(life["curves"].each_with_index.to_h { |c, i| [place(c), Curve.new(points("life.curves.#{i}.points", c["points"]), endurance: endurance)] }, by_mean? ? :mean : :ratio)
      end

      def by_mean? = life["curves"].all? { |c| c["mean"] }
      def place(one) = by_mean? ? Quantity.parse(one["mean"], "stress") : Quantity.parse(one["ratio"], "ratio")

      def endurance = @study.quantity("life.endurance", "stress")

      def points(path, list)
        list.each_index.map { |i| [@study.quantity("#{path}.#{i}.cycles", "ratio"), @study.quantity("#{path}.#{i}.stress", "stress")] }
      end

      def typed_law = LAWS.to_h { |key| [key, @study.quantity("life.strain.#{key}", STRESSES.include?(key) ? "stress" : "ratio")] }

      def check_law
        raise @study.fault("#{rule.capitalize}'s rule is one of stress", path: "life.mean", cure: "Choose Morrow, Smith–Watson–Topper or none.") unless %w[none morrow swt].include?(rule)

        law.constants.each do |key, value|
          falls = key.end_with?("exponent") && key != :hardening_exponent
          if falls ? value >= 0 : value <= 0
            raise @study.fault("its #{key.to_s.tr('_', ' ')} is #{value}, which is not #{falls ? 'below' : 'above'} zero", path: "life.strain.#{key}",
                                                                                                                           cure: falls ? "Give a value such as -0.09." : "Give a value above zero.")
          end
        end
      end

      def check_curve
        mean_strength
        lists = several? ? life["curves"].each_with_index.map { |c, i| ["life.curves.#{i}.points", c["points"]] } : [["life.curve.points", life["curve"]&.[]("points")]]
        lists.each { |path, list| falling!(path, points(path, list)) if list }
        check_several if several?

        exponent = life["curve"] && life["curve"]["exponent"]
        raise @study.fault("a curve with an exponent of #{exponent} does not fall", path: "life.curve.exponent", cure: "Give one below zero, such as -0.09.") if exponent && Quantity.parse(exponent,
                                                                                                                                                                                            "ratio") >= 0

        curve
      end

      def check_several
        vague = life["curves"].index { |c| [c["ratio"], c["mean"]].compact.size != 1 || (c["mean"] && !by_mean?) }
        raise @study.fault("its curves are not all for a ratio, or all for a mean", path: "life.curves.#{vague}", cure: "Give each curve its ratio, or give each its mean.") if vague
        return if life["curves"].uniq { |c| place(c) }.size == life["curves"].size

        raise @study.fault("two of its curves are for one #{by_mean? ? 'mean' : 'ratio'}", path: "life.curves", cure: "Give each curve its own.")
      end

      # More cycles at less stress.
      def falling!(path, list)
        wrong = list.each_cons(2).find_index { |(n0, s0), (n1, s1)| n1 <= n0 || s1 >= s0 }
        raise @study.fault("its curve rises at point #{wrong + 2}: less stress must bear more cycles", path: "#{path}.#{wrong + 1}.stress", cure: "Correct the point, or leave it out.") if wrong
        raise @study.fault("a stress or a life of its curve is not above zero", path: path, cure: "Give values above zero.") if list.flatten.any? { |v| v <= 0 }
        raise @study.fault("its curve has one point alone", path: path, cure: "Give at least two.") if list.size < 2
      end
    end
  end
end
