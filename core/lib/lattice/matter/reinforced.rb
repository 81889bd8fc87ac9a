# frozen_string_literal: true

module Lattice
  module Matter
    # A cross-section of concrete with bars, fibre by fibre: bars in rows, a cover that spalls, and a core that ties confine.
    class Reinforced
      STEEL = 200e9 # Pa
      CRUSHED = 0.006 # strain at which concrete that nothing confines bears a fifth
      HARDENS = 0.005 # of the bars' modulus

      # at m from the section's centre along the outline's y; width m over which they are spread along its x; count; diameter m
      Row = Struct.new(:at, :width, :count, :diameter) do
        def area = Math::PI * (diameter**2) / 4

        # @return [Array<Array<Float>>] [x, y] of every bar
        def places = count.times.map { |k| [count == 1 ? 0.0 : width * ((k.to_f / (count - 1)) - 0.5), at] }
      end

      # @param document [Model::Document]
      # @return [Hash{String => Reinforced}] by outline
      def self.all(document) = document.active("reinforced").to_h { |statement| [statement["outline"], new(statement, document)] }

      attr_reader :statement

      # @param statement [Model::Statement]
      # @param document [Model::Document]
      def initialize(statement, document)
        @statement = statement
        @document = document
      end

      # @raise [InvalidInput]
      def check!
        outline
        { "strength" => "stress", "bar_strength" => "stress" }.each do |key, kind|
          unless statement.quantity(key, kind).positive?
            raise statement.fault("its #{key.tr('_', ' ')} is not above zero", path: key,
                                                                               cure: "Give a strength above zero, such as 30 MPa.")
          end
        end
        raise statement.fault("confined concrete bears no less than plain", path: "confined.factor", cure: "Give a factor above 1, such as 1.25.") if confined && confined[1] < 1
        rows.each_index { |i| check_row(i) }
      end

      # @return [Array<Row>]
      def rows
        @rows ||= (statement["rows"] || []).each_index.map do |i|
          at, width, diameter = %w[at width diameter].map { |key| statement.quantity("rows.#{i}.#{key}", "length") }
          Row.new(at, width || 0.0, statement["rows"][i]["count"], diameter)
        end
      end

      # @param shape [Element::Beam::Fibres::Section] of that outline
      # @param young [Float] Pa, of concrete
      # @return [Fibring::Section]
      def section(shape, young)
        loops = shape.loops.map { |range| shape.points[range, true].dup }
        points, areas = SectionFibres.call(loops, confined&.first)
        inside = confined ? core(points, loops) : Numo::Bit.zeros(areas.size)
        plain, core = laws(young)
        steel = bars(shape)
        groups = [[points, areas, ~inside, plain], [points, areas, inside, core]].filter_map { |p, a, there, law| there.count_true.zero? ? nil : Fibring::Group.new(p[there.where, true].dup, a[there.where].dup, law) }
        # Where bars lie there is no concrete.
        groups += [Fibring::Group.new(steel[0], steel[1], steel_law), Fibring::Group.new(steel[0], steel[1] * -1, confined ? core : plain)] if steel
        Fibring::Section.new(groups, Fibring.elastic(shape, young), young, shape.points)
      end

      # @return [Array] by meaning
      def meaning = Model::Meaning.of(statement, except: %w[axial])

      # @return [Float] N, at which its bending is drawn
      def axial = statement.quantity("axial", "force") || 0.0

      # @return [Shape::Outline]
      def outline
        source = @document.named("outline",
                                 statement["outline"].to_s) or raise statement.fault("there is no outline named “#{statement['outline']}”", path: "outline", cure: "Add that outline, or choose another.")
        @document.outline(source)
      end

      # Moments over curvature about the section's principal axes, both ways, as far as the force along is borne.
      # @param young [Float] Pa, of concrete
      # @return [Array<Hash>] axis, and curvatures 1/m and moments N m
      def bending(young)
        values = SectionConstants.of(outline)
        section = section(shape(values.principal_angle), young)
        reference = [2 * statement.quantity("strength", "stress") / young, statement.quantity("bar_strength", "stress") / STEEL].min
        [["x", 2, 1], ["x", 2, -1], ["y", 1, 1]].map do |axis, row, sign|
          curvatures, moments = Bending.new(section, reference).call(axial, row, sign)
          { axis: axis, sign: sign, curvatures: curvatures.map(&:abs), moments: moments.map(&:abs) }
        end
      end

      # @return [Array<Array<Float>>] x, y and diameter of every bar, in the outline's own axes, m
      def places
        x, y = SectionConstants.of(outline).centre
        rows.flat_map { |row| row.places.map { |place| [place[0] + x, place[1] + y, row.diameter] } }
      end

      private

      # In axes turned from the outline's own.
      # @return [Element::Beam::Fibres::Section]
      def shape(angle = 0.0)
        values = SectionConstants.of(outline)
        turned = values.turned(angle)
        c = Math.cos(angle)
        s = Math.sin(angle)
        points = values.extremes.dot(Numo::DFloat[[c, -s], [s, c]])
        Element::Beam::Fibres::Section.new(values.area, turned[:xx], turned[:yy], values.rings, points)
      end

      # Cover m, and by how much what ties hold bears more.
      def confined = statement["confined"] && [statement.quantity("confined.cover", "length"), statement.quantity("confined.factor", "ratio"), statement.quantity("confined.crushed", "ratio") || (CRUSHED * 5)]

      def laws(young)
        strength = statement.quantity("strength", "stress")
        plain = Line::Concrete.new(young, strength, statement.quantity("crushed", "ratio") || CRUSHED)
        [plain, confined && Line::Concrete.new(young, strength * confined[1], confined[2])]
      end

      def steel_law
        strength = statement.quantity("bar_strength", "stress")
        hardens = statement.quantity("hardens", "ratio") || HARDENS
        return Line::Smooth.new(STEEL, strength, hardens) if statement["bends"] == "smoothly"

        Line::Metal.new(STEEL, Hardening.new([[0.0, strength]]), STEEL * hardens / (1 - hardens))
      end

      # Points and areas of bars, in the axes that the shape's points have.
      def bars(_shape)
        places = rows.flat_map { |row| row.places.map { |place| [place, row.area] } }
        return if places.empty?

        angle = SectionConstants.of(outline).principal_angle
        c = Math.cos(angle)
        s = Math.sin(angle)
        [Numo::DFloat.cast(places.map { |(x, y), _| [(x * c) + (y * s), (y * c) - (x * s)] }), Numo::DFloat.cast(places.map(&:last))]
      end

      # Points farther from every side than the cover.
      def core(points, loops)
        loops.map { |loop| away(points, loop) }.reduce { |a, b| Numo::DFloat.minimum(a, b) } > confined[0]
      end

      # How far points are from the sides of a loop.
      def away(points, loop)
        n = loop.shape[0]
        n.times.map do |i|
          from = loop[i, true]
          along = loop[(i + 1) % n, true] - loop[i, true]
          length = (along**2).sum
          next Numo::DFloat.zeros(points.shape[0]).fill(Float::MAX) if length.zero?

          arm = points - from.reshape(1, 2)
          share = (arm.dot(along) / length).clip(0, 1)
          Numo::NMath.sqrt(((arm - (share.reshape(share.size, 1) * along.reshape(1, 2)))**2).sum(1))
        end.reduce { |a, b| Numo::DFloat.minimum(a, b) }
      end

      def check_row(index)
        row = rows[index]
        raise statement.fault("its row #{index + 1} has no bars of any size", path: "rows.#{index}.diameter", cure: "Give a diameter above zero.") unless row.diameter.positive?

        shape = self.shape
        loops = shape.loops.map { |range| shape.points[range, true].dup }
        places = Numo::DFloat.cast(row.places)
        within = row.places.map { |x, y| loops.sum { |loop| winding(loop, x, y) } }
        near = loops.map { |loop| away(places, loop) }.reduce { |a, b| Numo::DFloat.minimum(a, b) }.min
        return if within.all?(&:positive?) && near >= (row.diameter / 2) - 1e-9

        raise statement.fault("bars of its row #{index + 1} lie outside the section, or stick out of it", path: "rows.#{index}.at", cure: "Place them within, measured from the section's centre.")
      end

      # How often a loop goes round a point.
      def winding(loop, x, y)
        n = loop.shape[0]
        (0...n).sum do |i|
          a, b = [loop[i, true], loop[(i + 1) % n, true]].map { |p| [p[0] - x, p[1] - y] }
          Math.atan2((a[0] * b[1]) - (a[1] * b[0]), (a[0] * b[0]) + (a[1] * b[1]))
        end.then { |sum| (sum / (2 * Math::PI)).round }
      end
    end
  end
end
