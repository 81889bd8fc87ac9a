# frozen_string_literal: true

RSpec.describe Lattice::Verdict::Symmetry do
  # A beam of 200 mm, held at both ends and pushed down on its upper face.
  def model_of(support: {}, force: {}, mesh: {})
    ends = { "id" => "ends", "kind" => "group", "name" => "ends", "of" => "faces", "rule" => { "any" => [0, 200].map { |x| { "plane" => { "axis" => "x", "at" => "#{x} mm" } } } } }
    top = { "id" => "above", "kind" => "group", "name" => "above", "of" => "faces", "rule" => { "plane" => { "axis" => "y", "at" => "20 mm" } } }
    problem({ support: { "target" => "ends" }.merge(support), force: { "target" => "above" }.merge(force), mesh: mesh }, ends, top)
  end

  def read(**changes) = model_of(**changes).then { |problem| described_class.new(problem, solve(problem), 0, "von_mises").to_h }

  let(:beam) { model_of }
  let(:bar) { solve(beam) }

  it "finds the planes about which shape, supports and loads are alike, and that the answer is" do
    found = read
    expect(found.map { |s| s[:axis] }).to eq(%w[x z])
    expect(found.map { |s| s[:at] }).to be_near([0.1, 0.005], 1e-9)
    expect(found.map { |s| s[:difference] }.max).to be < 1e-6
    expect(found).to all(include(holds: true))
  end

  it "is not taken in by a support or a load on one side alone" do
    expect(read(support: { "target" => "root" }).map { |s| s[:axis] }).to eq(%w[z])
    expect(read(force: { "direction" => "+z" }).map { |s| s[:axis] }).to eq(%w[x])
    expect(read(force: { "direction" => [1, -1, 0] }).map { |s| s[:axis] }).to eq(%w[z])
  end

  it "is not taken in by pushes that balance each other at unlike distances" do
    load = Numo::DFloat.zeros(bar.grid.nodes.shape[0], 3)
    x = bar.grid.nodes[true, 0]
    at = ->(place) { ((x - place).abs < 1e-9).where }
    [[0.02, -1.0], [0.14, -2.0]].each { |place, push| load[at[place], 1] = push / at[place].size }
    state = bar.state(0).dup.tap { |s| s.load = load }
    uneven = Lattice::Result::Outcome.new(grid: bar.grid, frames: bar.frames, states: [state])
    expect(described_class.new(beam, uneven, 0, "von_mises").to_h.map { |s| s[:axis] }).not_to include("x")
  end

  it "claims nothing of bodies of unlike materials, nor of movements that are given" do
    half = ->(name, x) { [outline_named("#{name} o", rectangle("#{x} mm", "0 mm", "100 mm", "20 mm")), body_named(name, "#{name} o", thickness: "10 mm")] }
    stuff = ->(name, young) { { "kind" => "material", "target" => name, "material" => "stuff", "properties" => { "young" => young, "poisson" => "0.3" } } }
    ends = { "any" => [0, 200].map { |x| { "plane" => { "axis" => "x", "at" => "#{x} mm" } } } }
    axes = lambda do |young, held, *more|
      problem = shape_problem(*half["left", 0], *half["right", 100], { "kind" => "join", "bodies" => %w[left right] }, stuff["left", "210 GPa"], stuff["right", young], group_named("ends", ends),
                              group_named("above", { "plane" => { "axis" => "y", "at" => "20 mm" } }), { "kind" => "support", "target" => "ends", "components" => held },
                              { "kind" => "force", "target" => "above", "value" => "1 kN", "direction" => "-y" },
                              { "kind" => "mesh", "size" => "10 mm" }, { "kind" => "study", "name" => "s", "type" => "static" }, *more)
      described_class.new(problem, solve(problem), 0, "von_mises").to_h.map { |found| found[:axis] }
    end
    expect(axes["210 GPa", %w[x y z]]).to eq(%w[x z])
    expect(axes["70 GPa", %w[x y z]]).to eq(%w[z])
    expect(axes["210 GPa", %w[y z], { "kind" => "displacement", "target" => "ends", "component" => "x", "value" => "0.1 mm" }]).to eq([])
  end

  it "tells how far tetrahedra, which are never alike on both sides, are from it" do
    coarse, fine = ["14 mm", "5 mm"].map { |size| read(mesh: { "size" => size, "elements" => "tetrahedra and triangles" }).find { |s| s[:axis] == "x" }[:difference] }
    expect(coarse).to be > fine
    expect(fine).to be < described_class::FAR
  end
end
