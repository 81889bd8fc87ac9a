# frozen_string_literal: true

require "cgi"
require "rexml/document"

module Lattice
  module Format
    # Reads unstructured grids out of XML files of the VTK formats: arrays as text, or inline
    # binary without compression.
    class VtuReader
      LARGEST = 1024 * 1024 * 1024

      def initialize(path)
        @path = path
        refuse("is larger than #{LARGEST / (1024**2)} MB", "Split it.") if File.size(path) > LARGEST
        @root = REXML::Document.new(File.read(path)).root
      rescue REXML::ParseException
        refuse("is not an XML file that can be read", "Write it again as .vtu.")
      rescue SystemCallError => e
        refuse("cannot be read: #{e.message}", "Check the name of the file.")
      end

      # @return [Mesh::Grid]
      def grid
        refuse("is not an unstructured grid", "Write it as .vtu.") unless @root&.name == "VTKFile" && @root.attributes["type"] == "UnstructuredGrid"
        refuse("is compressed", "Write it without compression.") if @root.attributes["compressor"]
        points = array("Points", nil).then { |a| Numo::DFloat.cast(a).reshape(a.size / 3, 3) }
        connectivity, offsets, types = %w[connectivity offsets types].map { |name| Numo::Int32.cast(array("Cells", name)) }
        check(points, connectivity, offsets)
        blocks = blocks(connectivity, offsets, types)
        dimension = blocks.all? { |b| Element::Kind[b.kind].dimension < 3 } && points[true, 2].abs.max.zero? ? 2 : 3
        Mesh::Grid.new(nodes: points, blocks: blocks, places: groups, dimension: dimension, order: blocks.any? { |b| Element::Kind[b.kind].quadratic? } ? 2 : 1)
      end

      private

      def refuse(message, cure) = raise(InvalidInput.at("“#{File.basename(@path)}” #{message}", cure: cure))

      def check(points, connectivity, offsets)
        refuse("has no cells", "Write the mesh again.") if offsets.empty?
        return if connectivity.min >= 0 && connectivity.max < points.shape[0] && offsets[-1] == connectivity.size

        refuse("names points that are not there", "Write the mesh again.")
      end

      def blocks(connectivity, offsets, types)
        numbers = bodies(types.size)
        refuse("has lists of cells that are not of one length", "Write the mesh again.") unless [numbers, offsets].all? { |list| list.size == types.size }
        starts = Numo::Int32.zeros(offsets.size)
        starts[1..] = offsets[0...-1] if offsets.size > 1
        kinds = Element::Kind.registry.values.to_h { |k| [k.vtk, k] }
        # Bodies in the order they come in, and in each the kinds in theirs.
        keys, index = Algebra::Distinct.of((Numo::Int64.cast(numbers) * 256) + types)
        keys.to_a.each_with_index.map { |key, i| [key, index.eq(i).where] }.sort_by { |_, rows| rows[0] }.map do |key, rows|
          kind = kinds[key % 256] or refuse("has cells of type #{key % 256}, which are not known here", "Write it with lines, triangles, quadrilaterals, tetrahedra, wedges or bricks.")
          rows = Numo::Int32.cast(rows)
          refuse("has cells with too few points", "Write the mesh again.") unless (offsets[rows] - starts[rows]).eq(kind.nodes).all?
          table = starts[rows].reshape(rows.size, 1) + Numo::Int32.new(1, kind.nodes).seq
          Mesh::Block.new(kind.name, "body #{(key / 256) + 1}", connectivity[table].dup)
        end
      end

      def bodies(count)
        found = element("CellData", "body")
        found ? Numo::Int32.cast(values(found)) : Numo::Int32.zeros(count)
      end

      def groups
        REXML::XPath.match(@root, "//PointData/DataArray").filter_map do |node|
          name = node.attributes["Name"].to_s[/\Agroup (.*)\z/, 1] or next
          body, place = name.split(": ", 2)
          nodes = Numo::Int32.cast(Numo::Int32.cast(values(node)).ne(0).where)
          [[body, place || body], nodes.reshape(nodes.size, 1)]
        end.to_h
      end

      def element(section, name)
        REXML::XPath.match(@root, "//#{section}/DataArray").find { |node| name.nil? || node.attributes["Name"] == name }
      end

      def array(section, name)
        node = element(section, name) or refuse("has no #{name || section}", "Write the mesh again.")
        values(node)
      end

      def values(node)
        type = VTU::TYPE_NAMES[node.attributes["type"]] or refuse("has values of type #{node.attributes['type']}", "Write it with Float64 and Int32.")
        text = node.text.to_s.strip
        return type.cast(text.split.map(&:to_f)) if node.attributes["format"] == "ascii"

        refuse("has its arrays apart from where they are named", "Write it with inline binary or text arrays.") unless node.attributes["format"] == "binary"
        bytes = text.unpack1("m")
        head = @root.attributes["header_type"] == "UInt64" ? 8 : 4
        type.from_binary(bytes[head..])
      end
    end
  end
end
