# frozen_string_literal: true

require "json"
require "digest"
require "fileutils"
require "tmpdir"
require "ffi"
require "zeitwerk"
require "numo/narray"
require "numo/linalg"

# The computation of Gentle Lattice: from a model document to findings.
# Nothing in here knows of the web, of a database or of a screen.
module Lattice
  LOADER = Zeitwerk::Loader.new
  LOADER.tag = "lattice"
  LOADER.push_dir(File.expand_path("lattice", __dir__), namespace: Lattice)
  LOADER.inflector.inflect("vtu" => "VTU", "pvd" => "PVD")
  LOADER.setup

  # Part of every digest of derived data: raise it when a change in the
  # computation makes stored results obsolete.
  COMPUTATION = 8
end
