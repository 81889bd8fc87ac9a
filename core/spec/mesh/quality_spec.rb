# frozen_string_literal: true

RSpec.describe Lattice::Mesh::QualityReport do
  def grid(kind, nodes)
    Lattice::Mesh::Grid.new(nodes: Numo::DFloat.cast(nodes), blocks: [Lattice::Mesh::Block.new(kind, "one", Numo::Int32.new(1, nodes.size).seq)],
                            places: {}, dimension: 3, order: 1)
  end

  def measure(key, kind, nodes) = described_class.new(grid(kind, nodes)).values(key)[0]

  let(:even) { [[1, -1, -1], [1, 1, 1], [-1, 1, -1], [-1, -1, 1]] }
  let(:cube) { Lattice::Element::Hex8::NODES.to_a }

  it "gives even elements full marks" do
    expect(measure(:mean_ratio, :tet4, even)).to be_near(1, 1e-12)
    expect(measure(:scaled_jacobian, :tet4, even)).to be_near(1, 1e-12)
    expect(measure(:least_angle, :tet4, even)).to be_near(Math.acos(1.0 / 3) * 180 / Math::PI, 1e-9)
    expect(%i[mean_ratio scaled_jacobian].map { |key| measure(key, :hex8, cube) }).to all(be_near(1, 1e-12))
    expect([measure(:skew, :hex8, cube), measure(:warp, :hex8, cube)]).to all(be < 1e-6)
    expect(measure(:least_angle, :hex8, cube)).to be_near(90, 1e-9)
  end

  it "tells folded, long and warped ones" do
    expect(measure(:mean_ratio, :tet4, even.values_at(1, 0, 2, 3))).to be_near(-1, 1e-12)
    expect(measure(:aspect, :hex8, cube.map { |x, y, z| [4 * x, y, z] })).to be_near(4, 1e-12)
    flat = [[0, 0, 0], [1, 0, 0], [1, 1, 0], [0, 1, 0]]
    expect(measure(:warp, :quad4, flat)).to be_near(0, 1e-9)
    expect(measure(:warp, :quad4, [*flat[0..2], [0, 1, 1]])).to be > 40
    expect(measure(:least_angle, :tri3, [[0, 0, 0], [1, 0, 0], [0.5, 0.1, 0]])).to be_near(Math.atan(0.2) * 180 / Math::PI, 1e-9)
  end

  it "names the worst, and shows whole elements by themselves" do
    mesh = problem(outline: { "holes" => [circle(100, 10, 8)] }).mesh
    report = mesh.quality
    worst = report.worst(:mean_ratio, count: 3)
    expect(worst.map { |e| e[:value] }).to eq(report.values(:mean_ratio).sort[0..2].to_a)
    row = report.summary.find { |m| m[:key] == :mean_ratio }
    expect(row[:histogram].sum).to eq(mesh.size)
    chosen = Lattice::Mesh::Choice.new(report, mesh, key: :mean_ratio, worse: worst[2][:value]).call
    seen = Lattice::Mesh::Visible.new(mesh, chosen)
    expect(seen.count).to eq(3)
    expect(seen.elements.to_a.uniq).to match_array(worst.map { |e| e[:number] })
    half = Lattice::Mesh::Choice.new(report, mesh, key: :mean_ratio, axis: "x", at: 0.5).call
    expect(Lattice::Mesh::Visible.new(mesh, half).positions[true, 0].max).to be < 0.12
  end

  it "is told in the readiness list: poor elements are odd, folded ones stop a solve" do
    notices = ->(poor) { Lattice::Verdict::Readiness.new(problem, poor).notices.select { |n| n.fault.message.include?("element") } }
    expect(notices[problem.mesh.quality.poor]).to be_empty
    thin = grid(:tet4, [[0, 0, 0], [1, 0, 0], [0, 1, 0], [0.3, 0.3, 0.05]]).quality.poor
    expect(notices[thin].map { |n| [n.severity, n.fault.message] }).to match([[:odd, /\Aone element is poor: the mean ratio is 0.\d+ at worst, in “one” near 325 mm; 325 mm; 12.5 mm/]])
    folded = grid(:tet4, even.values_at(1, 0, 2, 3)).quality.poor
    expect(notices[JSON.parse(JSON.generate(folded))].map(&:severity)).to eq([:stops])
    expect { Lattice::Verdict::MeshQuality.new(folded, "mm-N").check! }.to raise_error(Lattice::InvalidInput, /folded.*smaller size/m)
  end

  it "is held against the memory before a solve" do
    mesh = problem.mesh
    expect { Lattice::Mesh::Estimate.check_solve!(mesh, free: 1e8) }.to raise_error(Lattice::InvalidInput, /unknowns, whose solution needs about .* GB.*larger size/m)
    expect { Lattice::Mesh::Estimate.check_solve!(mesh) }.not_to raise_error
  end
end
