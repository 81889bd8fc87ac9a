# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # Bricks in a revolved body: quadrilaterals of its outline, turned about the axis in
      # layers; where the outline touches the axis, about a core of bricks along it.
      class TurnedBricks
        POOR = 0.1 # scaled Jacobian below which other elements are taken
        FAIR = 0.3 # the same below which bricks about a core are tried at smaller sizes
        LONG = 0.1 # mean ratio below which they are too
        FINER = 0.6 # of the size
        TRIES = 4
        LEAST = 8 # layers all the way round a core
        NEAR = 1e-7 # of the body: nodes that are one

        attr_reader :nodes, :elements, :places

        # @return [Float] the least scaled Jacobian of bricks about a core
        attr_reader :quality

        # @return [Boolean] whether bricks about a core are neither poor nor far longer than wide
        def fair? = worth >= 1

        # @return [Float] the lesser of scaled Jacobian and mean ratio, over what is fair
        def worth = @worth ||= [@quality / FAIR, Quality.mean_ratio(@nodes, Element::Kind[:hex20], @elements[:hex20]).min / LONG].min

        # @param body [Shape::Body]
        # @param plan [SizingPlan]
        # @return [TurnedBricks, nil] nil when the body is not of that kind
        # @raise [InvalidInput] when divisions cannot be kept
        def self.of(body, plan)
          return nil unless body.revolution

          core = AxisCore.of(body.revolution.outline) unless body.revolution.hollow?
          return nil unless core || body.revolution.hollow?

          made = new(body, plan, core)
          made = fairest(made, body, plan, core) if core && made.places
          made if made.places
        rescue SolveFailed
          nil
        end

        # In thin shafts elements of the size asked for leave the core too little room, or are far
        # longer than wide.
        def self.fairest(made, body, plan, core)
          TRIES.times do
            break if made.fair?

            plan = plan.dup.tap { |p| p.size *= FINER }
            other = new(body, plan, core)
            made = other if other.places && other.worth > made.worth
          end
          made
        rescue SolveFailed
          made
        end
        private_class_method :fairest

        # @param core [AxisCore, nil]
        def initialize(body, plan, core)
          @body = body
          @plan = plan
          @core = core
          @revolution = body.revolution
          @outline = core ? core.outline : @revolution.outline
          @names = body.facets.faces.map(&:name)
          @divisions = body.facets.edges.filter_map { |e| plan.divisions[[body.name, e.name]]&.then { |d| [e.faces.map { |f| @names[f] }, d] } }
          return unless (@around = layers)

          @plane = Quadratic.new(PlaneMesher.call(@outline, plan, @revolution.frame, divisions: along))
          sweep
          @quality = Quality.scaled_jacobian(@nodes, :hex20, @elements[:hex20]).min if core
          @places = SkinPlaces.of(body, @nodes, @elements) if core.nil? || @quality > POOR
        end

        private

        # As many as the size asks for at the outside, and as the turn allows.
        # @return [Division, nil] nil when edges about the axis are divided differently
        def layers
          given = @divisions.reject { |names, _| names.intersect?(%w[start end]) }.map(&:last)
          return nil if given.map(&:signature).uniq.size > 1 || given.any? { |division| !fit?(division) }

          given[0] || Division.new(@core ? (wanted / 2.0).ceil * 2 : wanted)
        end

        # Whether a way round and a core can be divided so.
        def fit?(division)
          even = (division.bias - 1).abs < 1e-9
          (even || !(@core || @revolution.full?)) && (@core.nil? || division.count.even?)
        end

        def wanted
          angle = @revolution.angle.abs
          least = @core ? (LEAST * angle / (2 * Math::PI)).ceil : 3
          [(angle * @revolution.radius / @plan.size).ceil, ((angle / @plan.turn) - 1e-6).ceil, least].max
        end

        # @return [Hash] index of a side of the outline => Division
        def along
          keys = @outline.segments.map(&:key)
          given = @divisions.select { |names, _| names.intersect?(%w[start end]) }.to_h { |names, d| [keys.index((names - %w[start end])[0]), d] }.except(nil)
          return given unless @core

          @core.cores.to_h { |core| [keys.index(core.key), length_of(core)] }.merge(given)
        end

        def length_of(core) = Division.new([(core.length / @plan.size / 2).ceil * 2, 2].max)

        # A positive turn goes against the plane's normal, from where outlines run the other way.
        def backward? = @revolution.angle.positive?

        def sweep
          parts = [turned, *@core&.cores&.map { |core| filled(core) }]
          nodes = parts.map(&:nodes)
          starts = nodes.each_with_object([0]) { |n, list| list << (list.last + n.shape[0]) }
          @nodes, rank = parts.size == 1 ? [nodes[0], nil] : Shape::Weld.call(Numo::DFloat.vstack(nodes), @body.size * NEAR)
          all = Numo::Int32.vstack(parts.each_with_index.map { |part, i| part.elements + starts[i] })
          @elements = { parts[0].kind => rank ? rank[all.flatten].reshape(*all.shape).dup : all }
        end

        # @return [Layers]
        def turned
          plane = @plane
          quads = backward? ? Layers.turned(plane.quads) : plane.quads
          shares = @around.shares
          Layers.new(plane.points.shape[0], quads, @around.count, closed: @revolution.full?) do |step|
            @revolution.turned(plane.points, @revolution.angle * (shares[step.floor] + shares[step.ceil]) / 2)
          end
        end

        # @return [Layers] along the axis
        def filled(core)
          disc = Quadratic.new(PlaneMesher.call(disc_outline(core.radius), SizingPlan.of(core.radius * @revolution.angle.abs / @around.count), divisions: { 0 => @around }))
          radii = Numo::NMath.sqrt((disc.points**2).sum(1))
          flat = Shape::Planar.lifted(disc.points)
          flat[true, 2] = disc.points[true, 1] * (backward? ? -1.0 : 1.0)
          shares = length_of(core).shares
          Layers.new(radii.size, backward? ? disc.quads : Layers.turned(disc.quads), shares.size - 1) do |step|
            at = flat.dup
            at[true, 1] = core.heights(radii, (shares[step.floor] + shares[step.ceil]) / 2)
            @revolution.frame.apply(at)
          end
        end

        # A circle, or a sector, with the arc first.
        def disc_outline(radius)
          angle = @revolution.angle.abs
          arc = Shape::Arc.new([0.0, 0.0], radius, 0.0, @revolution.full? ? 2 * Math::PI : angle, "rim")
          sides = @revolution.full? ? [arc] : [arc, Shape::Line.new(arc.to, [0.0, 0.0], "end"), Shape::Line.new([0.0, 0.0], arc.from, "start")]
          Shape::Outline.new("core", Shape::Loop.new(sides, "side"), [])
        end
      end
    end
  end
end
