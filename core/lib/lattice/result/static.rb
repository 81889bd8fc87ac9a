# frozen_string_literal: true

module Lattice
  module Result
    # What a static study found: displacement, load and reaction [n, 3] at the nodes,
    # stress [e, k, 6] at the nodes of each element, block by block; whether it is of rings; SI.
    class Static
      VECTORS = %w[displacement reaction].freeze
      DIMENSIONS = { "displacement" => "length", "reaction" => "force" }.freeze

      attr_reader :grid, :displacement, :load, :reaction, :element_stress, :energy, :mass, :ring

      def initialize(grid:, displacement:, load:, reaction:, element_stress:, energy:, mass:, ring: false)
        @grid = grid
        @displacement = displacement
        @load = load
        @reaction = reaction
        @element_stress = element_stress
        @energy = energy
        @mass = mass
        @ring = ring
      end

      # Names of the scalars that #field answers.
      def self.fields
        Stress::SCALARS + VECTORS.flat_map { |v| [v, *%w[x y z].map { |c| "#{v}_#{c}" }] }
      end

      # @return [String] the kind of quantity of a field
      def self.dimension_of(field)
        DIMENSIONS.fetch(field[/\A(displacement|reaction)/] || "", "stress")
      end

      # Stress averaged at the points of the mesh: per body, never across a border.
      # @return [Numo::DFloat] [p, 6]
      def stress
        @stress ||= begin
          points = grid.points
          sum = Numo::DFloat.zeros(points.size, 6)
          hits = Numo::Int32.zeros(points.size)
          grid.blocks.zip(element_stress) do |block, values|
            index = points.at(block.body, block.conn)
            sum += Algebra::Gather.sum(values, index, points.size)
            hits += index.flatten.bincount(minlength: points.size)
          end
          sum / Numo::DFloat.cast(hits.clip(1, nil)).reshape(points.size, 1)
        end
      end

      # @param name [String] one of Static.fields
      # @return [Numo::DFloat] [p] at the points of the mesh
      def field(name)
        vector, component = name.split("_", 2)
        return Stress.scalar(name, stress) unless VECTORS.include?(vector)

        table = public_send(vector)
        found = component ? table[true, "xyz".index(component)].dup : Numo::NMath.sqrt((table**2).sum(1))
        found[grid.points.nodes].dup
      end

      # @param point [Integer] of the mesh
      # @return [Array<Float>] where it lies, m
      def at(point) = grid.nodes[grid.points.nodes[point], true].to_a

      # Largest value of a stress scalar at element nodes before averaging, in size.
      # @return [Float]
      def unaveraged_peak(name)
        element_stress.map { |v| Stress.scalar(name, v.reshape(v.shape[0] * v.shape[1], 6)).abs.max }.max
      end

      # Resultants and moments about the origin of the loads and of the reactions, and what is left
      # over as a share of the sizes of all forces that act. In a ring only what acts along its axis
      # has a resultant: the rest holds itself.
      # @return [Hash] of arrays of three
      def balance
        sums = { load: load, reaction: reaction }.transform_values { |table| [table.sum(0), moment(table)] }
        size = Numo::NMath.sqrt((load**2).sum(1)).sum + Numo::NMath.sqrt((reaction**2).sum(1)).sum
        { load: sums[:load][0].to_a, reaction: sums[:reaction][0].to_a, load_moment: sums[:load][1].to_a,
          reaction_moment: sums[:reaction][1].to_a, error: size.zero? ? 0.0 : left_over / size }
      end

      # @param nodes [Numo::Int32]
      # @return [Array<Float>] sum of the reactions there
      def reaction_sum(nodes) = reaction[nodes, true].sum(0).to_a

      private

      # The greater of the resultant and of the moment about the middle over the size of the part.
      # @return [Float] N
      def left_over
        all = load + reaction
        return all[true, 1].sum.abs if ring

        middle = (grid.nodes.max(0) + grid.nodes.min(0)) / 2
        size = norm(grid.nodes.max(0) - grid.nodes.min(0))
        [norm(all.sum(0)), size.zero? ? 0.0 : norm(moment(all, middle)) / size].max
      end

      def moment(table, about = Numo::DFloat.zeros(3))
        x, y, z = (0..2).map { |k| grid.nodes[true, k] - about[k] }
        fx, fy, fz = (0..2).map { |k| table[true, k] }
        Numo::DFloat[((y * fz) - (z * fy)).sum, ((z * fx) - (x * fz)).sum, ((x * fy) - (y * fx)).sum]
      end

      def norm(vector) = Math.sqrt((vector**2).sum)
    end
  end
end
