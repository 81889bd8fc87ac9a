# frozen_string_literal: true

module Lattice
  module Matter
    # Which cross-section each member has, and how it is turned; a later statement stands over an earlier one.
    class Sections
      # What section statements say of one member.
      Given = Struct.new(:values, :up, :bar, :released, :name)

      # Sections of the elements of one block: their properties, and where their stress is read.
      Set = Struct.new(:properties, :index, :sections, :outlines)

      attr_reader :faults

      # @param document [Model::Document]
      # @param parts [Shape::Parts]
      # @param groups [Shape::Groups]
      def initialize(document, parts, groups)
        @document = document
        @parts = parts
        @given = {}
        @faults = []
        document.active("section").each do |statement|
          read(statement, groups)
        rescue InvalidInput => e
          @faults.concat(e.faults)
        end
      end

      # @return [Array<Fault>] members without a section, and what is wrong with the statements
      def all_faults
        bare = @parts.bodies.select(&:members?).flat_map { |b| b.facets.edges.map { |e| [b.name, e.name] } } - @given.keys
        return faults if bare.empty?

        who = bare.size == 1 ? "“#{bare[0][1]}” of “#{bare[0][0]}” has" : "#{bare.size} members of “#{bare[0][0]}” have"
        faults + [Fault.new(message: "#{who} no section", cure: "Add a section statement for them.")]
      end

      # @return [Hash] members that carry only along their axis, which are one element each
      def bars = @given.select { |_, g| g.bar }.transform_values { Mesh::Division.new(1) }

      # @return [Array] by meaning, for digests
      def signature = @given.map { |key, g| [key, g.values.to_a.first(8).map { |v| v.is_a?(Numo::NArray) ? v.to_a : v }, g.up, g.bar, g.released] }.sort_by { |row| row[0] }

      # @return [Array<String>] the outlines that the members of a body carry
      def names(body) = @given.filter_map { |key, g| g.name if key[0] == body }.uniq

      # @param body [String]
      # @return [Hash{String => Element::Beam::Fibres::Section}] by outline, about its principal axes
      def shapes(body) = @given.filter_map { |key, g| g if key[0] == body }.uniq(&:name).to_h { |g| [g.name, fibres(g.values)] }

      # @param body [Shape::Body] of members
      # @return [Float, nil] m³; nil where a member has no section
      def volume(body)
        parts = body.facets.edges.map { |edge| @given[[body.name, edge.name]]&.then { |given| given.values.area * edge.length(body.facets.points) } }
        parts.include?(nil) ? nil : parts.sum
      end

      # @param key [Array(String, String)] body and member
      # @param body [String]
      # @return [Hash{String => Float}] how wide its sections are, from side to side, m
      def widths(body)
        @given.filter_map { |key, g| g if key[0] == body && g.values.extremes }.uniq(&:name).to_h { |g| [g.name, g.values.extremes.to_a.transpose[0].then { |xs| xs.max - xs.min }] }
      end

      # @return [Given]
      def [](key) = @given.fetch(key)

      # @param block [Mesh::Block] of lines
      # @param grid [Mesh::Grid]
      # @return [Set]
      def of_block(block, grid)
        keys = Mesh::MemberElements.of(grid, block)
        kinds = @given.values.map(&:values).uniq(&:object_id)
        given = keys.map { |key, _, _| @given.fetch(key) }
        Set.new(properties(given, keys), Numo::Int32.cast(given.map { |g| kinds.index { |k| k.equal?(g.values) } }), kinds.map { |values| fibres(values) }, kinds.map do |values|
          @given.values.find do |g|
            g.values.equal?(values)
          end.name
        end)
      end

      private

      def read(statement, groups)
        source = @document.named("outline", statement["outline"].to_s) or
          raise statement.fault("there is no outline named “#{statement['outline']}”", path: "outline", cure: "Add that outline, or choose another.")
        values = SectionConstants.of(@document.outline(source))
        places = groups.target!(statement, %i[edges bodies])
        wrong = places.find { |p| !@parts.body(p.body).members? }
        raise statement.fault("“#{wrong.body}” is not made of members", path: "target", cure: "Choose members.") if wrong

        members(places).each { |body, edge| @given[[body.name, edge.name]] = given(statement, values, body, edge) }
      end

      def members(places)
        places.flat_map do |p|
          body = @parts.body(p.body)
          body.facets.edges.select { |e| p.of == :bodies || e.name == p.name }.map { |e| [body, e] }
        end
      end

      def given(statement, values, body, edge)
        ends = edge.nodes.values_at(0, -1).map { |n| body.facets.points[n, true].to_a }
        along = Shape::Vectors.unit3(Shape::Vectors.minus3(ends[1], ends[0]))
        Given.new(values, up(statement, along, edge), statement["bar"] == true, { "start" => [true, false], "finish" => [false, true], "both" => [true, true] }.fetch(statement["pinned"], [false, false]),
                  statement["outline"])
      end

      # Where nothing is said: z, or x for members that run along z; beside plane regions across the member in their plane.
      def up(statement, along, edge)
        return usual(along) unless statement["up"]

        wanted = statement.direction(statement["up"]).to_a
        return wanted if Shape::Vectors.norm3(Shape::Vectors.cross3(wanted, along)) > 1e-6

        raise statement.fault("“#{edge.name}” runs along the direction that its section is to point up", path: "up", cure: "Choose another direction, or give such members a section statement of their own.")
      end

      def usual(along)
        return [-along[1], along[0], 0.0] if @parts.dimension == 2

        along[2].abs > 0.999 ? [1.0, 0.0, 0.0] : [0.0, 0.0, 1.0]
      end

      def properties(given, keys)
        turned = {}.compare_by_identity
        given.map(&:values).uniq(&:object_id).each { |v| turned[v] = v.turned(v.principal_angle).merge(area: v.area, torsion: v.torsion, angle: v.principal_angle, centre: principal(v, v.shear_centre)) }
        list = ->(key) { Numo::DFloat.cast(given.map { |g| turned[g.values][key] }) }
        Element::Beam::Block::Properties.new(
          area: list[:area], torsion: list[:torsion], two: list[:xx], three: list[:yy], shear_two: list[:shear_x], shear_three: list[:shear_y], shear_centre: list[:centre], angle: list[:angle],
          line: Numo::DFloat.zeros(given.size, 2), up: Numo::DFloat.cast(given.map(&:up)), bar: Numo::Int8.cast(given.map { |g| g.bar ? 1 : 0 }), released: released(given, keys)
        )
      end

      # Turns are free at the start of a member's first element, and at the end of its last.
      def released(given, keys)
        Numo::Int8.cast(given.zip(keys).map { |g, (_, first, last)| [g.released[0] && first, g.released[1] && last].map { |free| free ? 1 : 0 } })
      end

      def fibres(values)
        turned = values.turned(values.principal_angle)
        points = values.extremes.to_a.map { |point| principal(values, point) }
        Element::Beam::Fibres::Section.new(values.area, turned[:xx], turned[:yy], values.rings, Numo::DFloat.cast(points))
      end

      def principal(values, point)
        angle = values.principal_angle
        [(point[0] * Math.cos(angle)) + (point[1] * Math.sin(angle)), (point[1] * Math.cos(angle)) - (point[0] * Math.sin(angle))]
      end
    end
  end
end
