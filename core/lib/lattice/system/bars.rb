# frozen_string_literal: true

module Lattice
  module System
    # Bars embedded in elements: points along each find the element that they lie in, and add E A t tᵀ∇N there. What of a
    # straight piece of a bar lies in one element has one strain, the mean over it.
    # D. V. Phillips, O. C. Zienkiewicz, Finite element non-linear analysis of concrete structures, 1976.
    class Bars
      V = Shape::Vectors
      FINE = 24 # points in an element, at least

      # Points along a bar: at [k, 3], directions [k, 3], m along it, the length that each stands for, and the number of its leg.
      Sample = Struct.new(:at, :along, :run, :step, :leg)

      # What of a bar lies in the elements of one block: from, upto [m] along the bar; at [m, 3] middles; dofs, rates [m, n] strain
      # from the unknowns.
      Laid = Struct.new(:condition, :from, :upto, :at, :dofs, :rates, keyword_init: true)

      # @param structure [Structure]
      def initialize(structure)
        @structure = structure
        @laid = []
        @stiff = []
      end

      # @return [Array<Laid>]
      attr_reader :laid

      def empty? = @laid.empty?

      # @param condition [Load::Conditions::Bars]
      # @param bodies [Array<String>] that it is laid into
      # @raise [InvalidInput] where it crosses none of their elements
      def add(condition, bodies)
        sample = sampled(condition.legs, bodies)
        found = Mesh::Placing.new(@structure.grid, bodies: bodies).call(sample.at)
        raise condition.statement.fault("its line crosses no element of “#{condition.statement['target']}”", path: "line", cure: "Draw the line inside the body.") if found.block.max.negative?

        laid = found.by_block.map { |number, rows, element, local| lay(condition, @structure.pieces[number], rows, element, local, sample) }
        @laid.concat(laid)
        inside = sample.step[found.block.ge(0).where].sum
        @structure.reports << { statement: condition.statement.id, label: "bars “#{condition.statement.name}”", covered: inside,
                                whole: sample.step.sum, nodes: laid.sum { |l| l.from.size }, least: 0.0, greatest: 0.0 }
      end

      # @return [Algebra::Sparse] lower triangle
      def matrix = DenseBlocks.of_entries(@stiff, @structure.dofs.size)

      # @param u [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat] [pieces] strain
      def strains(u) = @laid.map { |l| (l.rates * u[l.dofs.flatten].reshape(*l.dofs.shape)).sum(1) }.reduce { |a, b| a.concatenate(b) }

      # @return [Array<Hash>] what each piece is: statement, label, m along the bar, its middle, area and Young's modulus
      def rows
        @laid.flat_map do |l|
          about = { statement: l.condition.statement.id, label: l.condition.statement.name, area: l.condition.area, young: l.condition.material.young }
          l.from.to_a.zip(l.upto.to_a, l.at.to_a).map { |from, upto, at| about.merge(from: from, upto: upto, at: at) }
        end
      end

      private

      # Points in the middle of short steps along the legs.
      # @return [Sample]
      def sampled(legs, bodies)
        blocks = bodies.flat_map { |b| @structure.grid.of(b) }
        least = blocks.map { |b| Algebra::Gather.rows(@structure.grid.nodes, b.conn).then { |at| V.norm(at.max(1) - at.min(1)).min } }.min
        ways = legs[true, 1, true] - legs[true, 0, true]
        lengths = V.norm(ways)
        count = Numo::Int32.cast((lengths / least * FINE).ceil.clip(FINE, 20_000))
        leg, rank = Algebra::Lists.laid(count)
        share = (rank + 0.5) / count[leg]
        before = lengths.cumsum - lengths
        Sample.new(legs[leg, 0, true] + (share.reshape(leg.size, 1) * ways[leg, true]), V.unit(ways)[leg, true].dup, before[leg] + (share * lengths[leg]), lengths[leg] / count[leg], leg)
      end

      # Points of one leg in one element are a piece.
      def lay(condition, piece, rows, element, local, sample)
        d = piece.body.dimension
        nodes = Algebra::Gather.rows(@structure.grid.nodes, piece.conn[element, true].dup)[true, true, 0...d].dup
        rates = rates(Element::Kind[piece.block.kind], nodes, local[true, 0...d].dup, sample.along[rows, 0...d].dup)
        run = sample.run[rows]
        step = sample.step[rows]
        order = Numo::Int32.cast(run.sort_index)
        keys, index = Algebra::Distinct.of((Numo::Int64.cast(sample.leg[rows]) * piece.block.size) + element)
        dofs = @structure.dofs.table(piece.conn, piece.names).reshape(piece.block.size, rates.shape[1])[keys % piece.block.size, true].dup
        @stiff << DenseBlocks.many(dofs, stiffness(rates, step * condition.material.young * condition.area, index, keys.size))
        length = index.bincount(step, minlength: keys.size)
        mean = ->(values) { Algebra::Gather.sum((values * step.reshape(step.size, 1)).reshape(step.size, 1, values.shape[1]), index.reshape(step.size, 1), keys.size) / length.reshape(keys.size, 1) }
        ends = [order.reverse, order].map { |list| Numo::DFloat.zeros(keys.size).tap { |all| all[index[list]] = run[list] } }
        half = Numo::DFloat.zeros(keys.size).tap { |all| all[index] = step / 2 }
        Laid.new(condition: condition, from: ends[0] - half, upto: ends[1] + half, at: mean[sample.at[rows, true].dup], dofs: dofs, rates: mean[rates])
      end

      # @return [Numo::DFloat] [pieces, n, n] the sum of w r rᵀ over the points of each
      def stiffness(rates, weight, index, pieces)
        n = rates.shape[1]
        Numo::DFloat.zeros(pieces, n, n).tap do |all|
          n.times { |i| all[true, i, true] = Algebra::Gather.sum((rates * (rates[true, i] * weight).reshape(weight.size, 1)).reshape(weight.size, 1, n), index.reshape(weight.size, 1), pieces) }
        end
      end

      # [q, n d] strain along the bar from the movements of the element's nodes: tᵀ (dN/dx) t
      def rates(kind, nodes, local, along)
        q, n, d = nodes.shape
        gradients = kind.gradients(local)
        jacobian = Numo::Linalg.matmul(gradients.transpose(0, 2, 1).dup, nodes)
        slopes = Numo::Linalg.matmul(gradients, Numo::Linalg.inv(jacobian).transpose(0, 2, 1).dup)
        (slopes * along.reshape(q, 1, d)).sum(2).reshape(q, n, 1).then { |down| (down * along.reshape(q, 1, d)).reshape(q, n * d) }
      end
    end
  end
end
