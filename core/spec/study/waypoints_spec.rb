# frozen_string_literal: true

# What was stopped, or killed, goes on from where it had come to, and ends as if nothing had happened.
RSpec.describe Lattice::Study::Waypoints do
  let(:folder) { Dir.mktmpdir }

  before { stub_const("Lattice::Study::Waypoints::EVERY", 0.0) }
  after { FileUtils.rm_rf(folder) }

  # @yield [String] a line of the log, or a Hash of what came to rest
  def solved(problem, study, &)
    monitor = Lattice::Study::Monitor.new { |event, told| yield(event == :log ? told : event) if %i[log came].include?(event) }
    Lattice::Study::Solving.new(problem, keeper: Lattice::Command::Solves::Kept.new(folder), monitor: monitor).call(problem.study!(study))
  end

  # Solved as a whole, and with a halt once an increment is kept, and then again.
  def expect_the_same(problem, study, halts)
    whole = Lattice::Study::Solving.new(problem).call(problem.study!(study))
    halts.each do |at, words|
      seen = 0
      expect { solved(problem, study) { |told| raise Interrupt if told == :came && (seen += 1) == at } }.to raise_error(Interrupt)
      log = []
      found = solved(problem, study) { |told| log << told }
      expect(log.first).to include("It goes on from #{words}")
      expect(found.frames.map(&:to_h)).to eq(whole.frames.map(&:to_h))
      whole.frames.each_index do |frame|
        expect((found.displacement(frame) - whole.displacement(frame)).abs.max).to be <= 1e-9 * whole.displacement(frame).abs.max
        expect(found.field("von_mises", frame).max).to be_near(whole.field("von_mises", frame).max, 1e-8)
      end
      expect(Dir.children(folder)).to be_empty
    end
    whole
  end

  it "goes on along an arc, with what has flowed" do
    yielding = { "id" => "y", "kind" => "yielding", "target" => "everything", "curve" => [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "350 MPa" }] }
    collapse = { "id" => "c", "kind" => "study", "name" => "far", "type" => "collapse", "first" => "0.3", "increments" => 8, "far" => "40 mm" }
    whole = expect_the_same(problem({ force: { "value" => "4 kN" }, mesh: { "size" => "20 mm" } }, yielding, collapse), "far", { 5 => "increment 5, load factor" })
    expect(whole.field("plastic_strain", whole.frames.size - 1).max).to be > 1e-3
  end

  # A block on another, pressed and then dragged, while a third one comes; all of it flows.
  def blocks
    stage = ->(name, comes: [], **loads) { { "name" => name, "comes" => comes, "loads" => loads.map { |key, factor| { "case" => key.to_s, "factor" => factor } } }.reject { |_, v| v == [] } }
    edge = ->(name, body, axis, at) { group_named(name, { "all" => [{ "body" => body }, { "plane" => { "axis" => axis, "at" => "#{at} mm" } }] }, of: "edges") }
    bodies = { "low" => [0, 0, 40, 20], "high" => [0, 20, 40, 10], "cap" => [0, 30, 40, 5] }.flat_map do |name, (x, y, w, h)|
      [outline_named("#{name} plan", rectangle("#{x} mm", "#{y} mm", "#{w} mm", "#{h} mm")), body_named(name, "#{name} plan", thickness: "10 mm", make: "plane strain")]
    end
    study = { "kind" => "study", "name" => "case", "type" => "stages", "stages" => [stage["press", press: "1"], stage["drag", comes: ["cap"], press: "1", drag: "1"], stage["let go", press: "0.5", drag: "0"]] }
    shape_problem(*bodies, { "kind" => "material", "target" => "everything", "material" => "given", "properties" => Models::STEEL },
                  edge["base", "low", "y", 0], edge["under", "high", "y", 20], edge["upon", "low", "y", 20], edge["roof", "high", "y", 30], edge["sole", "cap", "y", 30],
                  *%w[press drag].map { |name| { "kind" => "case", "name" => name } }, { "kind" => "support", "target" => "base", "components" => %w[x y] },
                  { "kind" => "touch", "target" => "under", "to" => "upon", "friction" => "0.3" }, { "kind" => "bond", "target" => "sole", "to" => "roof" },
                  { "kind" => "force", "target" => "roof", "value" => "80 kN", "direction" => "-y", "case" => "press" },
                  { "kind" => "force", "target" => "roof", "value" => "15 kN", "direction" => "+x", "case" => "drag" }, { "kind" => "mesh", "size" => "10 mm" }, study)
  end

  it "goes on in a stage and at the end of one, with what touches, what came and what has flowed" do
    told = []
    solved(blocks, "case") { |one| told << one }
    ends = told.grep(/100 %/).size
    expect(ends).to eq(3)
    count = told.count(:came)
    whole = expect_the_same(blocks, "case", { 1 => "stage “press”", count - 2 => "stage “" })
    expect(whole.field("touch_pressure", 0).max).to be > 1e6
  end

  it "refuses a folder that cannot be written, before anything is solved" do
    File.write(File.join(folder, "file"), "")
    expect { Lattice::Command::Solves::Kept.new(File.join(folder, "file", "below")) }.to raise_error(Lattice::InvalidInput, /cannot be written.*Name a folder/)
  end

  it "keeps nothing that is not whole" do
    way = described_class.new(File.join(folder, "one"), every: 0.0)
    expect(way.last).to be_nil
    way.pass([1, Numo::DFloat[1, 2]]) { { at: 1 } }
    way.pass([2, Numo::DFloat[3]]) { { at: 2 } }
    File.open(File.join(folder, "one", "records"), "ab") { |file| file.write("half of a rec") }
    again = described_class.new(File.join(folder, "one"), every: 0.0)
    expect(again).not_to be_kept
    expect(again.last).to eq([[[1, Numo::DFloat[1, 2]], [2, Numo::DFloat[3]]], { at: 2 }])
    expect(again).to be_kept
    again.pass([3, nil]) { { at: 3 } }
    expect(described_class.new(File.join(folder, "one")).last).to eq([[[1, Numo::DFloat[1, 2]], [2, Numo::DFloat[3]], [3, nil]], { at: 3 }])
    File.binwrite(File.join(folder, "one", "memory"), "torn")
    expect(described_class.new(File.join(folder, "one")).last).to be_nil
    way.done
    expect(Dir.children(folder)).to be_empty
  end
end
