# frozen_string_literal: true

module Lattice
  module Load
    # What usually holds ground that is cut out of more of it: its sides do not move away, and its base not at all.
    class GroundHolds
      # A plane that holds along components: name, axis, at (m).
      Plane = Struct.new(:name, :axis, :at, :components, keyword_init: true)

      NEAR = 1e-6 # of the size
      SIDES = { "x" => %w[left right], "y" => %w[front back], "z" => %w[near far] }.freeze

      # @param problem [Study::Problem]
      def initialize(problem)
        @problem = problem
        @rest = problem.at_rest
      end

      # @return [Array<Plane>] those that are not held yet
      def call
        bodies = @problem.parts.bodies.select { |body| @rest.coefficients.key?(body.name) }
        return [] if bodies.empty? || @rest.up.nil?

        boxes = bodies.map(&:bounds).transpose
        low = boxes[0].transpose.map(&:min)
        high = boxes[1].transpose.map(&:max)
        planes(low, high, bodies.any?(&:axisymmetric?)).reject { |plane| held?(plane, bodies.map(&:name)) }
      end

      private

      def planes(low, high, ring)
        up = @rest.up
        across = (0...@problem.parts.dimension).to_a - [up]
        sides = across.flat_map do |axis|
          letter = "xyz"[axis]
          # The axis of rings is no side.
          ends = ring && axis.zero? && low[0].abs <= @problem.parts.size * NEAR ? [[1, high[axis]]] : [[0, low[axis]], [1, high[axis]]]
          ends.map { |i, at| Plane.new(name: "#{SIDES[letter][i]} side of the ground", axis: letter, at: at, components: [letter]) }
        end
        sides << Plane.new(name: "base of the ground", axis: "xyz"[up], at: low[up], components: %w[x y z].first(@problem.parts.dimension))
      end

      def held?(plane, names)
        of = @problem.parts.dimension == 3 ? :faces : :edges
        there = @problem.parts.places.select { |place| place.of == of && names.include?(place.body) && place.on_plane?(plane.axis, plane.at, @problem.parts.size * NEAR) }
        there.empty? || plane.components.all? { |component| (there.map(&:key) - keys(component)).empty? }
      end

      # Places that supports hold along a component.
      def keys(component)
        (@keys ||= {})[component] ||= @problem.conditions.grep(Conditions::Support).select { |support| support.components.include?(component.to_sym) }.flat_map do |support|
          support.places.map(&:key)
        rescue InvalidInput
          []
        end
      end
    end
  end
end
