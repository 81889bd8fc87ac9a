# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # What cracks take from the elastic forces of a piece's elements. An element has one history, by its mean strain: cracks that localise
      # in single points of an element would follow the mesh. What it will have seen is foretold: within an increment its moduli
      # stay, so that nothing can fail to come to rest; how far its stress strays from what its strain then brings bounds the increment.
      # J. Oliver, A. E. Huespe, J. C. Cante, An implicit/explicit integration scheme to increase computability, 2008.
      class Cracked
        include Engine::Memory

        remembers :@seen, :@trial, :@moduli, :@next, :@strains, :@last, :@strays

        TORN = 0.1 # strain from which on nothing is left

        # @param piece [ContinuumPiece] in plane stress
        # @param concrete [Matter::Concrete]
        def initialize(piece, concrete)
          @piece = piece
          all = piece.operators(0...piece.block.size)
          areas = all[2].sum(1) / piece.body.thickness
          @law = Matter::Law::Cracking.new(piece.material.young, piece.material.poisson, concrete, Numo::NMath.sqrt(areas))
          @bears = concrete.tension
          @spacing = concrete.spacing
          @elasticity = piece.elasticity
          @strain, _, @volumes = all
          clear
        end

        # @see Flowing#call
        def call(range, moved, tangent)
          strain, volumes = of(range)
          own = mean(strain, volumes, moved)
          used = @moduli[range, true, true].dup
          moduli, after = @law.part(range).respond(own, Matter::Law::Cracking::State.new(@seen[range, true].dup))
          @trial[range, true] = after.seen
          @strains[range, true] = own
          @next[range, true, true] = moduli
          @strays[range] = Numo::Linalg.matmul(moduli - used, own.reshape(*own.shape, 1)).reshape(*own.shape).abs.max(1) / @bears
          softer = stiffness(strain, volumes, used - @elasticity.reshape(1, 3, 3))
          [Numo::Linalg.matmul(softer, moved.reshape(*moved.shape, 1)).reshape(*moved.shape), tangent ? softer : nil, Numo::Int32.new(moved.shape[0]).seq]
        end

        # How far stress strays from what it should be, of the tension that is borne.
        def strays = @strains.abs.max > TORN ? Float::INFINITY : @strays.max

        def commit
          @seen = @trial.dup
          @moduli = @next
          @last = [@strains.dup, @last[0]]
        end

        # Moduli for an increment, by where strain goes if it goes on as it did.
        # @param ratio [Float] of the increment to the last one
        def ahead(ratio)
          now, before = @last
          @moduli, = @law.respond(now + ((now - before) * ratio), Matter::Law::Cracking::State.new(@seen))
        end

        def slides? = false
        def slant(_moved) = nil
        def weaken(_factor) = nil

        # Begins anew, whole.
        def clear
          count = @piece.block.size
          @seen = @law.start(count).seen
          @trial = @seen.dup
          @moduli = Numo::DFloat.zeros(count, 3, 3) + @elasticity.reshape(1, 3, 3)
          @next = @moduli.dup
          @strains = Numo::DFloat.zeros(count, 3)
          @last = [@strains.dup, @strains.dup]
          @strays = Numo::DFloat.zeros(count)
        end

        # @see Flowing#at_nodes
        def at_nodes(range, moved)
          strain, volumes = of(range)
          state = Matter::Law::Cracking::State.new(@seen[range, true].dup)
          own = mean(strain, volumes, moved)
          law = @law.part(range)
          moduli, = law.respond(own, state)
          e, g, rows, width = strain.shape
          points = Numo::Linalg.matmul(strain.reshape(e, g * rows, width), moved.reshape(e, width, 1)).reshape(e * g, rows, 1)
          stress = Numo::Linalg.matmul(repeated(moduli, g), points).reshape(e, g, rows)
          opened = law.opened(own, state)[0]
          nearest = @piece.nearest_points
          [{ "" => stress[true, nearest, true].dup }, Numo::DFloat.zeros(e, nearest.size) + opened.reshape(e, 1), Numo::Int32.new(e).seq]
        end

        # @param moved [Numo::DFloat] [e, n w] what is left in the frames of all elements
        # @return [Cracks]
        def cracks(moved) = Cracks.new(*@law.opened(mean(@strain, @volumes, moved), Matter::Law::Cracking::State.new(@seen)), @spacing)

        private

        def of(range) = [@strain, @volumes].map { |table| table[range, *[true] * (table.ndim - 1)].dup }

        def stiffness(strain, volumes, moduli) = Quadrature.stiffness(strain, repeated(moduli, strain.shape[1]) * volumes.reshape(volumes.size, 1, 1))

        def repeated(moduli, times)
          e = moduli.shape[0]
          (Numo::DFloat.zeros(e, times, 3, 3) + moduli.reshape(e, 1, 3, 3)).reshape(e * times, 3, 3)
        end

        def mean(strain, volumes, moved)
          e, g, rows, width = strain.shape
          points = Numo::Linalg.matmul(strain.reshape(e, g * rows, width), moved.reshape(e, width, 1)).reshape(e, g, rows)
          (points * volumes.reshape(e, g, 1)).sum(1) / volumes.sum(1).reshape(e, 1)
        end
      end
    end
  end
end
