# frozen_string_literal: true

module Lattice
  module Verdict
    # How every touch stands on the mesh before anything is solved: closed, apart within reach, drawn into each other, or out of
    # reach; by the area of its finer side.
    module TouchCheck
      EVEN = 0.1 # of an element's size, by which a gap may differ that can be taken as none
      SEEN = 0.01 # of the area or of an element's size, from which it is told

      module_function

      # @param problem [Study::Problem]
      # @param grid [Mesh::Grid]
      # @return [Array<Hash>] statement, state, shares (closed, apart, into, beyond), least and greatest gap in m, size of elements, even: whether the
      #   gap is as good as one, words, cure
      def rows(problem, grid)
        touches = problem.conditions.select(&:touches?)
        return [] if touches.empty?

        structure = System::Structure.new(problem, grid, [])
        touches.map { |condition| row(structure, condition, grid) }
      end

      def row(structure, condition, grid)
        start = Engine::Touch.new(structure, condition, grid.nodes).start
        whole = condition.sides(structure)[0].places.sum { |place| area(structure.problem, place) }
        beyond = whole ? [1 - (start[:area] / whole), 0.0].max : 0.0
        shares = start[:shares].transform_values { |share| share * (1 - beyond) }.merge(beyond: beyond < SEEN ? 0.0 : beyond)
        { statement: condition.statement.id, shares: shares, **start.slice(:least, :greatest, :size), even: start[:greatest] - start[:least] < EVEN * start[:size], **told(condition, start, shares) }
      rescue InvalidInput => e
        { statement: condition.statement.id, state: "out of reach", shares: { closed: 0.0, apart: 0.0, into: 0.0, beyond: 1.0 }, least: nil, greatest: nil, size: nil, even: false, words: e.faults[0].message,
          cure: e.faults[0].cure }
      end

      # m², as the rows of the touch count it
      def area(problem, place)
        body = problem.parts.body(place.body)
        return place.measure if place.of == :faces

        body.axisymmetric? ? 2 * Math::PI * place.at[0] * place.measure : place.measure * body.thickness
      end

      def told(condition, start, shares)
        length = ->(value) { Quantity::Display.format(value, "length", system: condition.problem.document.units) }
        if start[:least] < -SEEN * start[:size]
          return { state: "into each other", words: "drawn up to #{length[-start[:least]]} into each other", cure: "Keep it as an interference fit; or, where it is none, let gaps be taken as none." }
        end
        return { state: "closed", words: "closed", cure: nil } if shares[:apart] < SEEN && shares[:beyond].zero?
        if shares[:closed] < SEEN
          return { state: "gap within reach", words: "apart by #{[start[:least], start[:greatest]].map(&length).uniq.join(' to ')}, within reach",
                   cure: "Nothing holds it until it closes: let gaps be taken as none if it is to bear at once." }
        end

        { state: "partly closed", words: "#{percent(shares[:closed])} closed, #{percent(shares[:apart])} up to #{length[start[:greatest]]} apart, #{percent(shares[:beyond])} out of reach",
          cure: shares[:beyond].positive? ? "Look farther where it may come to touch as the parts move." : nil }
      end

      def percent(share) = "#{(share * 100).round} %"
      private_class_method :row, :area, :told, :percent
    end
  end
end
