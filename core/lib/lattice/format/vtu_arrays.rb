# frozen_string_literal: true

require "rexml/parsers/pullparser"

module Lattice
  module Format
    # The arrays of an XML file of the VTK formats, read piece by piece: what is nested, declared
    # or sized in a way that no such file is, is refused where it stands.
    class VtuArrays
      DEEPEST = 20
      Entry = Struct.new(:section, :name, :type, :format, :text)

      # What keeps the file from being read, and what to do.
      class Unreadable < Error
        attr_reader :cure

        def initialize(message, cure = "Write the mesh again.")
          @cure = cure
          super(message)
        end
      end

      # root: attributes of the VTKFile element
      attr_reader :root, :entries

      # @param text [String]
      # @raise [Unreadable]
      def initialize(text)
        @entries = []
        @path = []
        parser = REXML::Parsers::PullParser.new(text)
        follow(parser.pull) while parser.has_next?
        refuse("is not an unstructured grid", "Write it as .vtu.") unless @root && @root["type"] == "UnstructuredGrid"
      rescue REXML::ParseException, ArgumentError, RuntimeError, EncodingError
        raise Unreadable.new("is not an XML file that can be read", "Write it again as .vtu.")
      end

      # @return [Entry, nil]
      def find(section, name = nil) = entries.find { |e| e.section == section && (name.nil? || e.name == name) }

      # @param entry [Entry]
      # @return [Numo::NArray] its numbers
      # @raise [Unreadable]
      def values(entry)
        type = VTU::TYPE_NAMES[entry.type] or refuse("has values of type #{entry.type} in #{entry.name || entry.section}", "Write it with Float64 and Int32.")
        entry.format == "ascii" ? typed(entry, type) : decoded(entry, type)
      end

      # @return [Numo::Int32]
      # @raise [Unreadable] for numbers that are not whole, or too large
      def whole(entry)
        found = values(entry)
        return Numo::Int32.zeros(0) if found.empty?

        wide = Numo::DFloat.cast(found)
        refuse("has numbers in #{entry.name} that are no index", "Write the mesh again.") unless wide.abs.max < 2**31 && wide.eq(wide.floor).all?
        Numo::Int32.cast(found)
      end

      private

      def refuse(message, cure = "Write the mesh again.") = raise(Unreadable.new(message, cure))

      def follow(event)
        if event.start_element? then enter(event[0], event[1])
        elsif event.end_element? then leave
        elsif event.doctype? || event.entitydecl? then refuse("declares entities, which no mesh needs", "Write it without a document type.")
        elsif (event.text? || event.cdata?) && @entry then @entry.text << event[0]
        end
      end

      def enter(name, attributes)
        refuse("is nested more than #{DEEPEST} deep") if @path.size >= DEEPEST
        @root = attributes if @path.empty? && name == "VTKFile"
        refuse("is compressed", "Write it without compression.") if name == "VTKFile" && attributes["compressor"]
        refuse("has its numbers in the order of another machine", "Write it little-endian.") if name == "VTKFile" && attributes["byte_order"] == "BigEndian"
        refuse("holds several pieces", "Write it in one piece.") if name == "Piece" && (@pieces = (@pieces || 0) + 1) > 1
        if name == "DataArray"
          @entry = Entry.new(@path.last, attributes["Name"], attributes["type"], attributes["format"], +"")
          entries << @entry
        end
        @path << name
      end

      def leave = @path.pop == "DataArray" && @entry = nil

      def typed(entry, type)
        numbers = entry.text.split.map { |word| Float(word) }
        finite(entry, numbers.empty? ? type.zeros(0) : Numo::DFloat.cast(numbers))
      rescue ArgumentError
        refuse("has something in #{entry.name || entry.section} that is not a number")
      end

      def decoded(entry, type)
        refuse("has its arrays apart from where they are named", "Write it with inline binary or text arrays.") unless entry.format == "binary"
        bytes = entry.text.delete(" \t\r\n").unpack1("m0")
        head = root["header_type"] == "UInt64" ? 8 : 4
        refuse("has an empty array #{entry.name || entry.section}") if bytes.bytesize < head
        wanted = bytes[0, head].unpack1(head == 8 ? "Q<" : "L<")
        unless wanted == bytes.bytesize - head && (wanted % type::ELEMENT_BYTE_SIZE).zero?
          refuse("is cut short in #{entry.name || entry.section}: #{wanted} bytes are announced, #{bytes.bytesize - head} are there")
        end
        finite(entry, wanted.zero? ? type.zeros(0) : type.from_binary(bytes[head..]))
      rescue ArgumentError
        refuse("has an array #{entry.name || entry.section} that is no text of binary numbers")
      end

      def finite(entry, array)
        wide = array.is_a?(Numo::DFloat) || array.is_a?(Numo::SFloat)
        refuse("has numbers in #{entry.name || entry.section} that are not finite") if wide && !array.empty? && !(array - array).eq(0).all?
        array
      end
    end
  end
end
