# frozen_string_literal: true

# Small models for specs: a bar of 200 × 20 × 10 mm, held at x = 0 and pulled at x = 200 mm.
module Models
  STEEL = { "young" => "210 GPa", "poisson" => "0.3", "density" => "7850 kg/m3", "yield" => "355 MPa" }.freeze

  def statements
    [
      { "id" => "outline", "kind" => "outline", "name" => "profile", "boundary" => rectangle("0 mm", "0 mm", "200 mm", "20 mm") },
      { "id" => "body", "kind" => "body", "name" => "bar", "outline" => "profile", "make" => "solid", "thickness" => "10 mm" },
      { "id" => "root", "kind" => "group", "name" => "root", "of" => "faces", "rule" => { "plane" => { "axis" => "x", "at" => "0 mm" } } },
      { "id" => "tip", "kind" => "group", "name" => "tip", "of" => "faces", "rule" => { "plane" => { "axis" => "x", "at" => "200 mm" } } },
      { "id" => "material", "kind" => "material", "target" => "everything", "material" => "mild steel", "properties" => STEEL },
      { "id" => "support", "kind" => "support", "target" => "root", "components" => %w[x y z] },
      { "id" => "force", "kind" => "force", "target" => "tip", "value" => "1 kN", "direction" => "-y" },
      { "id" => "mesh", "kind" => "mesh", "size" => "10 mm" },
      { "id" => "study", "kind" => "study", "name" => "pull", "type" => "static" }
    ]
  end

  def rectangle(x, y, width, height)
    { "rectangle" => { "x" => x, "y" => y, "width" => width, "height" => height } }
  end

  def corners(*points)
    { "corners" => points.map { |x, y, more| { "x" => "#{x} mm", "y" => "#{y} mm" }.merge(more || {}) } }
  end

  def circle(x, y, diameter)
    { "circle" => { "x" => "#{x} mm", "y" => "#{y} mm", "diameter" => "#{diameter} mm" } }
  end

  # @param changes [Hash] id => fields to change, or nil to leave the statement out
  # @param more [Array<Hash>] further statements
  def model(changes = {}, *more)
    list = statements.filter_map { |s| changes.key?(s["id"].to_sym) ? changes[s["id"].to_sym] && s.merge(changes[s["id"].to_sym]) : s }
    { "format" => "gentle-lattice-model", "version" => 1, "name" => "Test bar", "units" => "mm-N", "statements" => list + more }
  end

  def document(...) = Lattice::Model::Document.new(model(...))
  def problem(...) = Lattice::Study::Problem.new(document(...))

  def outline_of(boundary, *holes)
    data = { "id" => "o", "kind" => "outline", "name" => "figure", "boundary" => boundary, "holes" => holes }
    Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(data)).outline
  end

  # @return [Lattice::Result::Static]
  def solve(problem)
    Lattice::Study::Static.new(problem, problem.mesh, problem.study!).call
  end

  # What is wrong with a document, as one text.
  def refusal
    yield
    raise "nothing was refused"
  rescue Lattice::InvalidInput => e
    e.message
  end
end
