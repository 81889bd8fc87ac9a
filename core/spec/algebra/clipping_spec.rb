# frozen_string_literal: true

RSpec.describe Lattice::Algebra::Clipping do
  let(:square) { [[0, 0], [1, 0], [1, 1], [0, 1]] }

  def area(subject, clip)
    rows, triangles = described_class.fans(*described_class.call(Numo::DFloat[subject], Numo::DFloat[clip]))
    rows.empty? ? 0.0 : described_class.twice_area(triangles).sum / 2
  end

  it "gives the area that two convex polygons share" do
    expect(area([[0.5, 0.5], [2, 0.5], [2, 2], [0.5, 2]], square)).to be_near(0.25, 1e-14)
    expect(area(square, square)).to be_near(1.0, 1e-14)
    expect(area([[0.25, 0.25], [0.75, 0.25], [0.5, 0.75]], square)).to be_near(0.125, 1e-14)
    expect(area([[-1, 0.5], [0.5, -1], [2, 0.5], [0.5, 2]], square)).to be_near(1.0, 1e-12)
    expect(area([[2, 2], [3, 2], [3, 3]], square)).to eq(0.0)
    expect(area(square, [[-1, -1], [2, -1], [0.5, 0.5]])).to be_near(0.25, 1e-14)
  end

  it "does many at once as each alone" do
    random = Random.new(3)
    triangles = Array.new(40) { [0, 2.1, 4.2].map { |a| [0.5 + (Math.cos(a + random.rand) * random.rand), 0.5 + (Math.sin(a + random.rand) * random.rand)] } }
    points, counts = described_class.call(Numo::DFloat[*triangles], Numo::DFloat[*([square] * 40)])
    rows, fans = described_class.fans(points, counts)
    sums = rows.bincount(described_class.twice_area(fans) / 2, minlength: 40)
    expect(sums.to_a).to be_near(triangles.map { |t| area(t, square) }, 1e-12)
  end
end
