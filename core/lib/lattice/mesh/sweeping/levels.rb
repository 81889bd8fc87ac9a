# frozen_string_literal: true

module Lattice
  module Mesh
    module Sweeping
      # Bricks or wedges in bodies that only have faces square to one line and faces along it:
      # what is seen along the line is meshed as a whole, with all edges of all levels, and swept
      # through the levels that each body fills. Bodies share the nodes where they touch.
      class Levels
        POOR = 0.15 # mean ratio of a flat element below which other elements are taken
        SLENDER = 0.02 # the same of a swept one: some twenty times as high as wide

        # elements and places by the name of the body
        attr_reader :nodes, :elements, :places

        # @param bodies [Array<Shape::Body>] that are joined, or one
        # @param plan [SizingPlan]
        # @param triangles [Boolean] wedges, instead of bricks where quadrilaterals can be had
        # @return [Levels, nil] nil when the bodies are not of that kind
        def self.of(bodies, plan, triangles: false, &tell)
          footprint = Shape::Footprint.of(bodies) or return nil
          made = new(bodies, plan, footprint, triangles, &tell)
          made if made.places
        rescue SolveFailed
          triangles ? nil : of(bodies, plan, triangles: true, &tell)
        end

        def initialize(bodies, plan, footprint, triangles, &)
          @bodies = bodies
          @plan = plan
          @footprint = footprint
          @levels = level_divisions or return
          own = plan_of_cells or return
          sheets = Sheets.new(cells, own, triangles: triangles, &)
          lay_flat(sheets)
          return if Quality.mean_ratio(@flat_nodes, Element::Kind[@kind], @flat).min < POOR

          sweep
          @places = gather unless slender?
        end

        private

        # Heights that were asked for are kept.
        def slender?
          @plan.divisions.empty? && @elements.values.any? { |kinds| kinds.any? { |kind, conn| Quality.mean_ratio(@nodes, Element::Kind[kind], conn).min < SLENDER } }
        end

        def cells
          @footprint.cells.map { |cell| Shape::Body.new(name: cell.name, make: "faces", facets: cell.facets, signature: [], wall: 1.0) }
        end

        # Of the edges along the line between two neighbouring levels; nil when they differ.
        # @return [Array<Division>, nil]
        def level_divisions
          heights = @footprint.heights
          given = given_upright or return nil
          heights.each_cons(2).with_index.map do |(low, high), level|
            asked = given.select { |range, _| range == [level, level + 1] }.map(&:last)
            return nil if asked.map(&:signature).uniq.size > 1

            asked[0] || Division.new([(((high - low) / size_between(low, high)) - 1e-6).ceil, @plan.through].max)
          end
        end

        # Divisions of edges along the line; nil when one runs through several levels.
        def given_upright
          names = @footprint.sources.values.flatten(1)
          @plan.divisions.except(*names).map do |(name, edge), division|
            body = @bodies.find { |b| b.name == name }
            found = body.facets.edges.find { |e| e.name == edge }
            ends = found.run.values_at(0, -1).map { |p| level_at(body.facets.points[p, true]) }
            return nil if (ends[1] - ends[0]).abs != 1

            [ends.sort, ends[1] > ends[0] ? division : division.reversed]
          end
        end

        def level_at(point)
          height = @footprint.frame.back(point.reshape(1, 3))[0, 2]
          @footprint.heights.each_index.min_by { |i| (@footprint.heights[i] - height).abs }
        end

        # What is wanted at places that lie between two levels, not just at their ends.
        def size_between(low, high)
          margin = (high - low) * 0.05
          inner = @plan.local.select do |points, _|
            from, to = heights_of(points).minmax
            to - from > margin && from < high - margin && to > low + margin
          end
          [@plan.size, *inner.map(&:last)].min
        end

        def heights_of(points) = @footprint.frame.back(points)[true, 2]

        # The plan as it holds for what is seen along the line: places in space count where they
        # are seen, and what is wanted in a region, wherever along the line.
        # @return [SizingPlan, nil] nil when a divided edge is parted
        def plan_of_cells
          divisions = cell_divisions or return nil
          base = @footprint.heights[0]
          axis = Numo::DFloat[@footprint.frame.axes[2]]
          local = @plan.local.map { |points, size| [points - (axis * (heights_of(points) - base).reshape(points.shape[0], 1)), size] }
          stops = Numo::DFloat.linspace(0, @footprint.heights[-1] - base, 17).to_a
          regions = @plan.regions.map { |test, size| [->(points) { stops.map { |h| test.call(points + (axis * h)) }.reduce(:|) }, size] }
          @plan.dup.tap do |own|
            own.divisions = divisions
            own.local = local
            own.regions = regions
          end
        end

        # @return [Hash, nil] [cell, edge] => Division
        def cell_divisions
          found = {}
          @plan.divisions.each do |key, division|
            name = @footprint.sources.find { |_, keys| keys.include?(key) }&.first or next
            held = @footprint.cells.find { |cell| cell.facets.edges.any? { |e| e.name == name } } or return nil
            found[[held.name, name]] = turned?(held, name, key) ? division.reversed : division
          end
          found
        end

        # Whether the edge of a cell runs against the edge of the body.
        def turned?(cell, name, key)
          edge = cell.facets.edges.find { |e| e.name == name }
          return false if edge.closed

          body = @bodies.find { |b| b.name == key[0] }
          own = body.facets.edges.find { |e| e.name == key[1] }
          start, *ends = [body.facets.points[own.run[0], true], *cell.facets.points[edge.run.values_at(0, -1), true].to_a]
                         .map { |p| @footprint.frame.back(Numo::DFloat.cast(p).reshape(1, 3))[0, 0..1].to_a }
          Math.hypot(ends[1][0] - start[0], ends[1][1] - start[1]) < Math.hypot(ends[0][0] - start[0], ends[0][1] - start[1])
        end

        def lay_flat(sheets)
          @flat_nodes = sheets.nodes
          made = @footprint.cells.map { |cell| sheets.elements.fetch(cell.name) }
          @kind = made[0].keys[0]
          @flat = Numo::Int32.vstack(made.map { |kinds| kinds.fetch(@kind) })
          counts = Numo::Int32.cast(made.map { |kinds| kinds.fetch(@kind).shape[0] })
          @cell_of = Algebra::Lists.laid(counts)[0]
        end

        def sweep
          axis = Numo::DFloat[@footprint.frame.axes[2]]
          at = stations
          @layers = Layers.new(@flat_nodes.shape[0], @flat, at.size - 1) { |step| @flat_nodes + (axis * ((at[step.floor] + at[step.ceil]) / 2)) }
          chosen = @bodies.each_index.map { |b| rows_of(b) }
          all = @layers.elements
          used = Algebra::Gather.distinct(chosen.map { |rows| all[rows, true].dup })
          rank = Numo::Int32.zeros(@layers.nodes.shape[0])
          rank[used] = Numo::Int32.new(used.size).seq
          @nodes = @layers.nodes[used, true].dup
          @elements = @bodies.zip(chosen).to_h { |body, rows| [body.name, { @layers.kind => rank[all[rows, true].flatten].reshape(rows.size, all.shape[1]).dup }] }
        end

        # Heights of all layers above the lowest level.
        def stations
          heights = @footprint.heights
          @first = [0]
          @levels.each_with_index.flat_map do |division, level|
            @first << (@first.last + division.count)
            low, high = heights[level, 2]
            (division.shares[0...-1] * (high - low)).to_a.map { |h| low + h - heights[0] }
          end << (heights[-1] - heights[0])
        end

        # Elements of a body: over its cells, in the layers of its levels.
        def rows_of(body)
          filled = Numo::Bit.zeros(@footprint.cells.size, @first.last)
          @footprint.cells.each_with_index do |cell, c|
            cell.columns.each { |b, low, high| filled[c, @first[low]...@first[high]] = 1 if b == body }
          end
          Numo::Int32.cast(filled[@cell_of, true].transpose.dup.flatten.where)
        end

        def gather
          found = @bodies.map { |body| SkinPlaces.of(body, @nodes, @elements.fetch(body.name)) or return nil }
          @bodies.zip(found).flat_map { |body, places| places.map { |name, conn| [[body.name, name], conn] } }.to_h
        end
      end
    end
  end
end
