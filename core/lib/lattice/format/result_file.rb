# frozen_string_literal: true

module Lattice
  module Format
    # A static result on disk; its mesh is kept apart.
    module ResultFile
      module_function

      # @param result [Result::Static]
      def write(path, result)
        arrays = { "displacement" => result.displacement, "load" => result.load, "reaction" => result.reaction }
        result.element_stress.each_with_index { |s, i| arrays["stress #{i}"] = s }
        ArrayFile.write(path, arrays, { energy: result.energy, mass: result.mass, ring: result.ring })
      end

      # @param grid [Mesh::Grid]
      # @return [Result::Static]
      def read(path, grid)
        arrays, meta = ArrayFile.read(path)
        stress = grid.blocks.each_index.map { |i| arrays["stress #{i}"] }
        Result::Static.new(grid: grid, displacement: arrays["displacement"], load: arrays["load"], reaction: arrays["reaction"],
                           element_stress: stress, energy: meta["energy"], mass: meta["mass"], ring: meta["ring"])
      end
    end
  end
end
