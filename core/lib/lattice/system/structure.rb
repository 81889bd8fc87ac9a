# frozen_string_literal: true

module Lattice
  module System
    # The equations of a model: pieces of elements, unknowns, constraints, and a column of loads for every case.
    class Structure
      include Matrices
      include Warmth

      attr_reader :problem, :grid, :pieces, :dofs, :constraints, :loads, :conditions

      # @return [Totals] what the conditions push, each
      attr_reader :totals

      # @return [Numo::DFloat] [n] kg that stand at the nodes besides the bodies' own
      attr_reader :lumps

      # @return [Numo::DFloat] [n] kg of these that have no weight
      attr_reader :weightless

      # @return [Array<Numo::DFloat, nil>] for every piece of members: uniform loads [cases, e, 3] N/m between their ends
      attr_reader :spread_loads

      # @return [Bolts]
      def bolts = @bolts ||= Bolts.new(self)

      # @return [Bars]
      def bars = @bars ||= Bars.new(self)

      # @return [Connectors]
      def connectors = @connectors ||= Connectors.new(self)

      # @return [Array<Hash>] what joins found: statement, label, covered, whole, least, greatest, nodes
      def reports = @reports ||= []

      # @param problem [Study::Problem]
      # @param grid [Mesh::Grid]
      # @param conditions [Array<Load::Condition>]
      # @param absent [Array<String>] bodies that weigh nothing, since they are not there
      # @param like [Hash{String => String}] bodies that have the material of another one
      def initialize(problem, grid, conditions = Load::Condition.all(problem), absent: [], like: {})
        @absent = absent
        @problem = problem
        @grid = grid
        @conditions = conditions
        @pieces = grid.blocks.map { |b| Element::Pieces.of(b, grid, problem.parts.body(b.body), problem.materials[like[b.body] || b.body], problem.sections) }
        loose = grid.loose.values.map { |conn| [conn, grid.dimension == 3 ? Dofs::NAMES : %i[x y rz]] }
        @dofs = Dofs.new(grid.nodes.shape[0], @pieces.map { |p| [p.conn, p.names] } + loose)
        cases = problem.cases.names.size
        @constraints = Constraints.new(@dofs.size, cases)
        @loads = Numo::DFloat.zeros(cases, @dofs.size)
        @totals = Totals.new(grid)
        @lumps, @weightless = [0, 1].map { Numo::DFloat.zeros(grid.nodes.shape[0]) }
        @skew = Skew.new(self)
        keep_flat if grid.dimension == 2
        @spread_loads = @pieces.map { |p| p.body.members? ? Numo::DFloat.zeros(cases, p.block.size, 3) : nil }
      end

      # @return [Structure] loaded and held
      def apply
        joins, others = conditions.partition(&:joins?)
        whole, others = others.partition(&:whole?)
        joins.select(&:weighs?).each { |condition| condition.weigh(self) }
        others.partition(&:weighs?).flatten.each { |condition| condition.apply(self) }
        @skew.settle
        [*whole, *joins].each { |condition| condition.apply(self) }
        self
      end

      # Adds forces at nodes.
      # @param condition [Load::Condition]
      # @param conn [Numo::Int32] [k, m] nodes
      # @param values [Numo::DFloat] [k, m, c] N along x, y and z, or moments after them
      def push(condition, conn, values, names = Dofs::NAMES.first(values.shape[2]))
        nodes = conn.flatten
        table = values.reshape(nodes.size, names.size)
        totals.add(condition, nodes, table, names)
        row = problem.cases.index(condition.case_name)
        names.each_with_index do |name, c|
          at = dofs.at(nodes, name)
          there = (at >= 0).where
          next if there.empty?

          loads[row, true] += at[there].bincount(table[there, c].dup, minlength: dofs.size)
        end
      end

      # A force per volume on a piece.
      # @param force [Numo::DFloat] [d] N/m³
      def weigh(condition, piece, force)
        return if @absent.include?(piece.body.name)
        return spread_on(condition, piece, piece.along_members(force)) if piece.body.members?

        push(condition, piece.conn, piece.body_force(force))
      end

      # A force on everything that has mass, at the middle of every piece or node.
      # @yield [Numo::DFloat] [k, 3] points
      # @yieldreturn [Numo::DFloat] [k, d] acceleration that the force gives
      def weigh_all(condition)
        pieces.each do |piece|
          next if @absent.include?(piece.body.name)

          density = condition.density(piece)
          push(condition, piece.conn, piece.field_force { |points| yield(points) * density })
        end
      end

      # The same of what stands at nodes.
      def weigh_lumps(condition)
        masses = condition.weight? ? lumps - weightless : lumps
        there = masses.ne(0).where
        return if there.empty?

        force = yield(grid.nodes[there, true].dup) * masses[there].reshape(there.size, 1)
        push(condition, Numo::Int32.cast(there).reshape(there.size, 1), force.reshape(there.size, 1, force.shape[1]))
      end

      # A uniform force on members.
      # @param place [Shape::Place] a member, or a body of them
      # @param force [Numo::DFloat] [3] N/m
      def spread(condition, place, force)
        pieces.select { |p| p.body.name == place.body }.each do |piece|
          rows = place.of == :bodies ? Numo::Int32.new(piece.block.size).seq : (0...piece.block.size).select { |i| member?(piece, i, place) }
          next if rows.empty?

          spread_on(condition, piece, Numo::DFloat.zeros(piece.block.size, 3).tap { |table| table[rows, true] = force.reshape(1, 3) })
        end
      end

      # A uniform load along an edge; on shells with the moments that it brings at the ends of the sides.
      # @param place [Shape::Place] an edge
      # @param per_length [Numo::DFloat] [d] N/m
      def push_along(condition, place, per_length)
        conn = grid.places.fetch(place.key)
        share = Element::Surface.new(drawn(place), 1.0, grid.piece(place.body, conn)).shares
        push(condition, conn, share.reshape(*share.shape, 1) * per_length.reshape(1, 1, per_length.size))
        return unless problem.parts.body(place.body).faces?

        moments = (@edge_moments ||= {})[place.body] ||= Element::Shell::EdgeMoments.new(grid, place.body)
        push(condition, conn, moments.call(conn, per_length), %i[rx ry rz])
      end

      # Springs to the ground; what they hold is counted with the reactions.
      # @param conn [Numo::Int32] [k, m] nodes
      # @param stiffness [Numo::DFloat] [k, m] N/m
      def stiffen(conn, name, stiffness)
        at = dofs.at(conn.flatten, name)
        there = (at >= 0).where
        return if there.empty?

        @springs = (@springs || Numo::DFloat.zeros(dofs.size)) + at[there].bincount(stiffness.flatten[there].dup, minlength: dofs.size)
      end

      # Stiffness between nodes, besides that of elements.
      # @param nodes [Numo::Int32] [k, m]
      # @param blocks [Numo::DFloat] [k, 3m, 3m] x, y, z of each node
      # @param ground [Boolean] whether the ground holds what they push
      def stiffen_blocks(nodes, blocks, ground:)
        numbers = dofs.table(nodes, %i[x y z]).reshape(nodes.shape[0], nodes.shape[1] * 3)
        (@blocks ||= { true => [], false => [] })[ground] << DenseBlocks.many(numbers, blocks)
      end

      # Holds a component at the places of a condition in every case, or gives it a value in its own.
      # @raise [InvalidInput] where another statement gives another value
      def hold(condition, name, value = nil)
        nodes = grid.nodes_of(condition.places)
        at = dofs.at(nodes, name)
        there = (at >= 0).where
        at = there.empty? ? Numo::Int32.zeros(0) : at[there].dup
        value = value[there].dup if value.is_a?(Numo::NArray) && !there.empty?
        clash = constraints.prescribe(at, value || 0.0, in_case: value && problem.cases.index(condition.case_name))
        return if clash.empty?

        raise condition.statement.fault("it gives #{name} another value where an earlier statement already holds it", path: "target", cure: "Change one of the two targets.")
      end

      # Holds what moves along directions at nodes, or gives it a value in the condition's case; see Skew.
      def hold_along(...) = @skew.hold(...)

      # Where points lie on the pieces of a side; "block" numbers its kinds of pieces.
      # @param side [Side]
      # @return [Mesh::Placing::Found]
      def placed(side, points, reach)
        blocks = side.pieces.map { |p| Mesh::Block.new(p.kind.name, "", p.conn) }
        Mesh::Placing.new(Mesh::Grid.new(nodes: grid.nodes, blocks: blocks, places: {}, dimension: 3, order: grid.order)).call(points, reach: reach)
      end

      # @param place [Shape::Place]
      # @param at [Numo::DFloat] [k, m, 3] where its nodes are, if not where they were drawn
      # @return [Element::Surface] its pieces, for spreading loads
      def surface(place, at = drawn(place))
        body = problem.parts.body(place.body)
        measure = if body.axisymmetric? then :ring
                  elsif body.plane? then body.thickness
                  else 1.0
                  end
        Element::Surface.new(at, measure, grid.piece(place.body, grid.places.fetch(place.key)))
      end

      # Nodes of places, each once, with the area (or length, or 1) that it stands for.
      # @param places [Array<Shape::Place>]
      # @return [Array(Numo::Int32, Numo::DFloat)]
      def shares(places)
        (@shares ||= {})[places.map(&:key)] ||= begin
          lists = places.map { |place| [grid.places.fetch(place.key).flatten, surface(place).lumped.flatten] }
          conn, values = lists.transpose.map { |all| all.reduce { |a, b| a.concatenate(b) } }
          nodes, index = Algebra::Distinct.of(conn)
          [nodes, index.bincount(values, minlength: nodes.size)]
        end
      end

      # Units across the surface of places, at some of their nodes.
      # @param places [Array<Shape::Place>]
      # @param nodes [Numo::Int32] [k]
      # @param at [Numo::DFloat] [n, 3] where all nodes are
      # @return [Numo::DFloat] [k, 3]
      def normals(places, nodes, at = grid.nodes)
        sums = places.map { |place| Algebra::Gather.sum(surface(place, Algebra::Gather.rows(at, grid.places.fetch(place.key))).nodal_normals, grid.places.fetch(place.key), grid.nodes.shape[0]) }
        Shape::Vectors.unit(sums.reduce(:+)[nodes, true].dup)
      end

      # Whether an element of a piece belongs to a member.
      def member?(piece, element, place)
        @members ||= {}.compare_by_identity
        (@members[piece] ||= Mesh::MemberElements.of(grid, piece.block))[element][0] == place.key
      end

      # @return [Float, nil] kg; nil when a density is unknown
      def mass
        shares = pieces.map { |p| p.material.density && (p.material.density * p.node_volumes.sum) }
        shares.include?(nil) ? nil : shares.sum + lumps.sum
      end

      private

      # Members beside plane regions stay in their plane.
      def keep_flat
        @pieces.select { |piece| piece.body.members? }.each do |piece|
          nodes = Algebra::Gather.distinct([piece.conn])
          %i[z rx ry].each { |name| constraints.prescribe(dofs.at(nodes, name), 0.0) }
        end
      end

      # [k, m, 3] nodes of the pieces of a place
      def drawn(place) = Algebra::Gather.rows(grid.nodes, grid.places.fetch(place.key))

      def spread_on(condition, piece, per_length)
        spread_loads[pieces.index(piece)][problem.cases.index(condition.case_name), true, true] += per_length
        push(condition, piece.conn, piece.spread(per_length), piece.names)
      end
    end
  end
end
