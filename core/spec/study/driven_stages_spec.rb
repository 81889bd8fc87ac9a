# frozen_string_literal: true

# What drives through a stage of ground works, position by position.
RSpec.describe Lattice::Study::Stages do
  let(:stages) { [{ "name" => "weight", "loads" => [{ "case" => "dead", "factor" => "1" }] }, { "name" => "traffic", "drives" => "lorry" }, { "name" => "after" }] }

  def ground(list, *more, lorry: {})
    on = ->(name, axis, at) { group_named(name, { "plane" => { "axis" => axis, "at" => "#{at} m" } }, of: "edges") }
    [outline_named("o", rectangle("0 m", "0 m", "8 m", "2 m")), body_named("ground", "o", make: "plane strain", thickness: "1 m"),
     { "kind" => "material", "target" => "ground", "material" => "loam", "properties" => { "young" => "3 GPa", "poisson" => "0.3", "density" => "1900 kg/m3" } },
     on["base", "y", 0], on["low", "x", 0], on["high", "x", 8], on["top", "y", 2],
     { "kind" => "support", "target" => "base", "components" => %w[x y] }, *%w[low high].map { |side| { "kind" => "support", "target" => side, "components" => ["x"] } },
     { "kind" => "case", "name" => "dead" }, { "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y", "case" => "dead" },
     { "kind" => "line", "name" => "road", "corners" => [spot(2000, 2000, 0), spot(6000, 2000, 0)] },
     { "kind" => "moving_load", "name" => "lorry", "target" => "top", "line" => "road", "direction" => "-y", "spacing" => "2 m",
       "axles" => [{ "force" => "60 kN" }, { "force" => "30 kN", "behind" => "2 m" }] }.merge(lorry.transform_keys(&:to_s)),
     { "kind" => "mesh", "size" => "0.5 m" }, { "kind" => "study", "name" => "works", "type" => "stages", "stages" => list }, *more]
  end

  def refused(list) = Lattice::Verdict::Readiness.new(shape_problem(*ground(list))).notices.select(&:stops?).map { |n| n.fault.to_s }

  it "goes through a stage once for every position, on what was there before, and is gone afterwards" do
    problem = shape_problem(*ground(stages, { "kind" => "study", "name" => "still", "type" => "static" },
                                    { "kind" => "gauge", "name" => "dip", "study" => "works", "quantity" => "displacement_y", "spot" => spot(4000, 2000, 0) }))
    works, still = %w[works still].map { |name| Lattice::Study::Solving.new(problem).call(problem.study!(name)) }
    told = Lattice::Study::Kinds::Stages.findings(problem, problem.study!("works"), works)[0]
    expect(told[:rows].map { |row| row[:name] }).to match(["weight", *[0, 2, 4, 6].map { |at| /\Atraffic, lorry at #{at}.*mm\z/ }, "after"])
    ends = told[:rows].map { |row| works.field("displacement_y", row[:frame]) }
    by_case = problem.cases.frame_names.each_index.to_h { |i| [problem.cases.frame_names[i], still.field("displacement_y", i)] }
    told[:rows][1..4].each_with_index do |row, k|
      alone = by_case.fetch(row[:name].delete_prefix("traffic, "))
      expect((ends[k + 1] - ends[0] - alone).abs.max).to be < 1e-4 * alone.abs.max
    end
    expect((ends.last - ends.first).abs.max).to be < 1e-5 * ends.first.abs.max
    # Limits and gauges are read in every position.
    dip = Lattice::Verdict::Findings.new(problem, problem.study!("works"), works).findings.find { |f| f[:name] == "dip" }[:values]
    expect(dip.min).to be < dip.last
  end

  it "names what is wrong, and the cure" do
    expect(refused([stages[0], { "name" => "traffic", "drives" => "crane" }])).to include(/nothing that drives is named “crane”.*Add a moving load/)
    expect(refused([stages[0], { "name" => "traffic", "drives" => "lorry" }, { "name" => "traffic", "loads" => [{ "case" => "dead", "factor" => "2" }] }])).to include(/two stages are named “traffic”/)
    expect(refused([*stages, { "name" => "idle" }])).to include(/nothing changes in stage “idle”/)
  end

  it "goes by the last position where another study starts from a driven stage" do
    told = described_class.new(shape_problem(*ground(stages)), shape_problem(*ground(stages)).study!("works"))
    expect([told.number("weight"), told.number("traffic"), told.number("after"), told.number("never")]).to eq([0, 4, 5, nil])
  end
end
