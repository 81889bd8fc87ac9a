# frozen_string_literal: true

require "cgi"

module Lattice
  module Format
    # Which files of a series belong to which time, frequency or number: an XML collection of the VTK formats.
    module PVD
      module_function

      # @param path [String]
      # @param files [Array(String, Float)] beside it, and the value of each
      def write(path, files)
        rows = files.map { |name, value| %(<DataSet timestep="#{value}" part="0" file="#{CGI.escapeHTML(name)}"/>) }
        File.write(path, [%(<?xml version="1.0"?>), %(<VTKFile type="Collection" version="0.1">), "<Collection>", *rows, "</Collection>", "</VTKFile>", ""].join("\n"))
      end
    end
  end
end
