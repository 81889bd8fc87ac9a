# frozen_string_literal: true

module Lattice
  module Study
    # The frames that are computed of a linear study: its cases and, where one-way links may let go, its combinations, each
    # with the links that act in it. Links that are off in a case come after it: in a combination they start from where
    # the cases that they are off in have brought them.
    class Settling
      HELD = "links holding both ways" # of a case that finds no state alone, beside combinations that do

      # u [unknowns]; weights [cases] of the loads; forces: of each connector; connectors: see System::Connectors#rows_of; note: nil, or what is to be known
      Frame = Struct.new(:u, :weights, :forces, :connectors, :note, keyword_init: true)

      # @param structure [System::Structure]
      # @param steps [Steps]
      # @param columns [Numo::DFloat, nil] see System::OneWay
      # @param monitor [Monitor]
      def initialize(structure, steps, columns, monitor)
        @connectors = structure.connectors
        @structure = structure
        @steps = steps
        @columns = columns
        @monitor = monitor
      end

      # @param u [Numo::DFloat] [cases, unknowns] with all links acting
      # @return [Array<Frame>]
      # @raise [SolveFailed], [InvalidInput]
      def call(u)
        return @steps.weights.first(u.shape[0]).each_with_index.map { |weights, k| plain(u[k, true].dup, weights) } unless @columns

        check_bolts!
        @one_way = System::OneWay.new(@connectors, @columns)
        @numbers = @connectors.all.each_index.select { |i| @connectors.all[i].way }
        frames = @steps.weights.each_with_index.map { |weights, k| k < u.shape[0] && u.shape[0] < @steps.weights.size ? alone(u, k, weights) : frame(u, weights) }
        @monitor.log("one-way links settled: #{frames.size} frames, at most #{@most} rounds")
        frames
      end

      private

      def plain(u, weights)
        forces = @connectors.forces(u)
        Frame.new(u: u, weights: weights, forces: forces, connectors: @connectors.empty? ? nil : @connectors.rows_of(forces))
      end

      # Weight that is needed to press pads down may be in another case.
      def alone(u, in_case, weights)
        frame(u, weights)
      rescue SolveFailed
        plain(u[in_case, true].dup, weights).tap { |found| found.note = HELD }
      end

      def frame(u, weights)
        state = state(u, weights)
        @most = [@most || 0, state.steps].max
        forces = @connectors.forces(state.u)
        @numbers.each_with_index { |number, i| forces[number] = Numo::DFloat[state.forces[i]] }
        rows = @connectors.rows_of(forces, state.open.map { |i| @numbers[i] }, @numbers.each_with_index.to_h { |number, i| [number, [state.opening[i], 0.0].max] })
        Frame.new(u: state.u, weights: weights, forces: forces, connectors: rows)
      end

      def state(u, weights)
        before = (0...weights.size).select { |c| !weights[c].zero? && off(c).any? }
        return @one_way.call(weights.dot(u)) if before.empty?

        off = before.flat_map { |c| off(c) }.uniq
        early = Numo::DFloat.zeros(weights.size).tap { |all| before.each { |c| all[c] = weights[c] } }
        first = @one_way.call(early.dot(u), off: off)
        return first if early == weights

        came = Numo::DFloat.zeros(@numbers.size)
        came[off] = @one_way.elongations(first.u)[off]
        @one_way.call(weights.dot(u), from: came)
      end

      # Numbers of the links that are off in a case.
      def off(in_case)
        name = @steps.cases.names[in_case]
        (@off ||= {})[in_case] ||= @connectors.one_way.each_index.select { |i| @connectors.one_way[i].off.include?(name) }
      end

      def check_bolts!
        tightened = @structure.bolts.tightened.first or return

        raise @structure.bolts.bolts[tightened].condition.statement.fault("bolts are not tightened beside one-way links yet", path: "tighten",
                                                                                                                              cure: "Leave the bolts loose, or make the links springs.")
      end
    end
  end
end
