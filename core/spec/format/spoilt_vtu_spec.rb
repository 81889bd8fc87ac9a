# frozen_string_literal: true

require "tmpdir"

RSpec.describe Lattice::Format::VTU do
  def text(points: "0 0 0 1 0 0 0 1 0", connectivity: "0 1 2", offsets: "3", types: "5", head: "", more: "", kind: "Float64")
    <<~XML
      <?xml version="1.0"?>#{head}
      <VTKFile type="UnstructuredGrid" version="1.0" byte_order="LittleEndian"><UnstructuredGrid><Piece NumberOfPoints="3" NumberOfCells="1">#{more}
      <Points><DataArray type="#{kind}" NumberOfComponents="3" format="ascii">#{points}</DataArray></Points>
      <Cells><DataArray type="Int64" Name="connectivity" format="ascii">#{connectivity}</DataArray><DataArray type="Int64" Name="offsets" format="ascii">#{offsets}</DataArray>
      <DataArray type="UInt8" Name="types" format="ascii">#{types}</DataArray></Cells></Piece></UnstructuredGrid></VTKFile>
    XML
  end

  def read(text)
    Dir.mktmpdir do |folder|
      path = File.join(folder, "a.vtu")
      File.write(path, text)
      described_class.read(path)
    end
  end

  it "reads a triangle" do
    expect(read(text).blocks[0].conn.to_a).to eq([[0, 1, 2]])
  end

  {
    "points that are not three to one" => [{ points: "0 0 0 1" }, /not three to a point/], "no points" => [{ points: "" }, /no points/], "nothing connected" => [{ connectivity: "" }, /no cells/],
    "no offsets" => [{ offsets: "" }, /no cells/], "offsets that fall" => [{ offsets: "-3" }, /points that are not there/], "integers beyond 32 bits" => [{ connectivity: "0 1 99999999999" }, /no index/],
    "a cell of a kind not known" => [{ types: "77" }, /type 77/], "not a number" => [{ points: "0 0 0 nan 0 0 0 1 0" }, /not a number/],
    "infinite numbers" => [{ points: "0 0 0 1e400 0 0 0 1 0" }, /not finite/],
    "far numbers" => [{ points: "0 0 0 1e9 0 0 0 1 0" }, /beyond 100 km/], "fractions as indices" => [{ connectivity: "0 1 1.5" }, /no index/],
    "a group of another length" => [{ more: "<PointData><DataArray type=\"UInt8\" Name=\"group a: b\" format=\"ascii\">1</DataArray></PointData>" }, /group “a: b” of 1 values/],
    "entities" => [{ head: "<!DOCTYPE a [<!ENTITY b \"c\">]>" }, /declares entities/], "deep nesting" => [{ more: ("<a>" * 5000) + ("</a>" * 5000) }, /nested more than 20 deep/],
    "empty binary arrays" => [{ more: "<CellData><DataArray type=\"Int32\" Name=\"body\" format=\"binary\"></DataArray></CellData>" }, /empty array body/],
    "binary arrays cut short" => [{ more: "<CellData><DataArray type=\"Int32\" Name=\"body\" format=\"binary\">#{["\x08\0\0\0\0\0"].pack('m0')}</DataArray></CellData>" }, /8 bytes are announced, 2 are there/],
    "a type not known" => [{ kind: "Complex" }, /type Complex/]
  }.each do |what, (spoilt, words)|
    it "refuses #{what}, in words" do
      expect { read(text(**spoilt)) }.to raise_error(Lattice::InvalidInput, words)
    end
  end

  it "refuses what is no XML" do
    ["", "<", "x", "<a></b>", text[0, 300], "\xff\xfe".b].each { |spoilt| expect { read(spoilt) }.to raise_error(Lattice::InvalidInput, /a\.vtu/) }
  end
end

RSpec.describe Lattice::Format::ArrayFile do
  it "tells a file that is gone, cut short or of another kind from one that is whole" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "a")
      described_class.write(path, { "x" => Numo::DFloat[1, 2, 3] })
      expect(described_class.whole?(path)).to be(true)
      File.truncate(path, File.size(path) - 1)
      ["", "{}\n", "[1]\n", "{\"arrays\":{\"x\":{}}}\n", File.binread(path)].each do |bytes|
        File.binwrite(path, bytes)
        expect(described_class.whole?(path)).to be(false)
        expect { described_class.read(path) }.to raise_error(described_class::Torn)
      end
      expect { described_class.read("#{path} gone") }.to raise_error(described_class::Torn)
    end
  end
end

RSpec.describe Lattice::Format::ShapeFile do
  it "reads a surface of one triangle" do
    Dir.mktmpdir do |folder|
      path = File.join(folder, "one.stl")
      File.write(path, "solid x\nfacet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 10 0 0\nvertex 0 10 0\nendloop\nendfacet\nendsolid x\n")
      content = described_class.read_apart(path, "one.stl")
      expect(content.parts[0].facets.measures.area).to be_within(1e-12).of(5e-5)
      expect(content.report).to include(open_edges: 3)
    end
  end
end

RSpec.describe Lattice::Shape::NearPoints do
  it "takes memory by the number of points, not by the cells of a grid" do
    points = Numo::DFloat.cast(Array.new(24) { |i| [0.3 * (i % 2), 0.3 * ((i / 2) % 2), 0.0125 * i] }).concatenate(Numo::DFloat[[0.00005, 0, 0]])
    before = Lattice::ProcessGroup.memory(Process.pid, alone: true)
    kept, rank = described_class.call(points, 1e-4)
    expect([kept.shape[0], rank[0] == rank[24]]).to eq([24, true])
    expect(Lattice::ProcessGroup.memory(Process.pid, alone: true) - before).to be < 50_000_000
  end
end
