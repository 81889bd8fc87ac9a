# frozen_string_literal: true

require "cgi"

module Lattice
  module Format
    # Mesh and fields as an XML file of the VTK formats (unstructured grid, inline binary).
    class VTU
      TYPES = { Numo::DFloat => "Float64", Numo::Int32 => "Int32", Numo::UInt8 => "UInt8" }.freeze

      # @param path [String]
      # @param grid [Mesh::Grid]
      # @param point_data [Hash{String => Numo::DFloat}] [n] or [n, c]
      def self.write(path, grid, point_data = {})
        File.open(path, "w") { |file| new(file, grid).write(point_data) }
      end

      TYPE_NAMES = TYPES.invert.merge("Int64" => Numo::Int64, "Float32" => Numo::SFloat, "UInt32" => Numo::UInt32, "Int8" => Numo::Int8).freeze

      # Reads nodes and elements; bodies are numbered as the cell array "body" says, and
      # groups are the nodes for which a point array "group NAME" is not zero.
      # @param path [String]
      # @return [Mesh::Grid]
      # @raise [InvalidInput] for files of another kind, or written in a way not known here
      def self.read(path) = VtuReader.new(path).grid

      def initialize(file, grid)
        @file = file
        @grid = grid
      end

      def write(point_data)
        @file.puts %(<?xml version="1.0"?>), %(<VTKFile type="UnstructuredGrid" version="1.0" byte_order="LittleEndian" header_type="UInt64">)
        @file.puts "<UnstructuredGrid>", %(<Piece NumberOfPoints="#{@grid.nodes.shape[0]}" NumberOfCells="#{@grid.size}">)
        section("PointData") do
          point_data.each { |name, values| array(name, values) }
          groups.each { |name, values| array(name, values) }
        end
        section("CellData") { array("body", body_numbers) }
        section("Points") { array("coordinates", @grid.nodes) }
        section("Cells") { cells }
        @file.puts "</Piece>", "</UnstructuredGrid>", "</VTKFile>"
      end

      private

      # Every place of the shape as an array of its nodes, 1 or 0.
      def groups
        @grid.places.to_h do |(body, name), conn|
          flags = Numo::UInt8.zeros(@grid.nodes.shape[0])
          flags[conn.flatten.dup] = 1
          [CGI.escapeHTML("group #{body}: #{name}"), flags]
        end
      end

      def section(name)
        @file.puts "<#{name}>"
        yield
        @file.puts "</#{name}>"
      end

      def cells
        blocks = @grid.blocks
        array("connectivity", blocks.map { |b| b.conn.flatten }.reduce { |a, b| a.concatenate(b) })
        array("offsets", per_element { |b| Element::Kind[b.kind].nodes }.cumsum)
        array("types", Numo::UInt8.cast(per_element { |b| Element::Kind[b.kind].vtk }))
      end

      def body_numbers
        names = @grid.blocks.map(&:body).uniq
        per_element { |b| names.index(b.body) }
      end

      def per_element
        @grid.blocks.map { |b| Numo::Int32.zeros(b.size).fill(yield(b)) }.reduce { |a, b| a.concatenate(b) }
      end

      def array(name, values)
        parts = values.ndim > 1 ? values.shape[1] : 1
        bytes = values.to_binary
        @file.puts %(<DataArray type="#{TYPES.fetch(values.class)}" Name="#{name}" NumberOfComponents="#{parts}" format="binary">)
        @file.puts [[bytes.bytesize].pack("Q<") + bytes].pack("m0"), "</DataArray>"
      end
    end
  end
end
