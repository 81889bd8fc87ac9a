# frozen_string_literal: true

RSpec.describe Lattice::Shape::CommonBorder do
  def pin = parts_of(outline_named("o", circle(0, 0, 16)), body_named("pin", "o", thickness: "20 mm")).bodies[0].facets
  def at(degrees, z = 0.02) = [0.008 * Math.cos(degrees * Math::PI / 180), 0.008 * Math.sin(degrees * Math::PI / 180), z]
  def face(facets, name) = facets.faces.index { |f| f.name == name }
  def laid(facets, *points) = described_class.call(facets, [face(facets, "top")], Numo::DFloat[*points])
  def edge(facets, name) = facets.edges.find { |e| e.name == name }

  it "lays points of another body on a round edge, in order, and keeps the surface closed" do
    before = pin
    after = laid(before, at(33.3), at(31.7), at(201.1))
    expect(after).to be_closed
    expect(after.count).to eq(before.count + 6)
    expect(after.faces.map(&:name)).to eq(before.faces.map(&:name))
    run = edge(after, "side at top").run
    expect(run.size).to eq(edge(before, "side at top").run.size + 3)
    turns = after.points[run, true].to_a.map { |x, y, _| Math.atan2(y, x) }.each_cons(2).map { |a, b| ((b - a + Math::PI) % (2 * Math::PI)) - Math::PI }
    expect(turns.map { |t| t <=> 0 }.uniq.size).to eq(1)
    expect(turns.sum.abs).to be_near(2 * Math::PI, 1e-9)
    expect(edge(after, "side at top")).to have_attributes(curve: "circle", radius: be_near(0.008, 1e-9))
  end

  it "keeps the volume, and the normals at new corners" do
    before = pin
    after = laid(before, at(33.3), at(120.4))
    expect(after.measures.volume).to be_near(before.measures.volume, 1e-5)
    rows = after.of(face(after, "side"))
    off = after.corner_normals[rows, true, true].reshape(rows.size * 3, 3)[true, 2].abs.max
    expect(off).to be < 1e-9
  end

  it "lays several on one step of a straight edge" do
    facets = parts_of(*block).bodies[0].facets
    after = described_class.call(facets, [face(facets, "top")], Numo::DFloat[[0.01, 0, 0.01], [0.05, 0, 0.01], [0.02, 0, 0.01]])
    expect(after).to be_closed
    expect(after.points[edge(after, "side 1 at top").run, 0].to_a.sort).to eq([0.0, 0.01, 0.02, 0.05, 0.06])
    expect(after.measures.volume).to be_near(facets.measures.volume, 1e-12)
  end

  it "leaves what lies elsewhere, and what is there already" do
    before = pin
    known = before.points[edge(before, "side at top").run[3], true].to_a
    expect(laid(before, at(40, 0.0), [0.004, 0, 0.02], known)).to equal(before)
  end
end
