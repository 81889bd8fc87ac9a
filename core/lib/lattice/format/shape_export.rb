# frozen_string_literal: true

module Lattice
  module Format
    # Bodies as bytes of an open format: STL, OBJ or binary glTF.
    module ShapeExport
      KINDS = { ".stl" => "model/stl", ".obj" => "model/obj", ".glb" => "model/gltf-binary" }.freeze

      module_function

      # @param bodies [Array<Shape::Body>]
      # @param kind [String] ".stl", ".obj" or ".glb"
      # @return [String]
      # @raise [InvalidInput]
      def bytes(bodies, kind)
        parts = bodies.select { |b| b.facets.count.positive? }.map { |b| [b.name, b.facets] }
        raise InvalidInput.at("there is no body with faces to export", cure: "Make one first.") if parts.empty?

        case kind.downcase
        when ".stl" then Stl.binary(parts.map(&:last))
        when ".obj" then Obj.text(parts)
        when ".glb" then Gltf.binary(parts)
        else raise InvalidInput.at("“#{kind}” is not a format that shapes are written in", cure: "Choose .stl, .obj or .glb.")
        end
      end
    end
  end
end
