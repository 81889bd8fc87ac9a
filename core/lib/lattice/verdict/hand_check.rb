# frozen_string_literal: true

module Lattice
  module Verdict
    # A one-line beam estimate beside the computed deflection. The beam runs along
    # the longest extent of the body; its section is the one half way; every nodal
    # load counts where it acts. Bending and shear: S. P. Timoshenko, Strength of
    # Materials; shear area of the rectangle 5/6.
    class HandCheck < Reader
      SLENDER = 4.0
      SHEAR = 1.2

      # @raise [InvalidInput] when the body is not there, is a ring, is no extruded outline, or is not slender
      def check!
        raise statement.fault("there is no body named “#{statement['body']}”", path: "body", cure: "Choose a body.") unless body
        raise statement.fault("a ring is no beam", path: "body", cure: "Remove this hand check.") if body.axisymmetric?
        unless body.prism && !body.faces?
          raise statement.fault("“#{body.name}” is not drawn as an outline that is extruded, so its section is not known", path: "body",
                                                                                                                           cure: "Remove this hand check.")
        end
        raise statement.fault("a hand check along z is not offered: the section would be the whole outline", path: "body", cure: "Draw the beam along x or y.") if axis == 2

        ratio = extent[axis] / extent[1 - axis]
        return if ratio >= SLENDER

        raise statement.fault("“#{body.name}” is only #{ratio.round(1)} times as long as it is deep, which is no beam", path: "body",
                                                                                                                        cure: "A hand check wants at least #{SLENDER.round} times.")
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: estimate and computed deflection in m, difference as a ratio
      def read(result)
        check!
        @grid = result.grid
        nodes = @grid.body_nodes(body.name)
        place = @grid.nodes[nodes, axis].dup
        load = result.load[nodes, across].dup
        supports = supported(result, nodes)
        at, estimate = statement["beam"] == "cantilever" ? cantilever(place, load, supports) : simple(place, load, supports)
        computed = deflection_at(result, nodes, place, at)
        { kind: "hand_check", statement: statement.id, beam: statement["beam"], body: body.name, estimate: estimate, computed: computed,
          difference: estimate.zero? ? nil : (computed - estimate) / estimate, dimension: "length", axis: "xyz"[axis],
          direction: "xyz"[across], span: @span, second_moment: second_moment, holds: nil }
      end

      private

      def body = @problem.parts.body(statement["body"])
      def extent = @extent ||= body.bounds.transpose.map { |a, b| b - a }
      def axis = extent.index(extent.max)

      # Bending in the plane of the outline.
      def across = 1 - axis

      # Sections of several pieces (a hole half way) count each piece about the common centre.
      def pieces
        @pieces ||= begin
          low, high = body.bounds
          middle = (low[axis] + high[axis]) / 2
          crossings = body.outline.loops.flat_map { |loop| cuts(loop.polyline(0.02)[0], middle) }.sort
          crossings.each_slice(2).select { |pair| pair.size == 2 }
        end
      end

      def cuts(points, at)
        ring = points.to_a
        ring.zip(ring.rotate).filter_map do |p, q|
          a = p[axis] - at
          b = q[axis] - at
          p[across] + ((q[across] - p[across]) * a / (a - b)) if (a.positive? && b <= 0) || (a <= 0 && b.positive?)
        end
      end

      def section_area = pieces.sum { |a, b| b - a } * body.thickness

      def second_moment
        centre = pieces.sum { |a, b| ((b**2) - (a**2)) / 2 } / pieces.sum { |a, b| b - a }
        pieces.sum { |a, b| (((b - centre)**3) - ((a - centre)**3)) / 3 } * body.thickness
      end

      # Between walls it cannot grow broader where it is compressed: E / (1 − ν²).
      def bending = young * second_moment
      def young = body.make == "plane strain" ? material.young / (1 - (material.poisson**2)) : material.young
      def shearing = material.young / (2 * (1 + material.poisson)) * section_area / SHEAR
      def material = @problem.materials[body.name]

      # Where along the axis the deflection is held.
      def supported(result, nodes)
        name = System::Dofs::NAMES[across]
        holding = @problem.conditions.select { |c| c.holds? && c.frame.nil? && c.components.include?(name) }
        is_held = Numo::Int8.zeros(result.grid.nodes.shape[0])
        holding.each { |c| is_held[result.grid.nodes_of(c.places)] = 1 }
        places = result.grid.nodes[nodes[is_held[nodes].ne(0).where], axis].dup
        raise statement.fault("nothing holds “#{body.name}” along #{'xyz'[across]}", path: "body", cure: "Add a support.") if places.empty?

        places
      end

      # From the support to the far end; loads between count by their lever.
      def cantilever(place, load, supports)
        root = (supports.min + supports.max) / 2
        far = (place.max - root).abs > (place.min - root).abs ? place.max : place.min
        root = far > root ? supports.max : supports.min
        @span = (far - root).abs
        lever = ((place - root) * (far <=> root)).clip(0, nil)
        bent = (load * (lever**2) * ((@span * 3) - lever)).sum / (6 * bending)
        [far, bent + ((load * lever).sum / shearing)]
      end

      # Between two supports; the deflection half way.
      def simple(place, load, supports)
        from, to = supports.minmax
        @span = to - from
        raise statement.fault("the supports of “#{body.name}” are not at two ends", path: "beam", cure: "Choose cantilever, or support both ends.") if @span < extent[axis] / 2

        lever = (place - from).clip(0, @span)
        short = Numo::DFloat.minimum(lever, @span - lever)
        bent = (load * short * (((@span**2) * 3) - ((short**2) * 4))).sum / (48 * bending)
        [(from + to) / 2, bent + ((load * short).sum / 2 / shearing)]
      end

      # Mean of the nodes nearest to that place.
      def deflection_at(result, nodes, place, at)
        away = (place - at).abs
        near = nodes[(away <= away.min + (extent[axis] * 1e-6)).where]
        result.displacement[near, across].mean
      end
    end
  end
end
