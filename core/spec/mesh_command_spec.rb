# frozen_string_literal: true

require "stringio"

RSpec.describe Lattice::Command do
  def run(*words)
    out = StringIO.new
    err = StringIO.new
    status = described_class.new(["mesh", *words], out: out, err: err).call
    [status, out.string, err.string]
  end

  let(:part) { File.expand_path("../../demo/camera-arm.stl", __dir__) }

  it "meshes a geometry file, writes it, and measures what it wrote" do
    Dir.mktmpdir do |folder|
      file = File.join(folder, "arm.vtu")
      status, text = run(part, "--size", "12 mm", "--out", file, "--json")
      said = JSON.parse(text)
      expect([status, said["skin"]["open"], said["skin"]["places"]]).to eq([0, 0, said["skin"]["wanted"]])
      expect(said["volume"]).to be_near(said["shape_volume"], 1e-3)
      expect(JSON.parse(run(file, "--json")[1])["quality"]).to eq(said["quality"])
      skin = File.join(folder, "arm.stl")
      expect(run(part, "--size", "12 mm", "--order", "1", "--out", skin)[1]).to match(/tet4.*least angle between faces or sides, deg/m)
      expect(Lattice::Format::Stl.read(File.binread(skin)).shape[0]).to be > 300
    end
  end

  it "meshes a model with its own sizes, in another order or family" do
    Dir.mktmpdir do |folder|
      file = File.join(folder, "bar.json")
      File.write(file, JSON.generate(model))
      kinds = ->(*words) { JSON.parse(run(file, "--json", *words)[1])["kinds"].keys }
      expect([kinds[], kinds["--order", "1"], kinds["--triangles"]]).to eq([["hex20"], ["hex8"], ["tet10"]])
    end
  end

  it "mends a mesh that was read, and writes it again" do
    Dir.mktmpdir do |folder|
      file = File.join(folder, "pair.vtu")
      nodes = Numo::DFloat[[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0], [1.001, 0, 0], [2, 0, 0], [2, 1, 0], [1.001, 1, 0]]
      blocks = [[0, 1, 2, 3], [4, 7, 6, 5]].map { |c| Lattice::Mesh::Block.new(:quad4, "skin", Numo::Int32[c]) }
      Lattice::Format::VTU.write(file, Lattice::Mesh::Grid.new(nodes: nodes, blocks: blocks, places: {}, dimension: 2, order: 1))
      expect(run(file)[1]).to include("Mesh as read: 8 free sides")
      whole = File.join(folder, "whole.vtu")
      said = JSON.parse(run(file, "--merge", "2 mm", "--out", whole, "--json")[1])
      expect(said["repairs"]).to include("nodes_merged" => 2, "turned" => 1, "free_sides" => 6)
      expect(JSON.parse(run(whole, "--json")[1])).to include("nodes" => 6, "repairs" => include("turned" => 0, "free_sides" => 6))
      expect(run(file, "--merge", "-1 mm")[2]).to include("is not above zero")
    end
  end

  it "refuses what cannot be, in words, before it begins" do
    { [] => "there is no size", ["--size", "2 m"] => "is larger than the part", ["--size", "0 mm"] => "is not above zero", ["--size", "0.001 mm"] => "of memory",
      ["--size", "5 mm", "--order", "3"] => "invalid argument: --order 3", ["--size", "5 kg"] => "length" }.each do |words, message|
      status, _, err = run(part, *words)
      expect([status, err]).to match([2, /#{message}/])
    end
  end
end
