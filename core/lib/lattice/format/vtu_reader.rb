# frozen_string_literal: true

module Lattice
  module Format
    # Reads unstructured grids out of XML files of the VTK formats: arrays as text, or inline
    # binary without compression.
    class VtuReader
      LARGEST = 1024 * 1024 * 1024
      WIDTHS = { 1 => "one value", 3 => "three values" }.freeze

      def initialize(path)
        @path = path
        @arrays = VtuArrays.new(Reading.text(path, LARGEST).scrub("?"))
      rescue VtuArrays::Unreadable => e
        refuse(e.message, e.cure)
      end

      # @return [Mesh::Grid]
      # @raise [InvalidInput]
      def grid
        points = points()
        connectivity, offsets, types = %w[connectivity offsets types].map { |name| @arrays.whole(array("Cells", name)) }
        check(points, connectivity, offsets, types)
        blocks = blocks(connectivity, offsets, types)
        dimension = blocks.all? { |b| Element::Kind[b.kind].dimension < 3 } && points[true, 2].abs.max.zero? ? 2 : 3
        Mesh::Grid.new(nodes: points, blocks: blocks, places: groups(points.shape[0]), dimension: dimension, order: blocks.any? { |b| Element::Kind[b.kind].quadratic? } ? 2 : 1)
      rescue VtuArrays::Unreadable => e
        refuse(e.message, e.cure)
      end

      # @param name [String, nil] of an array at the points; the first that fits when nil
      # @param width [Integer] values at each point, 1 or 3
      # @return [Array(Numo::DFloat, Numo::DFloat)] points [m, 3] and values [m] or [m, 3]
      # @raise [InvalidInput]
      def point_values(name = nil, width = 1)
        at = points
        found = at_points(at.shape[0] * width)
        values = name ? found.assoc(name) : found[0]
        unless values
          cure = found.empty? ? "Write #{WIDTHS.fetch(width)} for each point." : "Known: #{found.map(&:first).join(', ')}."
          refuse("has no #{'three ' if width > 1}values#{" “#{name}”" if name} at its points", cure)
        end
        [at, width == 1 ? values[1] : values[1].reshape(at.shape[0], width)]
      rescue VtuArrays::Unreadable => e
        refuse(e.message, e.cure)
      end

      private

      # Arrays at the points with so many numbers in all, which are no groups.
      def at_points(size)
        known = @arrays.entries.select { |e| e.section == "PointData" && e.name && !e.name.start_with?("group ") }
        known.map { |entry| [entry.name, Numo::DFloat.cast(@arrays.values(entry))] }.select { |_, values| values.size == size }
      end

      def refuse(message, cure = "Write the mesh again.") = raise(InvalidInput.at("“#{File.basename(@path)}” #{message}", cure: cure))

      def points
        found = Numo::DFloat.cast(@arrays.values(array("Points", nil)))
        refuse("has no points") if found.empty?
        refuse("has #{found.size} coordinates, which is not three to a point") unless (found.size % 3).zero?
        refuse("has coordinates beyond 100 km", "Check its unit of length.") if found.abs.max > 1e5
        found.reshape(found.size / 3, 3)
      end

      def check(points, connectivity, offsets, types)
        refuse("has no cells") if offsets.empty? || connectivity.empty?
        refuse("has lists of cells that are not of one length") unless offsets.size == types.size
        rising = offsets[0].positive? && (offsets.size == 1 || (offsets[1..] > offsets[0...-1]).all?)
        return if rising && connectivity.min >= 0 && connectivity.max < points.shape[0] && offsets[-1] == connectivity.size

        refuse("names points that are not there")
      end

      def blocks(connectivity, offsets, types)
        numbers = bodies(types.size)
        refuse("has lists of cells that are not of one length") unless numbers.size == types.size
        starts = Numo::Int32.zeros(offsets.size)
        starts[1..] = offsets[0...-1] if offsets.size > 1
        kinds = Element::Kind.registry.values.to_h { |k| [k.vtk, k] }
        # Bodies in the order they come in, and in each the kinds in theirs.
        keys, index = Algebra::Distinct.of((Numo::Int64.cast(numbers) * 256) + types)
        keys.to_a.each_with_index.map { |key, i| [key, index.eq(i).where] }.sort_by { |_, rows| rows[0] }.map do |key, rows|
          kind = kinds[key % 256] or refuse("has cells of type #{key % 256}, which are not known here", "Write it with lines, triangles, quadrilaterals, tetrahedra, wedges or bricks.")
          rows = Numo::Int32.cast(rows)
          refuse("has cells with too few points") unless (offsets[rows] - starts[rows]).eq(kind.nodes).all?
          table = starts[rows].reshape(rows.size, 1) + Numo::Int32.new(1, kind.nodes).seq
          Mesh::Block.new(kind.name, "body #{(key / 256) + 1}", connectivity[table].dup)
        end
      end

      def bodies(count)
        found = @arrays.find("CellData", "body")
        found ? @arrays.whole(found) : Numo::Int32.zeros(count)
      end

      def groups(count)
        @arrays.entries.select { |e| e.section == "PointData" }.filter_map do |entry|
          name = entry.name.to_s[/\Agroup (.*)\z/m, 1] or next
          body, place = name.split(": ", 2)
          flags = @arrays.whole(entry)
          refuse("has a group “#{name}” of #{flags.size} values for #{count} points") unless flags.size == count
          nodes = Numo::Int32.cast(flags.ne(0).where)
          next if nodes.empty?

          [[body, place || body], nodes.reshape(nodes.size, 1)]
        end.to_h
      end

      def array(section, name) = @arrays.find(section, name) || refuse("has no #{name || section}")
    end
  end
end
