# frozen_string_literal: true

module Lattice
  module Shape
    # Members: along lines, between their corners, or in bays and storeys.
    class FrameLines
      # @param statement [Model::Statement] a frame
      def initialize(statement)
        @statement = statement
        @bays = levels("bays")
        @across = levels("bays_across")
        @storeys = levels("storeys")
        @up = statement["up"] || "z"
        @at = statement["at"] ? Placement.spot(statement["at"]) : [0.0, 0.0, 0.0]
      end

      # @return [Body]
      def body
        members = columns + beams
        self.class.build(@statement.name, nodes, members, ["frame", @bays, @across, @storeys, @up, @at])
      end

      # Members along a line, or between the corners that its links name.
      # @param path [SpaceLine]
      # @param line [Model::Statement]
      def self.from_line(name, path, line)
        links = line["links"] || []
        wrong = links.flatten.find { |n| n > path.corners.size }
        raise line.fault("it has no corner #{wrong}", path: "links", cure: "Its corners are 1 to #{path.corners.size}.") if wrong
        return build(name, path.points, path.legs.each_with_index.map { |_, i| ["member #{i + 1}", i, i + 1] }, ["members", path.points]) if links.empty?

        members = links.each_with_index.map { |(a, b), i| ["member #{i + 1}", a - 1, b - 1] }
        same = members.find { |_, a, b| a == b }
        raise line.fault("#{same[0]} runs from a corner to itself", path: "links", cure: "Link two corners.") if same

        build(name, path.corners, members, ["members", path.corners, links])
      end

      # @param members [Array<Array(String, Integer, Integer)>] name and ends
      # @return [Body] coincident points are one, and members that are there twice
      def self.build(name, points, members, signature)
        all = Numo::DFloat.cast(points)
        size = Math.sqrt(((all.max(0) - all.min(0))**2).sum)
        distinct, rank = Weld.call(all, size * 1e-6)
        welded = members.map { |label, a, b| [label, rank[a], rank[b]] }.uniq { |_, a, b| [a, b].sort }
        edges = welded.map { |label, a, b| Edge.of(label, [a, b], distinct, []) }
        none = Numo::Int32.zeros(0, 3)
        facets = Facets.new(points: distinct, triangles: none, owners: Numo::Int32.zeros(0), faces: [], edges: edges)
        Body.new(name: name, make: "members", facets: facets, signature: signature,
                 merged: { points: all.shape[0] - distinct.shape[0], edges: members.size - welded.size }.select { |_, n| n.positive? })
      end

      private

      def levels(key)
        sizes = (@statement[key] || []).each_with_index.map do |text, i|
          value = Quantity.parse(text, "length")
          next value if value.positive?

          raise @statement.fault("“#{text}” is not above zero", path: "#{key}.#{i}", cure: "Give a length above zero.")
        end
        sizes.reduce([0.0]) { |all, size| [*all, all.last + size] }
      end

      def index(i, j, k) = (((k * @across.size) + j) * @bays.size) + i

      def nodes
        @storeys.product(@across, @bays).map do |z, y, x|
          local = @up == "z" ? [x, y, z] : [x, z, y]
          Vectors.plus3(local, @at)
        end
      end

      def places(first = 0)
        (first...@storeys.size).to_a.product((0...@across.size).to_a, (0...@bays.size).to_a)
      end

      def columns
        places(1).map { |k, j, i| ["column #{tag(i, j)} storey #{k}", index(i, j, k - 1), index(i, j, k)] }
      end

      def beams
        places(1).flat_map do |k, j, i|
          along = i + 1 < @bays.size ? ["beam #{tag(i, j)}–#{tag(i + 1, j)} storey #{k}", index(i, j, k), index(i + 1, j, k)] : nil
          across = j + 1 < @across.size ? ["beam #{tag(i, j)}–#{tag(i, j + 1)} storey #{k}", index(i, j, k), index(i, j + 1, k)] : nil
          [along, across].compact
        end
      end

      # Columns are named as on a drawing: letters along, numbers across.
      def tag(i, j) = "#{letter(i)}#{j + 1}"
      def letter(i) = i < 26 ? (65 + i).chr : "#{(64 + (i / 26)).chr}#{(65 + (i % 26)).chr}"
    end
  end
end
