# frozen_string_literal: true

module Lattice
  module Shape
    # Combines, cuts, imprints, copies and joins bodies, statement by statement.
    class Altering
      KINDS = %w[combine cut imprint copy join mid_surface].freeze

      # @param document [Model::Document]
      # @param store [Store]
      def initialize(document, store)
        @document = document
        @store = store
      end

      # @param statement [Model::Statement] of one of KINDS
      # @param bodies [Array<Body>] those there are before it
      # @return [Array<Body>] those there are after it
      # @raise [InvalidInput]
      def call(statement, bodies)
        @statement = statement
        @bodies = bodies
        send(statement.kind)
      rescue ChildProcess::Failed => e
        text = { time: "took too long", memory: "needed too much memory" }[e.reason] || "did not succeed: #{e.message}"
        fault("the combination #{text}", nil, "Use simpler bodies, or move them a little apart.")
      end

      private

      def fault(message, path, cure) = raise(@statement.fault(message, path: path, cure: cure))

      def body!(name, path)
        @bodies.find { |b| b.name == name } or
          fault(name.to_s.empty? ? "it names no body yet" : "there is no body named “#{name}” before it", path, "Choose a body that stands above it in the note.")
      end

      def solid!(name, path)
        body = body!(name, path)
        return body if body.solid? && body.facets.closed?

        what = body.solid? ? "is not closed" : "is not a solid"
        fault("“#{name}” #{what}", path, "Choose a solid#{', or mend its open edges' if body.solid?}.")
      end

      def length(text) = Quantity.parse(text, "length")

      # Facets are kept under the digest of what they are made from; an empty list, which says
      # that there are none, too.
      def kept(signature)
        @store.fetch(Model::Digest.of(signature)) do
          Format::FacetsFile::Content.new(parts: yield.map { |facets| Format::FacetsFile::Part.new(name: "", facets: facets) })
        end.parts.map(&:facets)
      end

      def made(name, facets, signature, from, make: "solid")
        Body.new(name: name, make: make, facets: facets, signature: signature, colour: from.colour, wall: from.wall)
      end

      def combine
        first = body!(@statement["body"], "body")
        others = @statement["with"].each_with_index.map { |name, i| body!(name, "with.#{i}") }
        fault("“#{first.name}” meets itself", "with", "Name another body.") if others.include?(first)
        fault("a body is named twice", "with", "Name each once.") if others.uniq.size < others.size
        body = first.faces? && others.all?(&:faces?) ? sewn(first, others) : combined(first, others)
        left = @statement["keep"] ? @bodies : @bodies - [first, *others]
        left + [body]
      end

      def sewn(first, others)
        fault("faces can only be put together by union", "how", "Choose union.") unless @statement["how"] == "union"
        names = [first, *others]
        signature = ["sewn", names.map { |b| [b.name, b.signature] }]
        facets, counts = Merging.call(Assembly.join(names.each_with_index.map { |b, i| i.zero? ? b.facets : b.facets.renamed(b.facets.faces.map { |f| "#{b.name} #{f.name}" }) }, weld: 1e-6))
        made(@statement.name, facets || nothing("union"), signature, first, make: "faces").with_merged(counts)
      end

      def combined(first, others)
        [first, *others].each { |b| solid!(b.name, "body") }
        how = @statement["how"]
        signature = [how, first.name, first.signature, others.map { |b| [b.name, b.signature] }]
        facets, = kept(signature) do
          Combining.call([first, *others].map { |b| [b.name, b.facets] }, how) { |body, face| body == first.name ? face : "#{body} #{face}" }.compact
        end
        made(@statement.name, facets || nothing(how), signature, first)
      end

      def nothing(how)
        fault({ "intersect" => "the bodies have nothing in common", "subtract" => "nothing is left of it" }.fetch(how, "nothing is left"), "with", "Move the bodies, or choose others.")
      end

      # Above the plane is inside of what cuts.
      def cut
        body = solid!(@statement["body"], "body")
        sides = cut_sides
        wanted = @statement["keep"]
        signature = ["cut", body.signature, @statement["plane"] || @statement["block"]]
        cutter = @statement["plane"] ? half_space(body, @statement["plane"]) : block
        halves = kept(signature) { halves(body, cutter) }
        missed(body) if halves.empty?
        results = wanted == "both" ? sides.map { |word| "#{body.name} #{word}" }.zip(halves) : [[body.name, halves[sides.index(wanted)]]]
        @bodies.flat_map { |b| b == body ? results.map { |name, facets| made(name, facets, [*signature, wanted, name], body) } : [b] }
      end

      # @return [Array<String>] what the two sides are called
      def cut_sides
        what = %w[plane block].find { |k| @statement[k] } or fault("it is cut by nothing", nil, "Give a plane or a block.")
        sides = what == "plane" ? %w[above below] : %w[inside outside]
        fault("“#{@statement['keep']}” does not suit a #{what}", "keep", "Choose #{sides.join(', ')} or both.") unless [*sides, "both"].include?(@statement["keep"])
        sides
      end

      # @return [Array<Facets>] inside and outside of the cutter; empty when they do not meet
      def halves(body, cutter)
        found = Combining.call([[body.name, body.facets], ["cut", cutter]], "split") { |name, face| name == "cut" ? "cut #{face}" : face }
        found.all? ? found : []
      end

      def missed(body)
        fault("the cut does not meet “#{body.name}”", @statement["plane"] ? "plane" : "block", "Move it through the body, whose box is #{shown_box(body)}.")
      end

      def shown_box(body)
        body.bounds.map { |corner| corner.map { |c| shown(c) }.join(", ") }.join(" to ")
      end

      def shown(value) = Quantity::Display.format(value, "length", system: @document.units)

      def half_space(body, plane)
        low, high = body.bounds
        margin = body.size
        low = low.map { |c| c - margin }
        high = high.map { |c| c + margin }
        low["xyz".index(plane["axis"])] = length(plane["at"])
        missed(body) if low["xyz".index(plane["axis"])] >= high["xyz".index(plane["axis"])]
        Cutters.block(low, high)
      end

      def block
        data = @statement["block"]
        low = %w[x y z].map { |k| length(data[k]) }
        extent = %w[dx dy dz].map do |k|
          length(data[k]).tap { |v| fault("the block's #{k} is not above zero", "block.#{k}", "Give a length above zero.") unless v.positive? }
        end
        Cutters.block(low, low.zip(extent).map(&:sum))
      end

      def imprint
        body = solid!(@statement["body"], "body")
        frame = Placement.read(@statement["on"])
        depth = @statement.quantity("depth", "length")
        fault("its depth is not above zero", "depth", "Give a length above zero.") if depth && depth <= 0
        source = @document.named("outline", @statement["outline"]) || @document.named("line", @statement["outline"])
        fault("there is no outline or line named “#{@statement['outline']}”", "outline", "Add one, or choose another.") unless source

        cutter = cutter(source, frame, depth || (body.size * 4), body)
        signature = ["imprinted", @statement.name, body.signature, cutter_signature(source), frame.signature, depth]
        facets, = kept(signature) { [Imprinting.call(body.facets, cutter, @statement.name)].compact }
        facets or fault("“#{source.name}” cannot be laid onto a face of “#{body.name}”", "on", "Move it onto the body, whose box is #{shown_box(body)}, and off its edges.")
        replace(body, body.with(facets: facets, prism: nil, revolution: nil, signature: signature))
      end

      def cutter(source, frame, depth, body)
        return Cutters.prism(@document.outline(source), frame, depth) if source.kind == "outline"

        Cutters.left_of(Sides.of_line(source), frame, depth, body.size * 4)
      end

      # An outline may follow another one: its sides tell, not its text.
      def cutter_signature(source) = source.kind == "outline" ? @document.outline(source).signature : Sides.of_line(source).map(&:signature)

      def replace(old, new) = @bodies.map { |b| b == old ? new : b }

      def copy
        body = body!(@statement["body"], "body")
        fault("bodies of the plane cannot be copied", "body", "Draw the outline again.") if body.plane?
        moves = CopyMoves.call(@statement)
        copies = moves.each_with_index.map do |frame, i|
          name = moves.size == 1 ? @statement.name : "#{@statement.name} #{i + 1}"
          facets = body.facets.remember(["moved", frame.signature]) { body.facets.moved(frame) }
          body.with(name: name, facets: facets, prism: body.prism&.moved(frame), revolution: body.revolution&.moved(frame), signature: ["moved", body.signature, frame.signature])
        end
        (@statement["keep"] == false ? @bodies - [body] : @bodies) + copies
      end

      def join
        parts = @statement["bodies"].each_with_index.map { |name, i| body!(name, "bodies.#{i}") }
        return @bodies unless parts.all?(&:solid?)

        joined = Joining.new(parts, method(:kept)).call
        joined.apart.each do |one, other|
          fault("“#{one}” and “#{other}” touch, but the faces there could not be given the same border", "bodies", "Draw the touching faces alike, or leave these two apart.")
        end
        fault("the bodies touch nowhere", "bodies", "Move them together, or leave them apart.") if joined.shared.zero?
        @bodies.map { |b| joined.bodies[b.name] || b }
      end

      def mid_surface
        body = solid!(@statement["body"], "body")
        found = MidSurface.call(body) or
          fault("“#{body.name}” is not a sheet of one thickness", "body", "Choose a body whose large faces lie in pairs at one distance.")
        facets, wall = found
        replace(body, Body.new(name: @statement.name, make: "faces", facets: facets, wall: wall, signature: ["mid-surface", body.signature], colour: body.colour))
      end
    end
  end
end
