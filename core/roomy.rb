# frozen_string_literal: true

# Arrays of numbers are large and die young: left alone, Ruby collects after every few of them, for a fifth of a solve's time.
# This begins the program again with more room between collections (bytes, in room.env); they are read at the start alone.
unless ENV["RUBY_GC_OLDMALLOC_LIMIT"]
  room = File.readlines(File.expand_path("room.env", __dir__), chomp: true).to_h { |line| line.split("=") }
  exec(room, RbConfig.ruby, File.expand_path($PROGRAM_NAME), *ARGV)
end
