# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # Bricks in a revolved body whose outline keeps off the axis: quadrilaterals of the
      # outline, turned about the axis in layers.
      class TurnedBricks
        attr_reader :nodes, :elements, :places

        # @param body [Shape::Body]
        # @param plan [SizingPlan]
        # @return [TurnedBricks, nil] nil when the body is not of that kind
        # @raise [SolveFailed], [InvalidInput] what the outline raises
        def self.of(body, plan)
          return nil unless body.revolution&.hollow?

          made = new(body, plan)
          made if made.places
        end

        def initialize(body, plan)
          @body = body
          @revolution = body.revolution
          @names = body.facets.faces.map(&:name)
          @divisions = body.facets.edges.filter_map { |e| plan.divisions[[body.name, e.name]]&.then { |d| [e.faces.map { |f| @names[f] }, d] } }
          layers = layers(plan) or return
          @plane = Quadratic.new(PlaneMesher.call(@revolution.outline, plan, @revolution.frame, divisions: along))
          sweep(layers)
          @places = SkinPlaces.of(body, @nodes, @elements)
        end

        private

        # As many as the size asks for at the outside, and as the turn allows.
        # @return [Division, nil] nil when edges about the axis are divided differently
        def layers(plan)
          given = @divisions.reject { |names, _| names.intersect?(%w[start end]) }.map(&:last)
          return nil if given.map(&:signature).uniq.size > 1 || (given.any? && @revolution.full? && (given[0].bias - 1).abs > 1e-9)

          angle = @revolution.angle.abs
          given[0] || Division.new([(angle * @revolution.radius / plan.size).ceil, ((angle / plan.turn) - 1e-6).ceil, 3].max)
        end

        # @return [Hash] index of a side of the outline => Division
        def along
          keys = @revolution.outline.segments.map(&:key)
          @divisions.select { |names, _| names.intersect?(%w[start end]) }.to_h { |names, d| [keys.index((names - %w[start end])[0]), d] }.except(nil)
        end

        # A positive turn goes against the plane's normal, from where outlines run the other way.
        def backward? = @revolution.angle.positive?

        def sweep(division)
          plane = @plane
          quads = backward? ? Layers.turned(plane.quads) : plane.quads
          shares = division.shares
          layers = Layers.new(plane.points.shape[0], quads, division.count, closed: @revolution.full?) do |step|
            @revolution.turned(plane.points, @revolution.angle * (shares[step.floor] + shares[step.ceil]) / 2)
          end
          @nodes = layers.nodes
          @elements = { layers.kind => layers.elements }
        end
      end
    end
  end
end
