# frozen_string_literal: true

module Lattice
  module Load
    # What ground holds before anything is done to it: upright the weight above, across a part of that.
    # J. Jaky, The coefficient of earth pressure at rest, 1944, for the size of that part.
    class AtRest
      # @param problem [Study::Problem]
      def initialize(problem)
        @problem = problem
        @statements = problem.document.active("at_rest")
      end

      # @return [Hash{String => Float}] the part by body; a later statement stands over an earlier one
      # @raise [InvalidInput]
      def coefficients
        @coefficients ||= @statements.each_with_object({}) do |statement, all|
          part = statement.quantity("coefficient", "ratio")
          raise statement.fault("a coefficient at rest of #{part} is not above zero", path: "coefficient", cure: "Give one such as 0.5; 1 less the sine of friction is usual.") unless part.positive?

          @problem.groups.target!(statement, %i[bodies]).each { |place| all[place.body] = part }
        end
      end

      def any? = @statements.any?

      # @return [Hash{String => String}] bodies that are ground like another one, until they go for the first time
      # @raise [InvalidInput]
      def stand_ins
        @stand_ins ||= @statements.each_with_object({}) do |statement, all|
          other = statement["as"] or next
          raise statement.fault("there is no body named “#{other}” that it could be like", path: "as", cure: "Name a body of the ground beside it.") unless @problem.parts.body(other)

          @problem.groups.target!(statement, %i[bodies]).each { |place| all[place.body] = other unless place.body == other }
        end
      end

      # @raise [InvalidInput] with what keeps ground from being at rest
      def check!
        return if coefficients.empty?

        stand_ins
        wrong = @problem.parts.bodies.find { |b| coefficients.key?(b.name) && (b.dimension != 2 || b.make == "plane stress") }
        raise @statements[0].fault("“#{wrong.name}” is neither a slice of plane strain nor a ring", path: "target", cure: "Choose the ground of a section.") if wrong
        raise @statements[0].fault("nothing weighs on what is at rest", cure: "Add gravity.") unless gravity
        return if gravity.direction[1] < -1 + 1e-9

        raise gravity.fault("what is at rest weighs along -y, and this does not", path: "direction", cure: "Choose -y.")
      end

      # @return [Array<Fault>] ground that could not rest as it is said to: it would slide at once
      def oddities
        return [] unless any?

        @statements.filter_map do |statement|
          part = statement.quantity("coefficient", "ratio")
          bodies = @problem.groups.target!(statement, %i[bodies]).map { |place| stand_ins[place.body] || place.body }
          loose = @problem.yielding.flows.values_at(*bodies).grep(Matter::Soil).select { |soil| soil.cohesion.zero? }.map(&:pressures)
          range = loose.find { |one| !part.between?(one[:active], one[:passive]) } or next
          statement.fault_at("ground with its friction slides before it rests so", path: "coefficient", cure: format("Give a coefficient between %.2f and %.2f.", range[:active], range[:passive]))
        end
      end

      # @return [Array] by meaning
      def signature = [coefficients.to_a, stand_ins.to_a, gravity && Model::Meaning.of(gravity, except: %w[case])]

      # @param grid [Mesh::Grid]
      # @param present [Array<String>] bodies that are there
      # @return [Proc] of a body: a proc from points [k, 3] to stress [k, 6], Pa
      def stress(grid, present)
        columns = present.flat_map { |name| grid.of(name).map { |block| [weight(name), border(grid, block)] } }
        lambda do |name|
          part = coefficients[name]
          part && lambda do |points|
            upright = columns.map { |weight, sides| above(points, *sides) * weight }.reduce(:+)
            Numo::DFloat.zeros(points.shape[0], 6).tap do |all|
              all[true, 1] = -upright
              all[true, 0] = all[true, 2] = upright * -part
            end
          end
        end
      end

      # @return [Model::Statement, nil] by which it weighs
      def gravity = @problem.document.active("gravity").first

      private

      # N/m³
      def weight(name)
        density = @problem.materials[stand_ins[name] || name].density || raise(gravity.fault("the material of “#{name}” has no density", cure: "Type its density in the material statement."))
        density * gravity.quantity("value", "acceleration")
      end

      # Sides of elements that belong to no other of the block, their ground to the left.
      # @return [Array(Numo::DFloat, Numo::DFloat)] where they start and end, [m, 3]
      def border(grid, block)
        corners = Element::Kind[block.kind].corners
        pairs = (0...corners).map { |i| [i, (i + 1) % corners] }
        from, upto = [0, 1].map { |end_of| pairs.map { |pair| block.conn[true, pair[end_of]].dup }.reduce { |a, b| a.concatenate(b) } }
        count = grid.nodes.shape[0]
        _, index = Algebra::Distinct.of((Numo::Int64.cast(Numo::Int32.minimum(from, upto)) * count) + Numo::Int32.maximum(from, upto))
        alone = index.bincount(minlength: index.max + 1)[index].eq(1).where
        # Which way round elements go tells where the ground is.
        at = ->(nodes) { grid.nodes[nodes[alone], true].dup }
        clockwise?(grid, block) ? [at[upto], at[from]] : [at[from], at[upto]]
      end

      def clockwise?(grid, block)
        one, two, three = [0, 1, 2].map { |i| grid.nodes[block.conn[0, i], true] }
        (((two[0] - one[0]) * (three[1] - one[1])) - ((two[1] - one[1]) * (three[0] - one[0]))).negative?
      end

      # How much of the ground within sides lies above points, m.
      def above(points, from, upto)
        k = points.shape[0]
        m = from.shape[0]
        x, y = [0, 1].map { |c| points[true, c].dup.reshape(k, 1) }
        start, finish = [from[true, 0], upto[true, 0]].map { |v| v.dup.reshape(1, m) }
        level = from[true, 1].dup.reshape(1, m)
        run = finish - start
        slope = (upto[true, 1].dup.reshape(1, m) - level) / (run + Numo::DFloat.cast(run.eq(0)))
        height = level + (slope * (x - start)) - y
        over = ((start <= x) ^ (finish <= x)) & (height > 0)
        (Numo::DFloat.cast(over) * height * (Numo::DFloat.cast(run < 0) - Numo::DFloat.cast(run > 0))).sum(1)
      end
    end
  end
end
