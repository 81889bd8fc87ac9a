# frozen_string_literal: true

module Lattice
  module Verdict
    # Fields along a straight path through the part, or along its edges, in every frame.
    class PathReading < Reader
      MOST = 1000

      # @raise [InvalidInput] for a path of no length, without a way, or along edges that are not one line
      def check!
        return one_line! if edges?
        raise statement.fault("it leads nowhere", path: "to", cure: "Give it two points, or edges to follow.") unless statement["from"] && statement["to"]

        raise statement.fault("it begins and ends at the same point", path: "to", cure: "Give two different points.") unless length.positive?
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: distances in m, where it begins and ends, values of every frame (nil where the path is outside); more: further fields
      def read(result)
        check!
        way = edges? ? along_edges(result) : straight(result)
        values = quantities.map { |name| way[:read].call(name) }
        first, *more = quantities.zip(values).map { |name, found| { quantity: name, **Result::Catalogue.field!(name).then { |f| { words: f.words, dimension: f.dimension } }, values: found } }
        { kind: "path", statement: statement.id, name: statement["name"], **first, more: more, distance: way[:distance], ends: way[:ends], outside: values[0][0].count(nil) }
      end

      private

      def edges? = !statement["target"].to_s.strip.empty?
      def quantities = [statement["quantity"], *statement["more"]].uniq
      def count = statement["points"] || 21
      def from = Numo::DFloat.cast(Shape::Placement.spot(statement["from"]))
      def to = Numo::DFloat.cast(Shape::Placement.spot(statement["to"]))
      def length = Math.sqrt(((to - from)**2).sum)
      def shares = Numo::DFloat.new(count).seq / (count - 1)
      def points = (shares.reshape(count, 1) * (to - from).reshape(1, 3)) + from.reshape(1, 3)

      def straight(result)
        along = Result::Along.new(result, points, reach: reach)
        { distance: (shares * length).to_a, ends: [from, to].map(&:to_a), read: ->(name) { result.frames.map { |frame| along.field(name, frame.index) } } }
      end

      # At every point that the mesh has on them: nothing is read between.
      def along_edges(result)
        grid = result.grid
        order = Mesh::Chain.call(segments(grid), grid.nodes[grid.points.nodes, true])
        raise statement.fault("the mesh has no line along “#{statement['target']}”", path: "target", cure: "Choose edges of one body that follow one another.") unless order

        way = Numo::Int32.cast(order)
        at = grid.nodes[grid.points.nodes[way], true].dup
        steps = Shape::Vectors.norm(at[1..-1, true] - at[0...-1, true])
        { distance: [0.0, *steps.cumsum.to_a], ends: [at[0, true], at[-1, true]].map(&:to_a),
          read: ->(name) { result.series(name, way).to_a.map { |row| row.map { |v| v.nan? ? nil : v } } } }
      end

      def segments(grid)
        pieces = edges.map { |place| grid.points.place(place.key, grid.places.fetch(place.key)) }
        Numo::Int32.vstack(pieces.map { |conn| conn[true, 0...pieces.map { |p| p.shape[1] }.min].dup })
      end

      # Of the first body alone: edges that bodies share are there for each of them.
      def edges = problem.groups.target!(statement, %i[edges]).then { |all| all.select { |place| place.body == all[0].body } }

      def one_line!
        body = problem.parts.body(edges[0].body)
        pieces = edges.flat_map { |place| body.nodes_of(place).each_cons(2).to_a }
        return if Mesh::Chain.call(Numo::Int32.cast(pieces), body.facets.points)

        raise statement.fault("the edges of “#{statement['target']}” are not one line", path: "target", cure: "Choose edges that follow one another, without a branch or a gap.")
      end
    end
  end
end
