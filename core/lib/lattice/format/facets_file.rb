# frozen_string_literal: true

module Lattice
  module Format
    # A list of named surfaces in one array file, with what a reader reported.
    module FacetsFile
      # A surface with its name, the parts it sits in within its file, and its colour.
      Part = Struct.new(:name, :facets, :path, :colour, keyword_init: true)

      # What one file or one combination gives.
      Content = Struct.new(:parts, :report, keyword_init: true)

      module_function

      # @param content [Content]
      def write(path, content)
        arrays = {}
        meta = content.parts.each_with_index.map do |part, i|
          facets = part.facets
          arrays["points #{i}"] = facets.points
          arrays["triangles #{i}"] = facets.triangles
          arrays["owners #{i}"] = facets.owners
          arrays["normals #{i}"] = Numo::SFloat.cast(facets.normals) if facets.normals
          runs = facets.edges.map(&:nodes)
          arrays["edges #{i}"] = runs.empty? ? Numo::Int32.zeros(0) : Numo::Int32.cast(runs.flatten)
          { name: part.name, path: part.path, colour: part.colour, faces: facets.faces.map { |f| [f.name, f.surface.as_json, f.colour] },
            edges: facets.edges.map { |e| e.to_h.except(:nodes).merge(count: e.nodes.size) } }
        end
        ArrayFile.write(path, arrays, { parts: meta, report: content.report })
      end

      # @return [Content]
      def read(path)
        arrays, meta = ArrayFile.read(path)
        parts = meta["parts"].each_with_index.map do |part, i|
          Part.new(name: part["name"], path: part["path"], colour: part["colour"], facets: facets(arrays, part, i))
        end
        Content.new(parts: parts, report: meta["report"]&.transform_keys(&:to_sym))
      end

      def facets(arrays, part, index)
        faces = part["faces"].map { |name, surface, colour| Shape::Face.new(name, Shape::Surface.new(**surface.transform_keys(&:to_sym)), colour) }
        nodes = arrays["edges #{index}"].to_a
        edges = part["edges"].map do |edge|
          Shape::Edge.new(**edge.except("count").transform_keys(&:to_sym), nodes: nodes.shift(edge["count"]))
        end
        normals = arrays["normals #{index}"]
        Shape::Facets.new(points: arrays["points #{index}"], triangles: arrays["triangles #{index}"], owners: arrays["owners #{index}"],
                          faces: faces, edges: edges, normals: normals && Numo::DFloat.cast(normals))
      end
    end
  end
end
