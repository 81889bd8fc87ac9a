# frozen_string_literal: true

module Lattice
  module Element
    module Large
      # Elements of a piece under large movements, by their strain against where they started (Green) and the stress that does
      # work with it: total Lagrangian. Strains are taken to be small, so that the elasticity is that of small movements.
      # K.-J. Bathe, E. Ramm, E. L. Wilson, Finite element formulations for large deformation dynamic analysis, 1975.
      class Green
        CHUNK = 250

        attr_reader :piece

        # @param piece [ContinuumPiece]
        # @param start [Numo::DFloat] [e, n, 3] its nodes
        def initialize(piece, start)
          @piece = piece
          @start = start
          @continuum = piece.at(start)
          @form = @continuum.form
          @d = @form.dimension
          @elasticity = @form.elasticity(piece.material.young, piece.material.poisson)
          @elements, @nodes, = start.shape
        end

        # @see Turning#call
        def call(places, _turns, tangent: true)
          force = Numo::DFloat.zeros(@elements, @nodes, @d)
          matrix = tangent ? Numo::DFloat.zeros(@d, @d, @elements, @nodes, @nodes) : nil
          (0...@elements).step(CHUNK) do |first|
            range = first...[first + CHUNK, @elements].min
            found, k = chunk(range, moved(range, places), tangent)
            force[range, true, true] = found
            matrix[true, true, range, true, true] = k if tangent
          end
          [force, matrix]
        end

        # @return [Array(Hash, nil)] true stress by layer at the nodes [e, n, 6], and nothing of members
        def recover(places, _turns, _spread = nil)
          rule = @continuum.stress_rule
          found = Numo::DFloat.zeros(@elements, rule.size, 6)
          (0...@elements).step(CHUNK) do |first|
            range = first...[first + CHUNK, @elements].min
            slopes, = @continuum.points(range, rule)
            gradient = gradient(slopes, moved(range, places))
            found[range, true, true] = true_stress(strain(gradient).dot(@elasticity), gradient)
          end
          [{ "" => @continuum.extrapolated(found) }, nil]
        end

        private

        def moved(range, places) = (places[range, true, 0...@d] - @start[range, true, 0...@d]).dup

        def chunk(range, u, tangent)
          slopes, weights = @continuum.points(range)
          e, g, = slopes.shape
          gradient = gradient(slopes, u)
          stress = strain(gradient).dot(@elasticity)
          operator = operator(slopes, gradient)
          rows = stress.shape[2]
          weighted = stress * weights.reshape(e, g, 1)
          force = Numo::Linalg.matmul(operator.reshape(e, g * rows, @nodes * @d).transpose(0, 2, 1).dup, weighted.reshape(e, g * rows, 1)).reshape(e, @nodes, @d)
          return [force, nil] unless tangent

          flat = operator.reshape(e * g, rows, @nodes * @d)
          moduli = (weights.reshape(e * g, 1, 1) * @elasticity.reshape(1, rows, rows))
          stiff = Numo::Linalg.matmul(moduli, flat).reshape(e, g * rows, @nodes * @d)
          k = Numo::Linalg.matmul(operator.reshape(e, g * rows, @nodes * @d).transpose(0, 2, 1).dup, stiff).reshape(e, @nodes, @d, @nodes, @d)
          k = k.transpose(2, 4, 0, 1, 3).dup
          added = geometric(slopes, weighted)
          @d.times { |i| k[i, i, true, true, true] = k[i, i, true, true, true] + added }
          [force, k]
        end

        # ∂u_i / ∂X_k: [e, g, i, k]
        def gradient(slopes, u)
          e, g, k, n = slopes.shape
          Numo::Linalg.matmul(slopes.reshape(e, g * k, n), u).reshape(e, g, k, @d).transpose(0, 1, 3, 2).dup
        end

        # Rows of one term are stretches, of two are shears: [e, g, rows]
        def strain(gradient)
          e, g, = gradient.shape
          Numo::DFloat.zeros(e, g, @form.terms.size).tap do |all|
            @form.terms.each_with_index do |terms, row|
              (i, k), (other,) = terms
              linear = terms.map { |a, b| gradient[true, true, a, b] }.reduce(:+)
              square = other ? products(gradient, i, k) : products(gradient, k, k) / 2
              all[true, true, row] = linear + square
            end
          end
        end

        # Σ over components of their derivatives along two ways.
        def products(gradient, one, two) = (0...@d).map { |j| gradient[true, true, j, one] * gradient[true, true, j, two] }.reduce(:+)

        # δE = operator δu: [e, g, rows, n d]
        def operator(slopes, gradient)
          e, g, _, n = slopes.shape
          forward = gradient[true, true, true, 0...@d].dup
          @d.times { |i| forward[true, true, i, i] = forward[true, true, i, i] + 1 }
          all = Numo::DFloat.zeros(e, g, @form.terms.size, n, @d)
          @form.terms.each_with_index do |terms, row|
            pairs = terms.size == 1 ? [[terms[0][1], terms[0][1]]] : [terms[0], terms[0].reverse]
            pairs.each do |one, two|
              @d.times { |j| all[true, true, row, true, j] += slopes[true, true, two, true] * forward[true, true, j, one].reshape(e, g, 1) }
            end
          end
          all.reshape(e, g, @form.terms.size, n * @d)
        end

        # ∫ ∇Nᵀ S ∇N: [e, n, n]
        def geometric(slopes, weighted)
          e, g, k, n = slopes.shape
          tensor = Numo::DFloat.zeros(e, g, k, k)
          @form.terms.each_with_index do |terms, row|
            i, j = terms.size == 1 ? [terms[0][1]] * 2 : terms[0]
            tensor[true, true, i, j] = tensor[true, true, j, i] = weighted[true, true, row]
          end
          pressed = Numo::Linalg.matmul(tensor.reshape(e * g, k, k), slopes.reshape(e * g, k, n)).reshape(e, g * k, n)
          Numo::Linalg.matmul(slopes.reshape(e, g * k, n).transpose(0, 2, 1).dup, pressed)
        end

        # F S Fᵀ / J, in the six components: [e, g, 6]
        def true_stress(stress, gradient)
          e, g, = stress.shape
          full = @form.full_stress(stress, @piece.material.young, @piece.material.poisson).reshape(e * g, 6)
          forward = Rotation.none(e * g)
          @d.times { |i| @d.times { |k| forward[true, i, k] = forward[true, i, k] + gradient[true, true, i, k].flatten } }
          size = Shape::Vectors.dot(forward[true, 0, true].dup, Shape::Vectors.cross(forward[true, 1, true].dup, forward[true, 2, true].dup))
          (Rotation.stress(full.reshape(e * g, 1, 6), forward).reshape(e * g, 6) / size.reshape(e * g, 1)).reshape(e, g, 6)
        end
      end
    end
  end
end
