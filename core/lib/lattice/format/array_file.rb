# frozen_string_literal: true

module Lattice
  module Format
    # Named numeric arrays in one file: a line of JSON (name => type, shape, offset),
    # then the numbers, little-endian, row by row.
    module ArrayFile
      # Raised for a file that is not whole; it is made again from what it was made from.
      class Torn < Error
      end

      TYPES = { "f8" => Numo::DFloat, "f4" => Numo::SFloat, "i4" => Numo::Int32 }.freeze

      module_function

      # @param path [String]
      # @param arrays [Hash{String => Numo::NArray}]
      # @param meta [Hash] anything JSON can hold
      def write(path, arrays, meta = {})
        partial = partial(path)
        File.open(partial, "wb") { |file| put(file, arrays, meta) }
        File.rename(partial, path)
      end

      # Where a file is written before it takes its name; two writers do not meet there.
      def partial(path) = "#{path}.#{Process.pid}-#{Thread.current.object_id}.part"

      # @param io [IO, StringIO] gets the same bytes as a file would
      def put(io, arrays, meta = {})
        offset = 0
        heads = arrays.transform_values do |array|
          { "type" => TYPES.key(array.class), "shape" => array.shape, "offset" => offset }.tap { offset += array.size * array.class::ELEMENT_BYTE_SIZE }
        end
        io.puts(JSON.generate("arrays" => heads, "meta" => meta))
        arrays.each_value { |array| io.write(array.to_binary) }
      end

      # @return [Array(Hash, Hash)] arrays by name, and the meta data
      # @raise [Torn] for a file that is gone, cut short, or of another kind
      def read(path)
        File.open(path, "rb") do |file|
          head = head(file)
          start = file.pos
          arrays = head["arrays"].transform_values do |h|
            type = TYPES.fetch(h["type"])
            file.seek(start + h["offset"])
            type.from_binary(file.read(h["shape"].reduce(1, :*) * type::ELEMENT_BYTE_SIZE) || "", h["shape"])
          end
          [arrays, head["meta"]]
        end
      rescue SystemCallError => e
        raise Torn, "the file cannot be read: #{e.message}"
      end

      # Arrays of a file, each read when it is asked for.
      class Reader
        attr_reader :meta

        # @raise [Torn]
        def initialize(path)
          @path = path
          File.open(path, "rb") do |file|
            head = ArrayFile.head(file)
            @start = file.pos
            @heads = head["arrays"]
            @meta = head["meta"]
          end
        rescue SystemCallError => e
          raise Torn, "the file cannot be read: #{e.message}"
        end

        # @return [Numo::NArray, nil]
        def [](name)
          head = @heads[name] or return nil
          type = TYPES.fetch(head["type"])
          bytes = File.binread(@path, head["shape"].reduce(1, :*) * type::ELEMENT_BYTE_SIZE, @start + head["offset"])
          type.from_binary(bytes || "", head["shape"])
        rescue SystemCallError, ArgumentError => e
          raise Torn, "the file cannot be read: #{e.message}"
        end
      end

      # @return [Boolean] whether a file is as long as its head says
      def whole?(path)
        File.open(path, "rb") { |file| head(file) && true }
      rescue Torn, SystemCallError
        false
      end

      def head(file)
        head = JSON.parse(file.gets.to_s)
        bytes = head.fetch("arrays").values.sum { |h| h["shape"].reduce(1, :*) * TYPES.fetch(h["type"])::ELEMENT_BYTE_SIZE }
        raise Torn, "the file is cut short" unless file.size == file.pos + bytes

        head
      rescue JSON::ParserError, KeyError, NoMethodError, TypeError, EncodingError
        raise Torn, "the file has no head that can be read"
      end
    end
  end
end
