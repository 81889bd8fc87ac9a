# frozen_string_literal: true

module Lattice
  module Result
    # What moves in time, as sums of few states with a factor for every moment, and for its first and second derivative. Fields are
    # as they are in that moment; the last frame is the largest in size of all moments.
    class Timed < Swept
      WEIGHTS = %w[cosine velocity acceleration].freeze
      FIELDS = [*Catalogue::MOVED, *Stress::SCALARS].freeze

      def still(_name, _points) = nil
      def lags(_name, _point) = nil

      # Signed: what is largest in size.
      def series(name, points)
        Numo::DFloat.zeros(frames.size, points.size).tap do |all|
          (0...points.size).each_slice([AT_ONCE / frames.size, 1].max) do |some|
            inside = moment(name, frequencies, points[some].dup, nil)
            all[0...-1, some] = inside
            all[-1, some] = largest(inside)
          end
        end
      end

      def greatest(name, frame) = frame == frames.size - 1 ? largest_of(field(name, frame)) : over(name)[:peaks][frame]

      private

      def momentary(frame) = weights["cosine"][[frame, weights["cosine"].shape[0] - 1].min, true].dup
      def plain(name, frame, layer) = moment(name, [frame], nil, layer)[0, true].dup

      # @param some [Array<Integer>] moments
      # @return [Numo::DFloat] [some, k]
      def moment(name, some, points, layer)
        vector, component = Catalogue.vector(name)
        share = weights[RATES.key?(vector) ? vector : "cosine"][some, true].dup
        return component ? swinging(name, share, points) : Numo::NMath.sqrt((swinging(name, share, points)**2).sum(2)) if vector

        layers_of(layer).map do |l|
          of_members(of_tensor(name, swinging("stress", share, points, l)), [share], points, l) { |fibres, (ends)| Stress.scalar(name, fibres.stresses(ends)[l].reshape(ends.size / 6, 6)) }
        end.reduce { |a, b| Outcome.larger(a, b) }
      end

      def of_tensor(name, tensor) = Stress.scalar(name, tensor.reshape(tensor.shape[0] * tensor.shape[1], 6)).reshape(*tensor.shape[0..1])
      def largest(rows) = rows.max(0).then { |top| rows.min(0).then { |low| Outcome.larger(top, low) } }
      def largest_of(field) = field.abs.max_index.then { |at| [field[at], at] }

      def over(name, layer = nil)
        (@over ||= {})[[name, layer]] ||= begin
          envelope = Numo::DFloat.zeros(grid.points.size)
          peaks = frequencies.each_slice([AT_ONCE / envelope.size, 1].max).flat_map do |some|
            rows = moment(name, some, nil, layer)
            envelope = Outcome.larger(envelope, largest(rows))
            some.each_index.map { |i| largest_of(rows[i, true].dup) }
          end
          { envelope: envelope, peaks: peaks }
        end
      end
    end
  end
end
