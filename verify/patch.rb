# frozen_string_literal: true

module Verify
  # A patch whose outer nodes follow a linear field: inner nodes must follow it too,
  # and the stress must be the same everywhere.
  class Patch
    YOUNG = 1e6
    POISSON = 0.25
    GRADIENT = Numo::DFloat[[1e-3, 5e-4, 2e-4], [4e-4, -7e-4, 3e-4], [1e-4, 6e-4, 9e-4]]

    SQUARE = [[0, 0], [0.24, 0], [0.24, 0.12], [0, 0.12], [0.04, 0.02], [0.18, 0.03], [0.16, 0.08], [0.08, 0.08]].freeze
    SQUARE_QUADS = [[0, 1, 5, 4], [1, 2, 6, 5], [2, 3, 7, 6], [3, 0, 4, 7], [4, 5, 6, 7]].freeze
    SQUARE_TRIANGLES = SQUARE_QUADS.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] }.freeze
    # The square three times over each other, askew half way.
    LAYERS = [[0.0, 0], [0.06, 0.01], [0.12, 0]].flat_map do |z, skew|
      SQUARE.each_with_index.map { |(x, y), i| i < 4 ? [x, y, z] : [x + skew, y - (skew / 2), z + (skew * (i - 5.5) / 3)] }
    end.freeze
    CUBE = ([0, 1].product([0, 1], [0, 1]).map { |z, y, x| [x, y, z].map(&:to_f) } +
            [[0.249, 0.342, 0.192], [0.826, 0.288, 0.288], [0.273, 0.750, 0.230], [0.850, 0.649, 0.263],
             [0.320, 0.186, 0.643], [0.677, 0.305, 0.683], [0.165, 0.745, 0.702], [0.788, 0.693, 0.644]]).freeze
    CUBE_FACES = [[0, 2, 3, 1], [4, 5, 7, 6], [0, 1, 5, 4], [2, 6, 7, 3], [0, 4, 6, 2], [1, 3, 7, 5]].freeze

    MESHES = {
      "quadrilateral" => { kind: :quad8, dimension: 2, points: SQUARE, corners: SQUARE_QUADS },
      "triangle" => { kind: :tri6, dimension: 2, points: SQUARE,
                      corners: SQUARE_TRIANGLES },
      "brick" => { kind: :hex20, dimension: 3, points: CUBE,
                   corners: [[8, 9, 11, 10, 12, 13, 15, 14]] + CUBE_FACES.map { |f| f.map { |n| n + 8 } + f } },
      "wedge" => { kind: :wedge15, dimension: 3, points: LAYERS,
                   corners: [0, 8].flat_map { |low| SQUARE_TRIANGLES.map { |t| t.map { |n| n + low } + t.map { |n| n + low + 8 } } } }
    }.freeze

    # @param options [Hash] of Lattice::Mesh::Settings
    # @return [Patch] of a plate with a hole as our own mesher makes it
    def self.of_shape(make, thickness, **options)
      prism = Lattice::Shape::Prism.new(drawn(Verify.rectangle(0, 0, 1, 0.7), [{ "circle" => { "x" => "0.4 m", "y" => "0.3 m", "diameter" => "0.25 m" } }]), thickness, Lattice::Shape::Frame.new)
      facets = make == "solid" ? swept(prism.outline, Lattice::Shape::Ways.extrusion(prism.frame, prism.thickness)) : Lattice::Shape::Planar.call(prism.outline, prism.frame, "region")
      of_body(Lattice::Shape::Body.new(name: "part", make: make, facets: facets, prism: prism, signature: []), **options)
    end

    # @return [Patch] of a quarter of a ring, or of a shaft with a core
    def self.of_ring(inner: 0.5, **options)
      revolution = Lattice::Shape::Revolution.new(drawn(Verify.rectangle(inner, 0, 0.9 - inner, 0.3), []), Math::PI / 2, Lattice::Shape::Frame.new)
      facets = swept(revolution.outline, Lattice::Shape::Ways.revolution(revolution.frame, revolution.angle))
      of_body(Lattice::Shape::Body.new(name: "part", make: "solid", facets: facets, revolution: revolution, signature: []), **options)
    end

    # @return [Patch] of a plate with a round boss, in levels
    def self.of_levels(**options)
      plate, boss = [[Verify.rectangle(0, 0, 1, 0.7), 0.0, 0.2], [{ "circle" => { "x" => "0.4 m", "y" => "0.3 m", "diameter" => "0.4 m" } }, 0.2, 0.3]].map do |boundary, z, depth|
        swept(drawn(boundary, []), Lattice::Shape::Ways.extrusion(Lattice::Shape::Frame.new([0.0, 0.0, z]), depth))
      end
      facets = Lattice::Shape::Combining.call([["plate", plate], ["boss", boss]], "union") { |body, face| "#{body} #{face}" }[0]
      of_body(Lattice::Shape::Body.new(name: "part", make: "solid", facets: facets, signature: []), **options)
    end

    def self.of_body(body, **options)
      grid = Lattice::Mesh::Builder.call([body], Lattice::Mesh::Settings.new(0.12, **options))
      outer = grid.places.values.select { |conn| grid.piece(body.name, conn)&.dimension == grid.dimension - 1 }
      allocate.tap { |patch| patch.send(:held, Lattice::Algebra::Gather.distinct(outer)).send(:prepare, grid.nodes, grid.blocks[0].conn, grid.blocks[0].kind, body.make) }
    end

    def self.drawn(boundary, holes) = Lattice::Shape::OutlineReader.new(Lattice::Model::Statement.new(Verify.outline(boundary, holes))).outline
    def self.swept(outline, way) = Lattice::Shape::Swept.call(Lattice::Shape::SectionLines.of_outline(outline), way, solid: true)

    def initialize(maker, make)
      nodes, conn = quadratic(maker)
      prepare(nodes, conn, maker[:kind], make)
    end

    def elements = @conn.shape[0]

    # @return [Float] relative to the largest displacement
    def displacement_error = (@found - @wanted).abs.max / @wanted.abs.max

    # @return [Float] relative to the largest stress component
    def stress_error
      values = @element.nodal_stress(Lattice::Algebra::Gather.rows(@found, @conn), YOUNG, POISSON)
      flat = values.reshape(values.shape[0] * values.shape[1], 6)
      ((flat - flat[0, true].reshape(1, 6)).abs.max / flat.abs.max) + theory_error(flat)
    end

    # @return [Float] largest force of unit translations and rotations, relative to the stiffness
    def rigid_force
      d = @dimension
      motions = (0...d).map { |k| Numo::DFloat.zeros(@nodes.shape[0], d).tap { |u| u[true, k] = 1 } }
      motions += (0...d).to_a.combination(2).map do |a, b|
        Numo::DFloat.zeros(@nodes.shape[0], d).tap do |u|
          u[true, a] = -@nodes[true, b]
          u[true, b] = @nodes[true, a]
        end
      end
      motions.map { |u| @matrix.dot(u.flatten).abs.max }.max / @matrix.values.abs.max
    end

    private

    def quadratic(maker)
      points = Numo::DFloat.cast(maker[:points].map { |p| p + ([0.0] * (3 - p.size)) })
      corners = Numo::Int32.cast(maker[:corners])
      edges = Lattice::Element::Kind[maker[:kind]].edges
      pairs = Lattice::Algebra::Pairs.new([[corners, edges.map { |a, b, _| [a, b] }]])
      middles = (points[pairs.low, true] + points[pairs.high, true]) / 2
      [Numo::DFloat.vstack([points, middles]), Numo::Int32.hstack([corners, pairs.of(0) + points.shape[0]])]
    end

    def held(outer) = tap { @outer = outer }

    def prepare(nodes, conn, kind, make)
      @nodes = nodes
      @conn = conn
      @element = Lattice::Element::Continuum.new(Lattice::Element::Kind[kind], Lattice::Algebra::Gather.rows(nodes, conn), make)
      @dimension = make == "solid" ? 3 : 2
      @make = make
      blocks = [[conn, Lattice::System::Dofs::NAMES.first(@dimension)]]
      @matrix = Lattice::System::Pattern.new(blocks, Lattice::System::Dofs.new(nodes.shape[0], blocks)).assemble([@element.stiffness(YOUNG, POISSON)])
      solve
    end

    def solve
      d = @dimension
      @wanted = @nodes[true, 0...d].dot(GRADIENT[0...d, 0...d].transpose)
      constraints = Lattice::System::Constraints.new(@nodes.shape[0] * d)
      outer = border
      d.times { |k| outer.to_a.each { |n| constraints.prescribe(Numo::Int32[(n * d) + k], @wanted[n, k]) } }
      factor = Lattice::Algebra::Factor.new(constraints.reduce(@matrix))
      right = constraints.reduce_load(@matrix, Numo::DFloat.zeros(1, @nodes.shape[0] * d))
      @found = constraints.expand(factor.solve(right)).reshape(@nodes.shape[0], d)
      factor.free
    end

    # Nodes on the skin of our meshes, or on the box around the patch.
    def border
      return @outer if @outer

      d = @dimension
      low = @nodes.min(0)
      high = @nodes.max(0)
      (0...d).map { |k| (@nodes[true, k] - low[k]).abs.lt(1e-9) | (@nodes[true, k] - high[k]).abs.lt(1e-9) }.reduce { |a, b| a | b }.where
    end

    def theory_error(flat)
      strain = (GRADIENT + GRADIENT.transpose) / 2
      e = strain.to_a
      rows = { "solid" => [e[0][0], e[1][1], e[2][2], 2 * e[0][1], 2 * e[1][2], 2 * e[2][0]] }.fetch(@make, [e[0][0], e[1][1], 2 * e[0][1]])
      form = Lattice::Element::Continuum::FORMULATIONS.fetch(@make)
      stress = form.elasticity(YOUNG, POISSON).dot(Numo::DFloat[*rows])
      full = form.full_stress(stress.reshape(1, 1, rows.size), YOUNG, POISSON).reshape(6)
      (flat[0, true] - full).abs.max / full.abs.max
    end
  end
end
