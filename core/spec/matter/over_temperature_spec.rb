# frozen_string_literal: true

RSpec.describe Lattice::Matter::OverTemperature do
  table = [{ "at" => "20 degC", "young" => "200 GPa", "expansion" => "12e-6 1/K" }, { "at" => "220 degC", "young" => "150 GPa", "expansion" => "14e-6 1/K" }]
  define_method(:material) do |rows|
    { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "poisson" => "0", "density" => "7800 kg/m3" }, "over_temperature" => rows }
  end

  # A bar of 200 × 20 × 10 mm that is warmed to 120 °C in one case and pulled by 20 MPa in another; both together.
  define_method(:bar) do |*more, rows: table, held: false, make: "plane stress", study: "static"|
    edge = ->(name, x) { group_named(name, { "plane" => { "axis" => "x", "at" => "#{x} mm" } }, of: make == "solid" ? "faces" : "edges") }
    body = make == "faces" ? { by: "fill", wall: "10 mm", make: make } : { thickness: "10 mm", make: make }
    components = make == "faces" ? %w[x y z rx ry rz] : %w[x]
    stays = group_named("corner", { "box" => { "from" => spot(-1, -1, -1), "to" => spot(1, 1, 1) } }, of: "points")
    corner = ->(*held) { { "kind" => "support", "target" => "corner", "components" => held } }
    beside = [group_named("beside", { "box" => { "from" => spot(-1, 19, -1), "to" => spot(1, 21, 1) } }, of: "points"), { "kind" => "support", "target" => "beside", "components" => ["z"] }]
    turned = { "solid" => [*beside, corner["y", "z"]], "plane stress" => [corner["y"]] }
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "200 mm", "20 mm")), body_named("bar", "plan", **body), material(rows), edge["left", 0], edge["right", 200], stays, *turned[make],
                  { "kind" => "support", "target" => "left", "components" => components },
                  *(held ? [{ "kind" => "support", "target" => "right", "components" => ["x"] }] : []), { "kind" => "case", "name" => "warm" }, { "kind" => "case", "name" => "pull" },
                  { "kind" => "combination", "name" => "both", "terms" => %w[warm pull].map { |name| { "case" => name, "factor" => "1" } } },
                  { "kind" => "temperature", "target" => "bar", "value" => "120 degC", "case" => "warm" }, { "kind" => "force", "target" => "right", "value" => "4 kN", "direction" => "+x", "case" => "pull" },
                  { "kind" => "mesh", "size" => "10 mm" }, { "id" => "c", "kind" => "study", "name" => "still", "type" => study }, *more)
  end

  def solved(problem) = Lattice::Study::Solving.new(problem).call(problem.study!("still"))

  it "is straight between rows, and ends as it begins and ends" do
    one = described_class.new([300.0, 400.0, 600.0], [200e9, 180e9, 100e9], nil)
    expect(one.young_at(Numo::DFloat[250, 300, 350, 400, 500, 700]).to_a).to eq([200e9, 200e9, 190e9, 180e9, 140e9, 100e9])
    expect(one.young_at(500.0)).to eq(140e9)
    expect([one.beyond?(310.0, 590.0), one.beyond?(290.0, 400.0)]).to eq([false, true])
  end

  # 13e-6 · 100 K free; pulled by 20 MPa of 175 GPa at 120 °C, of 200 GPa at 20 °C.
  ["plane stress", "solid", "faces"].each do |make|
    it "grows along its mean expansion, and is softer while it is warm: #{make}" do
      result = solved(bar(make: make))
      long = ->(frame) { result.field("displacement_x", frame).max / 0.2 }
      tolerance = make == "faces" ? 1e-3 : 1e-9
      expect([long[0], long[1], long[2]]).to be_near([1.3e-3, 20e6 / 200e9, 1.3e-3 + (20e6 / 175e9)], tolerance)
      middle = result.grid.nodes[true, 0].ge(0.08) & result.grid.nodes[true, 0].le(0.12)
      expect([result.field("stress_xx", 0)[middle.where].abs.max, result.field("stress_xx", 2)[middle.where].mean]).to be_near([0.0, 20e6], make == "faces" ? 2e5 : 1e-3)
    end
  end

  it "presses between walls with the modulus that it has where it is warm" do
    result = solved(bar(held: true))
    expect(result.field("stress_xx", 0).minmax).to be_near([-175e9 * 1.3e-3] * 2, 1e-9)
    expect(result.balance(0)[:error]).to be < 1e-9
    expect(result.displacement(1).abs.max).to be < 1e-3
  end

  it "takes warmth that varies element by element, from points too" do
    path = File.join(Dir.mktmpdir, "ramp.csv")
    File.write(path, ["x,y,z,temperature", *(0..40).flat_map { |i| [0, 20].map { |y| "#{i * 5},#{y},0,#{20 + (i * 5)}" } }].join("\n"))
    result = solved(bar(lent(path).merge("kind" => "temperature_map", "target" => "bar", "unit" => "mm", "case" => "pull")))
    # Its end moves by the integral of α(T) (T - 20), and of σ / E(T).
    exact = (0...2000).sum { |i| ((i + 0.5) * 0.1).then { |t| (12e-6 + (t / 200 * 2e-6)) * t * 1e-4 } }
    expect(result.field("displacement_x", 1)[result.grid.nodes[true, 0].ge(0.2 - 1e-9).where].mean).to be_near(exact + (20e6 / 200e9 * 0.2 * (4 * Math.log(4.0 / 3))), 2e-3)
  end

  { "rows that fall" => [table.reverse, /do not rise/], "a column with gaps" => [[table[0], table[1].except("young")], /no young in row 2/],
    "rows that say nothing" => [table.map { |row| row.slice("at") }, /neither a modulus nor an expansion/],
    "a modulus of nothing" => [[table[0], table[1].merge("young" => "0 GPa")], /row 2 is not above zero/] }.each do |words, (rows, message)|
    it "refuses #{words}" do
      expect { Lattice::Verdict::Readiness.new(bar(rows: rows)).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(message) })
    end
  end

  it "finds it odd to be warmer than its table, and to be shaken as if it were cold" do
    odd = ->(problem) { Lattice::Verdict::Readiness.new(problem).notices.reject(&:stops?).map { |n| n.fault.to_s }.join(" ") }
    short = [table[0], table[1].merge("at" => "90 degC")]
    expect(odd[bar(rows: short)]).to include("goes beyond the table of “given”")
    expect(odd[bar(study: "vibration")]).to include("as it is at 20 °C")
  end
end
