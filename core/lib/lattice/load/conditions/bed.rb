# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # An elastic bed: stiffness per area across a surface, to the ground or to another region; along the surface a share of it.
      class Bed < Join
        acts_on :faces, :edges

        def spreads? = true
        or_ground

        # Across the surface alone, unless it holds along it too.
        def components = sliding.positive? ? %i[x y z] : %i[x]
        def frame = grounded? && sliding.zero? ? SupportFrame.new("frame" => { "surface" => true }) : nil
        def stiffness = statement.quantity("stiffness", "bed stiffness")
        def sliding = statement.quantity("sliding", "ratio") || 0.0
        def reach = statement.quantity("reach", "length") || (problem.parts.size * Bond::REACH)

        def check!
          super
          raise statement.fault("its stiffness is not above zero", path: "stiffness", cure: "Give a stiffness above zero, such as 50 N/mm3.") unless stiffness.positive?
          raise statement.fault("its share along the surface is below zero", path: "sliding", cure: "Give a ratio of zero or more.") if sliding.negative?

          wrong = (places + others).find { |p| p.of == :edges && problem.parts.dimension == 3 }
          raise statement.fault("“#{wrong.name}” is an edge, which has no surface", path: "target", cure: "Choose faces.") if wrong
        end

        def apply(structure)
          check!
          nodes, blocks = rested(structure)
          return structure.stiffen_blocks(nodes.reshape(nodes.size, 1), blocks, ground: true) if grounded?

          between(structure, nodes, blocks)
        end

        private

        # Nodes with the stiffness that each stands for: k A (n nᵀ + s (1 - n nᵀ)) [k, 3, 3]
        def rested(structure)
          nodes, area = structure.shares(places)
          n = structure.normals(places, nodes)
          across = n.reshape(nodes.size, 3, 1) * n.reshape(nodes.size, 1, 3)
          [nodes, (across + ((Numo::DFloat.eye(3).reshape(1, 3, 3) - across) * sliding)) * (area * stiffness).reshape(nodes.size, 1, 1)]
        end

        # Each node against what of the other region lies opposite.
        def between(structure, nodes, blocks)
          side = System::Side.new(structure, others, false)
          found = structure.placed(side, structure.grid.nodes[nodes, true].dup, reach)
          raise statement.fault("nothing of “#{statement['to']}” lies within reach of “#{statement['target']}”", path: "reach", cure: "Give a larger reach.") if found.block.max.negative?

          found.by_block.each do |number, rows, element, local|
            pieces = side.pieces[number]
            opposite = pieces.conn[element, true].dup
            rates = rates(pieces.kind, structure.grid, structure.grid.nodes[nodes[rows], true].dup, opposite, local)
            m = rates.shape[2]
            block = Numo::Linalg.matmul(rates.transpose(0, 2, 1).dup, Numo::Linalg.matmul(blocks[rows, true, true].dup, rates))
            structure.stiffen_blocks(Numo::Int32.hstack([nodes[rows].reshape(rows.size, 1), opposite]), block.reshape(rows.size, m, m), ground: false)
          end
          report(structure, nodes, found)
        end

        # How a node moves against what lies opposite, carried to the node as the opposite surface turns: [k, 3, 3 + 3m]
        def rates(kind, grid, at, opposite, local)
          k, m = opposite.shape
          x = Algebra::Gather.rows(grid.nodes, opposite)
          weights = kind.values(local)
          slopes, normals = grid.dimension == 3 ? Element::Slopes.call(kind, x, local[true, 0..1].dup) : Element::Slopes.of_lines(kind, x, local[true, 0...1].dup)
          arms = at - (x * weights.reshape(k, m, 1)).sum(1)
          Numo::DFloat.zeros(k, 3, 3 * (m + 1)).tap do |all|
            all[true, true, 0..2] = Numo::DFloat.zeros(k, 3, 3) - Numo::DFloat.eye(3).reshape(1, 3, 3)
            m.times { |n| all[true, true, (3 + (3 * n))..(5 + (3 * n))] = carried(weights[true, n], slopes[true, n, true].dup, normals, arms) }
          end
        end

        # What one node's movement [3] does at the end of an arm: N 1 + W, W the turn of the surface, from its slopes across
        # the normal and half of what they differ by in the surface: [k, 3, 3]
        def carried(weight, slope, normal, arm)
          k = weight.size
          outer = ->(a, b) { a.reshape(k, 3, 1) * b.reshape(k, 1, 3) }
          one = Numo::DFloat.zeros(k, 3, 3) + Numo::DFloat.eye(3).reshape(1, 3, 3)
          flat = one - outer[normal, normal]
          high = (arm * normal).sum(1).reshape(k, 1)
          along = (slope * arm).sum(1).reshape(k, 1, 1)
          (one * weight.reshape(k, 1, 1)) + (outer[normal, normal] * along) - outer[slope * high, normal] + (((flat * along) - outer[slope, arm - (normal * high)]) * 0.5)
        end

        def report(structure, nodes, found)
          there = found.block.ge(0).where
          structure.reports << { statement: statement.id, label: "bed “#{statement['target']}” on “#{statement['to']}”", covered: nil, whole: nil, nodes: there.size,
                                 least: found.away[there].min, greatest: found.away[there].max, left: nodes.size - there.size }
        end
      end
    end
  end
end
