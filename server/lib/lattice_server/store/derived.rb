# frozen_string_literal: true

module LatticeServer
  module Store
    # What was computed, under the digest of what it was computed from: a row here,
    # and a file beside the database for meshes and results.
    class Derived
      def initialize(db, folder = Config.derived)
        @db = db
        @folder = folder
      end

      # @return [Hash, nil] the meta data, when it is there
      def find(digest)
        row = @db[:derived][digest: digest]
        row && JSON.parse(row[:meta])
      end

      def path(digest, kind) = File.join(@folder, "#{digest}.#{kind}")

      # The file is written first, so that a row is a promise that it is whole.
      # @yield [String] the path to write to
      def put(digest, kind, meta)
        yield path(digest, kind) if block_given?
        @db[:derived].insert_conflict(:replace).insert(digest: digest, kind: kind, meta: JSON.generate(meta), created_at: Time.now)
      end

      # @raise [Problem] 404 when the digest is unknown or malformed
      def path!(digest, kind)
        file = digest.match?(/\A\h{64}\z/) && path(digest, kind)
        return file if file && find(digest) && File.file?(file)

        raise Problem.new(404, "that #{kind} has not been computed", cure: "Solve the study first.")
      end
    end
  end
end
