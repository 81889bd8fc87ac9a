# frozen_string_literal: true

module LatticeServer
  module Store
    # Materials of one's own in the library. Models take their properties over, so that a model's file stands alone.
    class OwnMaterials
      PROPERTIES = Lattice::Model::Schema::DOCUMENT.dig("$defs", "properties", "properties").freeze
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
        PROPERTIES.each { |key, schema| quantity!(key, kept[key], schema["format"]) if kept[key] }
        %w[young poisson].each { |key| raise Problem.new(422, "“#{key}” is missing", cure: "Every material has a Young's modulus and a Poisson's ratio.") unless kept[key] }
        kept
      end

      def named!(kept)
        wrong = TEXTS.find { |key| kept[key] && !(kept[key].is_a?(String) && kept[key].size <= (key == "source" ? LONGEST * 4 : LONGEST)) }
        raise Problem.new(422, "“#{wrong}” is not a short text", cure: "Give at most #{LONGEST} letters.") if wrong
        raise Problem.new(422, "the material has no name", cure: "Give it one.") unless kept["name"]
        raise Problem.new(409, "“#{kept['name']}” ships with the library", cure: "Give yours another name.") if Lattice::Matter::Library.find(kept["name"])
      end

      def quantity!(key, text, kind)
        raise Lattice::Quantity::Unreadable, "“#{text}” is not a quantity" unless text.is_a?(String)

        value = Lattice::Quantity.parse(text, kind)
        return if key == "poisson" ? value.between?(0, 0.4999) : value.positive? || %w[density expansion].include?(key)

        raise Problem.new(422, "#{key}: #{text} cannot be", cure: key == "poisson" ? "Give a ratio from 0 to below 0.5." : "Give a value above zero.")
      rescue Lattice::Quantity::Unreadable => e
        raise Problem.new(422, "#{key}: #{e.message}", cure: "Give a value with its unit.")
      end
    end
  end
end
