# frozen_string_literal: true

RSpec.describe Lattice::Load::Proposals do
  # A plate with two smaller pads: one lies on it, one stands 0.15 mm above it.
  def stack(*more)
    shape_problem(outline_named("plate", rectangle("0 mm", "0 mm", "100 mm", "60 mm")), outline_named("pad", rectangle("10 mm", "10 mm", "20 mm", "20 mm")), outline_named("far pad",
                                                                                                                                                                           rectangle("60 mm", "50 mm", "20 mm",
                                                                                                                                                                                     "20 mm")),
                  body_named("plate", "plate", thickness: "10 mm"), body_named("pad", "pad", thickness: "5 mm", on: on("xy", z: 10)), body_named("far", "far pad", thickness: "5 mm",
                                                                                                                                                                   on: on("xy", z: 10.15)), *more)
  end

  def found(problem, reach = 0.2e-3) = described_class.new(problem, reach).call

  it "finds faces that lie within reach and look at each other, with how much of them and how far apart" do
    pairs = found(stack)
    expect(pairs.map { |p| [p.one, p.other].map(&:first) }).to contain_exactly(%w[pad plate], %w[far plate])
    on, above = pairs.sort_by { |p| p.one[0] }.reverse
    expect([on.share, on.least, on.greatest]).to match([be_within(1e-9).of(1), be_within(1e-9).of(0), be_within(1e-9).of(0)])
    # Half of it hangs over the plate's side.
    expect([above.share, above.least]).to match([be_within(0.15).of(0.5), be_within(1e-8).of(0.15e-3)])
    expect(found(stack, 0.1e-3).map { |p| p.one[0] }).to eq(["pad"])
  end

  it "takes round faces: a pin in a bore with clearance" do
    pin = shape_problem(outline_named("ring", rectangle("0 mm", "0 mm", "40 mm", "40 mm"), holes: [circle(20, 20, 10.2)]), outline_named("rod", circle(20, 20, 10)), body_named("lug", "ring",
                                                                                                                                                                                thickness: "10 mm"),
                        body_named("pin", "rod", thickness: "30 mm", on: on("xy", z: -10)))
    pairs = found(pin, 0.2e-3)
    expect(pairs.size).to eq(1)
    expect(pairs[0].greatest).to be_within(0.05e-3).of(0.1e-3)
  end

  it "puts what is joined already at the end" do
    bond = [group_named("below", { "all" => [{ "body" => "pad" }, { "plane" => { "axis" => "z", "at" => "10 mm" } }] }), group_named("above", { "all" => [{ "body" => "plate" },
                                                                                                                                                          { "plane" => { "axis" => "z", "at" => "10 mm" } }] }),
            { "kind" => "bond", "target" => "below", "to" => "above" }]
    expect(found(stack(*bond)).map(&:joined)).to eq([false, true])
    expect(found(stack(*bond[0..1], bond[2].merge("kind" => "touch"))).map(&:joined)).to eq([false, true])
  end

  it "tells before a solve how bonds will fare: the share within reach, the gaps, and how far a side that is out of reach lies" do
    groups = { "below" => ["far", 10.15], "above" => ["plate", 10], "bottom" => ["plate", 0] }.map do |name, (body, z)|
      group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "#{z} mm" } }] })
    end
    bond = ->(to, reach) { { "kind" => "bond", "target" => "below", "to" => to, "reach" => reach } }
    fares = described_class.new(stack(*groups, bond.call("above", "0.2 mm"), bond.call("above", "0.1 mm"), bond.call("bottom", "0.2 mm")), 1e-3).bonds
    expect(fares[0]).to include(share: be_within(0.15).of(0.5), least: be_within(1e-8).of(0.15e-3))
    expect(fares[1]).to include(share: 0.0, least: nil, nearest: be_within(1e-8).of(0.15e-3))
    expect(fares[2]).to include(share: 0.0, nearest: nil)
  end

  it "grows no faster than the bodies do" do
    grid = lambda do |n|
      blocks = (0...n).flat_map { |i| [outline_named("o#{i}", rectangle("#{i % 10 * 20} mm", "#{i / 10 * 20} mm", "20 mm", "20 mm")), body_named("b#{i}", "o#{i}", thickness: "10 mm")] }
      problem = shape_problem(*blocks)
      problem.parts
      pairs = nil
      times = Array.new(3) { Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID).then { |t| pairs = found(problem).size and Process.clock_gettime(Process::CLOCK_PROCESS_CPUTIME_ID) - t } }
      [times.min, pairs]
    end
    few, many = [20, 80].map(&grid)
    expect([few[1], many[1]]).to eq([28, 142])
    expect(many[0] / many[1]).to be < few[0] / few[1] * 2.5
  end
end
