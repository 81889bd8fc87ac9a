# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # Bricks or wedges in a body that is one shape swept along a straight line, however it was
      # made: the faces at one end as quadrilaterals or triangles, swept to the other in layers.
      class PrismElements
        attr_reader :nodes, :elements, :places

        # @param body [Shape::Body]
        # @param plan [SizingPlan]
        # @param triangles [Boolean] wedges, instead of bricks where quadrilaterals can be had
        # @return [PrismElements, nil] nil when the body is not of that kind
        def self.of(body, plan, triangles: false, &tell)
          divided = plan.divisions.keys.select { |name, _| name == body.name }.map(&:last)
          found = Prismatic.of(body, divided) or return nil
          made = new(body, plan, found, triangles, &tell)
          made if made.places
        rescue SolveFailed
          triangles ? nil : of(body, plan, triangles: true, &tell)
        end

        def initialize(body, plan, prismatic, triangles, &)
          @body = body
          @triangles = triangles
          @facets = body.facets
          @prismatic = prismatic
          @names = @facets.faces.map(&:name)
          layers = upright_division(plan) or return
          start = start_faces(body)
          sheets = Sheets.new([start], plan_of(plan), triangles: triangles, &)
          sweep(sheets, layers)
          @places = gather(sheets)
        end

        private

        # The faces at the start, as a body of its own with the edges that they have.
        def start_faces(body)
          wanted = @prismatic.start.sort
          kept = @facets.only(wanted)
          rank = Algebra::Gather.distinct(wanted.map { |f| @facets.nodes_of(f) }).to_a.each_with_index.to_h
          @edges = @facets.edges.select { |e| e.faces.intersect?(wanted) }
          edges = @edges.each_with_index.map do |edge, i|
            edge.dup.tap do |copy|
              copy.name = named(i)
              copy.nodes = edge.nodes.map { |n| rank.fetch(n) }
              copy.faces = edge.faces.filter_map { |f| wanted.index(f) }
            end
          end
          facets = Shape::Facets.new(points: kept.points, triangles: kept.triangles, owners: kept.owners, faces: kept.faces, edges: edges)
          Shape::Body.new(name: body.name, make: "faces", facets: facets, signature: [])
        end

        # Names of edges that no face or point bears.
        def named(edge) = "edge #{edge}"

        def plan_of(plan)
          divisions = @edges.each_with_index.filter_map { |e, i| plan.divisions[[@body.name, e.name]]&.then { |d| [[@body.name, named(i)], d] } }.to_h
          plan.dup.tap { |own| own.divisions = divisions }
        end

        # @return [Division, nil] of the edges along the line; nil when they differ
        def upright_division(plan)
          walls = @prismatic.walls
          given = @facets.edges.select { |e| (e.faces - walls).empty? }.filter_map { |e| plan.divisions[[@body.name, e.name]] }
          return nil if given.map(&:signature).uniq.size > 1

          length = Shape::Vectors.norm3(@prismatic.way)
          given[0] || Division.new([((length / plan.size) - 1e-6).ceil, plan.through].max)
        end

        def sweep(sheets, division)
          flat = outward(sheets.nodes, sheets.elements.fetch(@body.name).values[0])
          way = Numo::DFloat[@prismatic.way]
          shares = division.shares
          @layers = Layers.new(sheets.nodes.shape[0], flat, division.count) { |step| sheets.nodes + (way * ((shares[step.floor] + shares[step.ceil]) / 2)) }
          @nodes = @layers.nodes
          @elements = { @layers.kind => @layers.elements }
        end

        # Seen from the finish counter-clockwise, as solids want their first face.
        def outward(nodes, flat)
          a, b, c = [0, 1, 2].map { |k| nodes[flat[0, k], true].to_a }
          normal = Shape::Vectors.cross3(Shape::Vectors.minus3(b, a), Shape::Vectors.minus3(c, a))
          @turned = Shape::Vectors.dot3(normal, @prismatic.way).negative?
          @turned ? Layers.turned(flat) : flat
        end

        def gather(sheets)
          @found = SweptPlaces.new(@body, @nodes)
          made = sheets.places
          @prismatic.start.each { |f| add_caps(f, made[[@body.name, @names[f]]]) }
          @edges.each_with_index { |edge, i| add_edge(edge, made[[@body.name, named(i)]]) }
          add_uprights(made)
          @found.call
        end

        # The finish is one face, as the sweep starts where faces are parted.
        def add_caps(face, flat)
          flat = Layers.turned(flat) if @turned
          @found.add_face(@names[face], Layers.turned(flat))
          @found.add_face(finish, @layers.rim(flat, top: true))
        end

        def finish = @names[@prismatic.finish[0]]

        def add_edge(edge, lines)
          walls = edge.faces - @prismatic.start
          @found.add_line(edge.faces.map { |f| @names[f] }, lines)
          return if walls.empty?

          @found.add_line([finish, @names[walls[0]]], @layers.rim(lines, top: true))
          @found.add_face(@names[walls[0]], @layers.wall(facing(edge, lines)))
        end

        # Lines run so that the material is on their left, seen from the finish.
        def facing(edge, lines)
          a, b = lines[0, [0, 1]].to_a
          along = @nodes[b, true] - @nodes[a, true]
          wall = edge.faces.find { |f| !@prismatic.start.include?(f) }
          rows = @facets.of(wall)
          middles = @facets.corners.map { |c| c[rows, true] }.reduce(:+) / 3
          near = Shape::Vectors.norm(middles - @nodes[lines[0, 2], true].reshape(1, 3)).min_index
          normal = @facets.flat[0][rows[near], true].to_a
          out = Shape::Vectors.cross3(along.to_a, @prismatic.way)
          Shape::Vectors.dot3(out, normal).positive? ? lines : lines[true, [1, 0, 2]].dup
        end

        def add_uprights(made)
          nodes = made.select { |key, conn| key[0] == @body.name && conn.shape[1] == 1 }.values.map { |conn| conn[0, 0] }
          walls_at_ends.each do |point, walls|
            node = nodes.find { |n| Shape::Vectors.norm3((@nodes[n, true] - @facets.points[point, true]).to_a) < @body.size * 1e-7 } or next
            @found.add_line(walls.map { |f| @names[f] }, @layers.upright(node)) if walls.size == 2
            [false, true].each { |top| @found.add_corner(@layers.corner(node, top: top)) }
          end
        end

        # @return [Hash] points at the ends of edges => the walls that meet there
        def walls_at_ends
          ends = @edges.reject(&:closed).flat_map { |e| e.run.values_at(0, -1).map { |point| [point, e.faces & @prismatic.walls] } }
          ends.group_by(&:first).transform_values { |list| list.flat_map(&:last).uniq }
        end
      end
    end
  end
end
