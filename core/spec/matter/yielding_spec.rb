# frozen_string_literal: true

RSpec.describe Lattice::Matter::Yielding do
  def metal(**more)
    { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "yield" => "250 MPa" }.merge(more.transform_keys(&:to_s)) }
  end

  def yields(**more) = { "kind" => "yielding", "target" => "everything" }.merge(more.transform_keys(&:to_s))
  def point(strain, stress) = { "strain" => strain, "stress" => stress }
  def flow(statement, material = metal) = shape_problem(*block, material, statement).yielding.flows["block"]

  it "takes the strength of the material, bears no more, and is the later of two statements" do
    expect(flow(yields).hardening.stresses.to_a).to eq([250e6])
    both = shape_problem(*block, metal, yields, yields(strength: "300 MPa")).yielding
    expect(both.flows["block"].hardening.first).to eq(300e6)
  end

  it "reads a curve in any units, and a shift" do
    found = flow(yields(curve: [point("0", "250 MPa"), point("1 %", "0.3 GPa")]))
    expect(found.hardening.at(Numo::DFloat[0.005])[0][0]).to be_near(275e6, 1e-9)
    back = flow(yields(hardens: "kinematic", curve: [point("0", "250 MPa"), point("1 %", "300 MPa")]))
    expect([back.shifting, back.hardening.stresses.to_a]).to eq([5e9, [250e6]])
  end

  it "means the same whatever it is spelled like" do
    one, other = [[point("0", "250 MPa"), point("0.01", "300 MPa")], [point("0 %", "250000 kPa"), point("1 %", "0.3 GPa")]].map { |curve| shape_problem(*block, metal, yields(curve: curve)).yielding.signature }
    expect(one).to eq(other)
  end

  { "a curve that falls" => [{ curve: [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "0.1", "stress" => "240 MPa" }] }, /falls at its point 2/],
    "one that starts after it has yielded" => [{ curve: [{ "strain" => "0.2 %", "stress" => "250 MPa" }] }, /after it has yielded/],
    "one that starts off its strength" => [{ strength: "300 MPa", curve: [{ "strain" => "0", "stress" => "250 MPa" }] }, /another stress than its strength/],
    "one that goes back" => [{ curve: [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "0", "stress" => "260 MPa" }] }, /goes back/],
    "a strength of nothing" => [{ strength: "0 MPa" }, /strength of nothing/],
    "a shift of many points" => [{ hardens: "kinematic" }, /one straight line/] }.each do |words, (change, message)|
    it "refuses #{words}, with a cure" do
      list = shape_problem(*block, metal, yields(**change))
      expect { list.yielding.check! }.to raise_error(Lattice::InvalidInput) { |e| expect(e.faults[0]).to have_attributes(message: message, cure: /\w/) }
    end
  end

  it "says which body has no material, where one is asked for" do
    expect { shape_problem(*block).materials["block"] }.to raise_error(Lattice::InvalidInput, /“block” has no material/)
  end

  it "asks for a strength where the material has none" do
    soft = metal.merge("properties" => { "young" => "2 GPa", "poisson" => "0.3" })
    expect { shape_problem(*block, soft, yields).yielding.check! }.to raise_error(Lattice::InvalidInput, /no strength/)
  end
end
