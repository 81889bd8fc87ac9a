# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # A body seen as a beam: which way it runs, and its section half way along.
      class Beam
        SLENDER = 4.0 # times as long as deep
        SHEAR = 1.2   # of a rectangle's area, that shear takes
        CLOSE = 1e-6  # of the length

        # A direction across in which it bends: unit, second moment m⁴, depth m.
        Way = Struct.new(:unit, :second_moment, :depth)

        # along: unit [3]; from, length: m along it; area: m²; ways: one in the plane, two in space
        attr_reader :body, :along, :from, :length, :area, :ways, :material

        # @param problem [Study::Problem]
        # @param statement [Model::Statement] that names the body, for faults
        # @raise [InvalidInput] for what is no beam
        def initialize(problem, statement)
          @problem = problem
          @statement = statement
          @body = problem.parts.body(statement["body"]) || fault("there is no body named “#{statement['body']}”", "Choose a body.")
          fault("a ring is no beam", "Remove this hand check.") if body.axisymmetric?
          body.members? ? of_members : of_prism
          slender!
          @material = problem.materials.to_h[body.name]
        end

        # @return [Float] m of a place along it
        def place(at) = Shape::Vectors.dot3(at, along)

        # @return [Numo::DFloat] [n] m
        def places(nodes) = nodes.dot(Numo::DFloat.cast(along))

        # Between walls it cannot grow broader where it is compressed: E / (1 − ν²).
        def young = body.make == "plane strain" ? material.young / (1 - (material.poisson**2)) : material.young
        def bending(way) = young * way.second_moment
        def shearing = material.young / (2 * (1 + material.poisson)) * area / SHEAR
        def weakest = ways.min_by(&:second_moment)

        private

        def fault(message, cure) = raise(@statement.fault(message, path: "body", cure: cure))

        def slender!
          deepest = ways.max_by(&:depth).depth
          return if length >= deepest * SLENDER

          fault("“#{body.name}” is only #{(length / deepest).round(1)} times as long as it is deep, which is no beam", "A hand check wants at least #{SLENDER.round} times.")
        end

        def of_prism
          fault("“#{body.name}” is not drawn as an outline that is extruded, so its section is not known", "Remove this hand check.") unless body.prism && !body.faces?
          (x0, y0), (x1, y1) = body.outline.bounds
          sides = [x1 - x0, y1 - y0, body.solid? ? body.thickness : 0.0]
          @longest = sides.each_index.max_by { |k| sides[k] }
          @along = body.frame.axes[@longest]
          @length = sides[@longest]
          @from = place(body.frame.point([x0, y0, 0.0]))
          @longest == 2 ? outline_across : outline_along(sides)
        end

        # The outline is the section.
        def outline_across = section(Matter::SectionConstants.lines(body.outline), body.frame.axes[0], body.frame.axes[1])

        # @param right [Array<Float>] the outline's x axis in space
        # @param up [Array<Float>] its y axis
        def section(lines, right, up)
          values = Matter::SectionConstants::Values.new(**Matter::SectionConstants.plain(lines), compliance: [1.0, 1.0, 0.0])
          angle = values.principal_angle
          turned = values.turned(angle)
          points = Numo::DFloat.vstack(lines)
          @area = values.area
          @ways = [[Math.cos(angle), Math.sin(angle), turned[:yy]], [-Math.sin(angle), Math.cos(angle), turned[:xx]]].map do |x, y, second|
            across = (points[true, 0] * x) + (points[true, 1] * y)
            Way.new((0..2).map { |k| (x * right[k]) + (y * up[k]) }, second, across.max - across.min)
          end
        end

        # The outline is seen from the side: its section is what it covers half way. A hole there leaves several pieces.
        def outline_along(sides)
          pieces = crossings.each_slice(2).select { |pair| pair.size == 2 }
          @area = pieces.sum { |a, b| b - a } * body.thickness
          centre = pieces.sum { |a, b| ((b**2) - (a**2)) / 2 } / pieces.sum { |a, b| b - a }
          second = pieces.sum { |a, b| (((b - centre)**3) - ((a - centre)**3)) / 3 } * body.thickness
          @ways = [Way.new(body.frame.axes[1 - @longest], second, sides[1 - @longest])]
          @ways << Way.new(body.frame.axes[2], @area * (body.thickness**2) / 12, body.thickness) if body.solid?
        end

        def crossings
          low, high = body.outline.bounds
          middle = (low[@longest] + high[@longest]) / 2
          body.outline.loops.flat_map { |loop| cuts(loop.polyline(0.02)[0], middle) }.sort
        end

        def cuts(points, at)
          ring = points.to_a
          ring.zip(ring.rotate).filter_map do |p, q|
            a = p[@longest] - at
            b = q[@longest] - at
            p[1 - @longest] + ((q[1 - @longest] - p[1 - @longest]) * a / (a - b)) if (a.positive? && b <= 0) || (a <= 0 && b.positive?)
          end
        end

        # Members in one straight line, of one section.
        def of_members
          ends = body.facets.edges.flat_map { |edge| edge.nodes.values_at(0, -1).map { |n| body.facets.points[n, true].to_a } }
          far = ends.map { |p| Shape::Vectors.minus3(p, ends[0]) }.max_by { |d| Shape::Vectors.norm3(d) }
          @along = Shape::Vectors.unit3(far)
          straight = ends.all? { |p| Shape::Vectors.norm3(Shape::Vectors.cross3(Shape::Vectors.minus3(p, ends[0]), @along)) < body.size * CLOSE }
          given = body.facets.edges.map { |edge| @problem.sections[[body.name, edge.name]] }
          fault("the members of “#{body.name}” are not one straight line of one section", "Choose a straight one, or remove this hand check.") unless straight && given.map(&:name).uniq.size == 1

          reaches = ends.map { |p| place(p) }
          @from = reaches.min
          @length = reaches.max - @from
          of_section(given[0])
        rescue KeyError
          fault("a member of “#{body.name}” has no section", "Add a section statement for it.")
        end

        def of_section(given)
          right = Shape::Vectors.unit3(Shape::Vectors.cross3(given.up, along))
          outline = @problem.document.outline(@problem.document.named("outline", given.name))
          section(Matter::SectionConstants.lines(outline), right, Shape::Vectors.cross3(along, right))
        end
      end
    end
  end
end
