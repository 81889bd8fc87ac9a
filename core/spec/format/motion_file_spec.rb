# frozen_string_literal: true

RSpec.describe Lattice::Format::MotionFile do
  it "reads times and values in two columns, in the unit that its head tells" do
    found = described_class.read("time [s],acceleration [g]\n0,0\n0.02,0.1\n0.04,-0.3\n")
    expect(found).to have_attributes(step: be_near(0.02, 1e-12), unit: "g", values: [0.0, 0.1, -0.3])
    expect(described_class.read("0;0\n0,5;1\n".tr(",", ".")).unit).to eq("m/s2")
  end

  it "reads fixed columns that touch, under a head" do
    text = "event: X\nstep: 5 ms\nunit: cm/s2\ncolumns: 3 x 7\n  1.500-20.125   0.25\n   7.00\n"
    expect(described_class.read(text)).to have_attributes(step: be_near(0.005, 1e-12), unit: "m/s2", values: [0.015, -0.20125, 0.0025, 0.07])
  end

  it "reads what its own station sends, in both directions" do
    Lattice::Station.events.each do |event|
      north, east = %w[north east].map { |way| described_class.read(Lattice::Station.file(event[:id], way)) }
      expect(north).to have_attributes(step: 0.01, unit: "g")
      expect(north.values.size).to eq((event[:duration] / 0.01).round + 1)
      expect(north.values.map(&:abs).max).to be_near(event[:peak], 1e-3)
      expect(east.values).not_to eq(north.values)
    end
    expect { Lattice::Station.file("FH-1") }.to raise_error(Lattice::InvalidInput, /no event “FH-1”.*FH-0307/)
  end

  { "step: 0.01 s\nunit: g\n1 2\n3 x\n" => /line 4 is no row of numbers/, "1\n2\n3\n" => /does not tell the time between/, "step: 0 s\n1\n2\n" => /is no time/, "a head\n" => /no row of numbers/,
    "0,1\n0.1,2\n0.3,3\n" => /do not rise in equal steps, as in row/, "#{"x\n" * 70}1 2\n" => /head has more than/, "step: 1 s\n#{"1 1 1 1 1 1 1 1 1 1\n" * 2001}" => /20010 values, of which at most 20000/,
    "step: 1 s\n5\n" => /it has 1 values/, "step: 1 s\ncolumns: 2 x 0\n1\n" => /of no width/, "\xFF\xFE1" => /is no text/ }.each do |text, message|
    it "says of #{text[0, 20].inspect} what is wrong" do
      expect { described_class.read(text) }.to raise_error(Lattice::InvalidInput, message)
    end
  end

  it "answers the spectrum of a record: far above its swing as the ground does, at its own period the more the longer it swings" do
    swing = (0..2000).map { |i| Math.sin(2 * Math::PI * i * 0.01) }
    motion = Lattice::Load::GroundMotion.new(Lattice::Model::Statement.new("id" => "m", "kind" => "ground_motion", "name" => "m", "step" => "10 ms", "unit" => "m/s2", "values" => [swing], "to" => "15 s"))
    spectrum = motion.spectrum
    at = ->(period) { spectrum[(Lattice::Load::GroundMotion::PERIODS - period).abs.min_index] }
    expect(at[0.03]).to be_near(1.0, 0.02)
    # 1 / 2ζ (1 − e^(−ζωt)) at its period.
    near = Lattice::Load::GroundMotion::PERIODS[(Lattice::Load::GroundMotion::PERIODS - 1.0).abs.min_index]
    expect(near).to be_near(1.0, 0.02)
    expect(at[1.0]).to be_between(8.0, 10.0)
    expect(motion).to have_attributes(duration: be_near(15.0, 1e-9), peak: be_near(1.0, 1e-9))
    expect(motion.at(0.255)).to be_near((swing[25] + swing[26]) / 2, 1e-9)
    expect(motion.at(99.0)).to eq(0.0)
  end
end
