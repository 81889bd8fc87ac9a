# frozen_string_literal: true

module Lattice
  module Mesh
    # Members as three-node lines: every edge in equal pieces, with common nodes where
    # members meet.
    class Lines
      attr_reader :nodes, :elements, :places

      # @param body [Shape::Body] members
      # @param plan [SizingPlan]
      def initialize(body, plan)
        @facets = body.facets
        @curves = Remeshing::Curves.new(@facets.points, @facets.edges, [])
        @field = Remeshing::Sizing.along_lines(@facets, plan)
        @divisions = @facets.edges.map { |e| plan.divisions[[body.name, e.name]] }
        divide
        @places = places_of(body)
        @elements = { line3: @lines }
      end

      private

      # As many pieces as the least size along each edge asks for.
      def divide
        count = Numo::Int32.cast(@facets.edges.each_index.map { |i| pieces(i) })
        edge, rank = Algebra::Lists.laid(count)
        start, finish = ends_of_pieces(count)
        inner = Numo::Int32.cast(rank.ne(0).where)
        ends, index = Algebra::Distinct.of(Numo::Int32.cast(@facets.edges.flat_map { |e| e.run.values_at(0, -1) }))
        ends_at = @facets.points[ends, true].dup
        from = Numo::Int32.zeros(edge.size)
        first = rank.eq(0).where
        from[first] = index.reshape(count.size, 2)[edge[first], 0].dup
        from[inner] = Numo::Int32.new(inner.size).seq + ends.size unless inner.empty?
        to = Numo::Int32.zeros(edge.size)
        to[0...-1] = from[1..] if edge.size > 1
        last = rank.eq(count[edge] - 1).where
        to[last] = index.reshape(count.size, 2)[edge[last], 1].dup
        at = [ends_at]
        at << @curves.at(edge[inner].dup, start[inner].dup) unless inner.empty?
        at << @curves.at(edge, (start + finish) / 2)
        @nodes = Numo::DFloat.vstack(at)
        @lines = Numo::Int32.vstack([from, to, Numo::Int32.new(edge.size).seq + ends.size + inner.size]).transpose.dup
        @edge = edge
        @node_of = ends.to_a.zip((0...ends.size).to_a).to_h
      end

      # @return [Array(Numo::DFloat, Numo::DFloat)] lengths along its edge at which each piece begins and ends
      def ends_of_pieces(count)
        rows = count.to_a.each_with_index.map { |n, i| (@divisions[i] || Division.new(n)).shares * @curves.lengths[i] }
        [Numo::DFloat.hstack(rows.map { |r| r[0...-1] }), Numo::DFloat.hstack(rows.map { |r| r[1..] })]
      end

      def pieces(edge)
        return @divisions[edge].count if @divisions[edge]

        length = @curves.lengths[edge]
        steps = 32
        at = @curves.at(Numo::Int32.zeros(steps).fill(edge), (Numo::DFloat.new(steps).seq + 0.5) * (length / steps))
        [((length / steps / @field.at(at)).sum - 1e-6).ceil, 1].max
      end

      def places_of(body)
        edges = @facets.edges.each_with_index.to_h { |e, i| [e.name, @lines[@edge.eq(i).where, true].dup] }
        body.places.select { |p| p.of == :points }.each_with_object(edges) do |place, found|
          node = @node_of[place.node]
          found[place.name] = Numo::Int32[[node]] if node
        end
      end
    end
  end
end
