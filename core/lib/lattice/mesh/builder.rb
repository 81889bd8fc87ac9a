# frozen_string_literal: true

module Lattice
  module Mesh
    # Meshes all bodies of a shape into one Grid: plane regions and extrusions with
    # quadrilaterals and bricks, members with lines, faces with quadrilaterals or triangles,
    # all else with tetrahedra. Bodies that are joined share their nodes.
    class Builder
      VERSION = 2 # raised when a change makes stored meshes obsolete

      attr_reader :times

      # @param bodies [Array<Shape::Body>]
      # @param settings [Settings]
      # @param joins [Shape::Joins] which bodies share faces
      # @yield [String, Float] what is being done, and the share that is done
      # @return [Grid]
      # @raise [InvalidInput], [SolveFailed]
      def self.call(bodies, settings, joins = Shape::Joins.none, &)
        new(bodies, settings, joins).call(&)
      end

      def initialize(bodies, settings, joins = Shape::Joins.none)
        @bodies = bodies
        @settings = settings
        @joins = joins
        @nodes = []
        @blocks = []
        @places = {}
        @count = 0
        @times = Hash.new(0.0)
      end

      # @return [Grid]
      def call(&tell)
        Faults.check_overlaps(@bodies)
        clusters = @joins.clusters(@bodies)
        clusters.each_with_index do |cluster, index|
          add_cluster(cluster) { |what, share| tell&.call(what, (index + share).fdiv(clusters.size)) }
        end
        nodes = Numo::DFloat.vstack(@nodes)
        flat = @bodies.any?(&:plane?)
        grid = Grid.new(nodes: nodes, blocks: @blocks, places: flat ? Bordered.call(@places, @blocks, nodes) : @places, dimension: flat ? 2 : @bodies[0].dimension, order: 2)
        grid.linear(@settings.linear? ? @bodies.map(&:name) : @settings.straight)
      end

      private

      def add_cluster(cluster, &tell)
        body = cluster[0]
        check_rings(cluster)
        Faults.check_needles(cluster, plan(cluster))
        tell.call("mesh of “#{body.name}”", 0.0)
        if body.members? then add(Lines.new(body, plan(cluster)), body)
        elsif body.faces? || (!body.solid? && (cluster.size > 1 || @settings.triangles?)) then add_sheets(cluster, &tell)
        elsif drawn?(cluster) then add_drawn(body, &tell)
        elsif !swept?(cluster, &tell)
          add_tetrahedra(cluster, &tell)
        end
      end

      # Bricks or wedges, where bodies are shapes swept along one line, or a body about an axis.
      # @return [Boolean] whether they are
      def swept?(cluster, &)
        return false if @settings.tetrahedra?

        plan = self.plan(cluster)
        turned = Sweeping::TurnedBricks.of(cluster[0], plan) unless cluster.size > 1 || @settings.triangles?
        return true.tap { add(turned, cluster[0]) } if turned

        swept = Sweeping::Levels.of(cluster, plan, triangles: @settings.triangles?, &) if @joins.whole?(cluster)
        swept ? true.tap { add_bodies(swept) } : false
      end

      # Whether a body is meshed from its outline.
      def drawn?(cluster)
        body = cluster[0]
        cluster.size == 1 && !body.members? && !body.faces? && body.prism && !@settings.triangles?
      end

      # Spreading sizes over places takes a while.
      def plan(cluster) = (@plans ||= {})[cluster.map(&:name)] ||= @settings.plan(cluster)

      def check_rings(cluster)
        ringed = cluster.find { |body| @settings.rings.keys.any? { |name, _| name == body.name } }
        return if ringed.nil? || drawn?(cluster)

        raise InvalidInput.at("“#{ringed.name}” is not meshed with rings: they go round holes that are drawn, in regions and extrusions of quadrilaterals and bricks",
                              cure: "Imprint a circle round the hole and use faces, or give a size at the hole instead.")
      end

      # @param made [#nodes, #elements, #places]
      def add(made, body)
        lay(made.nodes, made.places.transform_keys { |name| [body.name, name] })
        made.elements.each { |kind, conn| @blocks << Block.new(kind, body.name, conn + @first) unless conn.empty? }
      end

      def lay(nodes, places)
        @first = @count
        @nodes << nodes
        places.each { |key, conn| @places[key] = conn + @first }
        @count += nodes.shape[0]
      end

      # Where quadrilaterals fail, solids become wedges.
      def add_drawn(body, &)
        plan = self.plan([body])
        plane = Quadratic.new(PlaneMesher.call(body.outline, plan, body.frame, divisions: DrawnDivisions.along(body, plan), rings: DrawnDivisions.rings(body, plan),
                                                                               depth: body.solid? ? body.thickness : 0.0))
        add(body.solid? ? Sweeping::Extruded.new(body, plane, DrawnDivisions.upward(body, plan)) : Flat.new(plane), body)
      rescue SolveFailed => e
        wedges = body.solid? && plan.rings.empty? && Sweeping::Levels.of([body], plan, triangles: true, &)
        wedges ? add_bodies(wedges) : raise(e)
      end

      def add_sheets(cluster, &)
        add_bodies(Sheets.new(cluster, plan(cluster), triangles: @settings.triangles?, &))
      end

      # @param made [#nodes, #elements, #places] of several bodies, by their names
      def add_bodies(made)
        lay(made.nodes, made.places)
        made.elements.each { |name, kinds| kinds.each { |kind, conn| @blocks << Block.new(kind, name, conn + @first) } }
      end

      def add_tetrahedra(cluster, &)
        plan = self.plan(cluster)
        filled = Tetra::Filled.new(cluster, plan, @joins.shared(cluster), &)
        filled.times.each { |name, seconds| @times[name] += seconds }
        lay(filled.nodes, filled.places)
        filled.elements.each { |name, tets| @blocks << Block.new(:tet10, name, tets + @first) }
      rescue Tetra::Recovery::Stuck => e
        raise Faults.stuck(cluster, e, plan)
      rescue Tetra::Mesher::TooThin => e
        raise Faults.too_thin(cluster, e)
      end
    end
  end
end
