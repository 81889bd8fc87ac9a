# frozen_string_literal: true

RSpec.describe Lattice::Mesh::FromPoints do
  random = Random.new(11)
  field = ->(points) { (points[true, 0] * 300) - (points[true, 1] * 40) + (points[true, 2] * 7) + 20 }
  define_method(:carried) { |points, targets| described_class.new(points, field[points]).call(targets) }
  targets = Numo::DFloat[[0, 0, 0], [0.003, 0, 0], [0.1, 0, 0], [0.2, 0, 0]]

  it "brings a straight field back exactly, to the ends of a line and of a strip of points too" do
    line = Numo::DFloat.zeros(41, 3).tap { |all| all[true, 0] = Numo::DFloat.new(41).seq / 200 }
    strip = Numo::DFloat.vstack([line, line.dup.tap { |all| all[true, 1] = 0.02 }])
    [line, strip].each do |points|
      found = carried(points, targets)
      expect((found.values - field[targets]).abs.max).to be < 1e-6
      expect(found.distance.max).to be < 0.02
    end
  end

  it "does so in a cloud, and takes what is near its border far beyond it, with how far away that was" do
    cloud = Numo::DFloat.cast(Array.new(3000) { [random.rand * 0.2, random.rand * 0.05, random.rand * 0.05] })
    beyond = Numo::DFloat[[0.1, 0.02, 0.02], [0.3, 0.02, 0.02]]
    found = carried(cloud, beyond)
    expect(found.values[0]).to be_within(1e-6).of(field[beyond][0])
    expect(found.values[1]).to be_between(field[cloud].mean, field[beyond][1])
    expect(found.distance[0]).to be < 0.01
    expect(found.distance[1]).to be_within(0.06).of(0.12)
  end

  it "takes the one value that there is everywhere" do
    expect(described_class.new(Numo::DFloat[[0, 0, 0]], Numo::DFloat[5.0]).call(targets).values.to_a).to be_near([5.0] * 4, 1e-6)
  end
end
