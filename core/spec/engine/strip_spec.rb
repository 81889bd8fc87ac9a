# frozen_string_literal: true

RSpec.describe Lattice::Engine::Strip do
  # Four squares in a row, turned by an angle.
  def row(angle)
    c = Math.cos(angle)
    s = Math.sin(angle)
    places = (0..4).flat_map { |i| [[i, 0], [i, 1]] }.map { |x, y| [(x * c) - (y * s), (x * s) + (y * c), 0.0] }
    conn = Numo::Int32.cast((0...4).map { |i| [2 * i, (2 * i) + 2, (2 * i) + 3, (2 * i) + 1] })
    [described_class.new(Struct.new(:body, :conn).new(Struct.new(:name).new("wall"), conn), Numo::DFloat.cast(places)), Numo::DFloat[[c, s], [-s, c]]]
  end

  # What elements hold that are pulled along with 6 N and bent by 5 N m.
  def held(axes)
    local = [[-1, 0], [1, 0], [1, 0], [-1, 0]].each_with_index.map { |(way, _), i| [way * (3.0 + (i < 2 ? 5.0 : -5.0)), 0.0] }
    Numo::DFloat.zeros(4, 4, 2).tap { |all| 4.times { |e| all[e, true, true] = Numo::DFloat.cast(local).dot(axes) } }
  end

  [0.0, 0.4, Math::PI / 2].each do |angle|
    it "reads pull and moment in its own axes, turned by #{angle.round(2)}" do
      strip, axes = row(angle)
      expect(strip).to be_slender
      expect(strip.cuts.size).to eq(3)
      strip.read(held(axes)).each do |pull, shear, moment|
        expect(pull).to be_near(6.0, 1e-9)
        expect(shear.abs).to be < 1e-9
        expect(moment.abs).to be_near(5.0, 1e-9)
      end
      expect(strip.about).to include(name: "wall", length: be_near(4.0, 1e-9))
    end
  end
end
