# frozen_string_literal: true

require "stringio"

module LatticeServer
  module Building
    # Meshes and fields for the model window, as binary arrays (see docs/formats).
    class Fields
      MOST = 20_000 # points that are told one by one

      # @param grid [Lattice::Mesh::Grid]
      def initialize(grid)
        @grid = grid
      end

      # @return [String] skin of the mesh
      def skin
        meta = { faces: drawn.faces, edges: drawn.edges, dimension: grid.dimension, bodies: grid.blocks.map(&:body).uniq }
        packed({ "positions" => Numo::SFloat.cast(grid.nodes[drawn.nodes, true]), "triangles" => drawn.triangles, "sides" => drawn.sides,
                 "lines" => drawn.lines }, meta)
      end

      # @param measure [String] see Lattice::Mesh::QualityReport::MEASURES
      # @return [Hash] every measure with its spread, and the worst elements by one
      def quality(measure)
        report = grid.quality
        key = measure!(measure)
        { measures: report.summary, measure: key, worst: report.empty? ? [] : report.worst(key) }
      end

      # The chosen elements, whole, with the value of a measure at each.
      # @param look [Hash] axis, at, turned, body, worse; see Lattice::Mesh::Choice
      # @return [String]
      def elements(measure, look)
        report = grid.quality
        key = measure!(measure)
        lines = { "ink" => Numo::SFloat.cast(grid.nodes[drawn.nodes, true]), "lines" => drawn.lines }
        return packed(lines, { count: 0, of: 0 }) if report.empty?

        chosen = Lattice::Mesh::Choice.new(report, grid, key: key, **look).call
        seen = Lattice::Mesh::Visible.new(grid, chosen)
        values = seen.elements.empty? ? Numo::DFloat.zeros(0) : report.values(key)[seen.elements]
        packed(lines.merge("positions" => Numo::SFloat.cast(seen.positions), "values" => Numo::SFloat.cast(values), "elements" => seen.elements,
                           "triangles" => seen.triangles, "sides" => seen.sides), { count: seen.count, of: chosen.size })
      end

      # @param result [Lattice::Result::Outcome]
      # @param names [Array<String>] of its catalogue
      # @param frame [Integer]
      # @param layer [String, nil] of shells
      # @param less [Array(Lattice::Result::Outcome, Integer), nil] a frame whose fields are taken from them
      # @param reading [Hash] keywords of ReadField; what is not averaged comes at the corners of triangles
      # @param cut [Hash, nil] axis 0 to 2 and at, m: the inside on that plane comes too
      # @param only [String, nil] "frame": what all fields of a frame have in common; "field": the rest; both when nil
      # @return [String] the fields at the points of the skin
      def fields(result, names:, frame:, layer: nil, less: nil, reading: {}, cut: nil, only: nil)
        pairs = [[result, frame], less].compact
        pairs.each { |one, number| known!(one, names, number, layer) }
        common = only == "field" ? {} : of_frame(result, frame)
        return packed(common, { extremes: {}, corners: false, cut: [] }) if only == "frame"

        field = ReadField.new(pairs, layer: layer, **reading)
        arrays = common.merge(of_fields(result, field, names))
        lost = field.lost
        arrays["veiled"] = Numo::SFloat.cast((result.veil ? lost | result.veil.points : lost)[drawn.points]) if lost
        opened = cut ? cut_open(cut, field, names, movement(result, frame)) : {}
        extremes = names.to_h { |name| [name, field.extreme(name).merge(dimension: Lattice::Result::Catalogue.dimension_of(name))] }
        packed(arrays.merge(opened), { extremes: extremes, corners: !field.averaged?, cut: opened.empty? ? [] : @cut.faces })
      end

      # @return [Hash] min and max of a field over all frames that are not made of others
      def range(result, name:, layer: nil, reading: {})
        known!(result, [name], 0, layer)
        frames = result.frames.map(&:index).reject { |frame| result.envelope?(frame) }
        ends = frames.map { |frame| ReadField.new([[result, frame]], layer: layer, **reading).extreme(name).values_at(:min, :max) }
        { min: ends.map(&:first).min, max: ends.map(&:last).max }
      end

      # @param places [Array<Lattice::Shape::Place>]
      # @return [Hash] at [[x, y, z]], m, and values by field, SI
      def nodes(result, places, names:, frame:)
        known!(result, names, frame, nil)
        points = grid.points_of(places)
        raise Problem.new(422, "the place has #{points.size} points", cure: "Choose one of at most #{MOST}; bin/lattice results tells all of them.") if points.size > MOST

        { at: grid.nodes[grid.points.nodes[points], true].to_a, values: names.to_h { |name| [name, result.field(name, frame)[points].to_a] } }
      end

      # @param problem [Lattice::Study::Problem] whose bodies and groups they are
      # @return [Array<Hash>] rows of Lattice::Result::Extremes
      def places(result, problem, name:, frame:)
        known!(result, [name], frame, nil)
        Lattice::Result::Extremes.new(result, problem).rows(name, [frame])
      end

      private

      attr_reader :grid

      # @raise [Problem] for a frame, a field or a layer that a result has not
      def known!(result, names, frame, layer)
        raise Problem.new(422, "there is no frame #{frame}", cure: "The result has #{result.frames.size}.") unless frame.between?(0, result.frames.size - 1)
        raise Problem.new(422, "“#{layer}” is not a layer", cure: "Known: #{result.layers.join(', ')}.") unless layer.nil? || result.layers.include?(layer)

        missing = (names - result.catalogue.map(&:name))[0] or return
        raise Problem.new(422, "the result has no #{Lattice::Result::Catalogue.field!(missing).words}", cure: "Known: #{result.catalogue.map(&:name).join(', ')}.")
      end

      # The skin is the same for every field of a mesh.
      def drawn = grid.skin

      def measure!(name)
        known = Lattice::Mesh::QualityReport::MEASURES.map(&:key)
        known.find { |key| key.to_s == name } || raise(Problem.new(422, "“#{name}” is not a measure of elements", cure: "Known: #{known.join(', ')}."))
      end

      # How it moves, members as solid sections, what is veiled, what the whole drives, and cracks.
      def of_frame(result, frame)
        arrays = { "moved" => Numo::SFloat.cast(movement(result, frame)[drawn.nodes, true]) }.merge(members(result, frame))
        arrays.update(%w[veiled driven].zip([result.veil.points, result.veil.on_cut].map { |of| Numo::SFloat.cast(of[drawn.points]) }).to_h) if result.veil
        cracks = result.envelope?(frame) ? nil : result.state(frame).cracks
        arrays["cracks"] = Numo::SFloat.cast(cracks) if cracks
        arrays
      end

      # At the points of the skin, and at those of members.
      def of_fields(result, field, names)
        members = result.member_shapes
        names.each_with_object({}) do |name, arrays|
          arrays[name] = Numo::SFloat.cast(field.drawn(name))
          arrays["member #{name}"] = Numo::SFloat.cast(field.at_points(name)[members.points]) unless members.empty?
        end
      end

      # Members as solid sections, with their movement.
      def members(result, frame)
        shapes = result.member_shapes
        return {} if shapes.empty?

        moved = result.envelope?(frame) ? Numo::DFloat.zeros(*shapes.positions.shape) : shapes.displacement(result.state(frame))
        drawn = result.envelope?(frame) ? {} : diagrams(result.state(frame))
        drawn.merge("member positions" => Numo::SFloat.cast(shapes.positions), "member triangles" => shapes.triangles, "member moved" => Numo::SFloat.cast(moved))
      end

      # How forces run along members: places of every piece, how they move, the two axes across, and six values each.
      def diagrams(state)
        rows = grid.blocks.each_with_index.filter_map { |block, b| state.ends[b] && diagram(block, state, b) }
        %w[at moved axes values].zip(rows.transpose).to_h { |name, parts| ["diagram #{name}", Numo::SFloat.cast(parts.reduce { |a, b| a.concatenate(b) })] }
      end

      def diagram(block, state, index)
        at = Lattice::Algebra::Gather.rows(grid.nodes, block.conn)
        values = Lattice::Result::Diagrams.new(Lattice::Shape::Vectors.norm(at[true, 1, true] - at[true, 0, true]), state.ends[index]).drawn
        [between(at), between(Lattice::Algebra::Gather.rows(state.displacement, block.conn)), state.fibres[index].axes[true, 1..2, true].dup, values]
      end

      # Evenly spaced between both ends: [e, 2, 3] to [e, steps + 1, 3].
      def between(ends)
        steps = Lattice::Result::Diagrams::STEPS
        Numo::DFloat.zeros(ends.shape[0], steps + 1, 3).tap do |all|
          (0..steps).each { |k| all[true, k, true] = ends[true, 0, true] + ((ends[true, 1, true] - ends[true, 0, true]) * (k.to_f / steps)) }
        end
      end

      # An envelope has no movement of its own.
      def movement(result, frame) = result.envelope?(frame) ? Numo::DFloat.zeros(*grid.nodes.shape) : result.displacement(frame)

      # The inside of solids on a plane.
      def cut_open(cut, field, names, moved)
        @cut = Lattice::Mesh::PlaneCut.new(grid, **cut)
        return {} if @cut.empty?

        along = @cut.tabulated(3) { |b| Lattice::Algebra::Gather.rows(moved, grid.blocks[b].conn) }
        { "cut positions" => Numo::SFloat.cast(@cut.positions), "cut triangles" => @cut.triangles, "cut moved" => Numo::SFloat.cast(along) }
          .merge(names.to_h { |name| ["cut #{name}", Numo::SFloat.cast(@cut.tabulated(1) { |b| field.at_corners(name, b) }.flatten)] })
      end

      def packed(arrays, meta)
        StringIO.new(String.new(encoding: Encoding::BINARY)).tap { |io| Lattice::Format::ArrayFile.put(io, arrays, meta) }.string
      end
    end
  end
end
