# frozen_string_literal: true

module Lattice
  module Format
    # Writes surfaces as binary glTF 2.0 (ISO/IEC 12113), a mesh per body and a primitive
    # per face; lengths in metres.
    module Gltf
      MAGIC = 0x46546C67
      INK = [0.55, 0.62, 0.62, 1.0].freeze

      module_function

      # @param parts [Array(String, Shape::Facets)] names and surfaces
      # @return [String]
      def binary(parts)
        document = scene(INK).merge(nodes: [{ name: "shape", children: (1..parts.size).to_a }])
        bytes = String.new(encoding: Encoding::BINARY)
        parts.each_with_index { |(name, facets), i| add(document, bytes, name, facets, i) }
        document[:buffers] = [{ byteLength: bytes.bytesize }]
        packed(JSON.generate(document), bytes)
      end

      # One surface with a colour at every point.
      # @param points [Numo::DFloat] [p, 3] m
      # @param triangles [Numo::Int32] [t, 3]
      # @param colours [Numo::DFloat] [p, 3] from 0 to 1
      # @return [String]
      def coloured(name, points, triangles, colours)
        document = scene([1, 1, 1, 1]).merge(nodes: [{ name: name, mesh: 0 }])
        bytes = String.new(encoding: Encoding::BINARY)
        attributes = { POSITION: places(document, bytes, points), COLOR_0: view(document, bytes, Numo::SFloat.cast(colours), 34_962, 5126, "VEC3") }
        document[:meshes] << { name: name, primitives: [surface(document, bytes, attributes, triangles)] }
        document[:buffers] = [{ byteLength: bytes.bytesize }]
        packed(JSON.generate(document), bytes)
      end

      def add(document, bytes, name, facets, index)
        document[:nodes] << { name: name, mesh: index }
        points = places(document, bytes, facets.points)
        primitives = facets.faces.each_index.filter_map do |face|
          triangles = facets.triangles[facets.of(face), true].dup
          next if triangles.empty?

          surface(document, bytes, { POSITION: points }, triangles)
        end
        document[:meshes] << { name: name, primitives: primitives }
      end

      def scene(colour)
        { asset: { version: "2.0", generator: "Gentle Lattice" }, scene: 0, scenes: [{ nodes: [0] }],
          materials: [{ pbrMetallicRoughness: { baseColorFactor: colour, metallicFactor: 0, roughnessFactor: 0.9 }, doubleSided: true }],
          meshes: [], accessors: [], bufferViews: [], buffers: [] }
      end

      def places(document, bytes, points)
        view(document, bytes, Numo::SFloat.cast(points), 34_962, 5126, "VEC3").tap { |number| document[:accessors][number].merge!(min: points.min(0).to_a, max: points.max(0).to_a) }
      end

      def surface(document, bytes, attributes, triangles)
        { attributes: attributes, indices: view(document, bytes, Numo::UInt32.cast(triangles.flatten), 34_963, 5125, "SCALAR"), material: 0 }
      end

      def view(document, bytes, array, target, type, shape)
        document[:bufferViews] << { buffer: 0, byteOffset: bytes.bytesize, byteLength: array.size * 4, target: target }
        bytes << array.to_binary
        document[:accessors] << { bufferView: document[:bufferViews].size - 1, componentType: type, count: array.shape[0], type: shape }
        document[:accessors].size - 1
      end

      def packed(json, bytes)
        json += " " * (-json.bytesize % 4)
        total = 12 + 8 + json.bytesize + 8 + bytes.bytesize
        [[MAGIC, 2, total].pack("V3"), [json.bytesize].pack("V"), "JSON", json, [bytes.bytesize].pack("V"), "BIN\0", bytes].map(&:b).join
      end
    end
  end
end
