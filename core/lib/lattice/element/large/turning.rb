# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # The elements of a piece under large turns and small strains: a frame turns with each, and what is left in it is
      # small, for which the element's own linear stiffness holds. Force and tangent follow from the work done in the frame.
      # C. C. Rankin, B. Nour-Omid, The use of projectors to improve finite element performance, 1988;
      # C. A. Felippa, B. Haugen, A unified formulation of small-strain corotational finite elements, 2005.
      class Turning
        include Swelling
        include Recovering

        CHUNK = 500
        V = Shape::Vectors

        attr_reader :piece

        # @param piece [ContinuumPiece, ShellPiece, BeamPiece]
        # @param stiffness [Numo::DFloat] [names, names, e, n, n] of its elements
        # @param start [Numo::DFloat] [e, n, 3] its nodes
        # @param law [Matter::Law, nil] by which its material flows
        # @param still [Boolean] whether movements are taken to be small
        def initialize(piece, stiffness, start, law = nil, still: false)
          @still = still || piece.body.axisymmetric?
          @piece = piece
          @flowing = law && flowing(law)
          @elements, @nodes, = start.shape
          @width = piece.names.size
          @turns = @width == 6
          @moves = @width == 2 ? 2 : 3
          @frame = frame_of(start)
          @arms = start - (start.sum(1) / @nodes).reshape(@elements, 1, 3)
          @stiffness = (law && piece.stiffness_of_flow) || stiffness.transpose(2, 3, 0, 4, 1).dup.reshape(@elements, @nodes * @width, @nodes * @width)
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

        # What its material has been through.
        def memory = @flowing&.memory
        def recall(memory) = memory && @flowing.recall(memory)

        # What acts between the ends of members that flow.
        # @param per_length [Numo::DFloat] [e, 3] N/m
        def bear(per_length) = @flowing&.bear(per_length)

        # Whether it is ground, which slides by friction.
        def slides? = @flowing&.slides?

        # @see Flowing#slant
        def slant(moved) = @flowing&.slant(moved)

        # Begins anew: free of stress where its nodes are now, and as warm as it is.
        def begin_at(places, turns)
          @cold = @warmth
          warm(*@warmth) if @warmth
          @origin = nil
          @origin = deformation(places, turns)[0]
          @flowing&.clear
        end

        # At rest under a stress, while nothing has moved.
        # @yield [Numo::DFloat] [k, 3] points
        # @yieldreturn [Numo::DFloat] [k, 6] Pa
        def rest(&) = in_chunks { |range| @flowing.rest(range, &) }

        # @param factor [Float] by which its material bears less
        def weaken(factor) = @flowing&.weaken(factor)

        # @see Cracked#ahead
        def ahead(ratio) = cracks? && @flowing.ahead(ratio)

        # @see Cracked#strays
        def strays = cracks? ? @flowing.strays : 0.0

        def cracks? = @flowing.is_a?(Cracked)

        # @return [Cracks, nil]
        def cracks(places, turns) = cracks? ? @flowing.cracks(deformation(places, turns)[0].reshape(@elements, @nodes * @width)) : nil

        private

        def flowing(law)
          return Fibred.new(piece, law) if piece.body.members?

          (law.is_a?(Matter::Concrete) ? Cracked : Flowing).new(piece, law)
        end

        def frame_of(start)
          return ChordFrame.new(piece.axes) if piece.body.members?

          @still ? StillFrame.new(start) : FittedFrame.new(start, @width == 2)
        end

        def in_chunks = (0...@elements).step(CHUNK) { |first| yield first...[first + CHUNK, @elements].min }
        def at(range, places, turns) = [places[range, true, true].dup, turns && turns[range, true, true, true].dup]

        # [e, n, names] in the frame, since it came
        def left(range, back, inside, turns)
          all = drawn_left(range, back, inside, turns)
          @origin ? all - @origin[range, true, true] : all
        end

        def drawn_left(range, back, inside, turns)
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
          plain -= @swollen[1][range, true, true] if @swollen
          flow(range, deformed, plain, k, tangent) if @flowing
          return [loaded(plain, range), tangent ? k : nil] if @still

          angles = @turns ? deformed[true, true, 3..5].dup.reshape(e * @nodes, 3) : nil
          pushed, growth = grown(plain, angles)
          swept = by_unknown(FittedFrame.swept(inside, @frame.axes), turning: true)
          gamma = by_unknown(gamma)
          projected = projected(pushed, swept, gamma)
          @pushes[range, true, true] = forward(back, projected(grown(@rate[range, true, true].dup, angles)[0], swept, gamma)) - @rate[range, true, true] if @rate && tangent
          [loaded(forward(back, projected), range), tangent ? tangent(stiffened(k, growth, plain, angles), back, growth, projected, swept, gamma) : nil]
        end

        # What flow takes from forces and stiffness.
        def flow(range, deformed, plain, stiffness, tangent)
          force, softer, at = @flowing.call(range, deformed.reshape(range.size, @nodes * @width), tangent)
          return unless force

          plain[at, true, true] = plain[at, true, true] + force.reshape(at.size, @nodes, @width)
          stiffness[at, true, true] = stiffness[at, true, true] + softer if tangent
        end

        # Pᵀ f
        def projected(pushed, swept, gamma)
          column = pushed.reshape(pushed.shape[0], @nodes * @width, 1)
          (column - Numo::Linalg.matmul(gamma, Numo::Linalg.matmul(swept.transpose(0, 2, 1).dup, column))).reshape(*pushed.shape)
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

        # Qᵀ (K + L) Q with Q = H P T, and what turning the frame adds: globally, symmetric.
        def tangent(stiffness, back, growth, projected, swept, gamma)
          turned = forward_rows(gamma.transpose(0, 2, 1).dup, back)
          carried = Numo::Linalg.matmul(swept, turned) * -1
          each_block { |at| carried[true, at, at] = carried[true, at, at] + back[true, 0...@moves, 0...@moves] }
          moved = by_unknown(FittedFrame.swept(padded(projected[true, true, 0...@moves]), @frame.axes))
          whole = @turns ? moved + by_unknown_turns(FittedFrame.swept(projected[true, true, 3..5].dup, 3)) : moved
          # With their transposes, half of each.
          inner = forward_rows(whole.transpose(0, 2, 1).dup, back) + Numo::Linalg.matmul(moved.transpose(0, 2, 1).dup, carried)
          rows = grown_rows(carried, growth)
          sum = Numo::Linalg.matmul(rows.transpose(0, 2, 1).dup, Numo::Linalg.matmul(stiffness, rows)) + Numo::Linalg.matmul(turned.transpose(0, 2, 1).dup, inner)
          (sum + sum.transpose(0, 2, 1)) / 2
        end

        def each_block = (0...(@nodes * @width / @moves)).each { |b| yield (b * @moves)...((b + 1) * @moves) }

        # Rows of components in the frames as rows of global ones: [c, axes, n w]
        def forward_rows(rows, back)
          e, axes, width = rows.shape
          Numo::Linalg.matmul(rows.reshape(e, axes * width / @moves, @moves), back[true, 0...@moves, 0...@moves].dup).reshape(e, axes, width)
        end

        # H times the rows of turns.
        def grown_rows(carried, growth)
          return carried unless growth

          carried.dup.tap do |all|
            each_turn { |a, at| all[true, at, true] = Numo::Linalg.matmul(growth[true, a, true, true].dup, carried[true, at, true].dup) }
          end
        end

        # Every node, and the places of its turns.
        def each_turn = @nodes.times { |a| yield a, (((a * 6) + 3)..((a * 6) + 5)) }

        # K + L, L within H.
        def stiffened(stiffness, growth, plain, angles)
          return stiffness unless growth

          e = stiffness.shape[0]
          change = Rotation.growth_change(angles, plain[true, true, 3..5].dup.reshape(e * @nodes, 3))
          inverse = Numo::Linalg.inv(growth.reshape(e * @nodes, 3, 3))
          within = Numo::Linalg.matmul(Numo::Linalg.matmul(inverse.transpose(0, 2, 1).dup, change), inverse).reshape(e, @nodes, 3, 3)
          each_turn { |a, at| stiffness[true, at, at] = stiffness[true, at, at] + ((within[true, a, true, true] + within[true, a, true, true].transpose(0, 2, 1)) / 2) }
          stiffness
        end

        def padded(vectors)
          return vectors.dup if vectors.shape[2] == 3

          Numo::DFloat.zeros(*vectors.shape[0..1], 3).tap { |all| all[true, true, 0...vectors.shape[2]] = vectors }
        end

        def by_unknown_turns(table)
          e, n, = table.shape
          Numo::DFloat.zeros(e, n, @width, 3).tap { |all| all[true, true, 3..5, true] = table }.reshape(e, n * @width, 3)
        end
      end
    end
  end
end
