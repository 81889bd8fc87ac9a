# frozen_string_literal: true

RSpec.describe Lattice::Mesh::PlaneCut do
  def area(cut)
    a, b, c = [0, 1, 2].map { |k| cut.positions[cut.triangles[true, k].dup, true] }
    Lattice::Shape::Vectors.norm(Lattice::Shape::Vectors.cross(b - a, c - a)).sum / 2
  end

  def at_corners(grid, table) = grid.blocks.map { |block| Lattice::Algebra::Gather.rows(table, block.conn) }

  { "bricks" => {}, "wedges" => { "elements" => "wedges and triangles" }, "tetrahedra" => { "elements" => "tetrahedra and triangles" }, "linear bricks" => { "order" => "linear" } }.each do |what, mesh|
    it "cuts #{what} where the plane is, wholly, and reads a linear field exactly" do
      grid = problem(mesh: { "size" => "7 mm" }.merge(mesh)).mesh
      [0.0731, 0.1].each do |at|
        cut = described_class.new(grid, axis: 0, at: at)
        expect((cut.positions[true, 0] - at).abs.max).to be < 1e-12
        expect(area(cut)).to be_within(1e-10).of(200e-6)
        wanted = (cut.positions[true, 1] * 3) - (cut.positions[true, 2] * 5)
        own = ((grid.nodes[true, 1] * 3) - (grid.nodes[true, 2] * 5)).reshape(grid.nodes.shape[0], 1)
        expect((cut.tabulated(1) { |b| at_corners(grid, own)[b] }[true, 0] - wanted).abs.max).to be < 1e-12
      end
    end
  end

  it "finds nothing beside the part, nor in bodies that are not asked for" do
    grid = problem.mesh
    expect(described_class.new(grid, axis: 0, at: 0.3)).to be_empty
    expect(described_class.new(grid, axis: 2, at: 0.004, only: ["another"])).to be_empty
    expect(described_class.new(grid, axis: 2, at: 0.004, only: ["bar"]).faces.sum { |f| f[3] }).to be > 0
    # Nothing is asked for where nothing is cut.
    expect(described_class.new(grid, axis: 0, at: 0.3).tabulated(3) { raise "asked" }.shape).to eq([0, 3])
  end
end

RSpec.describe Lattice::Mesh::Skin do
  def flat(grid) = grid.blocks.map { |b| b.conn.flatten }.reduce { |a, b| a.concatenate(b) }

  { "bricks" => {}, "wedges" => { "elements" => "wedges and triangles" }, "tetrahedra" => { "elements" => "tetrahedra and triangles" }, "linear bricks" => { "order" => "linear" } }.each do |what, mesh|
    it "knows which node of which element the corners of its triangles are, of #{what}" do
      grid = problem(mesh: { "size" => "7 mm" }.merge(mesh)).mesh
      skin = grid.skin
      expect(flat(grid)[skin.corners].to_a).to eq(skin.nodes[skin.triangles].to_a)
    end
  end

  it "knows them of shells that meet at a fold" do
    line = { "kind" => "line", "name" => "path", "corners" => [[0, 0], [60, 0], [60, 40]].map { |x, y| { "x" => "#{x} mm", "y" => "#{y} mm" } } }
    grid = shape_problem(line, body_named("shell", "path", make: "faces", wall: "1 mm", thickness: "30 mm"), { "kind" => "mesh", "size" => "10 mm" }).mesh
    expect(flat(grid)[grid.skin.corners].to_a).to eq(grid.skin.nodes[grid.skin.triangles].to_a)
  end
end
