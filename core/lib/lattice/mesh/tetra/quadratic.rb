# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Ten-node tetrahedra from an improved solid: nodes between those of the surface lie on
      # its faces and edges, unless that would fold an element.
      class Quadratic
        V = Shape::Vectors
        LEAST = 0.1 # of the mean determinant, below which an element is straightened
        HALVINGS = 4

        # nodes [n, 3]; tets [m, 10]
        attr_reader :nodes, :tets

        # @param solid [Solid]
        def initialize(solid)
          @solid = solid
          @sheet = solid.sheet
          @pairs = Algebra::Pairs.new([[solid.tets, Element::Tet10::EDGES.map { |i, j, _| [i, j] }]])
          @first = solid.points.shape[0]
          @straight = (solid.points[@pairs.low, true] + solid.points[@pairs.high, true]) / 2
          @nodes = Numo::DFloat.vstack([solid.points, @straight])
          @tets = Numo::Int32.hstack([solid.tets, @pairs.of(0) + @first])
          bend
          straighten
        end

        # @return [Hash] face of the sheet => triangles [k, 6] facing outward
        def faces
          tri = @sheet.triangles
          middles = Remeshing::Sheet::SIDES.map { |i, j| (@pairs.find(tri[true, i].dup, tri[true, j].dup) + @first).reshape(@sheet.count, 1) }
          six = Numo::Int32.hstack([tri, *middles])
          @sheet.source.facets.faces.each_index.to_h { |f| [f, six[@sheet.owners.eq(f).where, true].dup] }
        end

        # @return [Hash] curve => lines [k, 3]: from, to, middle
        def curves
          return {} if @sheet.curve.empty?

          from, to = [0, 1].map { |k| @sheet.pieces[true, k].dup }
          lines = Numo::Int32.vstack([from, to, @pairs.find(from, to) + @first]).transpose.dup
          @sheet.source.facets.edges.each_index.to_h do |c|
            rows = @sheet.curve.eq(c).where
            ordered = rows[@sheet.reach[rows, 0].sort_index].dup
            [c, lines[ordered, true].dup]
          end
        end

        # @return [Hash] coordinates => node, of the corners of the shape
        def corners
          @sheet.kinds.eq(Remeshing::Sheet::CORNER).where.to_a.to_h { |n| [@sheet.points[n, true].to_a, n] }
        end

        # Triangles of the surface with its true normals, by which middles are found.
        def skin
          faces = @sheet.source.facets.faces
          flat = @sheet.triangles.flatten.dup
          owners = Algebra::Gather.repeat(@sheet.owners, 3)
          normals = faces.any? { |f| f.surface.free? } ? @sheet.source.normals(@sheet.points[flat, true].dup, owners).reshape(@sheet.count, 3, 3) : nil
          Shape::Facets.new(points: @sheet.points, triangles: @sheet.triangles, owners: @sheet.owners, faces: faces, edges: curved_edges, normals: normals)
        end

        private

        # The round edges with the nodes they have now.
        def curved_edges
          @sheet.source.facets.edges.each_with_index.filter_map do |edge, c|
            next unless edge.radius

            rows = @sheet.curve.eq(c).where
            ordered = rows[@sheet.reach[rows, 0].sort_index].to_a
            nodes = ordered.map { |r| @sheet.pieces[r, 0] }
            nodes << @sheet.pieces[ordered.last, 1] unless edge.closed
            edge.dup.tap { |e| e.nodes = nodes }
          end
        end

        def bend
          skin = self.skin
          ends = skin.topology.ends
          at = @pairs.find(ends[true, 0].dup, ends[true, 1].dup)
          @nodes[at + @first, true] = skin.middles
        end

        # Elements that come near to folding have their middles drawn half way to straight,
        # again and again; what is left lies straight.
        def straighten
          (0..HALVINGS).each do |round|
            bad = folded
            break if bad.empty?

            middles = Algebra::Gather.distinct([@tets[bad, 4..9].dup])
            straight = @straight[middles - @first, true].dup
            @nodes[middles, true] = round == HALVINGS ? straight : (@nodes[middles, true] + straight) / 2
          end
        end

        def folded
          least, mean = Quality.determinants(@nodes, :tet10, @tets)
          Numo::Int32.cast((least < mean * LEAST).where)
        end
      end
    end
  end
end
