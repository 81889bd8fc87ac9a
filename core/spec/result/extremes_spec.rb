# frozen_string_literal: true

RSpec.describe Lattice::Result::Extremes do
  let(:tower) do
    [outline_named("plan", rectangle("0 mm", "0 mm", "20 mm", "20 mm")), body_named("low", "plan", thickness: "30 mm"),
     body_named("high", "plan", thickness: "30 mm", on: on("xy", z: 30)), { "kind" => "join", "bodies" => %w[low high] },
     group_named("foot", { "plane" => { "axis" => "z", "at" => "0 mm" } }), group_named("head", { "plane" => { "axis" => "z", "at" => "60 mm" } }),
     group_named("nothing", { "plane" => { "axis" => "z", "at" => "9 m" } }),
     { "kind" => "material", "target" => "everything", "material" => "stuff", "properties" => { "young" => "200 GPa", "poisson" => "0" } },
     { "kind" => "support", "target" => "foot", "components" => %w[x y z] },
     { "kind" => "case", "name" => "one" }, { "kind" => "case", "name" => "two" },
     *[["one", "4 kN"], ["two", "-12 kN"]].map { |name, force| { "kind" => "force", "target" => "head", "value" => force, "direction" => "+z", "case" => name } },
     { "kind" => "mesh", "size" => "10 mm" }, { "kind" => "study", "name" => "s", "type" => "static" }]
  end

  it "tells least and greatest of each body and group, with where and in which frame" do
    problem = shape_problem(*tower)
    rows = described_class.new(solve(problem), problem).rows("displacement_z", [0, 1]).to_h { |row| [row[:place], row] }
    expect(rows.keys).to eq(%w[low high foot head])
    # 10 MPa and −30 MPa over 200 GPa.
    expect(rows.transform_values { |row| [row[:least], row[:greatest]].map { |e| e[:value] } })
      .to match("low" => [be_within(1e-12).of(-4.5e-6), be_within(1e-12).of(1.5e-6)], "high" => [be_within(1e-12).of(-9e-6), be_within(1e-12).of(3e-6)],
                "foot" => [be_within(1e-15).of(0), be_within(1e-15).of(0)], "head" => [be_within(1e-12).of(-9e-6), be_within(1e-12).of(3e-6)])
    expect(rows["low"][:least][:at][2]).to be_near(0.03, 1e-9)
    expect(rows["head"].values_at(:least, :greatest).map { |e| e[:frame] }).to eq([1, 0])
  end
end
