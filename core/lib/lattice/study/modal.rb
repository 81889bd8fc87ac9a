# frozen_string_literal: true

module Lattice
  module Study
    # What answers made of natural shapes have in common. Each has READ, the kinds of statements that can read its result.
    class Modal < Linear
      extend Kind

      RIGID = 1e-3 # Hz under which a mode is no vibration

      class << self
        def reads?(kind) = self::READ.include?(kind)
        def loaded? = false
        def held?(study) = !study["base"].nil?
        def vibration!(problem, study) = base!(problem, study, "vibration")

        def solve(solving, study)
          base = vibration!(solving.problem, study)
          new(solving.problem, solving.grid, study, solving.monitor).of(solving.call(base), base).call
        end

        private

        # What cannot swing with the rest.
        def swinging!(problem, study)
          weights = Steps.new(problem.cases).weights[frame(problem, study)]
          mine = problem.conditions.select { |c| (c.loads? || c.steady?) && !weights[problem.cases.index(c.case_name)].zero? }
          raise study.fault("nothing pushes in the case that swings", path: "case", cure: "Choose a case with loads in it, or let what holds the part shake.") if mine.empty?

          steady = mine.find(&:steady?) or return
          raise study.fault("the #{steady.statement.kind.tr('_', ' ')} in the case would swing with the rest", path: "case", cure: "Give what swings a case of its own, and choose it here.")
        end
      end

      # @param modes [Result::Outcome] of the vibration study
      # @param vibration [Model::Statement]
      def of(modes, vibration)
        @modes = modes
        @vibration = vibration
        self
      end

      private

      # Sets up the structure, its natural frequencies and its shapes.
      # @return [Array(Algebra::SymmetricMatrix, Algebra::SymmetricMatrix)] stiffness and masses
      def set_up
        _, stiff = stiffness
        masses = @structure.masses(lumped: Kinds::Vibration.lumped?(@vibration))
        @natural = Numo::DFloat.cast(@modes.frames.map(&:value))
        @own = @natural * 2 * Math::PI
        @shapes = shapes(masses)
        [stiff, masses]
      end

      # [k, unknowns] of unit modal mass
      def shapes(masses)
        rows = @modes.frames.map do |frame|
          u = @structure.dofs.gather(@modes.displacement(frame.index), @modes.rotation(frame.index))
          u / Math.sqrt(u.dot(masses.dot(u)))
        end
        stacked(rows)
      end

      def stacked(rows) = Numo::DFloat.zeros(rows.size, @structure.dofs.size).tap { |all| rows.each_with_index { |row, k| all[k, true] = row } }

      # @return [Numo::DFloat] [1, unknowns] the loads of the frame that swings
      def loads = Steps.new(@problem.cases).weights[self.class.frame(@problem, @study)].dot(@structure.loads).reshape(1, @structure.dofs.size)

      # What all modes that were left out would add, which are far too high to swing; not of what is free, or stressed.
      # @param push [Numo::DFloat] [1, unknowns]
      # @return [Numo::DFloat, nil] [unknowns]
      def residual(stiff, push)
        return if (@natural < RIGID).any? || @vibration["of"]

        constraints = @structure.constraints
        reduced, right = @monitor.phase("assembly", upto: 0.45) { [constraints.reduce(stiff), constraints.reduce_loads(push)] }
        factor = @monitor.phase("factorisation", upto: 0.7) { Algebra::Factor.new(reduced) }
        u = constraints.expand_movements(@monitor.phase("solution", upto: 0.75) { factor.solve(right) })[0, true]
        factor.free
        @work = push[0, true].dot(u)
        u - (push.dot(@shapes.transpose)[0, true] / (@own**2)).dot(@shapes)
      rescue Algebra::Factor::NotPositive
        raise Loose.new(@structure, reduced).failure
      end

      # @param list [Array<Numo::DFloat>] [unknowns] each
      # @return [Array<Result::State>]
      def states(list) = list.zip(strained(list)).map { |moved, (stress, ends)| state(moved, stress, ends) }

      # A movement of the whole, which strains nothing.
      def rigid(moved) = state(moved, *strained([moved * 0])[0])

      def state(moved, stress, ends)
        dofs = @structure.dofs
        turned = dofs.names.include?(:rx) ? dofs.spread(moved, %i[rx ry rz]) : nil
        Result::State.new(displacement: dofs.spread(moved), rotation: turned, stress: stress, ends: ends, fibres: @structure.pieces.map(&:fibres), energy: nil)
      end

      # Of every movement the stress of all pieces, and the forces at the ends of members.
      def strained(list)
        none = Numo::DFloat.zeros(@problem.cases.names.size)
        tables = list.map { |moved| @structure.moved(moved, none, 1.0) }
        @structure.pieces.each_index.map do |i|
          own = tables.map { |table| table[i] }
          piece = own[0][0]
          next piece.recover_all(own.map { |_, u| u }).map { |stress| [stress, nil] } unless own[0][3]

          own.map { |_, u, free, per_length| piece.ends(u, per_length, free).then { |ends| [piece.fibres.stresses(ends), ends] } }
        end.transpose.map(&:transpose)
      end

      # @param kind [String] what a frame is: its unit is the quantity that VALUES are
      # @param values [Numo::DFloat] of the frames, before the one over all of them
      # @return [Hash] parts of the result
      def parts(kind, unit, values, over)
        frames = values.to_a.each_with_index.map { |v, i| Result::Frame.new(index: i, kind: kind, name: Quantity::Display.format(v, unit), value: v, unit: unit) }
        frames << Result::Frame.new(index: values.size, kind: "envelope", name: over)
        about = Result::Outcome::About.new(mass: @structure.mass, ring: false, totals: [], joins: @structure.reports, walls: {})
        { grid: @grid, frames: frames, about: about, made: { values.size => { "over" => (0...values.size).to_a, "how" => "largest in size" } } }
      end
    end
  end
end
