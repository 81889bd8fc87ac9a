# frozen_string_literal: true

RSpec.describe Lattice::Study::Kind do
  def faults(*more) = Lattice::Verdict::Readiness.new(problem({}, *more)).notices.select(&:stops?).map { |n| n.fault.to_s }
  def reading(kind, **more) = { "id" => "it", "kind" => kind, "name" => "it", "study" => "pull" }.merge(more.transform_keys(&:to_s))

  { "speed where nothing moves" => ["gauge", { quantity: "velocity", target: "bar" }, /“pull” does not find the velocity/],
    "temperature of a static study" => ["gauge", { quantity: "temperature", spot: { "x" => "1 mm", "y" => "1 mm", "z" => "1 mm" } }, /does not find the temperature/],
    "sound of what does not swing" => ["radiated_power", { target: "tip" }, /has nothing of that kind to read/] }.each do |name, (kind, fields, message)|
    it "refuses #{name} before a solve" do
      expect(faults(reading(kind, **fields))).to include(message)
    end
  end

  it "refuses a limit on damage, a path of it, and a ladder of it" do
    ladder = { "id" => "l", "kind" => "study", "name" => "climb", "type" => "ladder", "of" => "pull", "quantity" => "damage" }
    expect(faults(ladder)).to include(/“climb” does not find the damage/)
    limit = { "id" => "m", "kind" => "limit", "study" => "pull", "quantity" => "damage", "target" => "bar", "at_most" => "1" }
    expect(faults(limit)).to include(/“pull” does not find the damage of the design life/)
  end

  it "finds of every kind what the result of one has" do
    kinds = %i[Static Harmonic Transient Life Heat Collapse Stages].map { |name| Lattice::Study::Kinds.const_get(name) }
    expect(kinds.map { |kind| kind.fields.uniq.size }).to eq(kinds.map { |kind| kind.fields.size })
    expect(kinds.flat_map(&:fields).uniq.sort).to eq(Lattice::Result::Catalogue::FIELDS.keys.sort)
  end
end
