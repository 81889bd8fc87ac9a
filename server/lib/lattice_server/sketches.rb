# frozen_string_literal: true

module LatticeServer
  # Sketches of documents, from builders; the last few are kept.
  module Sketches
    KEPT = 40
    BYTES = 64 * (1024**2)
    @kept = {}
    @lock = Mutex.new

    module_function

    # @param text [String] JSON of a document
    # @return [Hash] see Building::Sketch
    # @raise [Lattice::InvalidInput, Problem] for a document that is none, or that cannot be shown within the limits
    def of(text)
      key = ::Digest::SHA256.hexdigest(text)
      found = @lock.synchronize { @kept.delete(key)&.tap { |sketch| @kept[key] = sketch } }
      found || keep(key, Builders.quick.ask(:sketch, text, key: key))
    end

    # Under what the document is kept as, too: that is how it is asked for next.
    def keep(key, sketch)
      @lock.synchronize do
        [key, ::Digest::SHA256.hexdigest(sketch[:document])].uniq.each { |k| @kept[k] = sketch }
        @kept.shift while @kept.size > 1 && (@kept.size > KEPT || @kept.each_value.sum { |s| s[:text].bytesize } > BYTES)
      end
      sketch
    end
  end
end
