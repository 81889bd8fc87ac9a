# frozen_string_literal: true

require "stringio"

module LatticeServer
  # Meshes and fields for the model window, as binary arrays (see docs/formats).
  class Fields
    def initialize(derived)
      @derived = derived
    end

    # @return [String] skin of a mesh
    def skin(digest)
      grid = grid(digest)
      skin = Lattice::Mesh::Skin.new(grid)
      meta = { faces: skin.faces, edges: skin.edges, dimension: grid.dimension, bodies: grid.blocks.map(&:body).uniq }
      packed({ "positions" => Numo::SFloat.cast(grid.nodes[skin.nodes, true]), "triangles" => skin.triangles, "sides" => skin.sides,
               "lines" => skin.lines, "quality" => quality(grid, skin) }, meta)
    end

    # @param names [Array<String>] see Result::Static.fields
    # @return [String] the fields at the nodes of the skin
    def fields(digest, names)
      unknown = names - Lattice::Result::Static.fields
      raise Problem.new(422, "“#{unknown.first}” is not a field", cure: "Known: #{Lattice::Result::Static.fields.join(', ')}.") unless unknown.empty?

      result = result(digest)
      nodes = Lattice::Mesh::Skin.new(result.grid).nodes
      arrays = { "displacement" => Numo::SFloat.cast(result.displacement[nodes, true]) }
      extremes = {}
      names.each do |name|
        field = result.field(name)
        arrays[name] = Numo::SFloat.cast(field[nodes])
        extremes[name] = extreme(field, result.grid.nodes).merge(dimension: Lattice::Result::Static.dimension_of(name))
      end
      packed(arrays, { extremes: extremes })
    end

    private

    def grid(digest) = Lattice::Format::GridFile.read(@derived.path!(digest, "mesh"))

    def result(digest)
      path = @derived.path!(digest, "result")
      Lattice::Format::ResultFile.read(path, grid(@derived.find(digest)["mesh"]))
    end

    # Worst quality of the elements around each skin node.
    def quality(grid, skin)
      worst = Numo::DFloat.ones(grid.nodes.shape[0])
      grid.blocks.each do |block|
        values = Lattice::Mesh::Quality.scaled_jacobian(grid.nodes, block.kind, block.conn)
        around = Lattice::Mesh::Incidence.padded(block.conn, grid.nodes.shape[0])
        worst = Numo::DFloat.minimum(worst, values.concatenate(Numo::DFloat[1.0])[around].min(1))
      end
      Numo::SFloat.cast(worst[skin.nodes])
    end

    def extreme(field, nodes)
      low = field.min_index
      high = field.max_index
      { min: field[low], max: field[high], min_at: nodes[low, true].to_a, max_at: nodes[high, true].to_a }
    end

    def packed(arrays, meta)
      StringIO.new(String.new(encoding: Encoding::BINARY)).tap { |io| Lattice::Format::ArrayFile.put(io, arrays, meta) }.string
    end
  end
end
