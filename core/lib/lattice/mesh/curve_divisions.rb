# frozen_string_literal: true

module Lattice
  module Mesh
    # The divisions of the edges of bodies, as those of the curves of their common surface.
    module CurveDivisions
      module_function

      # @param bodies [Array<Shape::Body>]
      # @param complex [Complex] of them
      # @param plan [SizingPlan]
      # @return [Hash] curve => Division
      # @raise [InvalidInput] when an edge is not one curve
      def of(bodies, complex, plan)
        plan.divisions.to_h do |(name, edge), division|
          curves = complex.edges[[name, edge]]
          raise split("“#{edge}” of “#{name}”", curves.size) if curves.size != 1

          body = bodies.find { |b| b.name == name }
          [curves[0], turned?(body, edge, complex.facets, curves[0]) ? division.reversed : division]
        end
      end

      def split(edge, count)
        InvalidInput.at("#{edge} is parted into #{count} where bodies meet, and cannot be divided as a whole", cure: "Give a size there instead.")
      end

      # Whether the curve runs against the edge.
      def turned?(body, name, facets, curve)
        edge = body.facets.edges.find { |e| e.name == name }
        return false if edge.closed

        start = body.facets.points[edge.run[0], true]
        ends = facets.edges[curve].run.values_at(0, -1).map { |node| ((facets.points[node, true] - start)**2).sum }
        ends[1] < ends[0]
      end
    end
  end
end
