# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Ties points to a region: spreading shares what acts on the point over the region as statics does and leaves it soft;
      # rigid makes the region move as a rigid body with the point. Each point takes what of the region lies within reach.
      class Link < Join
        acts_on :faces, :edges, :points
        comes_and_goes

        def check!
          wrong = places.find { |p| p.of != :points }
          raise statement.fault("“#{wrong.name}” is no point", path: "target", cure: "Choose points, such as the ends of members.") if wrong

          super
          turns!
        end

        def reach = statement.quantity("reach", "length")

        def apply(structure)
          check!
          nodes = structure.grid.nodes_of(places)
          region = others.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place).lumped] }
          covered = nodes.to_a.map { |node| System::PointLink.new(structure, self, node, region, reach).call }
          structure.reports << { statement: statement.id, label: statement.label, covered: nil, whole: nil, nodes: covered.sum { |c| c[:nodes] },
                                 least: covered.map { |c| c[:least] }.min, greatest: covered.map { |c| c[:greatest] }.max }
        end

        def rigid? = statement["how"] == "rigid"
      end
    end
  end
end
