# frozen_string_literal: true

module Lattice
  module Study
    # Looks for the motion that a singular, or nearly singular, system resists least, by inverse iteration on the
    # system made slightly stiffer; and says which bodies move, and how.
    class Loose
      SHIFT = 1e-8 # of each unknown's own stiffness
      ROUNDS = 6
      MOVES = 0.2 # of the largest movement, from which a body counts as moving
      FREE = 1e-9 # of what each unknown's own stiffness would resist
      RIGID = 0.05 # of a body's movement that may be left over beside a rigid motion

      # @param structure [System::Structure]
      # @param matrix [Algebra::SymmetricMatrix] reduced
      def initialize(structure, matrix)
        @structure = structure
        @matrix = matrix
      end

      # @return [SolveFailed] with the motion
      def failure
        found = bodies
        holding = @structure.conditions.find(&:holds?)
        SolveFailed.new("the model can still move without resisting: #{found.empty? ? 'a part is loose, or its supports leave a motion free' : words(found)}",
                        statement: holding&.statement&.id, cure: "Hold it in another place or component, or join it to what is held.", motions: found.map { |f| f[:motion] })
      end

      # @return [String, nil] the motion, where it is hardly resisted at all
      def motion
        return unless resisted && resisted < FREE

        found = bodies
        words(found) unless found.empty?
      end

      # @return [Array<Hash>] name, rigid: whether it moves as a whole, motion: see Load::RigidMotion#motions
      def bodies
        u = movement or return []
        largest = Numo::NMath.sqrt((u**2).sum(1)).max
        return [] unless largest.positive? && largest.finite?

        @structure.pieces.map { |p| p.body.name }.uniq.filter_map { |name| moved(name, u / largest) }
      end

      private

      # @return [Numo::DFloat, nil] [n, 3]
      def movement
        weakest or return
        constraints = @structure.constraints
        @structure.dofs.spread(constraints.expand_movements(weakest.reshape(1, weakest.size))[0, true].dup)
      end

      # @return [Float, nil] work of the weakest motion against that of each unknown alone
      def resisted = weakest && (weakest.dot(@matrix.dot(weakest)) / weakest.dot(own * weakest)).abs

      # @return [Numo::DFloat, nil] [free]
      def weakest
        return @weakest if defined?(@weakest)

        @weakest = begin
          factor = Algebra::Factor.new(@matrix.with_diagonal(own * SHIFT))
          vector = Numo::DFloat.new(@matrix.size).seq.then { |n| Numo::NMath.sin(n * 12.9898) + 0.1 }
          ROUNDS.times do
            vector = factor.solve(own * vector)
            vector /= vector.abs.max
          end
          factor.free
          vector
        rescue SolveFailed
          nil
        end
      end

      def own = @own ||= @matrix.diagonal.then { |all| Numo::DFloat.maximum(all, all.max * 1e-12) }

      # The rigid motion nearest to how a body moves.
      def moved(name, movement)
        nodes = @structure.grid.body_nodes(name)
        at = @structure.grid.nodes[nodes, true]
        u = movement[nodes, true]
        return if Numo::NMath.sqrt((u**2).sum(1)).max < MOVES

        centre = at.mean(0)
        size = [Numo::NMath.sqrt(((at - centre.reshape(1, 3))**2).sum(1)).max, 1e-12].max
        basis = rows((at - centre.reshape(1, 3)) / size)
        found = Numo::Linalg.pinv(basis).dot(u.flatten)
        left = Math.sqrt(((u.flatten - basis.dot(found))**2).sum / (u**2).sum)
        { name: name, rigid: left < RIGID, slides: found[0..2].abs.max > found[3..5].abs.max,
          axis: "xyz"[(found[0..2].abs.max > found[3..5].abs.max ? found[0..2] : found[3..5]).abs.max_index],
          motion: { bodies: [name], slide: found[0..2].to_a, turn: (found[3..5] / size).to_a, centre: centre.to_a } }
      end

      # [3k, 6]
      def rows(arms)
        k = arms.shape[0]
        all = Numo::DFloat.zeros(k, 3, 6)
        all[true, true, 0..2] = Numo::DFloat.eye(3).reshape(1, 3, 3)
        all[true, true, 3..5] = -Shape::Vectors.crossing(arms)
        all.reshape(k * 3, 6)
      end

      def words(found)
        parts = found.first(3).map do |f|
          next "part of “#{f[:name]}” moves" unless f[:rigid]

          f[:slides] ? "“#{f[:name]}” slides, mostly along #{f[:axis]}" : "“#{f[:name]}” turns about an axis along #{f[:axis]}"
        end
        parts.join(", ") + (found.size > 3 ? ", and #{found.size - 3} more bodies move" : "")
      end
    end
  end
end
