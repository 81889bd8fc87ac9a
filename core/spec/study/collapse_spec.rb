# frozen_string_literal: true

RSpec.describe Lattice::Study::Kinds::Collapse do
  def collapse(**more) = { "id" => "c", "kind" => "study", "name" => "give way", "type" => "collapse", "control" => "loads", "upto" => "1" }.merge(more.transform_keys(&:to_s))

  def solved(problem, name = "give way")
    study = problem.study!(name)
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h]
  end

  def found(findings) = findings[:findings].find { |f| f[:kind] == "collapse" }

  # A flat strip of sheet, clamped at one end, pushed along at the other.
  def strip(*more, load: "100 N", direction: "-x")
    near = ->(x) { { "box" => { "from" => { "x" => "#{x - 1} mm", "y" => "-1 m", "z" => "-1 m" }, "to" => { "x" => "#{x + 1} mm", "y" => "1 m", "z" => "1 m" } } } }
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "200 mm", "20 mm")), { "kind" => "body", "name" => "strip", "outline" => "plan", "make" => "faces", "by" => "fill", "wall" => "2 mm" },
                  { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0", "yield" => "250 MPa" } },
                  *{ "left" => 0, "right" => 200 }.map { |name, x| { "kind" => "group", "name" => name, "of" => "edges", "rule" => near[x] } },
                  { "kind" => "support", "target" => "left", "components" => %w[x y z rx ry rz] }, { "kind" => "force", "target" => "right", "value" => load, "direction" => direction },
                  { "kind" => "mesh", "size" => "20 mm" }, { "kind" => "study", "name" => "push", "type" => "static" }, { "kind" => "study", "name" => "fold", "type" => "buckling", "of" => "push" }, *more)
  end

  # π² E I / 4 L², N
  def euler = (Math::PI**2) * 200e9 * (0.02 * (0.002**3) / 12) / (4 * (0.2**2))

  it "agrees with a static study while movements are small, and is in balance" do
    still, = solved(problem({}, collapse), "pull")
    result, findings = solved(problem({}, collapse))
    expect(result.field("displacement", result.frames.size - 1).max).to be_near(still.field("displacement").max, 1e-3)
    expect(result.field("von_mises", result.frames.size - 1).max).to be_near(still.field("von_mises").max, 3e-3)
    expect(findings[:findings].find { |f| f[:kind] == "equilibrium" }).to include(holds: true)
    expect(result.frames.last).to have_attributes(kind: "increment", value: 1.0)
  end

  it "bends a strip that is a little off its plane under Euler's load, and goes on beyond" do
    result, findings = solved(strip(collapse(control: "path", upto: "1.3", first: "0.2", at_least: "1", imperfection: { "of" => "fold", "size" => "0.02 mm" }), load: "#{euler} N"))
    curve = found(findings)[:curve]
    expect(curve[:component]).to eq("z")
    # By Euler's load it has left its plane, and it bears a little more than that bent far: P / Pe ≈ 1 + θ² / 8.
    near = curve[:factors].each_index.min_by { |i| (curve[:moved][i].abs - 0.02).abs }
    expect(curve[:factors][near]).to be_between(0.99, 1.03)
    # Off by δ, it moves δ / (1 − P / Pe): ten times as fast as so far at 0.9 of Euler's load.
    expect(found(findings)).to include(lower: nil, reason: "done", holds: false, soft: include(factor: be_between(0.85, 0.95)))
    # It yields as well, but only bent far.
    expect(found(findings)[:yields]).to be_nil
    expect(result.frames.size).to be > 5
  end

  it "says where a perfect strip could turn aside" do
    _, findings = solved(strip(collapse(upto: "1.2", first: "0.3"), load: "#{euler} N"))
    expect(found(findings)[:lower][:factor]).to be_between(1.0, 1.2)
    expect(found(findings)[:lower][:directions]).to eq(1)
  end

  it "is read by gauges, increment by increment, and not by limits" do
    gauge = { "id" => "g", "kind" => "gauge", "name" => "end", "study" => "give way", "quantity" => "displacement_z", "target" => "right" }
    result, findings = solved(strip(collapse(first: "0.5"), gauge, direction: "+z"))
    values = findings[:findings].find { |f| f[:kind] == "gauge" }[:values]
    expect(values.size).to eq(result.frames.size)
    # P L² / E I = 1.5: K. Mattiasson, 1981.
    expect(values.last).to be_near(0.2 * 0.4110, 3e-3)
    limit = { "id" => "l", "kind" => "limit", "study" => "give way", "quantity" => "von_mises", "target" => "strip", "allowed" => "200 MPa" }
    expect { Lattice::Verdict::Readiness.new(strip(collapse, limit)).check! }.to raise_error(Lattice::InvalidInput)
  end

  it "comes back from a file" do
    result, = solved(strip(collapse(first: "0.5"), direction: "+z"))
    Dir.mktmpdir do |folder|
      path = File.join(folder, "result")
      Lattice::Format::ResultFile.write(path, result)
      back = Lattice::Format::ResultFile.read(path, result.grid)
      expect(back).to be_a(Lattice::Result::Way)
      expect(back.balance(1)[:error]).to be < 1e-6
      expect(back.found).to eq(result.found)
    end
  end

  it "keeps its digest for equal meaning, and changes it with what grows" do
    digest = ->(**more) { strip(collapse(**more)).then { |p| p.study_digest(p.study!("give way")) } }
    expect(digest.call(first: "10 %")).to eq(digest.call(first: "0.1"))
    expect(digest.call(first: "0.2")).not_to eq(digest.call(first: "0.1"))
    expect(digest.call(at_least: "3")).to eq(digest.call)
  end

  describe "of bad input" do
    { { upto: "-1" } => /not above zero/, { first: "2" } => /larger than all/, { upto: nil } => /no end/, { imperfection: { "of" => "nothing", "size" => "1 mm" } } => /no buckling study/,
      { imperfection: { "of" => "fold", "size" => "0 mm" } } => /no size/, { imperfection: { "of" => "fold", "size" => "1 mm", "shape" => 9 } } => /4 shapes, not 9/,
      { case: "storm" } => /no case or combination/ }.each do |change, words|
      it "refuses #{change}" do
        statement = collapse(**change).compact
        expect { Lattice::Verdict::Readiness.new(strip(statement)).check! }.to(raise_error(Lattice::InvalidInput) { |e| expect(e.faults.map(&:message).join(" ")).to match(words) })
      end
    end

    it "takes a ring as it is, at small movements" do
      ring = shape_problem(outline_named("plan", rectangle("20 mm", "0 mm", "10 mm", "20 mm")), { "kind" => "body", "name" => "ring", "outline" => "plan", "make" => "axisymmetric" },
                           { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3" } },
                           { "kind" => "group", "name" => "low", "of" => "edges", "rule" => { "plane" => { "axis" => "y", "at" => "0 mm" } } },
                           { "kind" => "group", "name" => "high", "of" => "edges", "rule" => { "plane" => { "axis" => "y", "at" => "20 mm" } } },
                           { "kind" => "support", "target" => "low", "components" => %w[y] }, { "kind" => "pressure", "target" => "high", "value" => "1 MPa" }, { "kind" => "mesh", "size" => "5 mm" }, collapse)
      result, = solved(ring)
      expect(result.displacement(result.frames.size - 1)[true, 1].min).to be_near(-1e6 / 200e9 * 0.02, 1e-3)
    end
  end
end
