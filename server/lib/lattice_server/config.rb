# frozen_string_literal: true

module LatticeServer
  # Where things are kept and where the server listens; from the environment.
  module Config
    ROOT = File.expand_path("../../..", __dir__)

    module_function

    def data = File.expand_path(ENV.fetch("LATTICE_DATA", File.join(ROOT, "var")))
    def database = File.join(data, "lattice.sqlite3")

    # Bytes that derived files may take.
    def budget = (Float(ENV.fetch("LATTICE_BUDGET", "20")) * (1024**3)).to_i

    # @raise [Problem] when nothing can be written to the data folder
    def check!
      FileUtils.mkdir_p(derived)
      probe = File.join(data, ".writable-#{Process.pid}")
      File.write(probe, "")
      File.delete(probe)
    rescue Errno::ENOSPC
      raise Problem.new(507, "the disk of the data folder #{data} is full", cure: "Free some space, or set LATTICE_DATA to a folder on another disk.")
    rescue SystemCallError => e
      raise Problem.new(503, "the data folder #{data} cannot be written to (#{e.class.name.split('::').last})",
                        cure: "Give this user the right to write there, or set LATTICE_DATA to another folder.")
    end

    def derived = File.join(data, "derived")
    def dist = File.join(ROOT, "web", "dist")
    def host = ENV.fetch("LATTICE_HOST", "127.0.0.1")
    # Where this machine itself reaches the server.
    def address = "http://#{%w[0.0.0.0 ::].include?(host) ? '127.0.0.1' : host}:#{port}"
    def port = Integer(ENV.fetch("LATTICE_PORT", "4567"))

    # Host names under which requests are served; more can be allowed, comma-separated.
    def host_names
      ["127.0.0.1", "localhost", "[::1]", *ENV.fetch("LATTICE_HOST_NAMES", "").split(",")].uniq
    end
  end
end
