# frozen_string_literal: true

module Lattice
  module Format
    # A result on disk; its mesh is kept apart. Frames are read when they are asked for.
    module ResultFile
      module_function

      # @param result [Result::Outcome]
      def write(path, result)
        arrays = {}
        result.computed.times do |frame|
          state = result.state(frame)
          Result::State::TABLES.each { |name| arrays["#{frame} #{name}"] = state[name] if state[name] }
          state.stress.each_with_index { |layers, block| layers.each { |layer, values| arrays["#{frame} stress #{block} #{layer}"] = values } }
        end
        meta = { frames: result.frames.map(&:to_h), made: result.made.to_a, mass: result.mass, ring: result.ring, energy: Array.new(result.computed) { |f| result.energy(f) },
                 blocks: result.state(0).stress.map(&:keys) }
        ArrayFile.write(path, arrays, meta)
      end

      # @param grid [Mesh::Grid]
      # @return [Result::Outcome]
      def read(path, grid)
        file = ArrayFile::Reader.new(path)
        meta = file.meta
        states = meta["energy"].each_index.map { |frame| -> { state(file, frame) } }
        Result::Outcome.new(grid: grid, frames: meta["frames"].map { |f| Result::Frame.new(**f.transform_keys(&:to_sym)) }, states: states, made: meta["made"].to_h,
                            mass: meta["mass"], ring: meta["ring"])
      end

      def state(file, frame)
        tables = Result::State::TABLES.to_h { |name| [name, file["#{frame} #{name}"]] }
        stress = file.meta["blocks"].each_with_index.map { |layers, block| layers.to_h { |layer| [layer, file["#{frame} stress #{block} #{layer}"]] } }
        Result::State.new(**tables, stress: stress, energy: file.meta["energy"][frame])
      end
    end
  end
end
