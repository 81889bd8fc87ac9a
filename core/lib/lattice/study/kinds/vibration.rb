# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Natural frequencies and the shapes they come with: K φ = ω² M φ, of parts that are held or free, loaded or not.
      class Vibration < Linear
        extend Kind

        VERSION = 3
        COUNT = 10
        GRAVITY = 9.80665 # m/s²
        MOST = 300
        MOSTLY = 0.3 # of the mass, that a mode carries beside which a hand check is told
        COUNTED = 150_000 # unknowns up to which the modes below the last are counted
        RIGID = 1e-6      # of the shift
        SLOW = 0.01       # of the time a wave takes through the part and back, for the shift of free parts

        class << self
          def count(study) = study["modes"] || COUNT
          def lumped?(study) = study["mass"] == "lumped"
          def shapes? = true
          def held?(study) = !study["of"].nil?
          def loaded? = false

          # @return [Array(Float, Float)] Hz; nil where there is no end
          def range(study) = %w[from to].map { |key| study.quantity(key, "frequency") }
          def running(study) = study["running"] && %w[from to].map { |key| study.quantity("running.#{key}", "frequency") }

          # Loads alone move nothing.
          def conditions(problem) = problem.conditions.reject { |c| c.loads? && !c.weighs? }

          def check!(problem, study)
            base!(problem, study) if study["of"]
            low, high = range(study)
            raise study.fault("the range ends before it begins", path: "to", cure: "Give a higher frequency for its end.") if low && high && high <= low
            raise study.fault("the running range ends before it begins", path: "running.to", cure: "Give the higher speed last.") if running(study)&.reduce(:>)

            bare = problem.parts.bodies.reject { |b| problem.materials.to_h[b.name]&.density }
            raise study.fault("the material of “#{bare[0].name}” has no density, without which nothing vibrates", cure: "Type its density in the material statement.") unless bare.empty?
          end

          def signature(problem, study)
            [count(study), range(study), *(lumped?(study) ? ["lumped"] : []), study["of"] && problem.study_digest(base!(problem, study)), *problem.acting(conditions(problem))]
          end

          def solve(solving, study)
            made = new(solving.problem, solving.grid, study, solving.monitor)
            base = study["of"] && base!(solving.problem, study)
            (base ? made.under(solving.call(base), base) : made).call
          end

          # Each beside the first mode that mostly moves along its axis.
          def sags(found)
            (found[:sags] || []).each_with_index.filter_map do |sag, k|
              mode = sag && found[:modes].index { |m| m[:effective][k] > MOSTLY * found[:mass][k] } or next
              sag.merge(axis: "xyz"[k], mode: mode + 1)
            end
          end

          def findings(_problem, study, result)
            rows = Verdict::Modes.new(result, running(study)).rows
            inside = rows.select { |row| row[:inside] }
            [{ kind: "modes", statement: study.id, rows: rows, mass: result.found[:mass], counted: result.found[:counted], sags: sags(result.found) },
             *(running(study) && [{ kind: "resonance", statement: study.id, from: running(study)[0], to: running(study)[1], inside: inside.map { |r| r[:number] }, holds: inside.empty? }])]
          end
        end

        # @param before [Result::Outcome] of the static study whose stress stiffens the part
        # @param base [Model::Statement] that study
        def under(before, base)
          @before = before
          @base = base
          self
        end

        # @return [Result::Outcome] a frame a mode
        def call
          _, stiff = stiffness
          stiff = stressed(stiff) if @before
          @masses = masses = @structure.masses(lumped: self.class.lumped?(@study))
          raise SolveFailed.new("nothing has a mass", cure: "Give a density, or a mass.") if masses.diagonal.max <= 0

          k, m = @monitor.phase("assembly", upto: 0.45) { [stiff, masses].map { |matrix| @structure.constraints.reduce(matrix) } }
          @monitor.log("#{k.size} unknowns, #{k.entries} entries")
          raise SolveFailed.new("nothing is left to move: everything is held", cure: "Hold less.") if k.size.zero?

          values, vectors = modes(k, m)
          @monitor.phase("recovery", upto: 1.0) { outcome(values, @structure.constraints.expand_movements(vectors), masses) }
        end

        private

        # Loads move nothing, but what swells or spreads between nodes is part of the stress.
        def conditions = @before ? @problem.conditions : self.class.conditions(@problem)

        def stressed(stiff)
          added = stress_stiffness(@before, @problem.cases.judged[0], @base)
          Algebra::Sparse.symmetric(stiff).add(Algebra::Sparse.symmetric(added)).to_symmetric
        end

        # @return [Array(Numo::DFloat, Numo::DFloat)] ω² ascending, and shapes [k, free] of unit mass
        def modes(stiff, mass)
          @shift, factor, metric = shifted(stiff, mass)
          high = self.class.range(@study)[1]
          least = high ? 1 / (((2 * Math::PI * high)**2) + @shift) : 0.0
          count = high ? MOST : self.class.count(@study)
          pairs = @monitor.phase("modes", upto: 0.9) { Algebra::BlockLanczos.new(factor, metric, mass, @monitor).call([count, stiff.size].min, least: least) }
          @sags = sags(factor, mass) if @shift.zero?
          factor.free
          raise none(high) if pairs.values.empty?

          squares = (1 / pairs.values) - @shift
          count_them(stiff, mass, squares) if stiff.size <= COUNTED
          kept(squares, pairs.vectors / Numo::NMath.sqrt(pairs.values).reshape(pairs.values.size, 1))
        end

        # How far the part sags under its own weight along x, y and z, for a hand check of its lowest frequencies: f = √(g / δ) / 2π with
        # the greatest sag; and by all of it, f = √(g Σ m δ / Σ m δ²) / 2π. Lord Rayleigh, The Theory of Sound, 1877.
        # @return [Array<Hash, nil>] sag in m, simple and whole estimate in Hz
        def sags(factor, mass)
          constraints = @structure.constraints
          weights = constraints.reduce_loads(@masses.dot(Numo::DFloat.vstack(Numo::DFloat.eye(3).to_a.map { |axis| @structure.dofs.along(Numo::DFloat.cast(axis)) }))) * GRAVITY
          found = factor.solve(weights)
          moved = constraints.expand_movements(found)
          3.times.map { |k| sagging(found[k, true].dup, moved[k, true].dup, weights[k, true].dup, mass) }
        end

        def sagging(found, moved, weight, mass)
          sag = Numo::NMath.sqrt((@structure.dofs.spread(moved)**2).sum(1)).max
          work = found.dot(weight)
          return if sag <= 0 || work <= 0

          { sag: sag, simple: Math.sqrt(GRAVITY / sag) / (2 * Math::PI), whole: Math.sqrt(work / mass.dot(found).dot(found)) / (2 * Math::PI) }
        end

        def none(high)
          @study.fault("no natural frequency lies below #{Quantity::Display.format(high || 0.0, 'frequency')}", path: "to", cure: "Give a higher end of the range.")
        end

        # Those above the low end of the range.
        def kept(squares, shapes)
          low = self.class.range(@study)[0] or return [squares, shapes]
          there = (squares >= (2 * Math::PI * low)**2).where
          raise @study.fault("no natural frequency lies in the range", path: "from", cure: "Widen it.") if there.empty?

          [squares[there].dup, shapes[there, true].dup]
        end

        # As it is where it is held; a little stiffer by its mass where it is free.
        def shifted(stiff, mass)
          @monitor.phase("factorisation", upto: 0.7) { [0.0, Algebra::Factor.new(stiff), stiff] }
        rescue Algebra::Factor::NotPositive
          material = @structure.pieces[0].material
          shift = (2 * Math::PI * SLOW * Math.sqrt(material.young / material.density) / (2 * @problem.parts.size))**2
          metric = Algebra::Sparse.symmetric(stiff).add(Algebra::Sparse.symmetric(mass.times(shift))).to_symmetric
          begin
            @monitor.phase("factorisation", upto: 0.7) { [shift, Algebra::Factor.new(metric), metric] }
          rescue Algebra::Factor::NotPositive
            raise SolveFailed.new("it buckles under the loads of “#{@study['of']}”", statement: @study.id, cure: "Lower the load factor of that study.") if @before

            raise SolveFailed.new("some of it neither resists nor weighs anything", cure: "Look for members that are hinged at both ends, or points that nothing ties.")
          end
        end

        # No mode below the last is missed, which pivots tell.
        def count_them(stiff, mass, squares)
          top = squares.max
          edge = top + ([top.abs, @shift].max * 1e-5)
          below = @monitor.phase("count of modes", upto: 0.92) { below(Algebra::Sparse.symmetric(stiff).add(Algebra::Sparse.symmetric(mass.times(-edge))).to_symmetric) }
          @counted = below && { below: below, found: (squares <= edge).count_true, frequency: Math.sqrt([edge, 0.0].max) / (2 * Math::PI) }
        end

        # @return [Integer, nil] eigenvalues below zero; nil where nothing can be told
        def below(matrix)
          factor = Algebra::SignedFactor.new(matrix)
          factor.negative.tap { factor.free }
        rescue Algebra::Factor::NotPositive
          nil
        end

        def outcome(squares, shapes, masses)
          order = squares.sort_index
          frequencies = order.to_a.map { |i| squares[i] < @shift * RIGID ? 0.0 : Math.sqrt([squares[i], 0.0].max) / (2 * Math::PI) }
          frames = frequencies.each_with_index.map { |f, i| Result::Frame.new(index: i, kind: "mode", name: "mode #{i + 1}", value: f, unit: "frequency") }
          rows = order.to_a.map { |i| shapes[i, true].dup }
          carried = Result::ModalMass.new(@structure, masses)
          found = { modes: rows.map { |u| carried.of(u) }, mass: carried.total, counted: @counted, sags: @sags }
          of_shapes(frames, rows).with_found(found)
        end
      end
    end
  end
end
