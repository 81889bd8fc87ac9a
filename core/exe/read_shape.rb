# frozen_string_literal: true

# Reads one geometry file in a process of its own: ruby read_shape.rb REQUEST.json
# What is wrong with the file goes to standard error.
$LOAD_PATH.unshift(File.expand_path("../lib", __dir__))
require "lattice"

request = JSON.parse(File.read(ARGV.fetch(0)))
begin
  options = Lattice::Format::ShapeFile::Options.new(**request["options"].transform_keys(&:to_sym))
  content = Lattice::Format::ShapeFile.new(request["path"], request["name"], options).read
  Lattice::Format::FacetsFile.write(request["output"], content)
rescue Lattice::InvalidInput => e
  warn e.faults.first.message, e.faults.first.cure
  exit 3
rescue Lattice::ChildProcess::Failed => e
  warn e.message
  exit 4
rescue StandardError => e
  warn "the reader met something it does not understand (#{e.class})"
  warn e.full_message if ENV["LATTICE_DEBUG"]
  exit 5
end
