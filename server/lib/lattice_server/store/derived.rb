# frozen_string_literal: true

module LatticeServer
  module Store
    # What was computed, under the digest of what it was computed from: a row here,
    # and a file beside the database for meshes and results.
    class Derived
      FILES = %w[mesh result].freeze
      SELDOM = 600 # s between notes of when a row was used

      def initialize(db, folder = Config.derived)
        @db = db
        @folder = folder
      end

      # A row whose file is gone or cut short is forgotten, so that it is computed again.
      # @return [Hash, nil] the meta data, when it is there
      def find(digest)
        row = digest && @db[:derived][digest: digest] or return nil
        return forget(digest) if FILES.include?(row[:kind]) && File.size?(path(digest, row[:kind])) != row[:bytes]

        touch(row)
        JSON.parse(row[:meta])
      end

      def path(digest, kind) = File.join(@folder, "#{digest}.#{kind}")

      # The file is written first, so that a row is a promise that it is whole.
      # @yield [String] the path to write to
      def put(digest, kind, meta)
        file = path(digest, kind)
        yield file if block_given?
        now = Time.now
        @db[:derived].insert_conflict(:replace)
                     .insert(digest: digest, kind: kind, meta: JSON.generate(meta), created_at: now, used_at: now, bytes: block_given? ? File.size(file) : 0)
      end

      # @return [nil]
      def forget(digest)
        @db[:derived].where(digest: digest).delete
        FILES.each { |kind| FileUtils.rm_f(path(digest, kind)) }
        nil
      end

      # @raise [Problem] 404 when the digest is unknown or malformed
      def path!(digest, kind)
        return path(digest, kind) if digest.to_s.match?(/\A\h{64}\z/) && find(digest)

        raise Problem.new(404, "that #{kind} has not been computed, or is to be computed again", cure: "Solve the study.")
      end

      # @param result [String] digest
      # @return [String] digest of the mesh that it lies on
      def mesh_of(result) = find(result)["mesh"]

      private

      def touch(row)
        now = Time.now
        @db[:derived].where(digest: row[:digest]).update(used_at: now) if row[:used_at].nil? || now - row[:used_at] > SELDOM
      rescue Sequel::DatabaseError
        nil # when it was used matters less than that it can be
      end
    end
  end
end
