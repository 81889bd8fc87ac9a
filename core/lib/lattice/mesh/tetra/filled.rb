# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Bodies filled with ten-node tetrahedra, with the nodes of all their places. Bodies
      # that are joined are meshed as one and share the nodes of the faces between them.
      class Filled
        attr_reader :nodes, :times

        # @param bodies [Array<Shape::Body>]
        # @param plan [SizingPlan]
        # @param shared [Array] pairs of faces that coincide; see Complex
        # @yield [String, Float] what is being done, share of it
        # @raise [Recovery::Stuck], [Mesher::TooThin], [InvalidInput] when divisions cannot be kept
        def initialize(bodies, plan, shared = [], &)
          @bodies = bodies
          @complex = Complex.new(bodies, shared)
          source = Remeshing::Source.new(@complex.facets, plan.size, sides: @complex.sides)
          divisions = CurveDivisions.of(bodies, @complex, plan).transform_values(&:shares)
          sheet = Remeshing::Sheet.new(source, Remeshing::Sizing.new(source, plan, divisions).field, divisions)
          mesher = Mesher.new(sheet, plan)
          @solid = mesher.call(&)
          @times = mesher.times
          @quadratic = Quadratic.new(@solid)
          @nodes = @quadratic.nodes
        end

        # @return [Hash] body name => tetrahedra [m, 10]
        def elements
          @bodies.each_with_index.to_h { |body, i| [body.name, @quadratic.tets[@solid.regions.eq(i + 1).where, true].dup] }
        end

        # @return [Hash] [body, place] => faces [k, 6], edges [k, 3], points [k, 1]
        def places
          faces.merge(edges).merge(points)
        end

        private

        def faces
          triangles = @quadratic.faces
          @complex.faces.each_with_index.with_object({}) do |(keys, f), found|
            # Seen from the second body the face looks the other way.
            keys.each_with_index { |key, side| found[key] = side.zero? ? triangles[f] : triangles[f][true, [0, 2, 1, 5, 4, 3]].dup }
          end
        end

        def edges
          lines = @quadratic.curves
          @complex.edges.transform_values { |curves| Numo::Int32.vstack(curves.map { |c| lines[c] }) }
        end

        def points
          corners = @quadratic.corners
          @complex.points.filter_map { |key, at| (node = corners[at]) && [key, Numo::Int32[[node]]] }.to_h
        end
      end
    end
  end
end
