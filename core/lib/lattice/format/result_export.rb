# frozen_string_literal: true

require "tmpdir"

module Lattice
  module Format
    # One frame of a result in an open format: the whole mesh with its fields as VTU; the moved skin as STL, or, with a field in
    # colours, as binary glTF.
    class ResultExport
      KINDS = { ".vtu" => "application/xml", ".stl" => "model/stl", ".glb" => "model/gltf-binary" }.freeze
      VECTORS = %i[displacement rotation reaction moment_reaction].freeze
      PALETTE = JSON.parse(File.read(File.expand_path("../../../data/palette.json", __dir__))).transform_values { |list| Numo::DFloat.cast(list) }.freeze

      # Vectors and tensors of a frame at the points of the mesh, von Mises stress, and what is neither; of envelopes, scalars alone.
      # @return [Hash{String => Numo::DFloat}]
      def self.fields(result, frame)
        known = result.catalogue.map(&:name)
        tensors = known.include?("von_mises")
        named = ->(name, layer) { [name, layer].reject(&:empty?).join(" ") }
        scalars = tensors ? result.layers.to_h { |layer| [named["von_mises", layer], result.field("von_mises", frame, layer: layer)] } : {}
        single = result.envelope?(frame) ? known - ["von_mises"] : known.reject { |name| Result::Stress::SCALARS.include?(name) || Result::Catalogue.vector(name) }
        scalars.merge!(single.to_h { |name| [name, result.field(name, frame)] })
        return scalars if result.envelope?(frame)

        vectors(result, frame).merge(tensors ? result.layers.to_h { |layer| [named["stress", layer], result.stress(frame, layer)] } : {}, scalars)
      end

      def self.vectors(result, frame)
        VECTORS.to_h { |name| [name.to_s, result.state(frame)[name]] }.compact.transform_values { |table| table[result.grid.points.nodes, true].dup }
      end
      private_class_method :vectors

      # @param result [Result::Outcome]
      # @param frame [Integer]
      # @param field [String, nil] of its catalogue: what glTF is coloured by; the first when nil
      # @param factor [Float] by how much displacements are drawn larger
      # @param low [Float, nil] where colours begin; high: where they end, in SI
      # @raise [InvalidInput]
      def initialize(result, frame: 0, field: nil, factor: 1.0, low: nil, high: nil)
        @result = result
        @frame = frame
        @field = field || result.catalogue.first&.name
        @factor = factor
        @low = low
        @high = high
        raise InvalidInput.at("there is no frame #{frame + 1}", cure: "The result has #{result.frames.size}.") unless frame.between?(0, result.frames.size - 1)
        raise InvalidInput.at("the result has no field “#{field}”", cure: "Known: #{result.catalogue.map(&:name).join(', ')}.") unless result.catalogue.any? { |f| f.name == @field }
      end

      # @param kind [String] one of KINDS
      # @return [String]
      # @raise [InvalidInput]
      def bytes(kind)
        case kind.downcase
        when ".vtu" then vtu
        when ".stl" then Stl.binary([Shape::Facets.new(points: points, triangles: triangles, owners: Numo::Int32.zeros(triangles.shape[0]), faces: [nil])])
        when ".glb" then Gltf.coloured(@field, points, triangles, colours)
        else raise InvalidInput.at("“#{kind}” is not a format that results are written in", cure: "Choose .vtu, .stl or .glb.")
        end
      end

      private

      def skin = @result.grid.skin
      def members = @members ||= @result.member_shapes
      def still? = @result.envelope?(@frame)

      # Places of the skin and of members as solid sections, moved.
      def points
        @points ||= begin
          at = @result.grid.nodes[skin.nodes, true].dup
          at += @result.displacement(@frame)[skin.nodes, true] * @factor unless still?
          if members.empty?
            at
          else
            Numo::DFloat.vstack([at, still? ? members.positions : members.positions + (members.displacement(@result.state(@frame)) * @factor)])
          end
        end
      end

      def triangles = members.empty? ? skin.triangles : Numo::Int32.vstack([skin.triangles, members.triangles + skin.nodes.size].reject(&:empty?))

      # The same scale as the window's: of two signs both ways alike.
      def colours
        field = @result.field(@field, @frame)
        values = members.empty? ? field[skin.points] : field[skin.points].concatenate(field[members.points])
        least, greatest = values.minmax
        signed = least.negative? && greatest.positive? && [-least, greatest].min > 1e-9 * [-least, greatest].max
        high = @high || (signed ? [-least, greatest].max : greatest)
        low = @low || (signed ? -high : [least, 0.0].min)
        blended(PALETTE[signed ? "signed" : "field"], ((values - low) / [high - low, 1e-300].max).clip(0, 1))
      end

      def blended(stops, share)
        along = share * (stops.shape[0] - 1)
        from = Numo::Int32.cast(along.floor).clip(0, stops.shape[0] - 2)
        part = (along - from).reshape(along.size, 1)
        stops[from, true] + ((stops[from + 1, true] - stops[from, true]) * part)
      end

      def vtu
        Dir.mktmpdir do |folder|
          path = File.join(folder, "result.vtu")
          VTU.write(path, @result.grid.parted, self.class.fields(@result, @frame))
          File.binread(path)
        end
      end
    end
  end
end
