# frozen_string_literal: true

RSpec.describe Lattice::Mesh::PlaneMesher do
  figures = {
    "plate with two holes and a slot" => [:drilled, 6e-3],
    "stepped and filleted" => [:stepped, 4e-3],
    "disc with a hole near its rim" => [:disc, 10e-3],
    "thin and slanted" => [:slanted, 8e-3]
  }

  let(:drilled) do
    outline_of({ "rectangle" => rectangle("0 mm", "0 mm", "100 mm", "60 mm")["rectangle"].merge("fillet" => "8 mm") },
               circle(25, 30, 14), circle(60, 20, 6), corners([70, 35], [90, 35], [90, 40], [70, 40]))
  end
  let(:stepped) do
    outline_of(corners([0, 0], [60, 0], [60, 10, { "fillet" => "4 mm" }], [120, 10], [120, 30], [60, 30, { "fillet" => "4 mm" }], [60, 40], [0, 40]), circle(30, 20, 12))
  end
  let(:disc) { outline_of(circle(0, 0, 100), circle(45, 0, 6)) }
  let(:slanted) { outline_of(corners([0, 0], [100, 0], [100, 10], [50, 12], [30, 70], [25, 70], [28, 11], [0, 10])) }

  def elements(mesh)
    plane = Lattice::Mesh::Quadratic.new(mesh)
    nodes = Numo::DFloat.zeros(plane.points.shape[0], 3)
    nodes[true, 0..1] = plane.points
    Lattice::Element::Continuum.new(Lattice::Element::Kind[:quad8], Lattice::Algebra::Gather.rows(nodes, plane.quads), "plane stress")
  end

  figures.each do |name, (figure, size)|
    it "meshes a #{name} with good quadrilaterals" do
      outline = public_send(figure)
      mesh = described_class.call(outline, Lattice::Mesh::SizingPlan.of(size))
      expect(Lattice::Mesh::Quality.quad_jacobian(mesh.points, mesh.quads).min).to be > 0.3
      made = elements(mesh)
      expect(made.least_determinant).to be_positive
      expect(made.volumes_of_elements.sum).to be_near(outline.area_and_centroid[0], 1e-5)
    end

    it "leaves no gap in a #{name}: every side has two elements, or one and lies on the border" do
      mesh = described_class.call(public_send(figure), Lattice::Mesh::SizingPlan.of(size))
      local = [[0, 1], [1, 2], [2, 3], [3, 0]]
      sides = local.flat_map { |i, j| Lattice::Algebra::Pairs.key(mesh.quads[true, i].dup, mesh.quads[true, j].dup).to_a }.tally
      border = Lattice::Algebra::Pairs.key(mesh.border.from, mesh.border.to).to_a
      expect(sides.values.max).to eq(2)
      expect(sides.select { |_, count| count == 1 }.keys).to match_array(border)
    end

    it "keeps to the size in a #{name}" do
      mesh = described_class.call(public_send(figure), Lattice::Mesh::SizingPlan.of(size))
      along = mesh.points[mesh.border.to, true] - mesh.points[mesh.border.from, true]
      expect(Numo::NMath.sqrt((along**2).sum(1)).max).to be < size * 1.3
    end
  end

  it "maps a four-sided figure with equal rows" do
    mesh = described_class.call(outline_of(rectangle("0 mm", "0 mm", "50 mm", "20 mm")), Lattice::Mesh::SizingPlan.of(0.005))
    expect(mesh.quads.shape).to eq([40, 4])
    expect(Lattice::Mesh::Quality.quad_jacobian(mesh.points, mesh.quads).min).to be_near(1.0, 1e-9)
  end

  it "makes the same mesh every time" do
    twice = Array.new(2) { described_class.call(outline_of(circle(0, 0, 100), circle(45, 0, 6)), Lattice::Mesh::SizingPlan.of(8e-3)) }
    expect(twice[0].points).to eq(twice[1].points)
    expect(twice[0].quads).to eq(twice[1].quads)
  end

  it "puts mid-side nodes of curved sides on the curve" do
    plane = Lattice::Mesh::Quadratic.new(described_class.call(disc, Lattice::Mesh::SizingPlan.of(10e-3)))
    rim = plane.points[plane.sides["hole 1"].flatten, true] - Numo::DFloat[0.045, 0]
    expect((Numo::NMath.sqrt((rim**2).sum(1)) - 0.003).abs.max).to be < 1e-12
  end
end
