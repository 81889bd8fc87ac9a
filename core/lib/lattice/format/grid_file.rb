# frozen_string_literal: true

module Lattice
  module Format
    # A mesh on disk.
    module GridFile
      module_function

      # @param grid [Mesh::Grid]
      def write(path, grid)
        arrays = { "nodes" => grid.nodes }
        grid.blocks.each_with_index { |block, i| arrays["block #{i}"] = block.conn }
        grid.places.each_with_index { |(_, conn), i| arrays["place #{i}"] = Numo::Int32.cast(conn) }
        ArrayFile.write(path, arrays, { dimension: grid.dimension, order: grid.order, blocks: grid.blocks.map { |b| [b.kind, b.body] }, places: grid.places.keys })
      end

      # @return [Mesh::Grid]
      def read(path)
        arrays, meta = ArrayFile.read(path)
        blocks = meta["blocks"].each_with_index.map { |(kind, body), i| Mesh::Block.new(kind.to_sym, body, arrays["block #{i}"]) }
        places = meta["places"].each_with_index.to_h { |key, i| [key, arrays["place #{i}"]] }
        Mesh::Grid.new(nodes: arrays["nodes"], blocks: blocks, places: places, dimension: meta["dimension"], order: meta["order"])
      end
    end
  end
end
