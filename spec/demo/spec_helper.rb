# frozen_string_literal: true

require "tmpdir"

# Demo data that is there already, or data of its own.
unless ENV.key?("LATTICE_DATA")
  ENV["LATTICE_DATA"] = Dir.mktmpdir("lattice-demo")
  at_exit { FileUtils.remove_entry(ENV.fetch("LATTICE_DATA")) }
end

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
end
