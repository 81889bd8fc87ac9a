# frozen_string_literal: true

# How much ground lies above points.
RSpec.describe Lattice::Load::Above do
  define_method(:mesh) { |*more, size: "20 mm"| shape_problem(*more, { "kind" => "mesh", "size" => size }).mesh }
  outline = ->(helper, *points) { helper.outline_named("plan", helper.corners(*points)) }

  it "is the height of a slope above points of a section, and of what hangs over" do
    # A roof from (0, 40) to (100, 90) over a floor at 0.
    grid = mesh(outline[self, [0, 0], [100, 0], [100, 90], [0, 40]], body_named("hill", "plan", make: "plane strain"))
    column = Lattice::Load::Above::Section.new(grid, grid.of("hill")[0])
    expect(column.call(Numo::DFloat[[0.05, 0.01, 0], [0.02, 0, 0], [0.05, 0.08, 0], [0.2, 0, 0], [0.05, -0.1, 0]]).to_a).to be_near([0.055, 0.05, 0, 0, 0.065], 1e-9)
  end

  %w[xy xz].each do |plane|
    it "is the same above points of a solid, whichever way is up: drawn in #{plane}" do
      up = plane == "xy" ? 1 : 2
      grid = mesh(outline[self, [0, 0], [100, 0], [100, 90], [0, 40]], body_named("hill", "plan", thickness: "60 mm", on: { "plane" => plane }))
      column = Lattice::Load::Above::Solid.new(grid, "hill", up)
      deep = grid.nodes[true, 3 - up].then { |v| (v.min + v.max) / 2 }
      points = [[0.05, 0.01], [0.02, 0], [0.05, 0.08], [0.2, 0], [0.05, -0.1]].map { |x, y| [x, y].insert(up == 1 ? 2 : 1, deep) }
      expect(column.call(Numo::DFloat.cast(points)).to_a).to be_near([0.055, 0.05, 0, 0, 0.065], 1e-6)
    end
  end

  it "leaves a hollow out, and counts a line between two triangles once" do
    hollow = [outline_named("plan", rectangle("0 mm", "0 mm", "100 mm", "100 mm"), holes: [rectangle("30 mm", "30 mm", "40 mm", "40 mm")]), body_named("frame", "plan", thickness: "50 mm")]
    grid = mesh(*hollow, size: "25 mm")
    column = Lattice::Load::Above::Solid.new(grid, "frame", 1)
    nodes = grid.nodes[true, true].dup
    under = (nodes[true, 1].lt(1e-9) & nodes[true, 0].gt(0.031) & nodes[true, 0].lt(0.069) & nodes[true, 2].gt(1e-6) & nodes[true, 2].lt(0.049)).where
    beside = (nodes[true, 1].lt(1e-9) & nodes[true, 0].gt(0.001) & nodes[true, 0].lt(0.029) & nodes[true, 2].gt(1e-6) & nodes[true, 2].lt(0.049)).where
    expect(column.call(nodes[under, true].dup).minmax).to be_near([0.06, 0.06], 1e-6)
    expect(column.call(nodes[beside, true].dup).minmax).to be_near([0.1, 0.1], 1e-6)
  end
end
