# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Two regions move as if they were one, whatever their meshes: faces with faces, sides of plane regions with such
      # sides, and edges of shells with faces, where their turns follow too.
      class Bond < Join
        acts_on :faces, :edges
        comes_and_goes

        def spreads? = true
        REACH = 5e-3 # of the part, where none is typed

        def check!
          super
          mixed = [places, others].find { |side| side.map(&:of).uniq.size > 1 }
          raise statement.fault("one of its sides has faces and edges", path: "target", cure: "Use one bond for the faces, and one for the edges.") if mixed

          raise statement.fault("edges of solids are not bonded", path: "target", cure: "Choose faces; edges of shells may be bonded to faces.") if edge_of_solid?
          raise statement.fault("its reach is not above zero", path: "reach", cure: "Give a length above zero.") unless reach.positive?
        end

        def reach = statement.quantity("reach", "length") || (problem.parts.size * REACH)

        def apply(structure)
          check!
          sides = sides(structure)
          found = (sides[0].edges ? System::EdgeBond : System::FaceBond).new(structure, self, sides)
          structure.reports << found.call.merge(statement: statement.id, label: "bond “#{statement['target']}” to “#{statement['to']}”")
        end

        # @param structure [System::Structure]
        # @return [Array(System::Side, System::Side)] the one that follows first: edges in space, or what is finer; what is rigid is followed
        def sides(structure) = [side(structure, places), side(structure, others)].sort_by { |s| [s.places.any? { |p| rigid?(p.body) } ? 1 : 0, s.edges || members?(s) ? -1.0 : s.fineness] }

        private

        # Members in the plane follow regions.
        def members?(side) = side.places.any? { |p| problem.parts.body(p.body).members? }

        # Edges in space; those of regions in the plane are their sides.
        def edges?(list) = problem.parts.dimension == 3 && list[0].of == :edges
        def edge_of_solid? = (places + others).any? { |p| p.of == :edges && problem.parts.body(p.body).solid? }

        def side(structure, list)
          System::Side.new(structure, list, edges?(list))
        end
      end
    end
  end
end
