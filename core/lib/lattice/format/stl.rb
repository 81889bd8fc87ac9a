# frozen_string_literal: true

module Lattice
  module Format
    # Reads and writes triangles in STL, text and binary.
    module Stl
      MOST = 4_000_000
      RECORD = 50

      module_function

      # @param bytes [String]
      # @return [Numo::DFloat] [3 t, 3] corners, in the file's own unit
      # @raise [ShapeFile::Unreadable]
      def read(bytes)
        binary?(bytes) ? read_binary(bytes) : read_text(bytes)
      end

      # Some binary files begin with "solid" too: their length tells.
      def binary?(bytes)
        return true unless bytes[0, 512].to_s.lstrip.start_with?("solid")

        bytes.bytesize >= 84 && bytes.bytesize == 84 + (RECORD * bytes[80, 4].unpack1("V"))
      end

      def read_binary(bytes)
        raise ShapeFile::Unreadable.at("the STL file is shorter than its head of 84 bytes", cure: "Export it again.") if bytes.bytesize < 84

        count = bytes[80, 4].unpack1("V")
        check_count(count)
        wanted = 84 + (RECORD * count)
        if bytes.bytesize < wanted
          raise ShapeFile::Unreadable.at("the STL file is cut short: it announces #{count} triangles, but ends after #{(bytes.bytesize - 84) / RECORD}",
                                         cure: "Export or copy it again.")
        end
        raise ShapeFile::Unreadable.at("the STL file holds no triangle", cure: "Export it again.") if count.zero?

        rows = Numo::UInt8.from_binary(bytes[84, RECORD * count], [count, RECORD])
        floats = Numo::SFloat.from_binary(rows[true, 12...48].dup.to_binary, [count * 3, 3])
        Numo::DFloat.cast(floats)
      end

      def read_text(bytes)
        numbers = bytes.scrub("?").scan(/^\s*vertex\s+(\S+)\s+(\S+)\s+(\S+)/)
        raise ShapeFile::Unreadable.at("the STL file is cut short: its last line, “endsolid”, is missing", cure: "Export or copy it again.") unless bytes.include?("endsolid")
        raise ShapeFile::Unreadable.at("the STL file holds no triangle", cure: "Export it again.") if numbers.size < 3
        raise ShapeFile::Unreadable.at("the STL file has #{numbers.size} corners, which is not three to a triangle", cure: "Export it again.") unless (numbers.size % 3).zero?

        check_count(numbers.size / 3)
        Numo::DFloat.cast(numbers.map { |row| row.map { |text| Float(text) } })
      rescue ArgumentError
        raise ShapeFile::Unreadable.at("the STL file has a coordinate that is not a number", cure: "Export it again.")
      end

      def check_count(count)
        return if count <= MOST

        raise ShapeFile::Unreadable.at("the STL file announces #{count} triangles; at most #{MOST} are read", cure: "Export it more coarsely.")
      end

      # @param surfaces [Array<Shape::Facets>]
      # @param scale [Float] file units per metre
      # @return [String] binary STL
      def binary(surfaces, scale: 1000.0)
        count = surfaces.sum(&:count)
        blocks = surfaces.map do |facets|
          rows = Numo::SFloat.zeros(facets.count, 12)
          rows[true, 0..2] = facets.flat[0]
          facets.corners.each_with_index { |corner, k| rows[true, ((3 * k) + 3)..((3 * k) + 5)] = corner * scale }
          bytes = Numo::UInt8.zeros(facets.count, RECORD)
          bytes[true, 0...48] = Numo::UInt8.from_binary(rows.to_binary, [facets.count, 48])
          bytes.to_binary
        end
        ["Gentle Lattice, lengths in mm".ljust(80), [count].pack("V"), *blocks].join
      end
    end
  end
end
