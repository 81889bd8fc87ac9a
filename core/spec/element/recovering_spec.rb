# frozen_string_literal: true

# What stays of the strain of metals, read in axes that turned with the elements.
RSpec.describe Lattice::Element::Large::Recovering do
  metal = { "kind" => "material", "target" => "everything", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3", "yield" => "250 MPa" } }
  rotation = Lattice::Element::Large::Rotation

  # The pieces of a plate, as they are when it has been stretched along x by some strain, with the material yielding by it.
  define_method(:stretched) do |make, strain|
    fields = make == "faces" ? { by: "fill", wall: "10 mm" } : { thickness: "10 mm" }
    problem = shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "20 mm")), body_named("part", "plan", make: make, **fields), metal,
                            { "kind" => "yielding", "target" => "part" }, { "kind" => "mesh", "size" => "20 mm" })
    grid = problem.mesh
    piece = Lattice::System::Structure.new(problem, grid).pieces[0]
    start = grid.nodes[piece.conn.flatten, true].reshape(*piece.conn.shape, 3)
    part = Lattice::Element::Large::Turning.new(piece, piece.stiffness, start, problem.yielding.law(piece))
    places = start.dup.tap { |all| all[true, true, 0] = all[true, true, 0] * (1 + strain) }
    part.call(places, none(piece, start))
    part.commit
    [part, piece, places]
  end

  def none(piece, start, turn = Numo::DFloat.eye(3))
    return if piece.names.size < 6

    Numo::DFloat.zeros(*start.shape[0..1], 3, 3).tap { |all| start.shape[0].times { |e| start.shape[1].times { |n| all[e, n, true, true] = turn } } }
  end

  # About z through a right angle: what was along x is along y.
  { "solid" => "", "plane stress" => "", "faces" => "top" }.each do |make, layer|
    it "keeps its volume, and goes round with what it is of: #{make}" do
      part, piece, places = stretched(make, 4e-3)
      before = part.flow_strain(places, none(piece, places))[layer]
      expect(before[true, true, 0].min).to be > 1e-3
      expect(before[true, true, 0..2].sum(2).abs.max).to be < 1e-15
      turn = rotation.exp(Numo::DFloat[[0, 0, Math::PI / 2]])[0, true, true]
      after = part.flow_strain(places.reshape(places.size / 3, 3).dot(turn.transpose).reshape(*places.shape), none(piece, places, turn))[layer]
      { 0 => 1, 1 => 0, 2 => 2, 3 => 3 }.each { |row, from| expect((after[true, true, row] - (before[true, true, from] * (row == 3 ? -1 : 1))).abs.max).to be < 1e-9 }
    end
  end

  it "is nothing while all is elastic" do
    part, piece, places = stretched("solid", 1e-4)
    expect(part.flow_strain(places, none(piece, places))).to be_nil
  end
end
