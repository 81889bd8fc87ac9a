# frozen_string_literal: true

module Lattice
  module Shape
    # Makes bodies from body, frame and import statements.
    class Making
      # @param document [Model::Document]
      # @param store [Store]
      def initialize(document, store)
        @document = document
        @store = store
      end

      # @param statement [Model::Statement] body, frame or import
      # @return [Array<Body>]
      # @raise [InvalidInput]
      def call(statement)
        case statement.kind
        when "body" then drawn(statement)
        when "frame" then [FrameLines.new(statement).body]
        when "import" then imported(statement)
        end
      end

      # @return [Hash] what was mended in files, by the id of the import statement
      def reports = @reports ||= {}

      private

      def imported(statement)
        import = Import.new(statement, @store)
        reports[statement.id] = import.report
        import.bodies
      end

      def drawn(statement)
        case statement["make"]
        when "members" then [members(statement)]
        when "faces" then [faces(statement)]
        when "solid" then [solid(statement)]
        else plane(statement)
        end
      end

      def fault(statement, message, path, cure) = raise(statement.fault(message, path: path, cure: cure))

      def outline!(statement)
        source = statement["outline"] && @document.named("outline", statement["outline"])
        return @document.outline(source) if source

        fault(statement, statement["outline"] ? "there is no outline named “#{statement['outline']}”" : "it has no outline", "outline", "Add that outline, or choose another.")
      end

      def line!(statement, key = "outline")
        @document.named("line", statement[key].to_s) ||
          fault(statement, "there is no line named “#{statement[key]}”", key, "Add that line, or choose another.")
      end

      def frame(statement) = Placement.read(statement["on"])

      def thickness(statement)
        value = statement.quantity("thickness", "length")
        fault(statement, "its thickness is missing", "thickness", "Give its depth along the plane's normal.") if value.nil?
        fault(statement, "its thickness is not above zero", "thickness", "Give a length above zero.") if value <= 0
        value
      end

      def wall(statement)
        value = statement.quantity("wall", "length")
        fault(statement, "the thickness of its faces is not above zero", "wall", "Give a length above zero.") if value && value <= 0
        value
      end

      # Plane regions: one body, or one for each region of an outline with dividers.
      def plane(statement)
        outline = outline!(statement)
        fault(statement, "a ring's outline may not reach left of its axis, x = 0", "outline", "Move the outline to x ≥ 0.") if statement["make"] == "axisymmetric" && outline.bounds[0][0] < -1e-9 * outline.size
        depth = statement["make"] == "plane stress" || statement["thickness"] ? thickness(statement) : 1.0
        parts = outline.regions.empty? ? [outline.named(statement.name)] : outline.regions
        parts.map do |part|
          prism = Prism.new(part, depth, Frame.new)
          facets = facets(statement, ["region", prism.signature]) { Planar.call(part, prism.frame, "region") }
          Body.new(name: part.name, make: statement["make"], facets: facets, prism: prism, signature: [statement["make"], prism.signature],
                   whole: outline.regions.empty? ? nil : statement.id)
        end
      end

      def solid(statement)
        outline = outline!(statement)
        case statement["by"]
        when "revolve" then round(statement, outline)
        when "sweep" then piped(statement, outline)
        when "fill" then fault(statement, "filling an outline makes faces, not a solid", "by", "Make it faces, or extrude the outline.")
        else extruded(statement, outline)
        end
      end

      def extruded(statement, outline)
        prism = Prism.new(outline, thickness(statement), frame(statement))
        signature = ["extruded", prism.signature]
        facets = facets(statement, signature) do
          Swept.call(SectionLines.of_outline(outline), Ways.extrusion(prism.frame, prism.thickness), solid: true)&.tap { |made| name_edges(made, prism) }
        end
        Body.new(name: statement.name, make: "solid", facets: facets, prism: outline.regions.empty? ? prism : nil, signature: signature)
      end

      def name_edges(facets, prism)
        facets.edges.each do |edge|
          name = prism.edge_name(edge, facets.points, edge.faces.map { |f| facets.faces[f].name })
          edge.name = name if name
        end
      end

      def angle(statement)
        value = statement.quantity("angle", "angle") || (2 * Math::PI)
        fault(statement, "it is revolved by nothing", "angle", "Give an angle.") if value.zero?
        fault(statement, "it is revolved by more than a full turn", "angle", "Give at most 360 deg.") if value.abs > (2 * Math::PI) + 1e-9
        value
      end

      def round(statement, outline)
        if outline.bounds[0][0] < -1e-9 * outline.size
          fault(statement, "the outline reaches over the axis x = 0 it is revolved about, so the body would fold over itself", "outline", "Move the outline to x ≥ 0.")
        end
        revolution = Revolution.new(outline, angle(statement), frame(statement))
        swept(statement, ["revolved", outline.signature, revolution.angle, revolution.frame.signature], SectionLines.of_outline(outline), true) do
          Ways.revolution(revolution.frame, revolution.angle)
        end.with(revolution: revolution)
      end

      def piped(statement, outline)
        path = SpaceLine.read(line!(statement, "path"))
        swept(statement, ["piped", outline.signature, path.signature], SectionLines.of_outline(outline), true) { Ways.along(path).tap { |way| check_fold(statement, outline, way, path) } }
      end

      def swept(statement, signature, lines, solid)
        facets = facets(statement, signature) { Swept.call(lines, yield, solid: solid) }
        Body.new(name: statement.name, make: solid ? "solid" : "faces", facets: facets, wall: solid ? nil : wall(statement), signature: [*signature, solid])
      end

      # Every point of the section must move forward on every leg.
      def check_fold(statement, outline, way, path)
        section = SectionLines.of_outline(outline).points
        stations = way.stations.map { |s| s.call(section) }
        fold = path.directions.each_index.find { |i| (stations[i + 1] - stations[i]).dot(Numo::DFloat[*path.directions[i]]).min <= 0 }
        return unless fold

        at = path.points[fold + 1].map { |c| Quantity::Display.format(c, "length") }.join(", ")
        fault(statement, "the section is too wide for the corner at #{at}: the sweep would fold over itself", "path", "Lengthen the leg, widen the bend, or make the section smaller.")
      end

      def faces(statement)
        by = statement["by"] || "extrude"
        return filled(statement) if by == "fill"

        pieces, merged = LineMerge.call(Sides.of_line(line!(statement)))
        lines = SectionLines.of_pieces(pieces)
        signature = ["faces", by, pieces.map { |s| [s.key, *s.signature] }, frame(statement).signature]
        faces = case by
                when "revolve" then swept(statement, [*signature, angle(statement)], lines, false) { Ways.revolution(frame(statement), angle(statement)) }
                when "sweep" then swept_faces(statement, signature, lines)
                else
                  depth = thickness(statement)
                  swept(statement, [*signature, depth], lines, false) { Ways.extrusion(frame(statement), depth) }
                end
        faces.with_merged(merged)
      end

      def swept_faces(statement, signature, lines)
        path = SpaceLine.read(line!(statement, "path"))
        swept(statement, [*signature, path.signature], lines, false) { Ways.along(path) }
      end

      # The flat face of an outline, or of each of its regions.
      def filled(statement)
        outline = outline!(statement)
        parts = outline.regions.empty? ? [outline.named("face")] : outline.regions
        facets = parts.map { |part| Planar.call(part, frame(statement), part.name) }.reduce { |a, b| Assembly.join([a, b]) }
        Body.new(name: statement.name, make: "faces", facets: facets, wall: wall(statement), signature: ["filled", outline.signature, frame(statement).signature])
      end

      def members(statement)
        line = line!(statement)
        FrameLines.from_line(statement.name, SpaceLine.read(line), line)
      end

      def facets(statement, signature)
        @store.fetch(Model::Digest.of(signature)) do
          made = yield || fault(statement, "nothing of it has an area", "thickness", "Give a larger outline, or a longer sweep.")
          Format::FacetsFile::Content.new(parts: [Format::FacetsFile::Part.new(name: "", facets: made)])
        end.parts[0].facets
      end
    end
  end
end
