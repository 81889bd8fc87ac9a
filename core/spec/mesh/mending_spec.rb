# frozen_string_literal: true

RSpec.describe Lattice::Mesh::Mending do
  # Two strips of n quadrilaterals side by side that do not share nodes, 1 m wide each, with a gap.
  def strips(gap, count = 4, places: {})
    nodes = [0, 1].flat_map { |strip| (0..count).flat_map { |i| [[(strip * (1 + gap)), i, 0.0], [1 + (strip * (1 + gap)), i, 0.0]] } }
    first = ->(strip) { strip * 2 * (count + 1) }
    conn = [0, 1].map { |strip| (0...count).map { |i| [0, 1, 3, 2].map { |k| first[strip] + (2 * i) + k } } }
    conn[1][1] = conn[1][1].reverse
    blocks = conn.each_with_index.map { |c, i| Lattice::Mesh::Block.new(:quad4, "strip #{i + 1}", Numo::Int32[*c]) }
    Lattice::Mesh::Grid.new(nodes: Numo::DFloat[*nodes], blocks: blocks, places: places, dimension: 3, order: 1)
  end

  # On which side of the plane the faces look up: 1 or −1.
  def sides_up(grid)
    grid.blocks.flat_map { |b| b.conn.to_a }.map { |c| Lattice::Shape::Vectors.cross3(*[1, 2].map { |k| (grid.nodes[c[k], true] - grid.nodes[c[0], true]).to_a })[2] <=> 0 }.uniq
  end

  it "makes near nodes one, closes what lay open, and turns faces that ran against the others" do
    mended = described_class.new(strips(0.01), merge: 0.02)
    expect(mended.report).to include(nodes_merged: 5, elements_dropped: 0, turned: 1, duplicate_nodes: 0, free_sides: 12)
    expect(mended.grid.nodes.shape[0]).to eq(15)
    expect([sides_up(strips(0.01)).size, sides_up(mended.grid).size]).to eq([2, 1])
    again = described_class.new(mended.grid)
    expect(again.report).to include(turned: 0, free_sides: 12)
  end

  it "leaves nodes apart without a tolerance, and counts those at one place" do
    told = described_class.new(strips(0.0)).report
    expect(told).to include(turned: 1, duplicate_nodes: 5, free_sides: 20)
    expect(told[:free_at].size).to eq(3)
    expect(told).not_to have_key(:nodes_merged)
  end

  it "renumbers places, drops elements that fall together and refuses when none is left" do
    place = { ["strip 2", "rim"] => Numo::Int32[[10, 12], [12, 14]] }
    grid = described_class.new(strips(0.01, places: place), merge: 0.02).grid
    rim = grid.places.fetch(["strip 2", "rim"])
    at = grid.nodes[rim.flatten, 0].to_a
    expect(at).to all(be_within(0.02).of(1.0))
    flat = strips(0.01)
    flat.nodes[2, true] = flat.nodes[0, true] + 0.001
    expect(described_class.new(flat, merge: 0.02).report[:elements_dropped]).to eq(1)
    expect { described_class.new(strips(0.01), merge: 50.0) }.to raise_error(Lattice::InvalidInput, /no element is left.*smaller distance/m)
  end

  it "turns quadratic faces with their middle nodes, and has nothing to say of solids" do
    nodes = Numo::DFloat[[0, 0, 0], [1, 0, 0], [0, 1, 0], [1, 1, 0], [0.5, 0, 0], [0.5, 0.5, 0], [0, 0.5, 0], [1, 0.5, 0], [0.5, 1, 0]]
    block = Lattice::Mesh::Block.new(:tri6, "sheet", Numo::Int32[[0, 1, 2, 4, 5, 6], [1, 2, 3, 5, 8, 7]])
    grid = described_class.new(Lattice::Mesh::Grid.new(nodes: nodes, blocks: [block], places: {}, dimension: 3)).grid
    expect(sides_up(grid).size).to eq(1)
    mended = grid.blocks[0].conn
    middle = ->(e, i, j) { (nodes[mended[e, i], true] + nodes[mended[e, j], true]) / 2 }
    off = [[0, 1], [1, 2], [2, 0]].each_with_index.flat_map { |(i, j), k| (0..1).map { |e| (middle[e, i, j] - nodes[mended[e, 3 + k], true]).abs.max } }
    expect(off.max).to be_near(0.0, 1e-12)
    expect(described_class.new(problem.mesh).report).to eq(duplicate_nodes: 0)
  end
end
