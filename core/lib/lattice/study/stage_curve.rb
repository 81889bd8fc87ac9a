# frozen_string_literal: true

module Lattice
  module Study
    # How far the place that moves most has moved in every increment of stages, and by what each case is multiplied then.
    class StageCurve
      # @param grid [Mesh::Grid]
      # @param stages [Array<Stages::Stage>]
      # @param done [Array] the number of a stage, and an increment of it
      # @param dofs [System::Dofs]
      def initialize(grid, stages, done, dofs)
        @grid = grid
        @stages = stages
        @done = done
        @dofs = dofs
      end

      # @param cases [Load::Cases]
      # @return [Hash] at, component, moved: m, from nothing on; factors: by the names of cases that change, and slopes: of each
      #   as it is at first, 1/m, nil where nothing moves by it
      def to_h(cases)
        all = @done.map { |_, found| @dofs.spread(found.pose.moved) }
        sizes = all.map { |table| Shape::Vectors.norm(table) }
        frame = sizes.each_index.max_by { |k| sizes[k].max }
        node = sizes[frame].max_index
        component = (0..2).max_by { |c| all[frame][node, c].abs }
        moved = [0.0, *all.map { |table| table[node, component] }]
        all = factors(cases)
        { at: @grid.nodes[node, true].to_a, component: "xyz"[component], moved: moved, factors: all, slopes: all.transform_values { |list| slope(moved, list) } }
      end

      private

      def slope(moved, factors)
        first = factors.each_index.find { |k| !factors[k].zero? && !moved[k].zero? }
        first && (factors[first] / moved[first])
      end

      def factors(cases)
        rows = @done.map { |number, found| at(number, found.level) }
        cases.names.each_index.to_h { |c| [cases.shown(cases.names[c]), [0.0, *rows.map { |row| row[c] }]] }.reject { |_, list| list.uniq.size == 1 }
      end

      def at(number, level)
        upto = @stages[number].factors
        from = number.zero? ? upto * 0 : @stages[number - 1].factors
        from + ((upto - from) * level)
      end
    end
  end
end
