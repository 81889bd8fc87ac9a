# frozen_string_literal: true

module LatticeServer
  # Where things are kept and where the server listens; from the environment.
  module Config
    ROOT = File.expand_path("../../..", __dir__)

    module_function

    def data = File.expand_path(ENV.fetch("LATTICE_DATA", File.join(ROOT, "var")))
    def database = File.join(data, "lattice.sqlite3")
    def derived = File.join(data, "derived")
    def dist = File.join(ROOT, "web", "dist")
    def host = ENV.fetch("LATTICE_HOST", "127.0.0.1")
    def port = Integer(ENV.fetch("LATTICE_PORT", "4567"))

    # Host names under which requests are served; more can be allowed, comma-separated.
    def host_names
      ["127.0.0.1", "localhost", "[::1]", *ENV.fetch("LATTICE_HOST_NAMES", "").split(",")].uniq
    end
  end
end
