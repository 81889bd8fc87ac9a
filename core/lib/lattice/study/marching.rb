# frozen_string_literal: true

module Lattice
  module Study
    # What studies that go in increments have in common: parts that may move and turn far, and material that may flow.
    class Marching < Linear
      extend Kind

      class << self
        def reads?(kind) = self::READ.include?(kind)
        def yields? = true
        def fields = super + Result::Catalogue::OF_INCREMENTS

        private

        # What is not followed in a frame of a static study.
        def steady!(problem, study, weights)
          steady = problem.conditions.find { |c| c.loads? && !c.dead? && !c.warms? && c.case_names.any? { |name| !weights[problem.cases.index(name)].zero? } } or return
          raise study.fault("the #{steady.statement.kind.tr('_', ' ')} in the case is not followed over large movements", path: "case", cure: "Give it a case of its own, and choose another one here.")
        end
      end

      # @param waypoints [Waypoints]
      def by(waypoints)
        @waypoints = waypoints
        self
      end

      private

      def waypoints = @waypoints ||= Waypoints::None.new

      # Says from where it goes on.
      def goes_on(words) = @monitor.log("It goes on from #{words}, where it was stopped.")

      # @param weights [Numo::DFloat] [cases] of the loads that grow
      # @param nodes [Numo::DFloat] [n, 3] where they start
      def set_up(weights, nodes)
        Mesh::Estimate.check_solve!(@grid)
        @structure = @monitor.phase("loads and supports", upto: 0.05) { structure }
        @structure.pieces.each { |piece| check_folded(piece) }
        refuse
        @equations = @monitor.phase("stiffness", upto: 0.1) { Engine::Equations.new(@structure, weights, nodes, still: still?) { |piece| law(piece) } }
      end

      # @return [Matter::Law, nil] by which a piece flows
      def law(piece) = @problem.yielding.law(piece)

      # Whether movements are taken to be small, as those of ground and of what cracks.
      def still? = @problem.yielding.small? || @problem.at_rest.any?

      # What is not followed over large movements.
      def refuse
        late = @structure.connectors.one_way.find { |link| link.off.any? }
        words = "that it comes after a case is not followed where loads go in increments"
        raise SolveFailed.new(words, statement: late.condition.statement.id, cure: "Leave that out here, or judge it by a static study.") if late

        warmed = @structure.pieces.each_index.find { |i| unfollowed?(i) }
        words = warmed && "what “#{@structure.pieces[warmed].body.name}” does beyond its strength is not followed where it is warmed"
        raise SolveFailed.new(words, statement: @study.id, cure: "Leave the temperature or the strength out.") if words
        barred = !@structure.bars.empty? && !still?
        raise SolveFailed.new("bars laid into bodies are not followed over large movements", statement: @study.id, cure: "Say what the concrete bears, or leave the bars out.") if barred
      end

      # Warmed, and flowing in a way that knows no free strain: members, concrete, and slices between walls.
      def unfollowed?(number)
        piece = @structure.pieces[number]
        (piece.body.members? || piece.body.make == "plane strain" || law(piece).is_a?(Matter::Concrete)) && @structure.swells?(number) && law(piece)
      end

      # Tells who looks on what each iteration leaves over.
      # @param march [Engine::March]
      # @param name [String, nil] of the stage
      # @return [Engine::March]
      def watched(march, name = nil)
        march.tap do |one|
          one.watch = lambda do |level, residuals|
            @pressing = [] if residuals.size == 1
            @pressing << @equations.touches.sum(&:pressing) if @equations.touches.any?
            @tried = { name: name, level: level, residuals: residuals, pressing: @pressing }
            @monitor.tries(@tried)
          end
        end
      end

      # @param words [String]
      # @param part [Float] of the phase that is done
      # @param increment [Engine::March::Increment]
      def told(words, part, increment)
        @monitor.came({ name: nil, pressing: [], **(@tried || {}), keeps: waypoints.kept?, level: increment.level, residuals: increment.residuals })
        @monitor.within(words, part.clamp(0.0, 1.0))
        @monitor.log("#{words}: #{increment.residuals.map { |r| format('%.0e', r) }.join(' ')}")
      end

      # @return [Array<Hash>] of every touch: statement, label, what it was before anything moved, and what it is in some increments
      def touched(increments)
        @equations.touches.each_with_index.map do |touch, i|
          statement = touch.condition.statement
          { statement: statement.id, label: "“#{statement['target']}” on “#{statement['to']}”", friction: touch.condition.friction, start: touch.start, rows: increments.map { |found| found.read.pressed[i] } }
        end
      end

      def about
        Result::Outcome::About.new(mass: @structure.mass, ring: @problem.parts.bodies.any?(&:axisymmetric?), totals: @structure.totals.rows(1.0), joins: @structure.reports,
                                   bolts: @structure.bolts.rows, bars: @structure.bars.rows,
                                   connectors: @structure.connectors.about, walls: @problem.parts.bodies.select(&:faces?).to_h { |b| [b.name, b.wall] })
      end

      # @param increment [Engine::March::Increment]
      # @return [Result::State]
      def state(increment)
        dofs = @structure.dofs
        u = increment.pose.moved
        load = increment.push
        springs = increment.read.springs
        held = @structure.constraints.carried(increment.internal - load - @structure.grounded(u, springs[0]))
        turns = increment.pose.turns
        split = { displacement: u, load: load, reaction: held }.transform_values { |vector| dofs.spread(vector) }
        turned = { rotation: u, moment_load: load, moment_reaction: held }.transform_values { |vector| turns ? dofs.spread(vector, %i[rx ry rz]) : nil }
        stress, ends, plastic = increment.read.recovered
        told = increment.read
        Result::State.new(**split, **turned, stress: stress, ends: ends, plastic: @problem.yielding.any? ? plastic : nil, fibres: @structure.pieces.map(&:fibres), energy: nil, free: told.free, flow: told.flow,
                                             touch: told.touched, bars: told.bars&.first, flowed_bars: told.bars&.last, cracks: told.cracks, **joins(increment, springs))
      end

      # @param springs [Array] see Engine::Springs#read
      def joins(increment, springs)
        u = increment.pose.moved
        bolts = @structure.bolts
        { connectors: @structure.connectors.empty? ? nil : @structure.connectors.rows_of(*springs),
          bolts: bolts.empty? ? nil : bolts.ends(u, increment.read.shortenings || Numo::DFloat.zeros(bolts.bolts.size)) }
      end
    end
  end
end
