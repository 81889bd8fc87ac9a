# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::App do
  include Api

  def send_file(path, text)
    header "Host", "127.0.0.1:4567"
    post "/api#{path}", text, "CONTENT_TYPE" => "application/octet-stream"
    [last_response.status, JSON.parse(last_response.body)]
  end

  quake = { "id" => "m", "kind" => "ground_motion", "name" => "quake", "step" => "10 ms", "unit" => "g", "values" => [[0.0, 0.2, -0.3, 0.1]] }

  it "answers the peak, course and spectrum of ground motions, and nothing of those that are wrong" do
    found = new_model(model({}, quake))["motions"]["m"]
    expect(found).to include("peak" => be_within(1e-6).of(0.3 * 9.80665), "duration" => be_within(1e-9).of(0.03), "values" => have_attributes(size: 4))
    expect(found["spectrum"].size).to eq(found["periods"].size)
    expect(new_model(model({}, quake.merge("values" => [[0.0, 50.0]])))["motions"]).to eq({})
  end

  it "says what a shaking study and its records lack, by statement and cure" do
    shake = { "id" => "c", "kind" => "study", "name" => "shake", "type" => "shaking", "ground" => [{ "motion" => "quake", "direction" => "+x" }] }
    { quake.merge("values" => [[0.0, 50.0]]) => ["m", /more than any ground has shaken/], shake => ["c", /no ground motion named “quake”/],
      { "id" => "f", "kind" => "floor", "name" => "deck", "target" => "nothing" } => ["f", /no group or body named “nothing”/] }.each do |statement, (id, message)|
      expect(new_model(model({}, statement))["notices"]).to include(include("statement" => id, "severity" => "stops", "message" => message, "cure" => /\w/))
    end
  end

  it "reads a record that is sent, and says what is wrong with one" do
    expect(send_file("/ground-motions", "step: 20 ms\nunit: g\n0.1 -0.2\n0.3\n")).to eq([200, { "step" => 0.02, "unit" => "g", "values" => [0.1, -0.2, 0.3] }])
    expect(send_file("/ground-motions", "no numbers")).to match([422, include("error" => /no row of numbers/)])
  end

  it "asks the station for its events, and for a record of one" do
    status, station = api_get("/station")
    expect(status).to eq(200)
    event = station["events"][0]["id"]
    _, found = api_get("/station/#{event}/#{station['directions'][0]}")
    expect(found).to include("step" => 0.01, "unit" => "g", "file" => "#{event} north.txt", "text" => /columns: 8 x 10/)
    status, refused = api_get("/station/FH-1/north")
    expect([status, refused.to_s]).to match([422, /no event “FH-1”/])
  end
end
