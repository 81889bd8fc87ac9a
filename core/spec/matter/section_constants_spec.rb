# frozen_string_literal: true

RSpec.describe Lattice::Matter::SectionConstants do
  def of(boundary, *holes) = described_class.of(outline_of(boundary, *holes))

  it "finds a rectangle's constants, wherever it is drawn" do
    values = of(rectangle("5 mm", "3 mm", "20 mm", "60 mm"))
    expect(values.area).to be_near(1200e-6, 1e-12)
    expect(values.centre.map { |c| (c * 1e3).round(9) }).to eq([15, 33])
    expect([values.xx, values.yy]).to match([be_near(20 * (60**3) / 12.0 * 1e-12, 1e-12), be_near(60 * (20**3) / 12.0 * 1e-12, 1e-9)])
    # Saint-Venant's series for sides of 3 to 1.
    expect(values.torsion).to be_near(0.26332 * 60 * (20**3) * 1e-12, 1e-3)
    expect(1 / values.compliance[0] / values.area).to be_near(5 / 6.0, 1e-3)
    expect(1 / values.compliance[1] / values.area).to be_near(5 / 6.0, 1e-3)
  end

  it "finds a circle's and a tube's" do
    rod = of(circle(0, 0, 40))
    expect(rod.torsion).to be_near(Math::PI * (0.04**4) / 32, 1e-3)
    expect(1 / rod.compliance[0] / rod.area).to be_near(6 / 7.0, 2e-3)
    tube = of(circle(0, 0, 40), circle(0, 0, 34))
    expect(tube.torsion).to be_near(Math::PI * ((0.04**4) - (0.034**4)) / 32, 2e-3)
    expect(1 / tube.compliance[0] / tube.area).to be_near(0.5, 0.02)
  end

  it "finds the shear centre of thin walls beyond the web, and the torsion of open ones" do
    channel = of({ "section" => { "shape" => "channel", "height" => "100 mm", "width" => "50 mm", "web" => "3 mm", "flange" => "3 mm" } })
    web = 3 * (48.5**2) / (97 + (6 * 48.5))
    centre = 2 * 48.5 * 24.25 / ((2 * 48.5) + 97)
    expect(channel.shear_centre[0]).to be_near(-(web + centre) * 1e-3, 0.01)
    expect(channel.shear_centre[1].abs).to be < 1e-6
    expect(channel.torsion).to be_near(((2 * 48.5) + 97) * (3**3) / 3 * 1e-12, 0.02)
  end

  it "turns to the principal axes of an angle" do
    angle = of({ "section" => { "shape" => "angle", "height" => "80 mm", "width" => "80 mm", "web" => "8 mm" } })
    expect(angle.principal_angle.abs).to be_near(Math::PI / 4, 1e-9)
    turned = angle.turned(angle.principal_angle)
    expect(turned[:xx] + turned[:yy]).to be_near(angle.xx + angle.yy, 1e-12)
    # Where the middles of the two legs meet.
    angle.shear_centre.zip(angle.centre).each { |shear, centre| expect(shear).to be_near(-0.04 + 0.004 - centre, 0.02) }
  end
end

RSpec.describe Lattice::Element::Beam::Block do
  # A model of members alone, from its statements.
  def frame(corners, *more,
            outline: rectangle("-10 mm", "-20 mm", "20 mm", "40 mm"), links: nil, section: {}, held: %w[x y z rx ry rz], size: "10 m")
    line = { "kind" => "line", "name" => "l", "corners" => corners.map { |x, y, z| { "x" => "#{x} m", "y" => "#{y} m", "z" => "#{z} m" } } }.merge(links ? { "links" => links } : {})
    shape_problem(line, outline_named("s", outline), { "kind" => "body", "name" => "beam", "outline" => "l", "make" => "members" },
                  { "kind" => "material", "target" => "everything", "material" => "given", "properties" => Models::STEEL },
                  { "kind" => "section", "target" => "beam", "outline" => "s" }.merge(section),
                  { "kind" => "group", "name" => "root", "of" => "points", "rule" => { "plane" => { "axis" => "x", "at" => "0 mm" } } },
                  { "kind" => "support", "target" => "root", "components" => held }, { "kind" => "mesh", "size" => size, "order" => "linear" }, { "kind" => "study", "name" => "s", "type" => "static" }, *more)
  end

  def tip(at = "1 m") = group_named("tip", { "plane" => { "axis" => "x", "at" => at } }, of: "points")
  def push(value, direction, target: "tip") = { "kind" => "force", "target" => target, "value" => value, "direction" => direction }
  def at(result, *place) = ((result.grid.nodes - Numo::DFloat[place])**2).sum(1).min_index

  young = 210e9
  shear = young / 2.6

  it "bends, shears and stretches exactly, in any direction of space, with one element" do
    second = 0.02 * (0.04**3) / 12
    [[[0, 0, 0], [1, 0, 0]], [[0, 0, 0], [0.6, 0.8, 0]]].each do |line|
      result = solve(frame(line, tip("#{line[1][0]} m"), push("100 N", "-z")))
      expect(result.displacement[at(result, *line[1]), 2]).to be_near(-((100 / 3.0 / young / second) + (100 * 1.2 / shear / 8e-4)), 1e-4)
      expect(result.field("von_mises").max).to be_near(100 * 0.02 / second, 1e-9)
      expect(result.balance[:error]).to be < 1e-12
    end
    result = solve(frame([[0, 0, 0], [1, 0, 0]], tip, push("1 kN", "+x")))
    expect(result.displacement[at(result, 1, 0, 0), 0]).to be_near(1000 / young / 8e-4, 1e-9)
  end

  it "carries a uniform load exactly between its nodes, whatever their number" do
    load = { "kind" => "line_load", "target" => "beam", "value" => "200 N/m", "direction" => "-y" }
    second = 0.04 * (0.02**3) / 12
    wanted = -(200 / 8.0 / young / second) - (200 / 2.0 * 1.2 / shear / 8e-4)
    ["10 m", "250 mm"].each do |size|
      result = solve(frame([[0, 0, 0], [1, 0, 0]], load, size: size))
      expect(result.displacement[at(result, 1, 0, 0), 1]).to be_near(wanted, 1e-4)
      row = Lattice::Result::Members.new(result.grid, result.state).rows[0]
      expect(row[:forces]["M3"].values.map(&:abs).max.abs + row[:forces]["M2"].values.map(&:abs).max.abs).to be_near(100, 1e-6)
      expect(row[:forces]["N"].values.map(&:abs).max).to be < 1e-9
    end
  end

  it "weighs what it weighs, and twists by T L / G J through its shear centre" do
    gravity = { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-z" }
    result = solve(frame([[0, 0, 0], [1, 0, 0]], gravity))
    expect(result.reaction_sum(Numo::Int32[at(result, 0, 0, 0)])[2]).to be_near(7850 * 8e-4 * 10, 1e-9)
    channel = { "section" => { "shape" => "channel", "height" => "100 mm", "width" => "50 mm", "web" => "3 mm", "flange" => "3 mm" } }
    values = Lattice::Matter::SectionConstants.of(outline_of(channel))
    result = solve(frame([[0, 0, 0], [1, 0, 0]], tip, push("10 N", "-z"), outline: channel))
    expect(result.rotation[at(result, 1, 0, 0), 0].abs).to be_near(10 * values.shear_centre[0].abs / shear / values.torsion, 1e-6)
  end

  it "carries only along its axis as a bar, and leaves no turn of a node undecided" do
    aside = { "kind" => "support", "target" => "tip", "components" => ["y"] }
    result = solve(frame([[0, 0, 0], [1, 0, 1], [0, 0, 2]], tip, push("1 kN", "+x"), aside, section: { "bar" => true }, held: %w[x y z], size: "1 m"))
    expect(result.displacement[at(result, 1, 0, 1), 0]).to be_near(1000 * Math.sqrt(2) / young / 8e-4, 1e-9)
    rows = Lattice::Result::Members.new(result.grid, result.state).rows
    expect(rows.map { |row| row[:forces]["N"][:start] }).to all(be_near(1000 / Math.sqrt(2), 1e-9))
    expect(rows.map { |row| row[:forces]["M2"][:greatest].abs }.max).to be < 1e-6
  end

  it "releases turns at the ends that are pinned" do
    load = { "kind" => "line_load", "target" => "beam", "value" => "200 N/m", "direction" => "-z" }
    ends = { "kind" => "support", "target" => "far", "components" => %w[x y z rx ry rz] }
    far = group_named("far", { "plane" => { "axis" => "x", "at" => "1 m" } }, of: "points")
    middle = ->(pinned) { solve(frame([[0, 0, 0], [1, 0, 0]], far, ends, load, section: pinned ? { "pinned" => pinned } : {}, size: "500 mm")).then { |r| -r.displacement[at(r, 0.5, 0, 0), 2] } }
    second = 0.02 * (0.04**3) / 12
    bent = ->(factor) { (200 * factor / young / second) + (200 / 8.0 * 1.2 / shear / 8e-4) }
    expect(middle[nil]).to be_near(bent[1 / 384.0], 1e-3)
    expect(middle["both"]).to be_near(bent[5 / 384.0], 1e-3)
    expect(middle["start"]).to be_near(bent[1 / 192.0], 0.02)
  end

  it "bends under a moment by M L² / 2 E I, and rests on springs" do
    second = 0.02 * (0.04**3) / 12
    turned = { "kind" => "moment", "target" => "tip", "value" => "10 N m", "direction" => "+y" }
    result = solve(frame([[0, 0, 0], [1, 0, 0]], tip, turned))
    expect(result.displacement[at(result, 1, 0, 0), 2]).to be_near(-10 / 2.0 / young / second, 1e-9)
    expect(result.balance[:error]).to be < 1e-12
    spring = { "kind" => "spring", "target" => "tip", "stiffness" => "20 N/mm", "components" => ["z"] }
    result = solve(frame([[0, 0, 0], [1, 0, 0]], tip, push("100 N", "-z"), spring))
    compliance = (1 / 3.0 / young / second) + (1.2 / shear / 8e-4)
    expect(result.displacement[at(result, 1, 0, 0), 2]).to be_near(-100 / (20_000 + (1 / compliance)), 1e-5)
    expect(result.balance[:error]).to be < 1e-12
    expect(result.reaction_sum(Numo::Int32[at(result, 1, 0, 0)])[2]).to be_near(20_000 * 100 / (20_000 + (1 / compliance)), 1e-5)
    expect(refusal { solve(frame([[0, 0, 0], [1, 0, 0]], tip, spring.merge("stiffness" => "-1 N/mm"))) }).to match(/not above zero. Give a stiffness/)
    expect(refusal { solve(problem({ force: nil, tip: { "of" => "edges", "rule" => { "plane" => { "axis" => "x", "at" => "200 mm" } } } }, { "id" => "m" }.merge(turned))) }).to include("“bar” do not turn")
  end

  it "reads each member's own stress where several meet, and draws them with it" do
    result = solve(frame([[0, 0, 0], [1, 0, 0], [2, 0, 0]], tip("2 m"), push("100 N", "-z"), { "kind" => "support", "target" => "knot", "components" => %w[x y z rx ry rz] },
                         group_named("knot", { "plane" => { "axis" => "x", "at" => "1 m" } }, of: "points"), size: "500 mm"))
    second = 0.02 * (0.04**3) / 12
    expect(result.field("von_mises").max).to be_near(100 * 0.02 / second, 1e-9)
    expect(Lattice::Result::Members.new(result.grid, result.state).rows.map { |row| row[:stress] }.max).to be_near(result.field("von_mises").max, 1e-12)
    shapes = result.member_shapes
    expect(result.field("von_mises")[shapes.points].max).to be_near(result.field("von_mises").max, 1e-12)
    expect(shapes.triangles.max).to eq(shapes.positions.shape[0] - 1)
    expect((shapes.positions.max(0) - shapes.positions.min(0)).to_a.map { |c| c.round(9) }).to eq([2.0, 0.02, 0.04])
  end

  it "adds up forces of combinations before stress is read from them" do
    cases = [{ "kind" => "case", "name" => "down" }, { "kind" => "case", "name" => "aside" }, tip, push("100 N", "-z").merge("case" => "down"), push("100 N", "+y").merge("case" => "aside"),
             { "kind" => "combination", "name" => "both", "terms" => [{ "case" => "down", "factor" => "1" }, { "case" => "aside", "factor" => "-2" }] }]
    result = solve(frame([[0, 0, 0], [1, 0, 0]], *cases))
    high = 0.02 * (0.04**3) / 12
    low = 0.04 * (0.02**3) / 12
    expect(result.field("von_mises", 2).max).to be_near((100 * 0.02 / high) + (200 * 0.01 / low), 1e-9)
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      expect(Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid).field("von_mises", 2)).to eq(result.field("von_mises", 2))
    end
  end

  it "wants a section for every member, one that is not along it, and members to give it to" do
    messages = ->(*a, **b) { Lattice::Verdict::Readiness.new(frame(*a, **b)).notices.select(&:stops?).map { |n| n.fault.to_s }.join("\n") }
    line = [[0, 0, 0], [1, 0, 0], [1, 1, 0]]
    expect(messages.call(line, section: { "target" => "leg" })).to include("there is no group or body named “leg”")
    expect(messages.call(line, section: { "outline" => "none" })).to match(/no outline named “none”.*members of “beam” have no section/m)
    expect(messages.call(line, section: { "up" => "+x" })).to match(/member 1.*runs along the direction/)
    expect(messages.call(line, size: "100 mm")).to eq("")
  end
end
