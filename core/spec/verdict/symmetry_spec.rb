# frozen_string_literal: true

RSpec.describe Lattice::Verdict::Symmetry do
  # A beam of 200 mm, held at both ends and pushed down in the middle of its upper face.
  def read(support: {}, force: {}, mesh: {})
    ends = { "id" => "ends", "kind" => "group", "name" => "ends", "of" => "faces", "rule" => { "any" => [0, 200].map { |x| { "plane" => { "axis" => "x", "at" => "#{x} mm" } } } } }
    top = { "id" => "above", "kind" => "group", "name" => "above", "of" => "faces", "rule" => { "plane" => { "axis" => "y", "at" => "20 mm" } } }
    problem = problem({ support: { "target" => "ends" }.merge(support), force: { "target" => "above" }.merge(force), mesh: mesh }, ends, top)
    result = solve(problem)
    described_class.new(problem, result, 0, "von_mises").to_h
  end

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

  it "tells how far tetrahedra, which are never alike on both sides, are from it" do
    coarse, fine = ["14 mm", "5 mm"].map { |size| read(mesh: { "size" => size, "elements" => "tetrahedra and triangles" }).find { |s| s[:axis] == "x" }[:difference] }
    expect(coarse).to be > fine
    expect(fine).to be < described_class::FAR
  end
end
