# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def soil(**more) = { "id" => "g", "kind" => "soil", "target" => "everything", "cohesion" => "5 kPa", "friction" => "30 deg" }.merge(more.transform_keys(&:to_s))
  def stages(*list) = { "id" => "c", "kind" => "study", "name" => "dig", "type" => "stages", "stages" => list }
  def notices(*statements) = new_model(model({}, *statements))["notices"]

  it "answers how ground presses sideways, and nothing for ground that is wrong" do
    expect(new_model(model({}, soil))["pressures"]["g"]).to include("active" => be_within(1e-9).of(1 / 3.0), "passive" => be_within(1e-9).of(3.0), "rest" => be_within(1e-9).of(0.5))
    expect(new_model(model({}, soil(friction: "0 deg", cohesion: "0 kPa")))["pressures"]).to eq({})
  end

  it "proposes what holds ground at rest" do
    made = new_model(model({ support: nil }, { "id" => "r", "kind" => "at_rest", "target" => "bar", "coefficient" => "0.5" }, { "id" => "w", "kind" => "gravity", "value" => "9.81 m/s2", "direction" => "-y" }))
    expect(made["holds"].map { |plane| plane.values_at("name", "axis", "components") }).to include(["base of the ground", "y", %w[x y z]], ["left side of the ground", "x", %w[x]])
    expect(new_model(model({}))["holds"]).to be_empty
  end

  it "says what ground, concrete and stages lack, by statement and cure" do
    { soil(dilation: "40 deg") => ["g", /widens more than friction allows/], soil(cohesion: "-1 kPa") => ["g", /cohesion is below zero/],
      stages({ "name" => "dig", "goes" => ["shaft"] }) => ["c", /no body, group of bodies, anchor, support or join named “shaft”/],
      { "id" => "k", "kind" => "concrete", "target" => "everything", "tension" => "3 MPa", "compression" => "30 MPa", "energy" => "100 N/m" } => [anything, /straight sides|no region in plane stress/],
      { "id" => "s", "kind" => "study", "name" => "safety", "type" => "strength", "of" => "nothing" } => ["s", /no study named “nothing”/] }.each do |statement, (id, message)|
      expect(notices(statement)).to include(include("statement" => id, "severity" => "stops", "message" => message, "cure" => /\w/)), statement["kind"]
    end
  end

  it "refuses a statement of ground that the document does not know" do
    status, answer = api_post("/projects/#{new_project}/models", { document: model({}, soil(cohesion: nil)) })
    expect(status).to eq(422)
    expect(answer["faults"].to_s + answer.to_s).to include("cohesion")
  end
end
