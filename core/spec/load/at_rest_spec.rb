# frozen_string_literal: true

RSpec.describe Lattice::Load::AtRest do
  # A slope of 1 : 1 over a level bed, and a step of its own body beside it.
  let(:problem) do
    shape_problem(outline_named("bed", corners([0, 0], [20, 0], [20, 4], [0, 4])), body_named("bed", "bed", make: "plane strain"),
                  { "kind" => "material", "target" => "everything", "material" => "sand", "properties" => { "young" => "30 MPa", "poisson" => "0.3", "density" => "2000 kg/m3" } },
                  { "kind" => "at_rest", "target" => "everything", "coefficient" => "0.4" }, { "kind" => "gravity", "value" => "10 m/s2", "direction" => "-y" }, { "kind" => "mesh", "size" => "1 m" })
  end

  def corners(*points) = { "corners" => points.map { |x, y| { "x" => "#{x} m", "y" => "#{y} m" } } }

  it "is the weight of what stands above, and a part of it across" do
    stress = problem.at_rest.stress(problem.mesh, ["bed"]).call("bed").call(Numo::DFloat[[3.3, 1.0, 0], [7.7, 3.9, 0], [5, 0, 0]])
    expect((stress[true, 1] + Numo::DFloat[60e3, 2e3, 80e3]).abs.max).to be < 1e-6
    expect((stress[true, 0] - (stress[true, 1] * 0.4)).abs.max).to be < 1e-6
    expect(stress[true, 3..5].abs.max).to eq(0)
  end

  it "counts only bodies that are there, and tells nothing of others" do
    rest = problem.at_rest
    expect(rest.stress(problem.mesh, []).call("elsewhere")).to be_nil
    expect(rest.coefficients).to eq("bed" => 0.4)
  end

  it "wants weight along -y" do
    sideways = Lattice::Study::Problem.new(Lattice::Model::Document.new(problem.document.data.merge("statements" => problem.document.data["statements"].map do |s|
      s["kind"] == "gravity" ? s.merge("direction" => "+x") : s
    end)))
    expect { sideways.at_rest.check! }.to raise_error(Lattice::InvalidInput, /weighs along -y/)
  end
end
