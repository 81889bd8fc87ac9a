# frozen_string_literal: true

module Lattice
  module Life
    # Life, damage and safety at every point of a mesh, and how the worst of them came about.
    class Map
      LARGEST = 6 # contributors that are told
      APART = %i[plastic free flow touch cracks bars flowed_bars].freeze # which are the study's it is of
      Kind = Study::Kinds::Life

      # @param problem [Study::Problem]
      # @param study [Model::Statement]
      # @param base [Result::Outcome] of the static study
      # @param monitor [Study::Monitor]
      def initialize(problem, study, base, monitor)
        @problem = problem
        @study = study
        @base = base
        @grid = base.grid
        @monitor = monitor
        @load = Load.new(study, problem)
        @use = Kind.use(study)
      end

      # @return [Result::Scalars]
      def call
        count = @grid.points.size
        @damage = Numo::DFloat.zeros(count)
        @safety = Numo::DFloat.zeros(count).fill(Kind::SAFE)
        @alternating = Numo::DFloat.zeros(count)
        @biaxial = Numo::DFloat.zeros(count)
        @layer = Numo::Int32.zeros(count)
        @seen = Numo::Bit.zeros(count)
        @monitor.phase("life", upto: 0.95) { bodies.each { |body| @base.layers.each_index { |layer| of_layer(body, layer) } } }
        @monitor.phase("worst point", upto: 1.0) { outcome }
      end

      private

      def bodies = Kind.bodies(@problem, @study)
      def strength(body) = (@strengths ||= {})[body] ||= Kind.strength(@problem, @study, body)
      def design = Kind.design(@study) || 1e6

      # @return [Numo::Int32] points of a body that are looked at
      def points(body)
        return Numo::Int32.new(@grid.points.of(body).size).seq(@grid.points.of(body).begin) if @study["target"].to_s.empty?

        @grid.points_of(@problem.groups.target!(@study, %i[bodies faces edges points]).select { |place| place.body == body })
      end

      def of_layer(body, layer)
        at = @base.readable(points(body))
        return if at.empty?

        @seen[at] = 1
        tensors = frames.to_h { |frame| [frame, @base.stress(frame, @base.layers[layer])[at, true].dup] }
        scalars = tensors.transform_values { |t| Scalar.of(@use, t) }
        first = tensors[frames[0]]
        damage, safety = @load.single? ? single(body, scalars[frames[0]]) : walk(body, layer, at, scalars).lived(strength(body), design)
        worse = (damage > @damage[at]) | (safety < @safety[at])
        rows = worse.where
        return if rows.empty?

        mine = at[rows].dup
        { damage => @damage, safety => @safety, Scalar.biaxiality(first) => @biaxial, alternating(body, scalars) => @alternating }.each { |values, all| all[mine] = values[rows] }
        @layer[mine] = layer
      end

      # Frames of the steps; one of a duty without a case has none.
      def steps = @steps ||= @load.frames(@base)
      def frames = @frames ||= steps.compact.uniq

      # What points go through in a block.
      # @param at [Numo::Int32] points
      # @param scalars [Hash] frame => [k] stress
      # @return [Walk]
      def walk(body, layer, at, scalars)
        stress = sequence(scalars)
        return Walk.new(stress) unless strength(body).strain? && @load.found?

        young = @problem.materials[body].young
        tensors = frames.to_h { |frame| [frame, OwnStrain.tensor(*%i[stress flow].map { |table| @base.public_send(table, frame, @base.layers[layer])[at, true].dup }, young)] }
        Walk.new(stress, OwnStrain.along(steps.map { |frame| tensors[frame] }, stress))
      end

      # [steps, k] of a duty
      def sequence(scalars)
        size = scalars.values[0].size
        list = steps.zip(@load.weights).map { |frame, weight| frame ? scalars[frame] * weight : Numo::DFloat.zeros(size) }
        Numo::DFloat.zeros(list.size, size).tap { |all| list.each_with_index { |row, k| all[k, true] = row } }
      end

      # All goes up and down in one: one safe stress of each sign.
      def single(body, stress)
        damage = Damage.new(strength(body)).of_factors(@load.factors, stress)
        safety = [1, -1].reduce(Numo::DFloat.zeros(stress.size).fill(Kind::SAFE)) do |all, sign|
          mine = (stress * sign > 0).where
          mine.empty? ? all : all.tap { |list| list[mine] = (safe(body, sign) / stress[mine].abs).clip(1 / Kind::SAFE, Kind::SAFE) }
        end
        [damage, safety]
      end

      # @return [Float] Pa that may go up and down so for the design life
      def safe(body, sign)
        (@safe ||= {})[[body, sign]] ||= begin
          damage = Damage.new(strength(body))
          scale = 1e8
          scale * Damage.factor(1 / design) { |f| damage.of_factors(@load.factors, Numo::DFloat[sign * scale * f])[0] }
        end
      end

      # Of the one cycle there is, or of the widest.
      def alternating(body, scalars)
        one, two = @load.single? ? @load.factors.minmax.map { |factor| scalars[frames[0]] * factor } : sequence(scalars).then { |s| [s.min(0), s.max(0)] }
        amplitude = (one - two).abs / 2
        return amplitude if strength(body).strain? || strength(body).several?

        strength(body).equivalent(amplitude, (one + two) / 2)
      end

      def outcome
        life = 1 / @damage.clip(1 / Kind::ENDLESS, nil)
        fields = { "life_power" => Numo::NMath.log10(life), "damage" => @damage * design, "fatigue_safety" => @safety, "alternating" => @alternating.clip(nil, 1e15), "biaxiality" => @biaxial }
        state = @base.state(frames[0]).dup.tap { |s| APART.each { |name| s[name] = nil } && s.stress = s.stress.map { {} } }
        frame = Result::Frame.new(index: 0, kind: "life", name: "life")
        Result::Scalars.new(scalars: fields, grid: @grid, frames: [frame], states: [state], about: @base.about.dup.tap { |a| a.found = nil }).with_found(life: found)
      end

      def found
        looked = @seen.where
        at = looked[@damage.max.positive? ? @damage[looked].max_index : @safety[looked].min_index]
        body = bodies.find { |b| @grid.points.of(b).cover?(at) }
        passed = block(body, at)
        values = passed.stress[true, 0].to_a
        damage = Damage.new(strength(body), passed.strain)
        path = Rainflow.repeated(passed.leading[true, 0].to_a)
        loops = told(body, damage, path, passed)
        peak = values.map(&:abs).max
        yields = @problem.materials[body].yield
        s = strength(body)
        worst = { body: body, layer: @base.layers[@layer[at]], at: @base.at(at), damage: @damage[at], life: @damage[at].positive? ? 1 / @damage[at] : nil, safety: @safety[at], values: values.first(200),
                  strains: passed.strain && passed.strain[true, 0].to_a }
        { worst: worst, loops: loops.first(LARGEST), of_loops: loops.size, matrix: matrix(loops), peak: peak, yields: yields && peak > yields, estimated: s.estimated?,
          factors: s.factors, worked: s.worked, rule: s.rule,
          strength: s.mean_strength, above: above(body, loops), curve: drawn(body), diagram: s.diagram(design, loops.map { |l| l[:mean] }), law: s.strain? ? s.law.constants : nil,
          course: s.strain? ? damage.course(path, values) : nil, as_found: !passed.strain.nil? }
      end

      # @return [Walk] of a point alone
      def block(body, point)
        at = Numo::Int32[point]
        scalars = frames.to_h { |frame| [frame, Scalar.of(@use, @base.stress(frame, @base.layers[@layer[point]])[at, true].dup)] }
        return walk(body, @layer[point], at, scalars) unless @load.single?

        Walk.new(Numo::DFloat.cast(@load.factors).reshape(@load.factors.size, 1) * scalars[frames[0]][0])
      end

      # Loops at the worst point, the most damaging first, for a reader with a calculator.
      def told(body, damage, path, passed)
        list = []
        damage.each(path, passed.stress) do |loop|
          plain = loop.strain || strength(body).several? ? nil : strength(body).equivalent(loop.amplitude, loop.mean)[0]
          plain = nil unless plain&.finite? # the mean alone breaks it
          list << { from: loop.from + 1, to: loop.to + 1, amplitude: loop.amplitude[0], mean: loop.mean[0], greatest: loop.greatest[0], strain: loop.strain&.[](0), equivalent: plain,
                    reduced: plain && (plain / strength(body).factor), life: loop.life[0].finite? ? loop.life[0] : nil, damage: 1 / loop.life[0] }
        end
        list.sort_by { |row| -row[:damage] }
      end

      # How many loops there are by amplitude and mean, in ten steps of each.
      def matrix(loops)
        return [] if loops.size < 4

        top = loops.map { |l| l[:amplitude] }.max
        low, high = loops.map { |l| l[:mean] }.minmax
        wide = [high - low, top * 1e-9].max
        loops.group_by { |l| [[(l[:amplitude] / top * 10).floor, 9].min, [((l[:mean] - low) / wide * 10).floor, 9].min] }
             .map { |(a, m), rows| { amplitude: (a + 0.5) * top / 10, mean: low + ((m + 0.5) * wide / 10), count: rows.size, damage: rows.sum { |l| l[:damage] } } }
      end

      # Whether stress lies above the first point of the curve, where it is only carried on.
      def above(body, loops)
        s = strength(body)
        return false if s.strain? || s.several? || loops.empty? || @study["life"]["curve"]["coefficient"]

        loops.any? { |l| l[:reduced].nil? || l[:reduced] > s.curve.points[0][1] }
      end

      def drawn(body)
        s = strength(body)
        return [] if s.strain? || s.several?

        s.curve.points.map { |n, stress| { cycles: n, stress: stress * s.factor } }
      end
    end
  end
end
