# frozen_string_literal: true

module Lattice
  module Mesh
    # What stands in the way of filling bodies with elements, and where: surfaces that cut
    # themselves, bodies that overlap, walls too thin for the elements asked for.
    module Faults
      V = Shape::Vectors
      DEEP = 0.01 # of the smaller body: round faces of different facets cut each other by less

      SAMPLES = 150 # triangles of a body that are looked at in another
      PLACES = 60   # where bodies cross that are looked at

      module_function

      # @param bodies [Array<Shape::Body>]
      # @raise [InvalidInput] when solids reach into each other
      def check_overlaps(bodies)
        bodies.select(&:solid?).combination(2) do |one, other|
          depth = [one, other].map(&:size).min * DEEP
          next unless boxes_meet?(one, other, depth)

          at = crossing(one, other, depth) || inside(one, other, depth) || inside(other, one, depth) or next
          raise InvalidInput.at("“#{one.name}” and “#{other.name}” overlap near #{place(at)}", cure: "Move one of them, cut one with the other, or combine them.", place: at)
        end
      end

      # @param bodies [Array<Shape::Body>] meshed as one
      # @param plan [SizingPlan]
      # @raise [InvalidInput] when a body has faces or edges that no element fits
      def check_needles(bodies, plan)
        bodies.reject(&:members?).each { |body| (found = Needles.new(body, plan).call) && raise(found) }
      end

      # @param cluster [Array<Shape::Body>] meshed as one
      # @param stuck [Tetra::Recovery::Stuck]
      # @param plan [SizingPlan]
      # @return [InvalidInput]
      def stuck(cluster, stuck, plan)
        found = cut_in(cluster) and return found
        at = stuck.at[0, true].to_a
        thin = thickness(cluster, stuck.at)
        return thin_wall(cluster, at, thin) if thin && thin < plan.size

        refusal(cluster, at, "cannot be filled with tetrahedra of #{length(plan.size)}", "Choose a smaller size there; if that does not help, look for faces that touch each other.")
      end

      # @param error [Tetra::Mesher::TooThin]
      # @return [InvalidInput]
      def too_thin(cluster, error)
        found = cut_in(cluster) and return found
        refusal(cluster, error.at, "has walls #{length(error.thickness)} thin, which would take about #{Quantity::Display.number(error.elements.to_f)} elements",
                "Make them faces with a thickness, or choose a larger size.")
      end

      def thin_wall(cluster, at, thin)
        refusal(cluster, at, "has a wall only #{length(thin)} thin, which could not be filled with tetrahedra",
                "Give a size of about #{length(thin * 2)} there, or make the wall a face with a thickness.")
      end

      def cut_in(cluster) = cluster.lazy.filter_map { |body| cut(body) }.first

      # @return [InvalidInput, nil] when the surface of a body passes through itself
      def cut(body)
        facets = body.facets
        places, one, other = Shape::Crossings.new(facets.points, facets.triangles).call
        return nil if places.empty?

        names = [one, other].map { |t| "“#{facets.faces[facets.owners[t[0]]].name}”" }.uniq
        what = names.size == 1 ? "#{names[0]} passes through itself" : "#{names[0]} passes through #{names[1]}"
        at = places[0, true].to_a
        InvalidInput.at("the surface of “#{body.name}” cuts itself near #{place(at)}: #{what}", cure: "Mend it where it was drawn, or leave that body out.", place: at)
      end

      # @return [Float, nil] m, the thickness of the material nearest to places, where it is thin
      def thickness(cluster, places)
        cluster.filter_map do |body|
          source = Remeshing::Source.new(body.facets, body.size)
          sheet = Remeshing::Sheet.new(source, SizeField.new(*body.facets.bounds, body.size / 20))
          at, thick, = Remeshing::Thickness.new(sheet).call(body.size / 40)
          next if thick.empty?

          away = ((at - places[0, true].reshape(1, 3))**2).sum(1)
          thick[away.min_index] if Math.sqrt(away.min) < body.size / 20
        end.min
      end

      def boxes_meet?(one, other, depth)
        (low, high), (low2, high2) = [one, other].map { |b| b.facets.bounds }
        (0..2).all? { |k| high[k] - depth > low2[k] && high2[k] - depth > low[k] }
      end

      # @return [Array<Float>, nil] a place where two bodies pass through each other
      def crossing(one, other, depth)
        facets = [one, other].map(&:facets)
        counts = facets.map { |f| f.points.shape[0] }
        groups = Numo::Int32.zeros(facets[0].count).concatenate(Numo::Int32.ones(facets[1].count))
        triangles = Numo::Int32.vstack([facets[0].triangles, facets[1].triangles + counts[0]])
        places, mine, its = Shape::Crossings.new(Numo::DFloat.vstack(facets.map(&:points)), triangles).call(groups, depth: depth)
        return nil if places.empty?

        normals = Numo::DFloat.vstack(facets.map { |f| f.flat[0] })
        inward = V.unit(normals[mine, true] + normals[its, true]) * (-2 * depth)
        corners = facets.map(&:corners)
        # Facets of round faces that lie on each other cross too, but there is nothing within both.
        row = (0...places.shape[0]).step((places.shape[0] / PLACES.to_f).ceil).find { |i| corners.all? { |c| within?(places[i, true] + inward[i, true], c) } }
        row && places[row, true].to_a
      end

      # @return [Array<Float>, nil] the middle of a triangle of +one+ that lies so deep within +other+
      def inside(one, other, depth)
        middles = one.facets.corners.reduce(:+) / 3
        step = (middles.shape[0] / SAMPLES.to_f).ceil
        corners = other.facets.corners
        (0...middles.shape[0]).step(step) do |row|
          at = middles[row, true].dup
          return at.to_a if within?(at, corners) && distance(at, corners) > depth
        end
        nil
      end

      # The solid angle of a closed surface is 4 π from within (A. van Oosterom, J. Strackee, 1983).
      def within?(at, corners)
        a, b, c = corners.map { |corner| corner - at }
        la, lb, lc = [a, b, c].map { |v| V.norm(v) }
        below = (la * lb * lc) + (V.dot(a, b) * lc) + (V.dot(b, c) * la) + (V.dot(c, a) * lb)
        (Numo::NMath.atan2(V.dot(a, V.cross(b, c)), below).sum * 2).abs > 3 * Math::PI
      end

      def distance(at, corners)
        points = Numo::DFloat.zeros(*corners[0].shape) + at
        Math.sqrt(Remeshing::ClosestPoint.call(points, *corners)[1].min)
      end

      def refusal(cluster, at, what, cure)
        at = tidy(at, cluster[0].size)
        InvalidInput.at("the body “#{cluster.map(&:name).join('” or “')}” #{what}, near #{place(at)}", cure: cure, place: at)
      end

      # @return [Array<Float>] the same, with nothing where rounding left a trace
      def tidy(at, size) = at.map { |c| c.abs < size * 1e-7 ? 0.0 : c }
      def place(at) = at.map { |c| length(c) }.join("; ")
      def length(value) = Quantity::Display.format(value, "length")
    end
  end
end
