# frozen_string_literal: true

$LOAD_PATH.unshift File.expand_path("../../core/lib", __dir__)

require "English"
require "fileutils"
require "json"
require "securerandom"
require "sequel"
require "lattice"

# The web side of Gentle Lattice: projects, revisions, runs, and the API over them.
module LatticeServer
  LOADER = Zeitwerk::Loader.new
  LOADER.tag = "lattice_server"
  LOADER.push_dir(File.expand_path("lattice_server", __dir__), namespace: LatticeServer)
  LOADER.setup

  Lattice::Shape::Store.shared = Lattice::Shape::Store.new(Config.data)
end
