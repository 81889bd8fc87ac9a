# frozen_string_literal: true

module LatticeServer
  module Store
    # Entries of one's own in the library. Models take over what they say, so that a model's file stands alone.
    # A kind of them says what it is called (WORD), where it is kept (TABLE), its fields (FIELDS), what ships of it, and checks it.
    class OwnEntries
      TEXTS = %w[name category source].freeze
      LONGEST = 80
      MOST = 1000

      def initialize(db)
        @db = db[self.class::TABLE]
      end

      # @return [Array<Hash>] entries as those that ship, with own: true
      def all = @db.order(:name).map { |row| JSON.parse(row[:entry]).merge("own" => true) }

      # @param entry [Hash] name, source, category and fields as they are typed
      # @return [Hash] what is kept
      # @raise [Problem] for what is no such entry
      def put(entry)
        kept = entry.slice(*TEXTS, *self.class::FIELDS).transform_values { |v| v.is_a?(String) ? v.strip : v }.reject { |_, v| v == "" || v.nil? }
        named!(kept)
        known!(kept)
        raise Problem.new(422, "the library holds #{MOST} #{word}s of your own already", cure: "Delete some.") if @db.count >= MOST && !@db[name: kept["name"]]

        @db.insert_conflict(target: :name, update: { entry: JSON.generate(kept), changed_at: Time.now }).insert(name: kept["name"], entry: JSON.generate(kept), changed_at: Time.now)
        kept
      end

      # @raise [Problem] 404
      def delete(name)
        @db.where(name: name).delete.positive? || raise(Problem.new(404, "there is no #{word} “#{name}” of your own", cure: "Load the library again."))
      end

      private

      def word = self.class::WORD

      def named!(kept)
        wrong = TEXTS.find { |key| kept[key] && !(kept[key].is_a?(String) && kept[key].size <= (key == "source" ? LONGEST * 4 : LONGEST)) }
        raise Problem.new(422, "“#{wrong}” is not a short text", cure: "Give at most #{LONGEST} letters.") if wrong
        raise Problem.new(422, "the #{word} has no name", cure: "Give it one.") unless kept["name"]
        raise Problem.new(409, "“#{kept['name']}” ships with the library", cure: "Give yours another name.") if ships?(kept["name"])
      end

      def quantity!(kept, key, dimension)
        kept[key] && Lattice::Quantity.parse(kept[key].to_s, dimension)
      rescue Lattice::Quantity::Unreadable => e
        raise Problem.new(422, "#{key}: #{e.message}", cure: "Give a value with its unit.")
      end
    end
  end
end
