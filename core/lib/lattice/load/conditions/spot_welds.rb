# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Spot welds in a row: each makes what of both regions lies within it follow each other.
      class SpotWelds < Join
        acts_on :faces

        LEAST = 4 # nodes of each region that a weld takes hold of

        def check!
          super
          raise statement.fault("its diameter is not above zero", path: "diameter", cure: "Give a diameter above zero.") unless diameter.positive?
        end

        def apply(structure)
          check!
          sides = [side(structure, places), side(structure, others)]
          spots.each_with_index do |at, i|
            far = sides.map { |nodes, _, points| nearest(points, at).then { |away, _| [away[0], nodes] } }
            lost!(i + 1) if far.any? { |away, _| away > reach }
            motions = sides.map { |nodes, weights, points| grip(structure, nodes, weights, points, at) }
            structure.connectors.add(self, "weld #{i + 1} of “#{statement['target']}”", motions, Numo::DFloat.eye(3), [0, 1, 2, 3, 4, 5])
          end
        end

        private

        def diameter = statement.quantity("diameter", "length")
        def reach = [diameter, problem.size || diameter].max * 1.5

        # Evenly from the first to the last.
        def spots
          from, upto = %w[from until].map { |key| Shape::Placement.spot(statement[key]) }
          last = statement["count"] - 1
          Array.new(statement["count"]) { |i| from.zip(upto).map { |a, b| last.zero? ? a : a + ((b - a) * i / last) } }
        end

        def side(structure, list)
          nodes, weights = structure.shares(list)
          [nodes, weights, structure.grid.nodes[nodes, true].dup]
        end

        # Distances in order, and the order.
        def nearest(points, at)
          away = Shape::Vectors.norm(points - Numo::DFloat[*at].reshape(1, 3))
          order = away.sort_index
          [away[order].dup, order]
        end

        def grip(structure, nodes, weights, points, at)
          away, order = nearest(points, at)
          taken = (away <= diameter / 2).count_true.clamp([LEAST, nodes.size].min, nodes.size)
          picked = order[0...taken].dup
          System::RegionMotion.new(structure, nodes[picked].dup, weights[picked].dup, about: at)
        end

        def lost!(number)
          raise statement.fault("weld #{number} lies beside “#{statement['target']}” or “#{statement['to']}”", path: "from", cure: "Place the row on both, or give a smaller mesh size.")
        end
      end
    end
  end
end
