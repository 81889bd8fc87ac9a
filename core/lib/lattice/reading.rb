# frozen_string_literal: true

module Lattice
  # Reads files that somebody names, and says in words why one cannot be.
  module Reading
    module_function

    # @param path [String]
    # @param largest [Integer] bytes
    # @return [String] UTF-8
    # @raise [InvalidInput]
    def text(path, largest)
      raise InvalidInput.at("“#{File.basename(path)}” is larger than #{largest / (1024**2)} MB", cure: "Split it.") if File.size(path) > largest

      File.read(path, encoding: "UTF-8")
    rescue SystemCallError => e
      raise InvalidInput.at("“#{File.basename(path)}” cannot be read: #{e.message[/\A[^@]*/].strip}", cure: "Check its name and who may read it.")
    end
  end
end
