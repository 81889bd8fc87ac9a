# frozen_string_literal: true

# Arrays of numbers are large and die young: left alone, Ruby collects after every few of them, for a fifth of a solve's time.
# This begins the program again with more room between collections; its ends are read at the start alone.
unless ENV["RUBY_GC_OLDMALLOC_LIMIT"]
  room = { "RUBY_GC_MALLOC_LIMIT" => 256, "RUBY_GC_MALLOC_LIMIT_MAX" => 512, "RUBY_GC_OLDMALLOC_LIMIT" => 512, "RUBY_GC_OLDMALLOC_LIMIT_MAX" => 1024 }
  exec(room.transform_values { |megabytes| (megabytes << 20).to_s }, RbConfig.ruby, File.expand_path($PROGRAM_NAME), *ARGV)
end
