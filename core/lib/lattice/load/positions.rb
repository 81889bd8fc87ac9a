# frozen_string_literal: true

module Lattice
  module Load
    # Where the axles of a moving load stand, position by position: the first axle runs along the line from its start until
    # the last one has left it.
    class Positions
      # @param statement [Model::Statement] a moving load
      # @param document [Model::Document]
      def initialize(statement, document)
        @statement = statement
        @document = document
      end

      # @return [Array<String>] the case of each position; four digits tell as many apart as are taken
      def names = @names ||= steps.map { |s| "#{@statement.name} at #{Quantity::Display.format(s, 'length', system: @document.units)}" }

      def signature = [points.to_a, spacing, axle_data]

      # @raise [InvalidInput]
      def check!
        raise @statement.fault("its line has no length", path: "line", cure: "Draw its line.") unless length.positive?
        raise @statement.fault("the spacing of its positions is not above zero", path: "spacing", cure: "Give a length above zero.") unless spacing.positive?
        raise @statement.fault("it has more than #{Conditions::MovingLoad::MOST} positions", path: "spacing", cure: "Give a larger spacing.") if steps.size > Conditions::MovingLoad::MOST

        wrong = axle_data.find { |_, behind| behind.negative? || behind > length * 100 }
        raise @statement.fault("an axle lies before the first", path: "axles", cure: "Give how far it comes behind the first.") if wrong
      end

      # @return [Array(Numo::DFloat, Numo::DFloat, Array<Integer>)] of every axle the points [k, 3] where it stands on the line,
      #   its force there [k], and the numbers of the positions
      def axles
        axle_data.filter_map do |force, behind|
          rows = steps.each_index.select { |i| (steps[i] - behind).between?(-1e-9 * length, length * (1 + 1e-9)) }
          next if rows.empty?

          [at(rows.map { |i| steps[i] - behind }), Numo::DFloat.zeros(rows.size).fill(force), rows]
        end
      end

      # @return [Float] m from one position to the next
      def spacing = @statement.quantity("spacing", "length") || (length / 20)

      private

      def steps = @steps ||= (0..((length + wheelbase) / spacing * (1 + 1e-12)).floor.clamp(0, 10_000)).map { |i| i * spacing }
      def wheelbase = axle_data.map(&:last).max
      def axle_data = @axle_data ||= @statement["axles"].map { |a| [Quantity.parse(a["force"], "force"), a["behind"] ? Quantity.parse(a["behind"], "length") : 0.0] }

      def points
        @points ||= begin
          line = @document.named("line", @statement["line"])
          raise @statement.fault("there is no line named “#{@statement['line']}”", path: "line", cure: "Draw that line, or choose another.") unless line

          Numo::DFloat.cast(Shape::SpaceLine.read(line).points)
        end
      end

      def lengths = @lengths ||= Shape::Vectors.norm(points[1.., true] - points[0...-1, true])
      def length = lengths.sum

      # @param runs [Array<Float>] m along the line
      # @return [Numo::DFloat] [k, 3]
      def at(runs)
        ends = lengths.cumsum.to_a
        Numo::DFloat.cast(runs.map do |s|
          leg = ends.index { |e| s <= e * (1 + 1e-12) } || (ends.size - 1)
          share = (s - (leg.zero? ? 0.0 : ends[leg - 1])) / lengths[leg]
          (points[leg, true] + ((points[leg + 1, true] - points[leg, true]) * share)).to_a
        end)
      end
    end
  end
end
