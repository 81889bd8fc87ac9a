# frozen_string_literal: true

module Lattice
  module Format
    # A result on disk; its mesh is kept apart. Frames are read when they are asked for.
    module ResultFile
      BY_LAYER = %i[stress flow].freeze
      BY_BLOCK = %i[ends plastic free].freeze

      module_function

      # @param result [Result::Outcome]
      def write(path, result)
        arrays = {}
        kept = result.kept
        kept.each_with_index { |state, k| put_state(arrays, k, state) }
        first = kept[0]
        fibres = first.fibres.each_with_index.to_h { |f, block| [block, f] }.compact
        fibres.each { |block, f| put_fibres(arrays, block, f) }
        meta = { frames: result.frames.map(&:to_h), made: result.made.to_a, about: result.about.to_h, energy: kept.map(&:energy),
                 blocks: first.stress.map(&:keys), fibres: fibres.transform_values { |f| f.sections.map { |s| [s.area, s.two, s.three, s.rings] } }.to_a }
        meta.merge!(of: result.class.name.split("::").last, tables: result.tables.keys)
        arrays.merge!(result.tables.transform_keys { |name| "table #{name}" })
        ArrayFile.write(path, arrays, meta)
      end

      def put_state(arrays, frame, state)
        Result::State::TABLES.each { |name| arrays["#{frame} #{name}"] = state[name] if state[name] }
        BY_LAYER.each do |name|
          (state[name] || []).each_with_index { |layers, block| layers&.each { |layer, values| arrays["#{frame} #{name} #{block} #{layer}"] = values } }
        end
        BY_BLOCK.each { |name| (state[name] || []).each_with_index { |values, block| arrays["#{frame} #{name} #{block}"] = values if values } }
      end

      # @param grid [Mesh::Grid]
      # @return [Result::Outcome]
      def read(path, grid)
        file = ArrayFile::Reader.new(path)
        meta = file.meta
        fibres = fibres(file)
        states = meta["energy"].each_index.map { |frame| -> { state(file, frame, fibres) } }
        parts = { grid: grid, frames: meta["frames"].map { |f| Result::Frame.new(**f.transform_keys(&:to_sym)) }, states: states, made: meta["made"].to_h,
                  about: Result::Outcome::About.read(meta["about"]) }
        tables = (meta["tables"] || []).to_h { |name| [name, file["table #{name}"]] }
        Result.const_get(meta["of"] || "Outcome").read(tables, **parts)
      end

      def put_fibres(arrays, block, fibres)
        arrays["fibres #{block} index"] = fibres.index
        arrays["fibres #{block} axes"] = fibres.axes
        fibres.sections.each_with_index { |section, k| arrays["fibres #{block} points #{k}"] = section.points }
      end

      # @return [Array<Element::Beam::Fibres, nil>] block by block
      def fibres(file)
        known = file.meta["fibres"].to_h
        file.meta["blocks"].each_index.map do |block|
          sections = known[block] or next
          made = sections.each_with_index.map { |values, k| Element::Beam::Fibres::Section.new(*values, file["fibres #{block} points #{k}"]) }
          Element::Beam::Fibres.new(file["fibres #{block} index"], made, file["fibres #{block} axes"])
        end
      end

      def state(file, frame, fibres)
        tables = Result::State::TABLES.to_h { |name| [name, file["#{frame} #{name}"]] }
        blocks = file.meta["blocks"]
        stress, flow = BY_LAYER.map { |name| blocks.each_with_index.map { |layers, block| layers.to_h { |layer| [layer, file["#{frame} #{name} #{block} #{layer}"]] }.compact } }
        by_block = BY_BLOCK.to_h { |name| [name, blocks.each_index.map { |block| file["#{frame} #{name} #{block}"] }] }
        some = ->(list) { list if list.any? }
        Result::State.new(**tables, stress: stress, ends: by_block[:ends], plastic: some[by_block[:plastic]], free: some[by_block[:free]], flow: some[flow.map { |layers| layers.empty? ? nil : layers }],
                                    fibres: fibres, energy: file.meta["energy"][frame])
      end
    end
  end
end
