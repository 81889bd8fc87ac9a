# frozen_string_literal: true

RSpec.describe Lattice::Model::Document do
  it "reads a whole model" do
    read = described_class.read(JSON.generate(model))
    expect(read.name).to eq("Test bar")
    expect(read.active("force").first.quantity("value", "force")).to eq(1000)
    expect(read.active("force").first.direction.to_a).to eq([0, -1, 0])
  end

  it "says where JSON is malformed, too deep or too large" do
    expect(refusal { described_class.read("{\"format\": ") }).to match(/not well-formed JSON.*brackets/m)
    expect(refusal { described_class.read("[" * 200) }).to include("not well-formed JSON")
    expect(refusal { described_class.read(" " * (described_class::LARGEST + 1)) }).to include("larger than 20 MB")
    expect(refusal { described_class.read("[1]") }).to include("not a JSON object")
  end

  it "names the statement and the cure for every wrong field" do
    expect(refusal { document(force: { "value" => "3 mm" }) }).to include("force, value: “3 mm” is a length, but a force is wanted")
    expect(refusal { document(force: { "colour" => "red" }) }).to match(/force, colour: is not a known field. Remove it/)
    expect(refusal { document(mesh: { "size" => nil }) }).to include("mesh, size")
    expect(refusal { document(support: { "components" => ["q"] }) }).to include("“q” is not one of x, y, z")
    expect(refusal { document(study: { "kind" => "magic" }) }).to match(/“magic” is not a kind of statement. Known kinds: aim/)
    expect(refusal { described_class.new(model.merge("units" => "furlong")) }).to include("units: “furlong” is not one of")
    expect(refusal { described_class.new(model.merge("statements" => [3])) }).to match(/statement 1.*not a JSON object/)
  end

  it "says what a form lacks that may have several" do
    message = refusal { document(outline: { "boundary" => { "rectangle" => { "x" => "0 mm", "y" => "0 mm", "width" => "3 N", "height" => "1 mm" } } }) }
    expect(message).to match(/boundary.rectangle.width: “3 N” is a force/)
    expect(message.lines.size).to eq(1)
  end

  it "refuses ids and names that are used twice" do
    expect(refusal { document({}, { "id" => "mesh", "kind" => "aim", "text" => "" }) }).to include("id “mesh” is used more than once")
    expect(refusal { document({}, { "id" => "x", "kind" => "group", "name" => "bar", "of" => "faces" }) }).to include("name “bar” is used more than once")
  end

  it "leaves out what is switched off" do
    expect(document(force: { "off" => true }).active("force")).to be_empty
  end

  it "opens documents of older versions" do
    old = model.merge("version" => 0)
    old["statements"] = old["statements"].map { |s| s["kind"] == "mesh" ? { "id" => "mesh", "kind" => "mesh", "element_size" => "5 mm" } : s }
    opened = described_class.new(old)
    expect(opened.data["version"]).to eq(2)
    expect(opened.active("mesh").first.quantity("size", "length")).to eq(0.005)
    first = model.merge("version" => 1)
    expect(described_class.new(first).data).to eq(first.merge("version" => 2))
  end

  it "refuses documents of a newer version" do
    expect(refusal { described_class.new(model.merge("version" => 99)) }).to match(/version 99.*newer Gentle Lattice/m)
  end

  it "accepts the demo models and its own empty one" do
    Dir[File.expand_path("../../../demo/*.json", __dir__)].each { |file| expect(described_class.read(File.read(file)).statements).not_to be_empty }
    expect(described_class.new(described_class.empty("New")).active("aim").size).to eq(1)
  end

  it "refuses a direction without length" do
    expect { document(force: { "direction" => [0, 0, 0] }).active("force").first.direction }.to raise_error(Lattice::InvalidInput, /no length/)
  end
end
