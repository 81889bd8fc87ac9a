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
          @places = gather
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
          quads = backward? ? Layers.turned(@plane.quads) : @plane.quads
          shares = division.shares
          @layers = Layers.new(@plane.points.shape[0], quads, division.count, closed: @revolution.full?) do |step|
            @revolution.turned(@plane.points, @revolution.angle * (shares[step.floor] + shares[step.ceil]) / 2)
          end
          @nodes = @layers.nodes
          @elements = { @layers.kind => @layers.elements }
        end

        def gather
          @found = SweptPlaces.new(@body, @nodes)
          @plane.sides.each { |key, lines| add_side(key, backward? ? lines[true, [1, 0, 2]].dup : lines) }
          @found.add_face("start", @layers.cap(top: false)) unless @revolution.full?
          @found.add_face("end", @layers.cap(top: true)) unless @revolution.full?
          add_corners
          @found.call
        end

        def add_side(key, lines)
          @found.add_face(key, @layers.wall(lines))
          return if @revolution.full?

          @found.add_line(["start", key], @layers.rim(lines, top: false))
          @found.add_line(["end", key], @layers.rim(lines, top: true))
        end

        # The node where a side leaves lies between it and the side before it.
        def add_corners
          @revolution.outline.loops.each do |loop|
            keys = loop.segments.map(&:key)
            keys.each_with_index do |key, i|
              node = @plane.corners[key] or next
              @found.add_line([keys[i - 1], key], @layers.upright(node))
              [false, true].each { |top| @found.add_corner(@layers.corner(node, top: top)) } unless @revolution.full?
            end
          end
        end
      end
    end
  end
end
