# frozen_string_literal: true

require "stringio"

module LatticeServer
  module Building
    # Meshes and fields for the model window, as binary arrays (see docs/formats).
    class Fields
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

      # @param result [Lattice::Result::Static]
      # @param names [Array<String>] see Result::Static.fields
      # @return [String] the fields at the nodes of the skin
      def fields(result, names)
        unknown = names - Lattice::Result::Static.fields
        raise Problem.new(422, "“#{unknown.first}” is not a field", cure: "Known: #{Lattice::Result::Static.fields.join(', ')}.") unless unknown.empty?

        arrays = { "displacement" => Numo::SFloat.cast(result.displacement[drawn.nodes, true]) }
        extremes = {}
        names.each do |name|
          field = result.field(name)
          arrays[name] = Numo::SFloat.cast(field[drawn.points])
          extremes[name] = extreme(field, result).merge(dimension: Lattice::Result::Static.dimension_of(name))
        end
        packed(arrays, { extremes: extremes })
      end

      private

      attr_reader :grid

      # The skin is the same for every field of a mesh.
      def drawn = grid.skin

      def measure!(name)
        known = Lattice::Mesh::QualityReport::MEASURES.map(&:key)
        known.find { |key| key.to_s == name } || raise(Problem.new(422, "“#{name}” is not a measure of elements", cure: "Known: #{known.join(', ')}."))
      end

      def extreme(field, result)
        low = field.min_index
        high = field.max_index
        { min: field[low], max: field[high], min_at: result.at(low), max_at: result.at(high) }
      end

      def packed(arrays, meta)
        StringIO.new(String.new(encoding: Encoding::BINARY)).tap { |io| Lattice::Format::ArrayFile.put(io, arrays, meta) }.string
      end
    end
  end
end
