# frozen_string_literal: true

module Lattice
  module Verdict
    # What the section half way along a beam of concrete with embedded bars bears, by hand: its concrete as a rectangular block over eight
    # tenths of what is pressed, its bars by plane sections, up to a shortening of 0.35 % at the pressed side.
    # C. S. Whitney, Design of reinforced concrete members under flexure, 1937.
    class ConcreteSection
      SLENDER = 3.0
      SHORTENED = 0.0035
      BLOCK = 0.8
      ROUNDS = 80
      ALONG = 0.9 # cosine, from which a bar counts as running along

      # A layer of bars: from the lower side m, area m², Young's modulus and strength Pa.
      Layer = Struct.new(:height, :area, :young, :strength)

      # @return [Array<ConcreteSection>] of the beams that there are
      def self.all(problem)
        concrete = problem.yielding.flows.select { |_, flow| flow.is_a?(Matter::Concrete) }
        concrete.map { |name, flow| new(problem, problem.parts.body(name), flow) }.select(&:beam?)
      end

      # @param body [Shape::Body] in plane stress
      # @param concrete [Matter::Concrete]
      def initialize(problem, body, concrete)
        @problem = problem
        @body = body
        @concrete = concrete
        @low, @high = body.bounds
        @middle = (@low[0] + @high[0]) / 2
      end

      def beam? = @high[0] - @low[0] >= SLENDER * depth && layers.any?

      # @param result [Result::Outcome]
      # @param frames [Array<Integer, nil>] ends of stages
      # @return [Hash] body; at: m along x; bears: N m, sagging and hogging; acts: N m at the end of each stage, sagging above zero
      def to_h(result, frames)
        { body: @body.name, at: @middle, bears: [bears(layers), bears(layers.map { |l| Layer.new(depth - l.height, *l.to_a.drop(1)) })], acts: frames.map { |frame| frame && acts(result, frame) } }
      end

      # @return [Array<Layer>]
      def layers
        @layers ||= @problem.conditions.grep(Load::Conditions::Bars).reject(&:comes?).select { |bars| bars.places.any? { |p| p.body == @body.name } }.flat_map { |bars| crossing(bars) }
      end

      private

      def depth = @high[1] - @low[1]

      def crossing(bars)
        bars.legs.to_a.filter_map do |from, upto|
          run = upto[0] - from[0]
          next unless run.abs > ALONG * Math.hypot(run, upto[1] - from[1]) && (@middle - from[0]) * (@middle - upto[0]) <= 0

          Layer.new(from[1] + ((upto[1] - from[1]) * (@middle - from[0]) / run) - @low[1], bars.area, bars.material.young, bars.material.yield || Float::MAX)
        end
      end

      # Where pulls and pushes balance, found by halving.
      def bears(all)
        near = 0.0
        far = depth * 4
        ROUNDS.times do
          half = (near + far) / 2
          pushed(half) > all.sum { |layer| pull(layer, half) } ? far = half : near = half
        end
        block = [BLOCK * far, depth].min
        (pushed(far) * (depth - (block / 2))) - all.sum { |layer| pull(layer, far) * layer.height }
      end

      def pushed(pressed) = [BLOCK * pressed, depth].min * @body.thickness * @concrete.compression

      def pull(layer, pressed)
        strain = SHORTENED * (depth - layer.height - pressed) / pressed
        (strain * layer.young).clamp(-layer.strength, layer.strength) * layer.area
      end

      # Of loads and reactions before the section, about its middle.
      def acts(result, frame)
        state = result.state(frame)
        nodes = result.grid.nodes
        before = (nodes[true, 0] < @middle - (depth * 1e-9)).where
        force = state.load[before, true] + state.reaction[before, true]
        x = nodes[before, 0] - @middle
        y = nodes[before, 1] - ((@low[1] + @high[1]) / 2)
        -((x * force[true, 1]) - (y * force[true, 0])).sum
      end
    end
  end
end
