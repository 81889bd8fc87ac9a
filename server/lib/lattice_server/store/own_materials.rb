# frozen_string_literal: true

module LatticeServer
  module Store
    # Materials of one's own in the library. Models take their properties over, so that a model's file stands alone.
    class OwnMaterials
      PROPERTIES = Lattice::Matter::Material::DIMENSIONS.transform_keys(&:to_s).freeze
      TEXTS = %w[name category source].freeze
      LONGEST = 80
      MOST = 1000

      def initialize(db)
        @db = db
      end

      # @return [Array<Hash>] entries as those that ship, with own: true
      def all = @db[:own_materials].order(:name).map { |row| JSON.parse(row[:entry]).merge("own" => true) }

      # @param entry [Hash] name, source, category and properties as they are typed
      # @return [Hash] what is kept
      # @raise [Problem] for what is no material
      def put(entry)
        kept = checked(entry)
        raise Problem.new(422, "the library holds #{MOST} materials of your own already", cure: "Delete some.") if @db[:own_materials].count >= MOST && !@db[:own_materials][name: kept["name"]]

        @db[:own_materials].insert_conflict(target: :name, update: { entry: JSON.generate(kept), changed_at: Time.now }).insert(name: kept["name"], entry: JSON.generate(kept), changed_at: Time.now)
        kept
      end

      # @raise [Problem] 404
      def delete(name)
        @db[:own_materials].where(name: name).delete.positive? || raise(Problem.new(404, "there is no material “#{name}” of your own", cure: "Load the library again."))
      end

      private

      def checked(entry)
        kept = entry.slice(*TEXTS, *PROPERTIES.keys).transform_values { |v| v.is_a?(String) ? v.strip : v }.reject { |_, v| v == "" || v.nil? }
        named!(kept)
        known!(kept)
        kept
      end

      def named!(kept)
        wrong = TEXTS.find { |key| kept[key] && !(kept[key].is_a?(String) && kept[key].size <= (key == "source" ? LONGEST * 4 : LONGEST)) }
        raise Problem.new(422, "“#{wrong}” is not a short text", cure: "Give at most #{LONGEST} letters.") if wrong
        raise Problem.new(422, "the material has no name", cure: "Give it one.") unless kept["name"]
        raise Problem.new(409, "“#{kept['name']}” ships with the library", cure: "Give yours another name.") if Lattice::Matter::Library.find(kept["name"])
      end

      # By the same rules as a note's own material.
      # @raise [Lattice::InvalidInput]
      def known!(kept)
        PROPERTIES.each do |key, dimension|
          kept[key] && Lattice::Quantity.parse(kept[key].to_s, dimension)
        rescue Lattice::Quantity::Unreadable => e
          raise Problem.new(422, "#{key}: #{e.message}", cure: "Give a value with its unit.")
        end
        Lattice::Matter::Material.read(Lattice::Model::Statement.new({ "id" => "own", "kind" => "material", "material" => kept["name"], "properties" => kept.slice(*PROPERTIES.keys) }))
      end
    end
  end
end
