# frozen_string_literal: true

module Lattice
  module Engine
    # What acts on equations, and how it grows with the level: loads, what is warmed, and pressures that turn.
    module Pushing
      # Loads go from some factors of the cases to others while the level goes from zero to one.
      # @param from [Numo::DFloat] [cases]
      # @param upto [Numo::DFloat] [cases]
      def between(from, upto)
        @from = from
        @more = upto - from
        @base = from.dot(@acting.loads)
        @push = @more.dot(@acting.loads)
        @given = @more.dot(@moves)
        @following.factors = from
        pull
        @anchors.filter_map(&:push).each { |push| @push += push }
        self
      end

      # The same from a pose in which the forces inside are not those of the loads: what is out of balance goes as the level grows.
      # @param pose [Pose]
      def released(pose)
        target = @base + @push
        over = constraints.reduce_loads((call(pose)[0] - target - @following.push(@from)).reshape(1, target.size))[0, true]
        @push = Numo::DFloat.zeros(target.size).tap { |all| all[constraints.free] = -over }
        @base = target - @push
        self
      end

      # Where members flow, they feel what acts between their ends as it is at a level.
      # @param level [Float]
      def bear(level)
        @following.factors = @from + (@more * level)
        warm(level)
        @parts.each_index do |i|
          spread = @acting.spread_loads[i]
          @parts[i].bear(spread_at(spread, level)) if spread
        end
      end

      HARDLY = 1e-6 # of the loads of any case

      # @return [Float] N, less than which is as good as nothing: where a stage takes all away, rounding alone is left
      def hardly = @hardly ||= Numo::NMath.sqrt((structure.loads**2).sum(1)).max * HARDLY

      # @return [Numo::DFloat] [unknowns] loads at a level, at the last pose
      def pushed(level) = base + @following.push(@from) + (outer * level)

      # @return [Numo::DFloat] [unknowns] what a unit of level brings out of balance there: what swells does so as it has turned
      def push
        swellings.reduce(outer) do |sum, (i, _)|
          more = @there[i] && @parts[i].swelling
          more ? sum + @tables[i].flatten.bincount(more.flatten, minlength: sum.size) : sum
        end
      end

      private

      # Loads of a unit of level.
      def outer = @push + @following.push(@more)

      # Every part as warm as at a level.
      def warm(level)
        factors = @from + (@more * level)
        swellings.each do |i, rows|
          strain, force = rows.map { |row, tables| tables.map { |table| table * factors[row] } }.transpose.map { |list| list.reduce(:+) }
          @parts[i].warm(strain, force, rows.map { |row, (_, table)| table * @more[row] }.reduce(:+))
        end
      end

      # By part and case: free strain at the nodes, and the forces that it brings.
      def swellings
        @swellings ||= @parts.each_index.select { |i| structure.swells?(i) }.to_h do |i|
          [i, structure.swellings(i).transform_values { |strain| [strain, structure.pieces[i].swelling_by(strain)] }]
        end
      end

      # [e, 3] N/m between the ends of members
      def spread_at(spread, level) = (@from + (@more * level)).dot(spread.reshape(spread.shape[0], spread.size / spread.shape[0])).reshape(*spread.shape[1..])

      def pull
        return unless @tightening

        @tightening.between(@from, @from + @more)
        start, growth = @tightening.pushes
        @base += start
        @push += growth
      end
    end
  end
end
