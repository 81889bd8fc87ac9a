# frozen_string_literal: true

module Lattice
  module Result
    # What a static study found: displacement, load and reaction [n, 3] at the nodes,
    # stress [e, k, 6] at the nodes of each element, block by block; SI.
    class Static
      VECTORS = %w[displacement reaction].freeze
      DIMENSIONS = { "displacement" => "length", "reaction" => "force" }.freeze

      attr_reader :grid, :displacement, :load, :reaction, :element_stress, :energy, :mass

      def initialize(grid:, displacement:, load:, reaction:, element_stress:, energy:, mass:)
        @grid = grid
        @displacement = displacement
        @load = load
        @reaction = reaction
        @element_stress = element_stress
        @energy = energy
        @mass = mass
      end

      # Names of the scalars that #field answers.
      def self.fields
        Stress::SCALARS + VECTORS.flat_map { |v| [v, *%w[x y z].map { |c| "#{v}_#{c}" }] }
      end

      # @return [String] the kind of quantity of a field
      def self.dimension_of(field)
        DIMENSIONS.fetch(field[/\A(displacement|reaction)/] || "", "stress")
      end

      # Stress averaged at the nodes of each body; bodies do not share nodes, so
      # that nothing is averaged across materials.
      # @return [Numo::DFloat] [n, 6]
      def stress
        @stress ||= begin
          count = grid.nodes.shape[0]
          sum = Numo::DFloat.zeros(count, 6)
          hits = Numo::Int32.zeros(count)
          grid.blocks.zip(element_stress) do |block, values|
            sum += Algebra::Gather.sum(values, block.conn, count)
            hits += block.conn.flatten.bincount(minlength: count)
          end
          sum / Numo::DFloat.cast(hits.clip(1, nil)).reshape(count, 1)
        end
      end

      # @param name [String] one of Static.fields
      # @return [Numo::DFloat] [n]
      def field(name)
        vector, component = name.split("_", 2)
        return Stress.scalar(name, stress) unless VECTORS.include?(vector)

        table = public_send(vector)
        component ? table[true, "xyz".index(component)].dup : Numo::NMath.sqrt((table**2).sum(1))
      end

      # Largest value of a stress scalar at element nodes before averaging, in size.
      # @return [Float]
      def unaveraged_peak(name)
        element_stress.map { |v| Stress.scalar(name, v.reshape(v.shape[0] * v.shape[1], 6)).abs.max }.max
      end

      # Resultants and moments about the origin of the loads and of the reactions.
      # @return [Hash] of arrays of three
      def balance
        sums = { load: load, reaction: reaction }.transform_values { |table| [table.sum(0), moment(table)] }
        size = [norm(sums[:load][0]), norm(sums[:reaction][0]), load.abs.sum * 1e-3].max
        { load: sums[:load][0].to_a, reaction: sums[:reaction][0].to_a, load_moment: sums[:load][1].to_a,
          reaction_moment: sums[:reaction][1].to_a,
          error: size.zero? ? 0.0 : norm(sums[:load][0] + sums[:reaction][0]) / size }
      end

      # @param nodes [Numo::Int32]
      # @return [Array<Float>] sum of the reactions there
      def reaction_sum(nodes) = reaction[nodes, true].sum(0).to_a

      private

      def moment(table)
        x, y, z = (0..2).map { |k| grid.nodes[true, k] }
        fx, fy, fz = (0..2).map { |k| table[true, k] }
        Numo::DFloat[((y * fz) - (z * fy)).sum, ((z * fx) - (x * fz)).sum, ((x * fy) - (y * fx)).sum]
      end

      def norm(vector) = Math.sqrt((vector**2).sum)
    end
  end
end
