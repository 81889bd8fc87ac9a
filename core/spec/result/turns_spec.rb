# frozen_string_literal: true

# A bar of 200 × 20 × 10 mm turns at its tip by θ = F L² / 2 E I.
RSpec.describe Lattice::Result::Turns do
  let(:angle) { 12e3 * (0.2**2) / (2 * 210e9 * 0.01 * (0.02**3) / 12) }

  def turned(changes) = described_class.new(solve(problem(changes))).greatest(0)
  def edges(*ids) = ids.to_h { |id| [id, { "of" => "edges" }] }

  it "tells how far solids, plane regions and shells turn, and where" do
    flat = edges(:root, :tip)
    # An element turns as its middle does: a little less than the tip.
    { solid: { force: { "value" => "12 kN" } }, plane: flat.merge(body: { "make" => "plane stress" }, support: { "components" => %w[x y] }, force: { "value" => "12 kN" }) }.each_value do |changes|
      found = turned(changes)
      expect(found[:angle]).to be_near(angle, 0.02)
      expect(found[:at][0]).to be_between(0.18, 0.2)
    end
    found = turned(flat.merge(body: { "make" => "faces", "by" => "fill", "wall" => "10 mm" }, support: { "components" => %w[x y z rx ry rz] }, force: { "value" => "3 kN", "direction" => "+z" }))
    expect(found[:angle]).to be_near(angle, 0.02)
    expect(found[:at][0]).to be_near(0.2, 1e-9)
  end

  it "is told among the findings once it is large, with the case that turns most" do
    cases = [%w[c1 small], %w[c2 large]].map { |id, name| { "id" => id, "kind" => "case", "name" => name } }
    second = { "id" => "f2", "kind" => "force", "target" => "tip", "value" => "12 kN", "direction" => "-y", "case" => "large" }
    both = problem({ force: { "case" => "small" } }, *cases, second)
    findings = Lattice::Verdict::Findings.new(both, both.study!, solve(both)).to_h
    expect(findings[:findings].find { |f| f[:kind] == "turns" }).to match(include(frame_name: "large", angle: be_near(angle, 0.02)))
    expect(findings[:holds]).to be(true)
    table = StringIO.new.tap { |out| Lattice::Command::FindingsTable.new(findings).print(out) }.string
    expect(table).to match(/turns far in large +9\.7\d*/)
    small = problem
    expect(Lattice::Verdict::Findings.new(small, small.study!, solve(small)).findings.map { |f| f[:kind] }).not_to include("turns")
  end
end
