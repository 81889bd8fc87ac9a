# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Harmonic response by modes: what swings steadily where loads swing, or where all that holds the part shakes. Of
      # unit modal mass, q = Γ / (ω_k² − ω² + 2 i ζ ω_k ω); what modes left out would add stiffly is one more shape, K⁻¹ f − Σ φ φᵀ f / ω_k².
      # R. W. Clough, J. Penzien, Dynamics of Structures, 1993; static correction after D. Williams, 1945.
      class Harmonic < Modal
        VERSION = 2
        READ = %w[limit path gauge radiated_power].freeze

        class << self
          def fields = Result::Swept::FIELDS

          def check!(problem, study)
            vibration!(problem, study)
            Sweep.new(study).check!
            swinging!(problem, study) unless study["base"]
          end

          def signature(problem, study)
            [Sweep.new(study).signature, study["base"] ? nil : frame(problem, study), problem.study_digest(vibration!(problem, study)), *problem.acting]
          end

          def findings(_problem, study, result)
            sweep = Sweep.new(study)
            found = result.found[:sweep]
            short = found[:pushed].select { |k| found[:carried][k] < sweep.enough }
            [{ kind: "sweep", statement: study.id, of: study["of"], from: sweep.from, to: sweep.to, frequencies: result.frequencies.size, enough: sweep.enough, short: short.map { |k| "xyz"[k] },
               **found.slice(:carried, :modes, :beyond, :residual) }]
          end
        end

        # @return [Result::Swept]
        def call
          @sweep = Sweep.new(@study)
          stiff, masses = set_up
          base = @sweep.base && @structure.dofs.along(@sweep.base[0])
          @push = base ? masses.dot(base).reshape(1, base.size) * -1 : loads
          @share = @push.dot(@shapes.transpose)[0, true]
          @ratios = @sweep.damping.of(@natural)
          rest = residual(stiff, @push)
          at = @sweep.frequencies(@natural, @ratios)
          weights = Result::Swept::WEIGHTS.zip(swing(at, rest)).to_h
          @monitor.phase("recovery", upto: 1.0) do
            states = states([*@shapes.shape[0].times.map { |k| @shapes[k, true].dup }, rest].compact)
            states << rigid(base) if base
            Result::Swept.new(**parts("frequency", "frequency", at, "envelope over the sweep"), states: states, weights: weights).with_found(sweep: found(rest, states.size, at))
          end
        end

        private

        # Complex factors of the modes, of the stiff rest, and of the base, [f, states] each.
        def swing(at, rest)
          speed = (at * 2 * Math::PI).reshape(at.size, 1)
          own = @own.reshape(1, @own.size)
          real = (own**2) - (speed**2)
          imaginary = own * speed * @ratios.reshape(1, @ratios.size) * 2
          size = ((real**2) + (imaginary**2)).clip(1e-300, nil)
          share = @share.reshape(1, @share.size)
          one = Numo::DFloat.ones(at.size, 1)
          all = [[real * share / size, one], [imaginary * share / size * -1, one * 0]].map { |modes, stiff| rest ? modes.concatenate(stiff, axis: 1) : modes }
          pushed(all, speed).map { |part| part * @sweep.factors(at).reshape(at.size, 1) }
        end

        # Of a base that moves as x e^{iωt} the acceleration is −ω² x; x follows from what is told of it by 1 / (iω)^order.
        def pushed(all, speed)
          return all unless @sweep.base

          _, order, amplitude = @sweep.base
          moved = @sweep.relative? ? speed * 0 : amplitude / (speed**order)
          quarter(all.zip([moved, speed * 0]).map { |part, base| (part * (speed**(2 - order)) * -amplitude).concatenate(base, axis: 1) }, order)
        end

        # Times (1 / i)^order
        def quarter((cosine, sine), order)
          case order
          when 0 then [cosine, sine]
          when 1 then [sine, -cosine]
          else [-cosine, -sine]
          end
        end

        def found(rest, states, at)
          carried = @modes.found[:mass].each_with_index.map { |all, k| all.positive? ? @modes.found[:modes].sum { |m| m[:effective][k] } / all : 1.0 }
          size = @structure.dofs.spread(@push[0, true].dup).abs.max(0).to_a
          still = rest && [*(@share / (@own**2)).to_a, 1.0]
          { carried: carried, pushed: (0..2).select { |k| size[k] > size.max * 1e-6 }, residual: !rest.nil?, beyond: @natural.max < at.max, static: still && (still + Array.new(states - still.size, 0.0)),
            modes: @natural.to_a.each_with_index.map { |f, i| { number: i + 1, frequency: f, damping: @ratios[i], push: @share[i], answer: answer(i) } } }
        end

        # Of the work that the loads do where they rest, the share that goes into a mode.
        def answer(mode) = @work&.positive? ? ((@share[mode] / @own[mode])**2) / @work : nil
      end
    end
  end
end
