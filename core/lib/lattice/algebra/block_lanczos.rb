# frozen_string_literal: true

module Lattice
  module Algebra
    # Eigenpairs C x = θ B x of the largest θ, of symmetric C of any sign and a positive definite B that is factored:
    # blocks of vectors, each held square to all before, without restart.
    # G. H. Golub, R. Underwood, The block Lanczos method for computing eigenvalues, 1977.
    class BlockLanczos
      BLOCK = 4
      CLOSE = 1e-11 # residual over the eigenvalue
      GONE = 1e-10  # of its own size, that a vector keeps once the others are taken off, and counts as none
      DENSE = 400   # unknowns up to which the whole matrix is taken

      Pairs = Struct.new(:values, :vectors)

      # @param factor [Factor] of B
      # @param metric [SymmetricMatrix] B
      # @param matrix [#dot] C
      # @param monitor [#within] told of what has converged
      def initialize(factor, metric, matrix, monitor = Study::Monitor.new)
        @factor = factor
        @metric, @matrix = [metric, matrix].map { |m| m.is_a?(SymmetricMatrix) ? Multiplier.new(m) : m }
        @size = metric.size
        @monitor = monitor
      end

      # @param count [Integer] pairs wanted, of positive θ, the largest first
      # @param least [Float] θ below which none is wanted
      # @return [Pairs] values [k], vectors [k, n] with xᵀ B x = 1; fewer where there are no more
      # @raise [SolveFailed] when they do not converge
      def call(count, least: 0.0)
        return dense(count, least) if @size <= DENSE

        iterate([count, @size].min, least)
      end

      private

      def dense(count, least)
        b = whole(@metric)
        c = whole(@matrix)
        lower = Numo::Linalg.cholesky(b, uplo: "L").then { |l| Numo::DFloat.cast(l).tril }
        inner = Numo::Linalg.solve(lower, Numo::Linalg.solve(lower, c).transpose.dup)
        values, vectors = Numo::Linalg.eigh((inner + inner.transpose) / 2)
        picked(values, Numo::Linalg.solve(lower.transpose.dup, vectors).transpose.dup, count, least)
      end

      def whole(matrix) = matrix.dot(Numo::DFloat.eye(@size))

      # The largest of positive ones, in order.
      def picked(values, vectors, count, least)
        order = values.sort_index.reverse
        sorted = values[order]
        keep = [(sorted > [least, sorted.abs.max * 1e-13].max).count_true, count].min
        return Pairs.new(Numo::DFloat.zeros(0), Numo::DFloat.zeros(0, @size)) if keep.zero?

        Pairs.new(sorted[0...keep].dup, vectors[order[0...keep], true].dup)
      end

      def iterate(count, least)
        most = [(count * 8) + 160, @size].min
        begin_basis
        loop do
          turn = step
          ritz, shapes = Numo::Linalg.eigh(@projected[0...@filled, 0...@filled].dup)
          return told(ritz, shapes, count, least) if turn.nil? || converged?(ritz, shapes, turn, count, least)
          next if @filled + BLOCK <= most
          return told(ritz, shapes, 0, least) if wanted(ritz, count, least).empty?

          raise SolveFailed.new("the eigenvalues do not settle", cure: "Ask for fewer, or look for elements of bad shape.")
        end
      end

      # Vectors and their images B x, of which each needs one product alone. Room grows by doubling.
      def begin_basis
        room = BLOCK * 16
        @basis = Numo::DFloat.zeros(room, @size)
        @images = Numo::DFloat.zeros(room, @size)
        @projected = Numo::DFloat.zeros(room, room)
        @filled = 0
        random = Random.new(1)
        start = Numo::DFloat.cast(Array.new(BLOCK) { Array.new(@size) { random.rand - 0.5 } })
        # One turn of the operator takes off what it cannot reach.
        turned = @factor.solve(@matrix.dot(start))
        @next = normal(turned, @metric.dot(turned))
      end

      # Takes the next block in, and finds the one after it.
      # @return [Numo::DFloat, nil] how the one after follows from this one; nil when there is none
      def step
        first = @filled
        keep(*@next)
        basis = @basis[0...@filled, true]
        pushed = @matrix.dot(@next[0])
        moved = @factor.solve(pushed)
        part = pushed.dot(basis.transpose)
        @projected[first...@filled, 0...@filled] = part
        @projected[0...@filled, first...@filled] = part.transpose
        scale = Math.sqrt([(moved * pushed).sum(1).abs.max, 1e-300].max)
        # The image of what the factor answers is what it was asked: how much of the basis is in it is known already.
        moved -= part.dot(basis)
        moved, image = squared(moved, @metric.dot(moved))
        @next = normal(moved, image, scale) or return nil
        image.dot(@next[0].transpose)
      end

      def keep(fresh, image)
        grow if @filled + fresh.shape[0] > @basis.shape[0]
        range = @filled...(@filled + fresh.shape[0])
        @basis[range, true] = fresh
        @images[range, true] = image
        @filled = range.end
      end

      def grow
        room = @basis.shape[0]
        @basis, @images = [@basis, @images].map { |all| all.concatenate(Numo::DFloat.zeros(room, @size)) }
        @projected = Numo::DFloat.zeros(room * 2, room * 2).tap { |all| all[0...room, 0...room] = @projected }
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] vectors held square to the basis, and their images
      def squared(vectors, image)
        return [vectors, image] if @filled.zero?

        along = image.dot(@basis[0...@filled, true].transpose)
        [vectors - along.dot(@basis[0...@filled, true]), image - along.dot(@images[0...@filled, true])]
      end

      # @param scale [Float, nil] length of what they were before others were taken off
      # @return [Array(Numo::DFloat, Numo::DFloat), nil] square to each other and to the basis, of unit length, and their images; nil where nothing is left
      def normal(vectors, image, scale = nil)
        sizes, turns = lengths(vectors, image)
        there = (sizes > [(GONE * (scale || Math.sqrt(sizes.max)))**2, 1e-300].max).where
        return nil if there.empty?

        mix = (turns[true, there] / Numo::NMath.sqrt(sizes[there]).reshape(1, there.size)).transpose.dup
        mixed = [mix.dot(vectors), mix.dot(image)]
        return mixed if @filled.zero?

        # What was small was mostly rounding: held square once more.
        mixed = squared(*mixed)
        sizes, turns = lengths(*mixed)
        mix = (turns / Numo::NMath.sqrt(sizes.clip(1e-300, nil)).reshape(1, sizes.size)).transpose.dup
        mixed.map { |rows| mix.dot(rows) }
      end

      def lengths(vectors, image)
        squares = image.dot(vectors.transpose)
        Numo::Linalg.eigh((squares + squares.transpose) / 2)
      end

      # @return [Array<Integer>] places of the largest positive values
      def wanted(ritz, count, least)
        floor = [least, ritz.abs.max * 1e-13].max
        ritz.sort_index.reverse.to_a.select { |i| ritz[i] > floor }.first(count)
      end

      def converged?(ritz, shapes, turn, count, least)
        tail = shapes[(@filled - turn.shape[0])...@filled, true]
        left = Numo::NMath.sqrt((turn.transpose.dot(tail)**2).sum(0))
        those = wanted(ritz, count, least)
        close = those.take_while { |i| left[i] <= ritz[i].abs * CLOSE }.size
        @monitor.within("#{close} of #{count} modes", close.to_f / count)
        return close == count if those.size == count

        # All that are positive, and what comes after them has settled too.
        return false if those.size == @filled

        beyond = ritz.sort_index.reverse[those.size]
        close == those.size && left[beyond] <= ritz.abs.max * 1e-6
      end

      def told(ritz, shapes, count, least) = picked(ritz, shapes.transpose.dot(@basis[0...@filled, true]), count, least)
    end
  end
end
