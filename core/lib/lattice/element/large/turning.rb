# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # The elements of a piece under large turns and small strains: a frame turns with each, and what is left in it is
      # small, for which the element's own linear stiffness holds. Force and tangent follow from the work done in the frame.
      # C. C. Rankin, B. Nour-Omid, The use of projectors to improve finite element performance, 1988;
      # C. A. Felippa, B. Haugen, A unified formulation of small-strain corotational finite elements, 2005.
      class Turning
        CHUNK = 250
        V = Shape::Vectors

        attr_reader :piece

        # @param piece [ContinuumPiece, ShellPiece, BeamPiece]
        # @param start [Numo::DFloat] [e, n, 3] its nodes
        # @param law [Matter::Law, nil] by which its material flows
        def initialize(piece, start, law = nil)
          @piece = piece
          @flowing = law && Flowing.new(piece, law)
          @elements, @nodes, = start.shape
          @width = piece.names.size
          @turns = @width == 6
          @moves = @width == 2 ? 2 : 3
          @frame = piece.body.members? ? ChordFrame.new(piece.axes) : FittedFrame.new(start, @width == 2)
          @arms = start - (start.sum(1) / @nodes).reshape(@elements, 1, 3)
          @stiffness = piece.stiffness.transpose(2, 3, 0, 4, 1).dup.reshape(@elements, @nodes * @width, @nodes * @width)
        end

        # Forces at the nodes, and how they change.
        # @param places [Numo::DFloat] [e, n, 3] where the nodes are
        # @param turns [Numo::DFloat, nil] [e, n, 3, 3] how they have turned
        # @param tangent [Boolean] whether that is wanted, too
        # @return [Array(Numo::DFloat, Numo::DFloat)] [e, n, names], and nil or [names, names, e, n, n]
        def call(places, turns, tangent: true)
          force = Numo::DFloat.zeros(@elements, @nodes, @width)
          matrix = tangent ? Numo::DFloat.zeros(@width, @width, @elements, @nodes, @nodes) : nil
          in_chunks do |range|
            found, k = chunk(range, *at(range, places, turns), tangent)
            force[range, true, true] = found
            matrix[true, true, range, true, true] = k.reshape(range.size, @nodes, @width, @nodes, @width).transpose(2, 4, 0, 1, 3) if tangent
          end
          [force, matrix]
        end

        # What has flowed stays.
        def commit = @flowing&.commit

        # Stress at the nodes, and forces of members, in axes that turned with the elements.
        # @param spread [Numo::DFloat, nil] [e, 3] N/m on members
        # @return [Array(Hash, Numo::DFloat, Numo::DFloat)] by layer [e, n, 6]; nil or [e, 2, 6]; nil or the equivalent plastic strain [e, n]
        def recover(places, turns, spread = nil)
          deformed, frames = deformation(places, turns)
          if spread
            ends = piece.ends(deformed, Numo::Linalg.matmul(frames.transpose(0, 2, 1).dup, spread.reshape(*spread.shape, 1))[true, true, 0].dup, 0.0)
            return [piece.fibres.stresses(ends), ends, nil]
          end

          stress = piece.recover(deformed, 0.0)
          plastic = @flowing && flowed(stress, deformed)
          [stress.transform_values { |table| Rotation.stress(table, frames) }, nil, plastic]
        end

        private

        # Puts the stress in that has flowed.
        # @return [Numo::DFloat] [e, n] equivalent plastic strain
        def flowed(stress, deformed)
          Numo::DFloat.zeros(@elements, @nodes).tap do |plastic|
            in_chunks do |range|
              layers, sums, at = @flowing.at_nodes(range, deformed[range, true, true].reshape(range.size, @nodes * @width))
              next unless layers

              all = at + range.begin
              plastic[all, true] = sums
              layers.each { |layer, table| stress[layer][all, true, true] = piece.full_stress(table, stress[layer][all, true, true].dup, all) }
            end
          end
        end

        # What is left in the frames [e, n, names], and how these have turned [e, 3, 3].
        def deformation(places, turns)
          found = Numo::DFloat.zeros(@elements, @nodes, @width)
          frames = Numo::DFloat.zeros(@elements, 3, 3)
          in_chunks do |range|
            own, turned = at(range, places, turns)
            back, inside, = @frame.call(range, own, turned)
            found[range, true, true] = left(range, back, inside, turned)
            frames[range, true, true] = back.transpose(0, 2, 1)
          end
          [found, frames]
        end

        def in_chunks = (0...@elements).step(CHUNK) { |first| yield first...[first + CHUNK, @elements].min }
        def at(range, places, turns) = [places[range, true, true].dup, turns && turns[range, true, true, true].dup]

        # [e, n, names] in the frame
        def left(range, back, inside, turns)
          Numo::DFloat.zeros(inside.shape[0], @nodes, @width).tap do |all|
            all[true, true, 0...@moves] = (inside - @arms[range, true, true])[true, true, 0...@moves]
            all[true, true, 3..5] = Rotation.log(in_frame(back, turns)).reshape(inside.shape[0], @nodes, 3) if @turns
          end
        end

        # T R Tᵀ₀ with T₀ = I: [e n, 3, 3]
        def in_frame(back, turns)
          e = back.shape[0]
          all = Numo::DFloat.zeros(e, @nodes, 3, 3).tap { |t| @nodes.times { |a| t[true, a, true, true] = back } }
          Numo::Linalg.matmul(all.reshape(e * @nodes, 3, 3), turns.reshape(e * @nodes, 3, 3))
        end

        def chunk(range, places, turns, tangent)
          e = places.shape[0]
          back, inside, gamma = @frame.call(range, places, turns)
          deformed = left(range, back, inside, turns)
          k = @stiffness[range, true, true].dup
          plain = Numo::Linalg.matmul(k, deformed.reshape(e, @nodes * @width, 1)).reshape(e, @nodes, @width)
          flow(range, deformed, plain, k, tangent) if @flowing
          angles = @turns ? deformed[true, true, 3..5].dup.reshape(e * @nodes, 3) : nil
          pushed, grown = grown(plain, angles)
          swept = by_unknown(FittedFrame.swept(inside, @frame.axes), turning: true)
          gamma = by_unknown(gamma)
          whole = Numo::Linalg.matmul(swept.transpose(0, 2, 1).dup, pushed.reshape(e, @nodes * @width, 1))
          projected = pushed.reshape(e, @nodes * @width, 1) - Numo::Linalg.matmul(gamma, whole)
          force = forward(back, projected.reshape(e, @nodes, @width))
          [force, tangent ? outward(back, tangent(k, grown, plain, angles, projected.reshape(e, @nodes, @width), swept, gamma)) : nil]
        end

        # What flow takes from forces and stiffness.
        def flow(range, deformed, plain, stiffness, tangent)
          force, softer, at = @flowing.call(range, deformed.reshape(range.size, @nodes * @width), tangent)
          return unless force

          plain[at, true, true] = plain[at, true, true] + force.reshape(at.size, @nodes, @width)
          stiffness[at, true, true] = stiffness[at, true, true] + softer if tangent
        end

        # Hᵀ f, and H of every node.
        def grown(plain, angles)
          return [plain, nil] unless @turns

          e = plain.shape[0]
          growth = Rotation.growth(angles)
          moments = Numo::Linalg.matmul(growth.transpose(0, 2, 1).dup, plain[true, true, 3..5].dup.reshape(e * @nodes, 3, 1)).reshape(e, @nodes, 3)
          [plain.dup.tap { |all| all[true, true, 3..5] = moments }, growth.reshape(e, @nodes, 3, 3)]
        end

        # [e, n, 3 or 6, axes] as rows of the unknowns; swept arms turn the nodes with them.
        def by_unknown(table, turning: false)
          e, n, rows, axes = table.shape
          all = Numo::DFloat.zeros(e, n, @width, axes)
          count = [rows, @width].min
          all[true, true, 0...count, true] = table[true, true, 0...count, true]
          3.times { |k| all[true, true, 3 + k, k] = 1.0 } if turning && @turns
          all.reshape(e, n * @width, axes)
        end

        def forward(back, force)
          result = force.dup
          [0, *(3 if @turns)].each do |first|
            vectors = Numo::DFloat.zeros(*force.shape[0..1], 3).tap { |all| all[true, true, 0...@moves] = force[true, true, first...(first + @moves)] }
            result[true, true, first...(first + @moves)] = Numo::Linalg.matmul(vectors, back)[true, true, 0...@moves]
          end
          result
        end

        # Pᵀ (Hᵀ K H + L) P and what turning the frame adds, in the frame, symmetric.
        def tangent(k, grown, plain, angles, projected, swept, gamma)
          m = material(k, grown, plain, angles)
          moved = by_unknown(FittedFrame.swept(padded(projected[true, true, 0...@moves]), @frame.axes))
          whole = @turns ? moved + by_unknown_turns(FittedFrame.swept(projected[true, true, 3..5].dup, 3)) : moved
          swept_m = Numo::Linalg.matmul(m, swept)
          inner = Numo::Linalg.matmul(swept.transpose(0, 2, 1).dup, swept_m) - Numo::Linalg.matmul(moved.transpose(0, 2, 1).dup, swept)
          left = whole - swept_m + Numo::Linalg.matmul(gamma, inner)
          other = moved - swept_m
          sum = m + Numo::Linalg.matmul(left, gamma.transpose(0, 2, 1).dup) + Numo::Linalg.matmul(gamma, other.transpose(0, 2, 1).dup)
          (sum + sum.transpose(0, 2, 1)) / 2
        end

        def padded(vectors)
          return vectors.dup if vectors.shape[2] == 3

          Numo::DFloat.zeros(*vectors.shape[0..1], 3).tap { |all| all[true, true, 0...vectors.shape[2]] = vectors }
        end

        def by_unknown_turns(table)
          e, n, = table.shape
          Numo::DFloat.zeros(e, n, @width, 3).tap { |all| all[true, true, 3..5, true] = table }.reshape(e, n * @width, 3)
        end

        # Hᵀ K H + L
        def material(k, grown, plain, angles)
          return k unless @turns

          e = k.shape[0]
          change = Rotation.growth_change(angles, plain[true, true, 3..5].dup.reshape(e * @nodes, 3)).reshape(e, @nodes, 3, 3)
          k = k.reshape(e, @nodes * 6, @nodes, 6)
          @nodes.times { |a| k[true, true, a, 3..5] = Numo::Linalg.matmul(k[true, true, a, 3..5].dup, grown[true, a, true, true].dup) }
          k = k.reshape(e, @nodes, 6, @nodes * 6)
          @nodes.times { |a| k[true, a, 3..5, true] = Numo::Linalg.matmul(grown[true, a, true, true].transpose(0, 2, 1).dup, k[true, a, 3..5, true].dup) }
          k = k.reshape(e, @nodes, 6, @nodes, 6)
          @nodes.times { |a| k[true, a, 3..5, a, 3..5] = k[true, a, 3..5, a, 3..5] + ((change[true, a, true, true] + change[true, a, true, true].transpose(0, 2, 1)) / 2) }
          k.reshape(e, @nodes * 6, @nodes * 6)
        end

        # Tᵀ K T of every pair of blocks.
        def outward(back, k)
          e = k.shape[0]
          blocks = @nodes * @width / @moves
          t = back[true, 0...@moves, 0...@moves].dup
          2.times.reduce(k) do |matrix, _|
            turned = Numo::Linalg.matmul(matrix.reshape(e, matrix.size / e / @moves, @moves), t).reshape(e, blocks * @moves, blocks * @moves)
            turned.transpose(0, 2, 1).dup
          end
        end
      end
    end
  end
end
