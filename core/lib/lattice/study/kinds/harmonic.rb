# frozen_string_literal: true

module Lattice
  module Study
    module Kinds
      # Harmonic response by modes: what swings steadily where loads swing, or where all that holds the part shakes. Of
      # unit modal mass, q = Γ / (ω_k² − ω² + 2 i ζ ω_k ω); what modes left out would add stiffly is one more shape, K⁻¹ f − Σ φ φᵀ f / ω_k².
      # R. W. Clough, J. Penzien, Dynamics of Structures, 1993; static correction after D. Williams, 1945.
      class Harmonic < Modal
        extend Kind

        VERSION = 1
        READ = %w[limit path gauge radiated_power].freeze

        class << self
          def reads?(kind) = READ.include?(kind)
          def loaded? = false
          def held?(study) = !study["base"].nil?

          def check!(problem, study)
            base!(problem, study, "vibration")
            Sweep.new(study).check!
            return if study["base"]

            swinging!(problem, study)
          end

          def signature(problem, study)
            [Sweep.new(study).signature, frame(problem, study), problem.study_digest(base!(problem, study, "vibration")), *problem.acting]
          end

          def solve(solving, study)
            base = base!(solving.problem, study, "vibration")
            new(solving.problem, solving.grid, study, solving.monitor).of(solving.call(base), base).call
          end

          def findings(_problem, study, result)
            sweep = Sweep.new(study)
            found = result.found[:sweep]
            carried = found[:carried]
            short = found[:pushed].select { |k| carried[k] < sweep.enough }
            [{ kind: "sweep", statement: study.id, of: study["of"], from: sweep.from, to: sweep.to, frequencies: result.frequencies.size, carried: carried, enough: sweep.enough,
               short: short.map { |k| "xyz"[k] }, modes: found[:modes], beyond: found[:beyond], residual: found[:residual] }]
          end
        end

        # @return [Result::Swept]
        def call
          @sweep = Sweep.new(@study)
          _, stiff = stiffness
          masses = @structure.masses(lumped: Vibration.lumped?(@vibration))
          @natural = Numo::DFloat.cast(@modes.frames.map(&:value))
          @shapes = shapes(masses)
          @push, steady = pushed(masses)
          @share = @push.dot(@shapes.transpose)[0, true]
          factors, sine, at = swing
          basis = rows(stiff, steady)
          @monitor.phase("recovery", upto: 1.0) { outcome(basis, factors, sine, at, steady) }
        end

        private

        # @return [Array(Numo::DFloat, Array)] [1, unknowns] the forces of amplitude one; and the base's movement of one, where it shakes
        def pushed(masses)
          unless @sweep.base
            weights = Steps.new(@problem.cases).weights[self.class.frame(@problem, @study)]
            return [weights.dot(@structure.loads).reshape(1, @structure.dofs.size), nil]
          end

          rigid = @structure.dofs.gather(Numo::DFloat.zeros(*@grid.nodes.shape) + @sweep.base[0].reshape(1, 3))
          [masses.dot(rigid).reshape(1, rigid.size) * -1, rigid]
        end

        # Complex factors of the modes, of the stiff rest, and of the base, [f, states] each.
        def swing
          ratios = @sweep.damping(@natural)
          at = @sweep.frequencies(@natural, ratios)
          speed = (at * 2 * Math::PI).reshape(at.size, 1)
          own = (@natural * 2 * Math::PI).reshape(1, @natural.size)
          real = (own**2) - (speed**2)
          imaginary = own * speed * ratios.reshape(1, ratios.size) * 2
          size = ((real**2) + (imaginary**2)).clip(1e-300, nil)
          share = @share.reshape(1, @share.size)
          [*turned(real * share / size, imaginary * share / size * -1, at), at]
        end

        # By what is pushed with, and its phase.
        def turned(cosine, sine, at)
          factors = @sweep.factors(at).reshape(at.size, 1)
          one = Numo::DFloat.ones(at.size, 1)
          all = [[cosine, one], [sine, one * 0]].map { |a, b| a.concatenate(b, axis: 1) * factors }
          return all unless @sweep.base

          _, order, amplitude = @sweep.base
          speed = (at * 2 * Math::PI).reshape(at.size, 1)
          # Of a base that moves as x e^{iωt} the acceleration is −ω² x; x follows from what is told of it by 1 / (iω)^order.
          pushed = amplitude * (speed**(2 - order)) * -1
          moved = @sweep.relative? ? one * 0 : amplitude / (speed**order)
          quarter(all.map { |part| part * pushed }.zip([moved, one * 0]).map { |part, base| part.concatenate(base * factors, axis: 1) }, order)
        end

        # Times (1 / i)^order
        def quarter((cosine, sine), order)
          case order
          when 0 then [cosine, sine]
          when 1 then [sine, -cosine]
          else [-cosine, -sine]
          end
        end

        def outcome(rows, cosine, sine, at, steady)
          states = rows.each_with_index.map { |u, k| state(u, still: steady && k == rows.size - 1) }
          frames = at.to_a.each_with_index.map { |f, i| Result::Frame.new(index: i, kind: "frequency", name: Quantity::Display.format(f, "frequency"), value: f, unit: "frequency") }
          frames << Result::Frame.new(index: frames.size, kind: "envelope", name: "envelope over the sweep")
          about = Result::Outcome::About.new(mass: @structure.mass, ring: false, totals: [], joins: @structure.reports, walls: {})
          Result::Swept.new(grid: @grid, frames: frames, states: states, about: about, weights: { "cosine" => cosine, "sine" => sine },
                            made: { frames.size - 1 => { "over" => (0...(frames.size - 1)).to_a, "how" => "largest in size" } }).with_found(sweep: found(cosine, at))
        end

        def found(cosine, at)
          carried = Result::ModalMass::AXES.each_index.map { |k| @modes.found[:mass][k].positive? ? @modes.found[:modes].sum { |m| m[:effective][k] } / @modes.found[:mass][k] : 1.0 }
          size = @push[0, true].abs
          pushed = Result::ModalMass::AXES.each_with_index.select { |name, _| size.sum.positive? && along(name, size) > size.max * 1e-6 }.map(&:last)
          ratios = @sweep.damping(@natural)
          { carried: carried, pushed: pushed, residual: @residual ? true : false, beyond: @natural.max < at.max,
            static: @residual ? (@share / ((@natural * 2 * Math::PI)**2)).to_a + [1.0] + Array.new(cosine.shape[1] - @share.size - 1, 0.0) : nil,
            modes: @natural.to_a.each_with_index.map { |f, i| { number: i + 1, frequency: f, damping: ratios[i], push: @share[i], answer: answer(f, @share[i]) } } }
        end

        # Of the work that the loads do where they rest, the share that goes into a mode.
        def answer(frequency, share) = @work&.positive? ? ((share / (frequency * 2 * Math::PI))**2) / @work : nil

        def along(name, size)
          at = @structure.dofs.at(Numo::Int32.new(@structure.dofs.nodes).seq, name)
          there = at[(at >= 0).where]
          there.empty? ? 0.0 : size[there].max
        end
      end
    end
  end
end
