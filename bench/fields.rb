# frozen_string_literal: true

require_relative "../verify/verify"
require_relative "timed"

module Bench
  # Fields from points, life of many places under a recorded history, and an iteration of what moves far.
  module Fields
    extend Timed

    POINTS = 1_000_000
    NODES = 100_000
    PLACES = 300_000
    VALUES = 10_000
    SIZE = 0.0055 # m, about 60 000 unknowns of linear bricks

    module_function

    # @return [Array<Hash>] case, size, seconds; ratio of an iteration to its factor and solve
    def call = [carried, life, *iteration]

    def carried
      Numo::NArray.srand(1)
      random = Numo::DFloat.new(POINTS, 3).rand
      targets = Numo::DFloat.new(NODES, 3).rand
      _, seconds = timed { Lattice::Mesh::FromPoints.new(random, random[true, 0] * 300).call(targets) }
      { case: "field of points carried to nodes", size: "#{POINTS} points, #{NODES} nodes", seconds: seconds.round(2) }
    end

    def life
      curve = Lattice::Life::Curve.new([[1e4, 400e6], [1e6, 150e6]])
      strength = Struct.new(:curve, :factor, :rule) do
        def strain? = false
        def by_ratio? = false
        def life_of(amplitude, mean) = curve.life(Lattice::Life::Means.equivalent("goodman", amplitude, mean, strength: 600e6))
      end.new(curve, 1.0, "goodman")
      random = Random.new(5)
      history = Array.new(VALUES) { random.rand - 0.5 }
      stress = Numo::DFloat.new(PLACES).rand * 400e6
      _, seconds = timed { Lattice::Life::Damage.new(strength).of_factors(history, stress) }
      { case: "life under a recorded history", size: "#{PLACES} places, #{VALUES} values", seconds: seconds.round(2) }
    end

    # A block that is bent far: forces and tangent, assembled and reduced, against the factor and its solve.
    def iteration
      problem = block
      solving = Lattice::Study::Solving.new(problem)
      structure = Lattice::System::Structure.new(problem, solving.grid).apply
      equations = Lattice::Engine::Equations.new(structure, Numo::DFloat[1.0], solving.grid.nodes) { |_| nil }
      pose = Lattice::Engine::Pose.start(structure.dofs)
      equations.bear(0.0)
      equations.call(pose)
      matrix, own = timed { structure.constraints.reduce(equations.call(pose)[1]) }
      factors = Lattice::Engine::Factors.new
      factors.of(matrix)
      _, solve = timed { factors.of(matrix) && factors.solve(Numo::DFloat.ones(1, matrix.size)) }
      factors.free
      [{ case: "iteration of what moves far", size: "#{matrix.size} unknowns", seconds: (own + solve).round(2) },
       { case: "the same, of its factor and solve", size: "#{matrix.size} unknowns", seconds: ((own + solve) / solve).round(2) }]
    end

    def block
      list = [Verify.outline(Verify.rectangle(0, 0, 0.2, 0.15)), { "kind" => "body", "name" => "block", "outline" => "outline", "make" => "solid", "thickness" => "0.12 m" },
              { "kind" => "material", "target" => "everything", "material" => "steel S355" }, Verify.plane("left", "x", 0), Verify.plane("right", "x", 0.2), Verify.held("left", "x", "y", "z"),
              { "kind" => "force", "target" => "right", "value" => "1 kN", "direction" => "-z" }, { "kind" => "mesh", "size" => "#{SIZE} m", "order" => "linear" },
              { "kind" => "study", "name" => "far", "type" => "collapse", "control" => "loads", "upto" => "1" }]
      Lattice::Study::Problem.new(Lattice::Model::Document.new(Lattice::Model::Document.empty("block", units: "SI").merge("statements" => list.each_with_index.map { |s, i| { "id" => "s#{i}" }.merge(s) })))
    end
  end
end
