# frozen_string_literal: true

RSpec.describe Lattice::Model::Digest do
  it "does not depend on the order of keys" do
    expect(described_class.of({ a: 1, b: [2, { c: 3, d: 4 }] })).to eq(described_class.of({ b: [2, { d: 4, c: 3 }], a: 1 }))
    expect(described_class.of([1, 2])).not_to eq(described_class.of([2, 1]))
  end
end

RSpec.describe Lattice::Study::Problem do
  def digests(problem)
    study = problem.study!
    { shape: problem.shape_digest, mesh: problem.mesh_digest, study: problem.study_digest(study), findings: problem.findings_digest(study) }
  end

  def changed(...)
    before = digests(problem)
    digests(problem(...)).filter_map { |name, digest| name unless digest == before[name] }
  end

  limit = { "id" => "l", "kind" => "limit", "study" => "pull", "quantity" => "von_mises", "target" => "bar", "at_most" => "100 MPa" }

  it "marks exactly what depends on a change as stale" do
    expect(changed({}, limit)).to eq(%i[findings])
    expect(changed(force: { "value" => "2 kN" })).to eq(%i[study findings])
    expect(changed(material: { "properties" => Models::STEEL.merge("young" => "70 GPa") })).to eq(%i[study findings])
    expect(changed(material: { "properties" => Models::STEEL.merge("yield" => "235 MPa") })).to eq(%i[findings])
    expect(changed(mesh: { "size" => "5 mm" })).to eq(%i[mesh study findings])
    expect(changed(body: { "thickness" => "12 mm" })).to eq(%i[shape mesh study findings])
    expect(changed({}, { "id" => "a", "kind" => "aim", "text" => "Why?" })).to eq([])
  end

  it "does not care in which units a value was written" do
    expect(changed(body: { "thickness" => "1 cm" })).to eq([])
    expect(changed(material: { "properties" => Models::STEEL.merge("yield" => "235 MPa") })).to eq(%i[findings])
    expect(changed(mesh: { "size" => "0.01 m" })).to eq([])
  end

  it "does not care for the name of a group, only for what it finds" do
    renamed = { "name" => "other end" }
    expect(changed(tip: renamed, force: { "target" => "other end" })).to eq([])
  end

  it "tells findings anew when they take another form, or when what a section cut cuts is another body" do
    cut = { "id" => "c", "kind" => "section_cut", "name" => "half", "study" => "pull", "body" => "cut ones", "plane" => { "axis" => "x", "at" => "50 mm" } }
    ones = ->(name) { problem({}, cut, { "id" => "o", "kind" => "group", "name" => "cut ones", "of" => "bodies", "rule" => { "named" => name } }) }
    expect(digests(ones["bar"])[:findings]).not_to eq(digests(ones["beam"])[:findings])
    before = digests(problem)
    stub_const("Lattice::Verdict::Findings::VERSION", Lattice::Verdict::Findings::VERSION + 1)
    expect(digests(problem).reject { |name, digest| before[name] == digest }.keys).to eq(%i[findings])
  end

  it "names the studies it knows when asked for another" do
    expect(refusal { problem.study!("push") }).to match(/no study named “push”.*Known: “pull”/m)
  end
end
