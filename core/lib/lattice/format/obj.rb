# frozen_string_literal: true

module Lattice
  module Format
    # Reads and writes polygons in OBJ; objects and groups become parts.
    module Obj
      MOST = 4_000_000

      module_function

      # @param text [String]
      # @return [Array(Numo::DFloat, Array)] points [n, 3] and pairs of part name and triangles (lists of three)
      # @raise [ShapeFile::Unreadable]
      def read(text)
        points = []
        parts = Hash.new { |hash, name| hash[name] = [] }
        name = ""
        text.scrub("?").each_line.with_index(1) do |line, number|
          word, *rest = line.split
          case word
          when "v" then points << rest.first(3).map { |c| Float(c) }
          when "o", "g" then name = rest.join(" ")
          when "f" then parts[name].concat(fan(rest, points.size, number))
          end
        rescue ArgumentError, TypeError
          raise ShapeFile::Unreadable.at("line #{number} of the OBJ file has a coordinate or index that is not a number", cure: "Export it again.")
        end
        raise ShapeFile::Unreadable.at("the OBJ file holds no face", cure: "Export it again.") if parts.empty? || points.any? { |p| p.size < 3 }

        [Numo::DFloat.cast(points), parts.to_a]
      end

      def fan(corners, count, number)
        nodes = corners.map do |corner|
          index = Integer(corner[%r{\A[^/]+}], 10)
          index.negative? ? count + index : index - 1
        end
        raise ShapeFile::Unreadable.at("line #{number} of the OBJ file names a point that is not there", cure: "Export or copy it again.") if nodes.any? { |n| n.negative? || n >= count }
        (1...(nodes.size - 1)).map { |k| [nodes[0], nodes[k], nodes[k + 1]] }
      end

      # @param parts [Array(String, Shape::Facets)] names and surfaces
      # @return [String]
      def text(parts, scale: 1000.0)
        first = 1
        lines = ["# Gentle Lattice, lengths in mm"]
        parts.each do |name, facets|
          lines << "o #{name.tr("\n", ' ')}"
          (facets.points * scale).to_a.each { |p| lines << format("v %.9g %.9g %.9g", *p) }
          facets.faces.each_with_index do |face, i|
            lines << "g #{face.name.tr("\n", ' ')}"
            (facets.triangles[facets.of(i), true] + first).to_a.each { |t| lines << "f #{t.join(' ')}" }
          end
          first += facets.points.shape[0]
        end
        "#{lines.join("\n")}\n"
      end
    end
  end
end
