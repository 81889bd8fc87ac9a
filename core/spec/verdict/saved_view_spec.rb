# frozen_string_literal: true

RSpec.describe Lattice::Verdict::SavedView do
  def view(**more) = { "id" => "v", "kind" => "view", "name" => "Root", "study" => "pull", "field" => "von_mises" }.merge(more.transform_keys(&:to_s))

  def told(**more)
    problem = problem({}, view(**more))
    [described_class.new(problem.document.active("view")[0], problem), Lattice::Verdict::Readiness.new(problem)]
  end

  it "is read into SI" do
    saved, readiness = told(low: "10 MPa", high: "0.2 GPa", camera: { "from" => [0, 0, 1], "at" => spot(100, 10, 5), "height" => "300 mm" },
                            around: { "axis" => "z", "through" => spot(1, 2, 3) }, cut: { "axis" => "x", "at" => "55 mm" })
    expect(saved.to_h).to eq(low: 1e7, high: 2e8, camera: { from: [0, 0, 1], at: [0.1, 0.01, 0.005], height: 0.3 },
                             around: { axis: "z", through: [0.001, 0.002, 0.003] }, cut: { axis: "x", at: 0.055, turned: false })
    expect(readiness.notices).to be_empty
  end

  { "a study that is gone" => [{ study: "push" }, /no study named “push”/], "a field that is none" => [{ field: "beauty" }, /not a field/],
    "a body that is gone" => [{ hidden: ["lid"] }, /no body named “lid”/], "ends the wrong way round" => [{ low: "20 MPa", high: "10 MPa" }, /not above/],
    "an end in another unit" => [{ high: "3 mm" }, /mm/],
    "an eye nowhere" => [{ camera: { "from" => [0, 0, 0], "at" => %w[x y z].to_h { |c| [c, "0 m"] }, "height" => "1 m" } }, /no direction/] }.each do |what, (change, message)|
    it "finds #{what} odd, and solves all the same" do
      _, readiness = told(**change)
      expect(readiness.notices.map { |n| n.fault.to_s }).to contain_exactly(a_string_matching(message))
      expect(readiness).to be_ready
    end
  end

  it "leaves results as they are" do
    one, other = [problem, problem({}, view)].map { |p| p.findings_digest(p.study!) }
    expect(one).to eq(other)
  end
end
