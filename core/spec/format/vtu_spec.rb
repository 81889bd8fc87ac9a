# frozen_string_literal: true

RSpec.describe Lattice::Format::VtuReader do
  def file(**changes)
    parts = { points: "0 0 0  1 0 0  1 1 0  0 1 0", connectivity: "0 1 2 3", offsets: "4", types: "9", data: "", head: "" }.merge(changes)
    <<~XML
      <VTKFile type="#{parts[:kind] || 'UnstructuredGrid'}" #{parts[:head]}><UnstructuredGrid><Piece>
      <PointData>#{parts[:groups]}</PointData><CellData>#{parts[:data]}</CellData>
      <Points><DataArray type="Float64" NumberOfComponents="3" format="#{parts[:format] || 'ascii'}">#{parts[:points]}</DataArray></Points>
      <Cells><DataArray type="Int32" Name="connectivity" format="ascii">#{parts[:connectivity]}</DataArray>
      <DataArray type="Int64" Name="offsets" format="ascii">#{parts[:offsets]}</DataArray>
      <DataArray type="UInt8" Name="types" format="ascii">#{parts[:types]}</DataArray></Cells>
      </Piece></UnstructuredGrid></VTKFile>
    XML
  end

  def read(**changes) = written(file(**changes)) { |path| described_class.new(path).grid }
  def refused(**changes) = refusal { read(**changes) }

  def written(text)
    Dir.mktmpdir do |folder|
      path = File.join(folder, "plate.vtu")
      File.write(path, text)
      yield path
    end
  end

  it "reads text arrays, of plane meshes and in space" do
    grid = read
    expect([grid.dimension, grid.order, grid.blocks.map(&:kind), grid.nodes.shape]).to eq([2, 1, [:quad4], [4, 3]])
    expect(read(points: "0 0 0  1 0 0  1 1 1  0 1 0").dimension).to eq(3)
  end

  it "makes a block of every kind in every body, in the order of the file" do
    more = { points: "0 0 0  1 0 0  1 1 0  0 1 0  2 0 0  2 1 0", connectivity: "1 4 5  0 1 2 3  1 5 2", offsets: "3 7 10", types: "5 9 5" }
    data = ->(numbers) { %(<DataArray type="Int32" Name="body" format="ascii">#{numbers}</DataArray>) }
    blocks = read(**more, data: data["1 0 1"]).blocks
    expect(blocks.map { |b| [b.kind, b.body, b.conn.to_a] }).to eq([[:tri3, "body 2", [[1, 4, 5], [1, 5, 2]]], [:quad4, "body 1", [[0, 1, 2, 3]]]])
    expect(read(**more, data: data["0 0 1"]).blocks.map { |b| [b.kind, b.body] }).to eq([[:tri3, "body 1"], [:quad4, "body 1"], [:tri3, "body 2"]])
  end

  it "reads groups of nodes" do
    group = %(<DataArray type="UInt8" Name="group plate: rim" format="ascii">1 0 0 1</DataArray>)
    expect(read(groups: group).places.transform_values { |c| c.flatten.to_a }).to eq(%w[plate rim] => [0, 3])
  end

  it "says what is wrong with a file, and what to do" do
    expect(refusal { written("<VTKFile") { |path| described_class.new(path) } }).to include("“plate.vtu” is not an XML file that can be read")
    expect(refused(kind: "PolyData")).to match(/is not an unstructured grid. Write it as .vtu/)
    expect(refused(head: 'compressor="zlib"')).to include("is compressed. Write it without")
    expect(refused(types: "42")).to include("cells of type 42, which are not known here")
    expect(refused(types: "12")).to include("cells with too few points")
    expect(refused(types: "9 9")).to include("not of one length")
    expect(refused(connectivity: "0 1 2 7")).to include("names points that are not there")
    expect(refused(format: "appended")).to include("arrays apart from where they are named")
    expect(refused(types: "", offsets: "", connectivity: "")).to include("has no cells")
  end
end
