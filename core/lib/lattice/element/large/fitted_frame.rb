# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Frames that turn with elements: those in which the nodes fit best where they were, Σ X × x = 0. How far a frame
      # turns with its nodes is then A⁻¹ Σ X × u, exactly.
      # B. Nour-Omid, C. C. Rankin, Finite rotation analysis and consistent linearization using projectors, 1991.
      class FittedFrame
        V = Shape::Vectors
        ROUNDS = 12
        ENOUGH = 1e-14 # rad

        # @param start [Numo::DFloat] [e, n, 3] nodes where nothing has moved
        # @param plane [Boolean] whether all stays in the plane of x and y
        def initialize(start, plane)
          @plane = plane
          @arms = arms(start)
          @triads = plane ? nil : triads(@arms)
        end

        def axes = @plane ? 1 : 3

        # @param range [Range] of elements
        # @param places [Numo::DFloat] [e, n, 3] where the nodes of those are
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::DFloat)] the turn back T [e, 3, 3], the nodes in the frame [e, n, 3],
        #   and Γ [e, n, 3, axes]: by how much a movement of each node, in the frame, turns it
        def call(range, places, _turns)
          first = @arms[range, true, true].dup
          now = arms(places)
          back = @plane ? in_plane(first, now) : in_space(range, first, now)
          inside = Numo::Linalg.matmul(now, back.transpose(0, 2, 1).dup)
          [back, inside, turning(first, inside)]
        end

        # ω × v, as a matrix of ω.
        # @param vectors [Numo::DFloat] [e, n, 3]
        # @return [Numo::DFloat] [e, n, 3, axes]
        def self.swept(vectors, axes)
          e, n, = vectors.shape
          Numo::DFloat.zeros(e, n, 3, axes).tap do |all|
            if axes == 1
              all[true, true, 0, 0] = -vectors[true, true, 1]
              all[true, true, 1, 0] = vectors[true, true, 0]
            else
              3.times do |k|
                all[true, true, k, (k + 1) % 3] = vectors[true, true, (k + 2) % 3]
                all[true, true, k, (k + 2) % 3] = -vectors[true, true, (k + 1) % 3]
              end
            end
          end
        end

        private

        def arms(places) = places - (places.sum(1) / places.shape[1]).reshape(places.shape[0], 1, 3)

        # Axes by the first three nodes, which are corners: [e, 3, 3]
        def triads(arms)
          one, two = [1, 2].map { |a| arms[true, a, true] - arms[true, 0, true] }
          first = V.unit(one)
          third = V.unit(V.cross(first, two))
          Numo::DFloat.zeros(arms.shape[0], 3, 3).tap { |all| [first, V.cross(third, first), third].each_with_index { |axis, k| all[true, k, true] = axis } }
        end

        def in_plane(first, now)
          along = ((first[true, true, 0] * now[true, true, 0]) + (first[true, true, 1] * now[true, true, 1])).sum(1)
          across = ((first[true, true, 0] * now[true, true, 1]) - (first[true, true, 1] * now[true, true, 0])).sum(1)
          size = Numo::NMath.sqrt((along**2) + (across**2))
          Rotation.none(along.size).tap do |all|
            all[true, 0, 0] = all[true, 1, 1] = along / size
            all[true, 0, 1] = across / size
            all[true, 1, 0] = -across / size
          end
        end

        # From the axes of three corners, by steps that square the rest.
        def in_space(range, first, now)
          back = Numo::Linalg.matmul(@triads[range, true, true].transpose(0, 2, 1).dup, triads(now))
          ROUNDS.times do
            inside = Numo::Linalg.matmul(now, back.transpose(0, 2, 1).dup)
            off = Numo::Linalg.matmul(metric(first, inside), misfit(first, inside))
            back = Numo::Linalg.matmul(Rotation.exp(-off[true, true, 0]), back)
            break if off.abs.max < ENOUGH
          end
          back
        end

        def misfit(first, inside)
          flat = V.cross(first.reshape(first.size / 3, 3), inside.reshape(inside.size / 3, 3))
          flat.reshape(*first.shape).sum(1).reshape(first.shape[0], 3, 1)
        end

        # A⁻¹ of A = Σ (X·x) I − x Xᵀ
        def metric(first, inside)
          outer = Numo::Linalg.matmul(inside.transpose(0, 2, 1).dup, first)
          Numo::Linalg.inv((Rotation.none(first.shape[0]) * (first * inside).sum(2).sum(1).reshape(first.shape[0], 1, 1)) - outer)
        end

        def turning(first, inside)
          e, n, = first.shape
          swept = self.class.swept(first, axes)
          return swept / (first * inside).sum(2).sum(1).reshape(e, 1, 1, 1) if @plane

          Numo::Linalg.matmul(swept.reshape(e, n * 3, 3), metric(first, inside).transpose(0, 2, 1).dup).reshape(e, n, 3, 3)
        end
      end
    end
  end
end
