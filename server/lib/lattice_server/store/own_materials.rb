# frozen_string_literal: true

module LatticeServer
  module Store
    # Materials of one's own.
    class OwnMaterials < OwnEntries
      WORD = "material"
      TABLE = :own_materials
      PROPERTIES = Lattice::Matter::Material::DIMENSIONS.transform_keys(&:to_s).freeze
      FIELDS = PROPERTIES.keys.freeze

      private

      def ships?(name) = Lattice::Matter::Library.find(name)

      # By the same rules as a note's own material.
      # @raise [Lattice::InvalidInput]
      def known!(kept)
        PROPERTIES.each { |key, dimension| quantity!(kept, key, dimension) }
        Lattice::Matter::Material.read(Lattice::Model::Statement.new({ "id" => "own", "kind" => "material", "material" => kept["name"], "properties" => kept.slice(*PROPERTIES.keys) }))
      end
    end
  end
end
