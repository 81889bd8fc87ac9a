# frozen_string_literal: true

module Lattice
  module Result
    # What swings at every frequency of a sweep, as sums of few states b with complex factors:
    # u(t) = Σ b (cosine · cos ωt − sine · sin ωt). Fields are amplitudes: what is reached once in every turn. The last
    # frame is the envelope over the sweep.
    class Swept < Outcome
      WEIGHTS = %w[cosine sine].freeze
      # What has an amplitude; Tresca and principal stresses turn their axes within a turn.
      FIELDS = [*Catalogue::MOVED, "von_mises", *Stress::COMPONENTS.map { |c| "stress_#{c}" }, Catalogue::SOUND.name].freeze
      RATES = { "velocity" => 1, "acceleration" => 2 }.freeze # derivatives of displacement by time
      TURNING = 2 * Math::PI
      AT_ONCE = 500_000 # values of a field

      # @return [Hash{String => Numo::DFloat}] [frequencies, states] by WEIGHTS
      attr_reader :weights

      # @param weights [Hash] see above
      # @param states [Array<State, Proc>] those that are summed up
      def initialize(weights:, **rest)
        super(**rest)
        @weights = weights
        @basis = {}
      end

      def self.read(tables, **parts) = new(**parts, weights: tables)
      def tables = weights
      def by_element? = false
      def computed = 0
      def shapes? = false
      def judged(_cases) = [frames.size - 1]
      def kept = @states.each_index.map { |k| basis(k) }
      def layers = @layers ||= basis(0).stress.flat_map(&:keys).uniq
      def energy(_frame = 0) = nil
      def unaveraged_peak(_name, _frame = 0) = nil
      def balance(_frame = 0) = nil
      def member_shapes = @member_shapes ||= MemberShapes.new(grid, basis(0).fibres)

      # @return [Array<Integer>] frames that are frequencies, not the envelope
      def frequencies = (0...(frames.size - 1)).to_a

      # @return [State] at the moment of the greatest movement
      def state(frame = 0)
        share = momentary(frame)
        State.sum(@states.each_index.map { |k| [basis(k), share[k]] })
      end

      # At the moment of the greatest movement.
      def displacement(frame = 0) = momentary(frame).reshape(1, @states.size).dot(vectors(:displacement)).reshape(grid.nodes.shape[0], 3)

      # At those points alone, all frequencies at once.
      def series(name, points)
        cosine, sine = WEIGHTS.map { |way| weights[way] }
        Numo::DFloat.zeros(frames.size, points.size).tap do |all|
          (0...points.size).each_slice([AT_ONCE / frames.size, 1].max) do |some|
            inside = amplitude(name, cosine, sine, points[some].dup, nil)
            all[0...-1, some] = inside
            all[-1, some] = inside.max(0)
          end
        end
      end

      # @return [Array(Float, Integer)] the greatest value of a field in a frame, and the point where it is
      def greatest(name, frame)
        return super if veil || frame == frames.size - 1

        over(name)[:peaks][frame]
      end

      # How far a component lags behind what pushes, at one point.
      # @return [Array<Float>, nil] degrees, from 0 to 360, of every frequency; nil of what has no one phase
      def lags(name, point)
        vector, component = Catalogue.vector(name)
        return unless vector ? component : name.start_with?("stress_")

        cosine, sine = WEIGHTS.map { |way| swinging(name, weights[way], Numo::Int32[point])[true, 0].dup }
        sine, cosine = [cosine, -sine].map(&:dup) if vector == "velocity"
        sine, cosine = [sine, cosine].map { |v| v * -1 } if vector == "acceleration"
        Numo::NMath.atan2(-sine, cosine).to_a.map { |angle| (angle * 180 / Math::PI) % 360 }
      end

      # The same of loads that do not swing, at one point; nil where that is unknown.
      # @param points [Numo::Int32] [1]
      # @return [Float, nil]
      def still(name, points)
        share = found[:sweep][:static] or return
        return if RATES.key?(Catalogue.vector(name)&.first) || name == Catalogue::SOUND.name

        row = Numo::DFloat.cast(share).reshape(1, share.size)
        amplitude(name, row, row * 0, points, nil)[0, 0]
      end

      # Velocity across a surface.
      # @param points [Numo::Int32] [k]
      # @param units [Numo::DFloat] [k, 3]
      # @return [Numo::DFloat] [frequencies, k] amplitudes, m/s
      def speeds(points, units)
        one, other = WEIGHTS.map { |way| (swinging("displacement", weights[way], points) * units.reshape(1, *units.shape)).sum(2) }
        turning = Numo::DFloat.cast(frequencies.map { |f| TURNING * frames[f].value })
        Numo::NMath.sqrt((one**2) + (other**2)) * turning.reshape(turning.size, 1)
      end

      # Stress averaged at points, at the moment of the greatest movement.
      def stress(frame = 0, layer = nil) = momentary(frame).reshape(1, @states.size).dot(stresses(layer)).reshape(grid.points.size, 6)

      # One state, of those that are summed up.
      def basis(number)
        found = @states[number]
        found.is_a?(State) ? found : (@states[number] = found.call)
      end

      private

      def field?(name)
        vector, = Catalogue.vector(name)
        return false unless self.class::FIELDS.include?(name)
        return grid.dimension == 3 && grid.skin.triangles.shape[0].positive? if name == Catalogue::SOUND.name

        vector ? vector != "rotation" || !basis(0).rotation.nil? : basis(0).stress.any? { |layers| !layers.empty? }
      end

      def enveloped(name, _frame, layer) = over(name, layer)[:envelope]

      # All frequencies, some at once: their envelope, and where each has its peak.
      def over(name, layer = nil)
        (@over ||= {})[[name, layer]] ||= begin
          envelope = Numo::DFloat.zeros(grid.points.size)
          peaks = frequencies.each_slice([AT_ONCE / envelope.size, 1].max).flat_map do |some|
            rows = amplitude(name, *WEIGHTS.map { |way| weights[way][some, true].dup }, nil, layer, some[0])
            envelope = Numo::DFloat.maximum(envelope, rows.max(0))
            some.each_index.map { |i| rows[i, true].then { |row| row.max_index.then { |at| [row[at], at] } } }
          end
          { envelope: envelope, peaks: peaks }
        end
      end

      # The moment at which the sum of all movements squared is greatest.
      # @return [Numo::DFloat] [states]
      def momentary(frame)
        cosine, sine = WEIGHTS.map { |way| weights[way][[frame, weights[way].shape[0] - 1].min, true].dup }
        one, other = [cosine, sine].map { |share| share.reshape(1, share.size).dot(vectors(:displacement))[0, true] }
        angle = Math.atan2(-(one * other).sum, ((one**2).sum - (other**2).sum) / 2) / 2
        (cosine * Math.cos(angle)) - (sine * Math.sin(angle))
      end

      def plain(name, frame, layer)
        cosine, sine = WEIGHTS.map { |way| weights[way][frame...(frame + 1), true].dup }
        amplitude(name, cosine, sine, nil, layer, frame)[0, true].dup
      end

      # @param cosine [Numo::DFloat] [f, states]
      # @param points [Numo::Int32, nil] nil takes all
      # @param first [Integer] the frame of the first row
      # @return [Numo::DFloat] [f, k]
      def amplitude(name, cosine, sine, points, layer, first = 0)
        vector, component = Catalogue.vector(name)
        return of_vector(vector, component, cosine, sine, points, first) if vector
        return radiated(cosine, sine, points, first) if name == Catalogue::SOUND.name

        layers_of(layer).map { |l| of_stress(name, cosine, sine, points, l) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }
      end

      def of_vector(vector, component, cosine, sine, points, first)
        one, other = [cosine, sine].map { |share| swinging(component ? "#{vector}_#{'xyz'[component]}" : vector, share, points) }
        found = component ? Numo::NMath.sqrt((one**2) + (other**2)) : Swing.longest(one, other)
        order = RATES[vector] or return found
        speeds = Numo::DFloat.cast((0...cosine.shape[0]).map { |f| (TURNING * frames[first + f].value)**order })
        found * speeds.reshape(speeds.size, 1)
      end

      # ½ ρ c v², with the amplitude v of the velocity across the skin: as of a large piston. W/m², zero inside.
      def radiated(cosine, sine, points, first)
        units = points ? normals[points, true] : normals
        one, other = [cosine, sine].map { |share| (swinging("displacement", share, points) * units.reshape(1, *units.shape)).sum(2) }
        speeds = Numo::DFloat.cast((0...cosine.shape[0]).map { |f| TURNING * frames[first + f].value })
        ((one**2) + (other**2)) * (speeds**2).reshape(speeds.size, 1) * (Matter::Air::DENSITY * Matter::Air::SOUND / 2)
      end

      # @return [Numo::DFloat] [p, 3] units across the skin at its points, zero elsewhere
      def normals
        @normals ||= begin
          corners = Algebra::Gather.rows(grid.nodes[grid.skin.nodes, true].dup, grid.skin.triangles)
          a, b, c = (0..2).map { |k| corners[true, k, true].dup }
          across = Shape::Vectors.cross(b - a, c - a)
          # By area, at each of a triangle's corners.
          all = across.reshape(across.shape[0], 1, 3) + Numo::DFloat.zeros(1, 3, 1)
          Shape::Vectors.unit(Algebra::Gather.sum(all, grid.skin.points[grid.skin.triangles], grid.points.size))
        end
      end

      def of_stress(name, cosine, sine, points, layer)
        one, other = [cosine, sine].map { |share| swinging("stress", share, points, layer) }
        of_members(Swing.stress(name, one, other), [cosine, sine], points, layer) { |fibres, both| Stress.scalar(name, fibres.amplitudes(*both)[layer].reshape(both[0].size / 6, 6)).abs }
      end

      # Factors times the states: [f, k] of a component, [f, k, 3] of a vector, [f, k, 6] of stress.
      def swinging(name, share, points, layer = nil)
        vector, component = Catalogue.vector(name)
        return summed(at_points_of((RATES.key?(vector) ? "displacement" : vector).to_sym), 3, component, share, points) if vector

        summed(stresses(layer || layers[0]), 6, Stress::COMPONENTS.index(name.delete_prefix("stress_")), share, points)
      end

      # @param table [Numo::DFloat] [states, width × all]
      # @param column [Integer, nil] of the width; nil takes all
      def summed(table, width, column, share, points)
        table = table.reshape(table.shape[0], table.shape[1] / width, width)
        table = (column ? table[true, points || true, column] : table[true, points || true, true]).dup if column || points
        sums = share.dot(table.reshape(table.shape[0], table.size / table.shape[0]))
        column ? sums : sums.reshape(share.shape[0], sums.shape[1] / width, width)
      end

      # [states, 3 n] at the nodes
      def vectors(name)
        @basis[name] ||= Numo::DFloat.zeros(@states.size, grid.nodes.size).tap do |all|
          @states.each_index { |k| basis(k)[name]&.then { |table| all[k, true] = table.flatten } }
        end
      end

      # [states, 3 p] at the points
      def at_points_of(name)
        @basis[[name, :points]] ||= begin
          nodes = grid.points.nodes
          Numo::DFloat.zeros(@states.size, nodes.size * 3).tap do |all|
            @states.each_index { |k| basis(k)[name]&.then { |table| all[k, true] = table[nodes, true].flatten } }
          end
        end
      end

      # [states, 6 p] averaged at the points
      def stresses(layer)
        @basis[[:stress, layer]] ||= begin
          made = Outcome.new(grid: grid, frames: frames, states: kept)
          Numo::DFloat.zeros(@states.size, grid.points.size * 6).tap { |all| @states.each_index { |k| all[k, true] = made.stress(k, layer).flatten } }
        end
      end

      # Puts stress of members in: what is largest over a section does not add up, but the forces at its ends do.
      # @param found [Numo::DFloat] [f, k]
      # @param shares [Array<Numo::DFloat>] [f, states] each
      # @yield [Element::Beam::Fibres, Array<Numo::DFloat>] of a block, and [e, 2, 6] forces by each of the shares
      # @yieldreturn [Numo::DFloat] [2 e] at the ends of its elements
      def of_members(found, shares, points, layer)
        basis(0).fibres.each_with_index do |fibres, b|
          next unless fibres && Element::Beam::Fibres::LAYERS.include?(layer)

          index = grid.points.block(b)
          hits = index.flatten.bincount(minlength: grid.points.size)
          wanted = points || Numo::Int32.new(grid.points.size).seq
          mine = hits[wanted].ne(0).where
          next if mine.empty?

          at = wanted[mine].dup
          found.shape[0].times do |f|
            forces = shares.map { |share| share[f, true].dot(ends(b)).reshape(*basis(0).ends[b].shape) }
            found[f, mine] = index.flatten.bincount(yield(fibres, forces), minlength: grid.points.size)[at] / hits[at]
          end
        end
        found
      end

      # [states, 12 e] forces at the ends of a block of members
      def ends(block)
        @basis[[:ends, block]] ||= Numo::DFloat.zeros(@states.size, basis(0).ends[block].size).tap { |all| @states.each_index { |k| all[k, true] = basis(k).ends[block].flatten } }
      end
    end
  end
end
