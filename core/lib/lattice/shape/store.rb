# frozen_string_literal: true

module Lattice
  module Shape
    # Keeps what was made of shapes under the digest of what it was made from: the most
    # recent in memory, all in a folder when one is given. Also keeps imported files.
    class Store
      RECENT = 400
      TRIANGLES = 3_000_000 # kept in memory

      class << self
        # The store that is used where none is named.
        attr_writer :shared

        def shared = @shared ||= new(ENV.fetch("LATTICE_SHAPES", nil))
      end

      # @param folder [String, nil] nil keeps nothing beyond this process, and has no files
      def initialize(folder = nil)
        @folder = folder
        @recent = {}
        @lent = {}
        @refused = {}
        @lock = Mutex.new
        lay_out if folder
      end

      # What cannot be made is not tried again either, as it may have taken minutes.
      # @param digest [String]
      # @yieldreturn [Format::FacetsFile::Content]
      # @return [Format::FacetsFile::Content]
      # @raise [InvalidInput, ChildProcess::Failed] what making it raised, then or before
      def fetch(digest)
        raise @refused[digest] if @refused.key?(digest)

        recall(digest) || keep(digest, load(digest) || yield.tap { |made| save(digest, made) })
      rescue Format::ShapeFile::Unreadable, ChildProcess::Failed => e
        @refused[digest] = e unless e.is_a?(ChildProcess::Failed) && e.reason == :missing
        raise
      end

      # Keeps a file that was brought in, so that the model can be rebuilt.
      # @return [String] the digest of its bytes
      def add_file(path)
        digest = ::Digest::SHA256.file(path).hexdigest
        target = file_at(digest)
        unless File.file?(target) && File.size(target) == File.size(path)
          partial = Format::ArrayFile.partial(target)
          FileUtils.cp(path, partial)
          File.rename(partial, target)
        end
        digest
      end

      # Lets a file that lies elsewhere serve as the kept one, when its bytes are the same. Who
      # brings a file wants it tried, whatever was refused before.
      def lend(digest, path)
        @refused.clear
        @lent[digest] = path if File.file?(path) && ::Digest::SHA256.file(path).hexdigest == digest
      end

      def unlend(digest) = @lent.delete(digest)

      # @return [String, nil] path of a kept file
      def file(digest)
        return @lent[digest] if @lent.key?(digest)

        path = @folder && digest.match?(/\A\h{64}\z/) && file_at(digest)
        path if path && File.file?(path)
      end

      private

      # A folder that cannot be made is told of when something is to be kept there.
      def lay_out
        FileUtils.mkdir_p([File.join(@folder, "shapes"), File.join(@folder, "files")])
      rescue SystemCallError
        nil
      end

      def file_at(digest) = File.join(@folder, "files", digest)
      def shape_at(digest) = File.join(@folder, "shapes", "#{digest}.facets")

      def recall(digest)
        @lock.synchronize { @recent.delete(digest)&.tap { |found| @recent[digest] = found } }
      end

      def keep(digest, value)
        @lock.synchronize do
          @recent[digest] = value
          @recent.shift while @recent.size > 1 && (@recent.size > RECENT || held > TRIANGLES)
        end
        value
      end

      def held = @recent.each_value.sum { |content| content.parts.sum { |part| part.facets.count } }

      def load(digest)
        Format::FacetsFile.read(shape_at(digest)) if @folder && File.file?(shape_at(digest))
      rescue Format::ArrayFile::Torn
        nil
      end

      def save(digest, made)
        Format::FacetsFile.write(shape_at(digest), made) if @folder
      end
    end
  end
end
