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
    { "format" => "gentle-lattice-model", "version" => 2, "name" => "Test bar", "units" => "mm-N", "statements" => list + more }
  end

  def document(...) = Lattice::Model::Document.new(model(...))
  def problem(...) = Lattice::Study::Problem.new(document(...))

  def outline_of(boundary, *holes)
    data = { "id" => "o", "kind" => "outline", "name" => "figure", "boundary" => boundary, "holes" => holes }
    Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(data)).outline
  end

  # A file that statements of points may name.
  # @return [Hash] file and digest
  def lent(path)
    digest = Digest::SHA256.file(path).hexdigest
    Lattice::Shape::Store.shared.lend(digest, path)
    { "file" => File.basename(path), "digest" => digest }
  end

  # A model that is only a shape.
  # @param statements [Array<Hash>] without ids
  def shape_problem(*statements)
    list = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    Lattice::Study::Problem.new(Lattice::Model::Document.new("format" => "gentle-lattice-model", "version" => 2, "name" => "Shape", "units" => "mm-N", "statements" => list))
  end

  def parts_of(...) = shape_problem(...).parts
  def outline_named(name, boundary, **more) = { "kind" => "outline", "name" => name, "boundary" => boundary }.merge(more.transform_keys(&:to_s))
  def body_named(name, outline, **more) = { "kind" => "body", "name" => name, "outline" => outline, "make" => "solid" }.merge(more.transform_keys(&:to_s))
  def group_named(name, rule, of: "faces") = { "kind" => "group", "name" => name, "of" => of, "rule" => rule }
  def on(plane, x: 0, y: 0, z: 0) = { "plane" => plane, "x" => "#{x} mm", "y" => "#{y} mm", "z" => "#{z} mm" }
  def spot(x, y, z) = { "x" => "#{x} mm", "y" => "#{y} mm", "z" => "#{z} mm" }

  # A block of 60 × 40 × 10 mm at the origin.
  def block = [outline_named("plan", rectangle("0 mm", "0 mm", "60 mm", "40 mm")), body_named("block", "plan", thickness: "10 mm")]

  # A ball of 10 mm radius about the origin.
  def ball
    half = { "corners" => [{ "x" => "0 mm", "y" => "-10 mm", "through" => { "x" => "10 mm", "y" => "0 mm" } }, { "x" => "0 mm", "y" => "10 mm" }] }
    [outline_named("half", half), body_named("ball", "half", by: "revolve")]
  end

  # @return [Lattice::Result::Outcome]
  def solve(problem)
    Lattice::Study::Solving.new(problem).call(problem.study!)
  end

  # What is wrong with a document, as one text.
  def refusal
    yield
    raise "nothing was refused"
  rescue Lattice::InvalidInput => e
    e.message
  end
end
