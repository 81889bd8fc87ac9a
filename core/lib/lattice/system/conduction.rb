# frozen_string_literal: true

module Lattice
  module System
    # The equations of steady heat, one unknown a node.
    class Conduction
      # @param problem [Study::Problem]
      # @param grid [Mesh::Grid]
      # @param study [Model::Statement]
      # @param monitor [Study::Monitor]
      def initialize(problem, grid, study, monitor)
        @problem = problem
        @grid = grid
        @study = study
        @monitor = monitor
        @structure = Structure.new(problem, grid, [])
        @heating = Load::Heating.all(problem)
      end

      # @return [Numo::DFloat] [n] K
      def temperatures
        @temperatures ||= begin
          dofs = Dofs.new(@grid.nodes.shape[0], @structure.pieces.map { |p| [p.conn, [:x]] })
          @numbers = dofs.at(Numo::Int32.new(dofs.nodes).seq, :x)
          @constraints = Constraints.new(dofs.size)
          set_up(dofs)
          reduced, right = @monitor.phase("assembly", upto: 0.5) { [@constraints.reduce(@matrix), @constraints.reduce_load(@matrix, @right)] }
          @solved = @constraints.expand(solution(reduced, right))[0, true].dup
          Numo::DFloat.zeros(dofs.nodes).tap { |all| (@numbers >= 0).where.then { |there| all[there] = @solved[@numbers[there]] } }
        end
      end

      # @return [Result::Scalars]
      def call
        t = temperatures
        @monitor.phase("recovery", upto: 1.0) do
          fields = { "temperature" => t[@grid.points.nodes].dup, "heat_flux" => flux(t) }
          still = Numo::DFloat.zeros(*@grid.nodes.shape)
          state = Result::State.new(displacement: still, stress: @structure.pieces.map { {} }, ends: @structure.pieces.map { nil }, fibres: @structure.pieces.map(&:fibres), energy: nil)
          about = Result::Outcome::About.new(mass: @structure.mass, ring: false, totals: [], joins: [], walls: {})
          Result::Scalars.new(scalars: fields, grid: @grid, frames: [Result::Frame.new(index: 0, kind: "heat", name: "steady")], states: [state], about: about).with_found(heat: balance(t))
        end
      end

      # @param heating [Load::Heating]
      # @return [Float] m² of its surfaces
      def area(heating) = surfaces(heating).sum { |_, surface| surface.shares.sum }

      # @return [Float] m³ of a body
      def volume(body) = @structure.pieces.select { |p| p.body.name == body }.sum { |p| p.node_volumes.sum }

      private

      def set_up(dofs)
        blocks = @structure.pieces.map { |p| [p.conn, [:x]] }
        matrix = @monitor.phase("conduction", upto: 0.4) { Pattern.new(blocks, dofs).assemble(@structure.pieces.map(&:conduction)) }
        @right = Numo::DFloat.zeros(1, dofs.size)
        added = @heating.flat_map { |heating| heat(heating) }
        @problem.conditions.grep(Load::Conditions::Bond).each { |bond| tie(bond) }
        @matrix = added.empty? ? matrix : Algebra::Sparse.symmetric(matrix).add(DenseBlocks.of_entries(added, dofs.size)).to_symmetric
      end

      # @return [Array] what it adds to the matrix
      def heat(heating)
        return films(heating) if heating.how == "convection"

        case heating.how
        when "held" then hold(heating)
        when "source" then pour(heating.power, @structure.pieces.select { |p| heating.places.map(&:body).include?(p.body.name) }.map { |p| [p.conn, p.node_volumes] })
        else pour(heating.power, surfaces(heating).map { |conn, surface| [conn, surface.shares] })
        end
        []
      end

      # @return [Array(Numo::Int32, Element::Surface)] of every place; of members what is around them
      def surfaces(heating)
        heating.places.flat_map do |place|
          next [[@grid.places.fetch(place.key), @structure.surface(place)]] unless place.of == :bodies

          @structure.pieces.select { |p| p.body.name == place.body }.map { |piece| [piece.conn, Around.of(piece, girths)] }
        end
      end

      # What air sees of members: shares [e, 2] m², products [e, 2, 2] m².
      Around = Struct.new(:shares, :products) do
        def self.of(piece, girths)
          area = piece.girths(girths) * piece.lengths
          e = area.size
          new((area / 2).reshape(e, 1) + Numo::DFloat.zeros(e, 2), (area / 6).reshape(e, 1, 1) * Numo::DFloat[[2, 1], [1, 2]].reshape(1, 2, 2))
        end
      end

      # @return [Hash{String => Float}] m around every outline
      def girths
        @girths ||= @problem.document.active("outline").to_h do |statement|
          points = @problem.document.outline(statement).boundary.polyline[0]
          [statement.name, Shape::Vectors.norm(points[[*1...points.shape[0], 0], true] - points).sum]
        end
      end

      # What is bonded is as warm as what it lies on: in the mean across faces, point by point along edges.
      def tie(bond)
        bond.check!
        one, other = bond.sides(@structure)
        entries = one.edges || other.edges ? feet(one, other, bond) : one.pieces.filter_map { |piece| DualRows.over(@grid.nodes, piece, other, bond.reach)&.dig(0)&.call }
        bond.out_of_reach! if entries.empty?
        entries.each do |rows|
          numbers = [rows.nodes, rows.others].map { |nodes| @numbers[nodes].dup }
          @constraints.tie_entries(Algebra::Gather.distinct([numbers[0]]), *numbers, rows.factors, by: bond)
        end
      end

      # @return [Array<DualRows::Rows>]
      def feet(one, other, bond)
        all = Algebra::Gather.distinct(one.pieces.map(&:conn))
        points, others, weights = other.feet(@structure.placed(other, @grid.nodes[all, true].dup, bond.reach))
        points ? [DualRows::Rows.new(all[points].dup, others, weights)] : []
      end

      # Air takes h (T − T∞) from every part of a surface.
      def films(heating)
        surfaces(heating).map do |conn, surface|
          add(conn, surface.shares * (heating.film * heating.temperature))
          DenseBlocks.many(@numbers[conn.flatten].reshape(*conn.shape).dup, surface.products * heating.film)
        end
      end

      def hold(heating)
        clash = @constraints.prescribe(held(heating), heating.temperature)
        return if clash.empty?

        raise heating.statement.fault("it holds another temperature where an earlier statement already holds one", path: "target", cure: "Change one of the two targets.")
      end

      # Shared by area or volume.
      def pour(power, shares)
        all = shares.sum { |_, share| share.sum }
        shares.each { |conn, share| add(conn, share * (power / all)) }
      end

      def add(conn, values) = @right[0, true] = @right[0, true] + @numbers[conn.flatten].bincount(values.flatten, minlength: @right.shape[1])

      def solution(reduced, right)
        return right if reduced.size.zero?

        factor = @monitor.phase("factorisation", upto: 0.8) { Algebra::Factor.new(reduced) }
        factor.solve(right).tap { factor.free }
      rescue Algebra::Factor::NotPositive
        raise SolveFailed.new("a body is neither held at a temperature nor cooled by air, and shares no points with one that is", statement: @study.id, cure: "Hold a temperature on it, or join it.")
      end

      # How much heat flows through each point, averaged body by body, W/m².
      def flux(temperatures)
        mean = @grid.points.mean(3) { |b| @structure.pieces[b].then { |piece| piece.heat_flux(temperatures[piece.conn.flatten].reshape(*piece.conn.shape).dup) } }
        Numo::NMath.sqrt((mean**2).sum(1))
      end

      # What flows in and out, statement by statement, W; out is negative. What holds a temperature gives what all else
      # leaves over, each node to the first that holds it.
      def balance(temperatures)
        left = @constraints.carried(@matrix.dot(@solved) - @right[0, true])
        rows = @heating.map do |heating|
          power = heating.how == "held" ? held(heating).then { |at| left[at].sum.tap { left[at] = 0.0 } } : brought(heating, temperatures)
          { statement: heating.statement.id, how: heating.how, target: heating.statement["target"], power: power }
        end
        sizes = rows.sum { |r| r[:power].abs }
        { rows: rows, error: sizes.positive? ? rows.sum { |r| r[:power] }.abs / sizes : 0.0, least: temperatures[@grid.points.nodes].min, greatest: temperatures[@grid.points.nodes].max }
      end

      def brought(heating, temperatures)
        return heating.power unless heating.how == "convection"

        surfaces(heating).sum do |conn, surface|
          (surface.shares * (heating.temperature - temperatures[conn.flatten].reshape(*conn.shape))).sum * heating.film
        end
      end

      # Unknowns of what a statement holds, without points that belong to nothing.
      def held(heating)
        at = @numbers[@grid.nodes_of(heating.places)]
        at[(at >= 0).where].dup
      end
    end
  end
end
