# frozen_string_literal: true

require "json_schemer"

RSpec.describe Lattice::Quantity do
  it "bounds every kind, and refuses what would be no number any more when squared" do
    Lattice::Quantity::Dimension::NAMED.each_key do |kind|
      most = Lattice::Quantity::Dimension::LARGEST.fetch(kind)
      expect((most**2).finite?).to be(true)
      expect(Lattice::Quantity::Dimension::LEAST[kind]**2).to be > 0
      expect(Lattice::Quantity::EXAMPLES.fetch(kind, "")).to be_a(String)
    end
    { "2e5 m" => /beyond 1e5 m, the largest length/, "1e-13 m" => /below 1e-12 m, the smallest length/, "1e999 m" => /finite/ }.each do |text, words|
      expect { described_class.parse(text, "length") }.to raise_error(Lattice::Quantity::Unreadable, words)
    end
    expect(described_class.parse("-99 km", "length")).to eq(-99_000)
    expect(described_class.parse("0 mm", "length")).to eq(0)
  end
end

RSpec.describe Lattice::Model::Refusal do
  def spoilt(schema, value)
    error = JSONSchemer.schema({ "$schema" => "https://json-schema.org/draft/2020-12/schema" }.merge(schema)).validate(value).first
    described_class.words(error)
  end

  it "has a message and a cure for everything that a schema can refuse" do
    { { "type" => "string" } => 5, { "type" => "number" } => "x", { "type" => "integer" } => 1.5, { "type" => "boolean" } => 1, { "type" => "array" } => {}, { "type" => "object" } => [],
      { "maximum" => 10 } => 1_000_000, { "minimum" => 1 } => 0, { "exclusiveMinimum" => 0 } => 0, { "exclusiveMaximum" => 1 } => 1, { "multipleOf" => 2 } => 3, { "minItems" => 2 } => [1],
      { "maxItems" => 0 } => [1], { "minLength" => 1 } => "", { "maxLength" => 1 } => "ab", { "pattern" => "^a$" } => "b", { "uniqueItems" => true } => [1, 1],
      { "enum" => %w[a b] } => "c", { "const" => 2 } => 3, { "required" => ["a"] } => {}, { "additionalProperties" => false } => { "a" => 1 }, { "oneOf" => [{ "type" => "string" }] } => 1,
      { "anyOf" => [{ "type" => "string" }] } => 1, { "not" => {} } => 1 }.each do |schema, value|
      message, cure = spoilt(schema, value)
      expect([schema, message, cure]).to match([schema, /\A\S.{5,}/, /\A[A-Z].*[.]\z/])
      expect(message).not_to match(/oneOf|maximum|additionalProperties|is not a (max|min)/)
    end
    expect(spoilt({ "maximum" => 10 }, 1_000_000)).to eq(["1000000 is too large", "Give at most 10."])
  end
end

RSpec.describe Lattice::Model::Extent do
  it "lets every demo pass, and names what is too much with its place" do
    Dir[File.expand_path("../../../demo/*.json", __dir__)].each { |file| expect(described_class.faults(JSON.parse(File.read(file)))).to eq([]) }
    data = model(force: { "value" => "x" * 5000 })
    expect(described_class.faults(data)[0].to_s).to include("force, value: it has 5000 characters; at most 4000")
    expect(described_class.faults(model(force: { "direction" => [1e300, 0, 0] }))[0].to_s).to include("force, direction.0")
    expect(described_class.faults(model(root: { "rule" => { "any" => Array.new(300) { { "named" => "a" } } } }))[0].to_s).to include("more than 200 conditions")
    expect(described_class.faults(model(force: { "target" => "a\u0000" }))[0].cure).to eq("Type it anew.")
  end
end

RSpec.describe Lattice::Model::Meaning do
  def meaning(changes, kind) = described_class.of(document(changes).active(kind)[0])

  it "reads quantities in SI and directions as unit vectors, whatever form they stand in" do
    expect(meaning({ force: { "value" => "1 kN", "direction" => "-y" } }, "force")).to eq(meaning({ force: { "value" => "1000 N", "direction" => [0, -5, 0] } }, "force"))
    expect(meaning({ force: { "value" => "1 kN" } }, "force")).not_to eq(meaning({ force: { "value" => "1.001 kN" } }, "force"))
    plane = ->(at) { { root: { "rule" => { "any" => [{ "plane" => { "axis" => "x", "at" => at } }] } } } }
    expect(Lattice::Model::Digest.of(meaning(plane["14 mm"], "group"))).to eq(Lattice::Model::Digest.of(meaning(plane["1.4 cm"], "group")))
  end
end

RSpec.describe Lattice::Shape::Groups do
  def chain(length)
    (0...length).map { |i| { "id" => "g#{i}" }.merge(group_named("g#{i}", i.zero? ? { "named" => "side" } : { "grown" => { "from" => "g#{i - 1}" } })) }
  end

  it "follows a chain of groups as far as it goes, and refuses one that is too deep or goes round" do
    found = problem({}, *chain(30))
    expect(found.groups.members(found.document.named("group", "g29")).size).to be > 0
    deep = problem({}, *chain(60))
    expect { deep.groups.members(deep.document.named("group", "g59")) }.to raise_error(Lattice::InvalidInput, /more than 40 deep/)
    two = [group_named("r1", { "grown" => { "from" => "r2" } }), group_named("r2", { "edges_of" => "r1" }, of: "edges")].each_with_index.map { |g, i| { "id" => "r#{i}" }.merge(g) }
    round = problem({}, *chain(3), *two)
    expect { round.groups.members(round.document.named("group", "r1")) }.to raise_error(Lattice::InvalidInput, /starts from itself/)
  end
end
