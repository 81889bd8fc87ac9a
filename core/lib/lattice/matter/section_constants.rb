# frozen_string_literal: true

module Lattice
  module Matter
    # The constants of a cross-section, from its outline: areas and second moments in closed form on a fine polyline;
    # torsion, shear and the shear centre by solving for the warping of the section on a mesh of its own.
    # W. D. Pilkey, Analysis and Design of Elastic Beams, 2002, with Poisson's ratio left out of shear.
    class SectionConstants
      FINE = 0.02 # rad between points of the polyline
      ACROSS = 4 # elements at least across the thinnest wall, by area over half the girth

      # area m²; centre [x, y] m; second moments about it: xx = ∫y², yy = ∫x², xy = ∫xy, m⁴; torsion m⁴;
      # shear centre [x, y] from the centre, m; compliance: 1 / shear areas [xx, yy, xy], 1/m²; extremes: points [n, 2] of the outline from the centre; rings: how many each loop has
      Values = Struct.new(:area, :centre, :xx, :yy, :xy, :torsion, :shear_centre, :compliance, :extremes, :rings, keyword_init: true) do
        # @return [Float] rad, from the outline's x axis to the first principal one
        def principal_angle = xy.abs <= 1e-9 * (xx + yy) ? 0.0 : 0.5 * Math.atan2(-2 * xy, xx - yy)

        # @return [Hash] about axes turned by an angle: second moments along them and shear areas
        def turned(angle)
          c = Math.cos(angle)
          s = Math.sin(angle)
          a, b, d = compliance
          { yy: (yy * c * c) + (xx * s * s) + (2 * xy * s * c), xx: (xx * c * c) + (yy * s * s) - (2 * xy * s * c),
            shear_x: 1 / ((a * c * c) + (b * s * s) + (2 * d * s * c)), shear_y: 1 / ((a * s * s) + (b * c * c) - (2 * d * s * c)) }
        end
      end

      # @param outline [Shape::Outline]
      # @return [Values] kept for outlines that were asked for before
      def self.of(outline)
        @kept ||= {}
        @kept.shift if @kept.size > 60
        @kept[outline.signature] ||= new(outline).call
      end

      # Area, first and second moments of a polygon by Green's theorem; holes run the other way.
      def self.polygon(points)
        x = points[true, 0]
        y = points[true, 1]
        order = (1..points.shape[0]).map { |i| i % points.shape[0] }
        u = x[order]
        v = y[order]
        cross = (x * v) - (u * y)
        [cross.sum / 2, ((x + u) * cross).sum / 6, ((y + v) * cross).sum / 6, (((y**2) + (y * v) + (v**2)) * cross).sum / 12, (((x**2) + (x * u) + (u**2)) * cross).sum / 12,
         (((x * v) + (2 * x * y) + (2 * u * v) + (u * y)) * cross).sum / 24]
      end

      # What needs no mesh.
      # @param lines [Array<Numo::DFloat>] polylines [n, 2] of the outline's loops, m
      # @return [Hash] area, centre, xx, yy and xy of Values
      def self.plain(lines)
        area, sx, sy, ixx, iyy, ixy = lines.map { |points| polygon(points) }.transpose.map(&:sum)
        centre = [sx / area, sy / area]
        { area: area, centre: centre, xx: ixx - (area * (centre[1]**2)), yy: iyy - (area * (centre[0]**2)), xy: ixy - (area * centre[0] * centre[1]) }
      end

      # @return [Array<Numo::DFloat>]
      def self.lines(outline) = outline.loops.map { |loop| loop.polyline(FINE)[0] }

      def initialize(outline)
        @outline = outline
      end

      def call
        lines = self.class.lines(@outline)
        plain = self.class.plain(lines)
        Values.new(**plain, **warping(plain, lines), extremes: Numo::DFloat.vstack(lines) - Numo::DFloat[plain[:centre]], rings: lines.map { |l| l.shape[0] })
      end

      private

      def warping(plain, lines)
        girth = lines.sum { |p| Numo::NMath.sqrt(((p[(1..p.shape[0]).map { |i| i % p.shape[0] }, true] - p)**2).sum(1)).sum }
        mesh(2 * plain[:area] / girth / ACROSS, plain[:centre])
        polar = load { |x, y| [y, -x, nil] }
        twist, along_y, along_x = solve([polar, load { |x, y| [nil, nil, 2 * ((plain[:yy] * y) - (plain[:xy] * x))] },
                                         load { |x, y| [nil, nil, 2 * ((plain[:xx] * x) - (plain[:xy] * y))] }])
        d = 2 * ((plain[:xx] * plain[:yy]) - (plain[:xy]**2))
        forces = [along_x, along_y].map { |u| @matrix.dot(u) }
        { torsion: plain[:xx] + plain[:yy] - (twist * polar).sum, shear_centre: [-(along_y * polar).sum / d, (along_x * polar).sum / d],
          compliance: [(along_x * forces[0]).sum, (along_y * forces[1]).sum, (along_x * forces[1]).sum].map { |c| c / (d**2) } }
      end

      # Quadrilaterals of the section, about its centre.
      def mesh(size, centre)
        prism = Shape::Prism.new(@outline, 1.0, Shape::Frame.new)
        body = Shape::Body.new(name: "section", make: "plane stress", facets: Shape::Planar.call(@outline, prism.frame, "region"), prism: prism, signature: [])
        grid = Mesh::Builder.call([body], Mesh::Settings.new([size, @outline.size / 6].min))
        @conn = grid.blocks[0].conn
        @count = grid.nodes.shape[0]
        kind = Element::Kind[grid.blocks[0].kind]
        plane = grid.nodes[true, 0..1] - Numo::DFloat[centre]
        @mapping = Element::Mapping.new(kind, Algebra::Gather.rows(plane.dup, @conn), kind.stiffness_rule.points)
        @areas = @mapping.determinants * kind.stiffness_rule.weights.reshape(1, kind.stiffness_rule.size)
        assemble
      end

      def assemble
        e, g, _, n = @mapping.slopes.shape
        flat = @mapping.slopes.reshape(e, g * 2, n)
        weighted = flat * Numo::DFloat.zeros(e, g, 2).tap { |w| 2.times { |k| w[true, true, k] = @areas } }.reshape(e, g * 2, 1)
        element = Numo::Linalg.matmul(flat.transpose(0, 2, 1).dup, weighted).reshape(1, 1, e, n, n)
        dofs = System::Dofs.new(@count, [[@conn, [:x]]])
        @matrix = System::Pattern.new([[@conn, [:x]]], dofs).assemble([element])
      end

      # ∫ N,x a + N,y b + N c
      # @yield [x, y] at the points; answers a, b and c, or nil for none
      def load
        a, b, c = yield(@mapping.positions[true, true, 0].dup, @mapping.positions[true, true, 1].dup)
        e, g, _, n = @mapping.slopes.shape
        sums = Numo::DFloat.zeros(e, n)
        [a, b].each_with_index { |f, k| sums += (@mapping.slopes[true, true, k, true] * (f * @areas).reshape(e, g, 1)).sum(1) if f }
        sums += (c * @areas).dot(@mapping.values) if c
        Algebra::Gather.sum(sums.reshape(e, n, 1), @conn, @count)[true, 0].dup
      end

      # Up to a constant, which is of no matter.
      def solve(rights)
        constraints = System::Constraints.new(@count, rights.size)
        constraints.prescribe(Numo::Int32[0], 0.0)
        factor = Algebra::Factor.new(constraints.reduce(@matrix))
        found = constraints.expand(factor.solve(constraints.reduce_load(@matrix, Numo::DFloat.vstack(rights))))
        factor.free
        (0...rights.size).map { |k| found[k, true].dup }
      end
    end
  end
end
