# frozen_string_literal: true

# What was stopped, or killed, goes on from where it had come to, and ends as if nothing had happened.
RSpec.describe Lattice::Study::Waypoints do
  let(:folder) { Dir.mktmpdir }

  after { FileUtils.rm_rf(folder) }

  # A keeper of waypoints that are written at every increment.
  def keeper = Class.new(Lattice::Study::Solving::Keeper) { def initialize(folder) = @folder = folder; def waypoints(digest) = Lattice::Study::Waypoints.new(File.join(@folder, digest), every: 0.0) }.new(folder)

  # Solved with a halt at some increment, and then again.
  # @return [Array(Lattice::Result::Outcome, Array<String>)] the result, and the log of the second time
  def halted(problem, study, after)
    seen = 0
    stop = Lattice::Study::Monitor.new { |event, text| raise Interrupt if event == :log && text.match?(/: \d\.?\d*e/) && (seen += 1) == after + 1 }
    expect { Lattice::Study::Solving.new(problem, keeper: keeper, monitor: stop).call(problem.study!(study)) }.to raise_error(Interrupt)
    log = []
    again = Lattice::Study::Monitor.new { |event, text| log << text if event == :log }
    [Lattice::Study::Solving.new(problem, keeper: keeper, monitor: again).call(problem.study!(study)), log]
  end

  def expect_the_same(problem, study, after)
    whole = Lattice::Study::Solving.new(problem).call(problem.study!(study))
    found, log = halted(problem, study, after)
    expect(log.first).to match(/It goes on from/)
    expect(found.frames.map(&:to_h)).to eq(whole.frames.map(&:to_h))
    whole.frames.each_index do |frame|
      expect((found.displacement(frame) - whole.displacement(frame)).abs.max).to be <= 1e-9 * whole.displacement(frame).abs.max
      expect(found.field("von_mises", frame).max).to be_near(whole.field("von_mises", frame).max, 1e-8)
    end
    expect(Dir.children(folder)).to be_empty
    [whole, found]
  end

  it "goes on along an arc, with what has flowed" do
    yielding = { "id" => "y", "kind" => "yielding", "target" => "everything", "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "350 MPa" }] }
    collapse = { "id" => "c", "kind" => "study", "name" => "far", "type" => "collapse", "first" => "0.3", "increments" => 8, "far" => "40 mm" }
    one = problem({ force: { "value" => "4 kN" }, mesh: { "size" => "20 mm" } }, yielding, collapse)
    whole, = expect_the_same(one, "far", 5)
    expect(whole.field("plastic_strain", whole.frames.size - 1).max).to be > 1e-3
  end

  it "keeps nothing that is not whole" do
    way = described_class.new(File.join(folder, "one"), every: 0.0)
    expect(way.last).to be_nil
    way.pass([1, Numo::DFloat[1, 2]]) { { at: 1 } }
    way.pass([2, Numo::DFloat[3]]) { { at: 2 } }
    File.open(File.join(folder, "one", "records"), "ab") { |file| file.write("half of a rec") }
    again = described_class.new(File.join(folder, "one"), every: 0.0)
    expect(again.last).to eq([[[1, Numo::DFloat[1, 2]], [2, Numo::DFloat[3]]], { at: 2 }])
    again.pass([3, nil]) { { at: 3 } }
    expect(described_class.new(File.join(folder, "one")).last).to eq([[[1, Numo::DFloat[1, 2]], [2, Numo::DFloat[3]], [3, nil]], { at: 3 }])
    File.binwrite(File.join(folder, "one", "memory"), "torn")
    expect(described_class.new(File.join(folder, "one")).last).to be_nil
    way.done
    expect(Dir.children(folder)).to be_empty
  end
end
