# frozen_string_literal: true

require "rexml/document"
require "tmpdir"

RSpec.describe Lattice::Format do
  let(:checked) { problem }
  let(:result) { solve(checked) }

  around { |example| Dir.mktmpdir { |folder| Dir.chdir(folder) { example.run } } }

  it "writes meshes and results that read back as they were" do
    Lattice::Format::GridFile.write("mesh", result.grid)
    grid = Lattice::Format::GridFile.read("mesh")
    expect(grid.nodes).to eq(result.grid.nodes)
    expect(grid.blocks.map(&:to_a)).to eq(result.grid.blocks.map(&:to_a))
    expect(grid.places).to eq(result.grid.places)
    Lattice::Format::ResultFile.write("result", result)
    read = Lattice::Format::ResultFile.read("result", grid)
    result.catalogue.map(&:name).each { |name| expect(read.field(name)).to eq(result.field(name)) }
    expect([read.energy, read.mass]).to eq([result.energy, result.mass])
  end

  it "leaves no half-written file under the final name" do
    broken = Class.new { def self.const_missing(_) = 8 }
    expect { Lattice::Format::ArrayFile.write("x", { "a" => broken.new }) }.to raise_error(NoMethodError)
    expect(File.exist?("x")).to be(false)
  end

  it "writes VTU that is well-formed and holds the numbers" do
    Lattice::Format::VTU.write("x.vtu", result.grid, { "displacement" => result.displacement })
    piece = REXML::Document.new(File.read("x.vtu")).root.elements["UnstructuredGrid/Piece"]
    expect(piece.attributes["NumberOfPoints"].to_i).to eq(result.grid.nodes.shape[0])
    numbers = lambda do |name, format|
      bytes = piece.elements[".//DataArray[@Name='#{name}']"].text.strip.unpack1("m")
      expect(bytes.unpack1("Q<")).to eq(bytes.bytesize - 8)
      bytes[8..].unpack(format)
    end
    expect(numbers.call("coordinates", "E*")).to eq(result.grid.nodes.flatten.to_a)
    expect(numbers.call("displacement", "E*")).to eq(result.displacement.flatten.to_a)
    expect(numbers.call("types", "C*").uniq).to eq([25])
    expect(numbers.call("offsets", "l<*")).to eq((1..result.grid.size).map { |k| k * 20 })
  end
end
