# frozen_string_literal: true

RSpec.describe Lattice::Shape::Outline do
  it "measures area and centroid exactly, with holes, fillets and arcs" do
    area, centre = outline_of(corners([0, 0], [100, 0], [100, 50], [0, 50]), circle(30, 25, 20)).area_and_centroid
    expect(area).to be_near(5e-3 - (Math::PI * 1e-4), 1e-12)
    expect(centre[0]).to be_near(((5e-3 * 0.05) - (Math::PI * 1e-4 * 0.03)) / area, 1e-12)
    expect(centre[1]).to be_near(0.025, 1e-12)

    rounded, = outline_of({ "rectangle" => rectangle("0 mm", "0 mm", "100 mm", "50 mm")["rectangle"].merge("fillet" => "10 mm") }).area_and_centroid
    expect(rounded).to be_near(5e-3 - ((4 - Math::PI) * 1e-4), 1e-12)
  end

  it "puts an arc's centroid where the textbook has it" do
    s = Math.sqrt(0.5) * 10
    area, centre = outline_of(corners([0, 0], [10, 0, { "through" => { "x" => "#{s} mm", "y" => "#{s} mm" } }], [0, 10])).area_and_centroid
    expect(area).to be_near(Math::PI * 25e-6, 1e-9)
    expect(centre[0]).to be_near(4 * 0.01 / (3 * Math::PI), 1e-9)
    expect(centre[1]).to be_near(centre[0], 1e-9)
  end

  it "turns clockwise figures round and names sides after corners" do
    outline = outline_of(corners([0, 0], [0, 50], [100, 50], [100, 0]))
    expect(outline.boundary.area).to be_positive
    expect(outline.segments.map(&:key)).to contain_exactly("side 1", "side 2", "side 3", "side 4")
    expect(outline_of(corners([0, 0], [50, 0, { "fillet" => "5 mm" }], [50, 50])).segments.map(&:key)).to include("fillet 2")
  end

  describe "refusals" do
    it "names the sides that cross and the place" do
      message = refusal { outline_of(corners([0, 0], [20, 10], [20, 0], [0, 12])) }
      expect(message).to match(/outline “figure”: side 1 and side 3 cross or touch near x = .* mm, y = .* mm. Move a corner/)
    end

    it "sees a fold back, a touch at a corner and an overlap of sides" do
      expect(refusal { outline_of(corners([0, 0], [20, 0], [10, 0], [10, 10])) }).to match(/cross or touch|folds back/)
      expect(refusal { outline_of(corners([0, 0], [20, 0], [20, 20], [10, 0], [0, 20])) }).to include("cross or touch")
    end

    it "refuses holes outside, in each other, or touching" do
      plate = corners([0, 0], [100, 0], [100, 50], [0, 50])
      expect(refusal { outline_of(plate, circle(130, 25, 20)) }).to match(/hole 1 lies outside the outline. Move it inside/)
      expect(refusal { outline_of(plate, circle(30, 25, 40), circle(30, 25, 10)) }).to include("hole 2 lies within hole 1")
      expect(refusal { outline_of(plate, circle(30, 25, 50)) }).to include("hole 1 and the boundary cross or touch")
      expect(refusal { outline_of(plate, circle(30, 25, 20), circle(50, 25, 20)) }).to match(/hole [12] and hole [12] cross or touch/)
      expect(refusal { outline_of(plate, circle(30, 25, 20), circle(45, 25, 20)) }).to include("cross or touch")
    end

    it "refuses what has no extent" do
      expect(refusal { outline_of(corners([0, 0], [10, 0], [20, 0])) }).to match(/no area|cross or touch|folds/)
      expect(refusal { outline_of(corners([0, 0], [0, 0], [20, 0])) }).to include("lie on the same point")
      expect(refusal { outline_of(circle(0, 0, 0)) }).to include("diameter “0 mm” is not above zero")
      expect(refusal { outline_of(rectangle("0 mm", "0 mm", "-3 mm", "1 mm")) }).to include("width “-3 mm” is not above zero")
    end

    it "refuses fillets that do not fit" do
      expect(refusal { outline_of(corners([0, 0], [10, 0, { "fillet" => "30 mm" }], [10, 10])) }).to include("too short for the fillets")
      expect(refusal { outline_of(corners([0, 0], [10, 0, { "fillet" => "3 mm" }], [20, 0], [20, 20])) }).to include("corner 2 is straight and cannot be rounded")
    end
  end
end
