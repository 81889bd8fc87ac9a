# frozen_string_literal: true

module Lattice
  module Element
    module Shell
      # Flat shells of four and three nodes with six unknowns each, thin to moderately thick: a membrane
      # and a plate side by side in the frame of each element.
      class Block
        NAMES = %i[x y z rx ry rz].freeze
        CHUNK = 500
        SHEAR = 5.0 / 6
        MEMBRANE = [0, 1, 5].freeze
        BENDING = [2, 3, 4].freeze

        # What is known at the nodes of every element, in its frame: forces n (11, 22, 12) and moments m per length,
        # shears q per length [e, n, 3 or 2], and the axes [e, 3, 3].
        Resultants = Struct.new(:forces, :moments, :shears, :axes)

        # @param coordinates [Numo::DFloat] [e, n, 3], three or four nodes
        # @param thickness [Float] m
        # @param young [Float] Pa
        # @param poisson [Float]
        # @param offset [Float] m, of the middle of the sheet from the nodes along the normal
        def initialize(coordinates, thickness:, young:, poisson:, offset: 0.0)
          @coordinates = coordinates
          @elements, @nodes, = coordinates.shape
          @thickness = thickness
          @offset = offset
          @poisson = poisson
          plane = PlaneStress.elasticity(young, poisson)
          @stretch = plane * thickness
          @bend = plane * ((thickness**3) / 12)
          @modulus = young / (2 * (1 + poisson))
        end

        def names = NAMES

        # @return [Numo::DFloat] [6, 6, e, n, n]
        def stiffness
          result = Numo::DFloat.zeros(6, 6, @elements, @nodes, @nodes)
          in_chunks do |range|
            k = local(range)
            t = Frame.new(@coordinates[range, true, true].dup).transforms.map { |one| offset(one) }
            (0...@nodes).to_a.product((0...@nodes).to_a).each do |a, b|
              turned = Numo::Linalg.matmul(t[a].transpose(0, 2, 1).dup, Numo::Linalg.matmul(k[true, a, true, b, true].dup, t[b]))
              result[true, true, range, a, b] = turned.transpose(1, 2, 0)
            end
          end
          result
        end

        # Masses of movements and, with the thickness, of turns: ∫ N N.
        # @param density [Float] kg/m³
        # @return [Numo::DFloat] [6, 6, e, n, n]
        def mass(density)
          diagonal(([density * @thickness] * 3) + ([density * (@thickness**3) / 12] * 3)) do |_, points|
            products = (points.values.reshape(points.count, @nodes, 1) * points.values.reshape(points.count, 1, @nodes)).reshape(points.count, @nodes**2)
            points.areas.dot(products).reshape(points.elements, @nodes, @nodes)
          end
        end

        # What forces in the sheet add to the stiffness of movements: ∫ ∇Nᵀ n ∇N.
        # @param u [Numo::DFloat] [e, n, 6] global, that brings the forces
        # @return [Numo::DFloat] [6, 6, e, n, n]
        def geometric(u, free = 0.0)
          forces = resultants(u, free).forces
          diagonal([1.0, 1.0, 1.0, 0.0, 0.0, 0.0]) do |range, points|
            e, g, _, n = points.slopes.shape
            at = points.values.dot(forces[range, true, true].transpose(1, 0, 2).dup.reshape(n, e * 3)).reshape(g, e, 3).transpose(1, 0, 2).dup
            tensor = Numo::DFloat.zeros(e, g, 2, 2)
            { [0, 0] => 0, [1, 1] => 1, [0, 1] => 2, [1, 0] => 2 }.each { |(i, j), row| tensor[true, true, i, j] = at[true, true, row] }
            weighted = (points.slopes * points.areas.reshape(e, g, 1, 1)).reshape(e * g, 2, n)
            pressed = Numo::Linalg.matmul(tensor.reshape(e * g, 2, 2), weighted).reshape(e, g * 2, n)
            Numo::Linalg.matmul(points.slopes.reshape(e, g * 2, n).transpose(0, 2, 1).dup, pressed)
          end
        end

        # @return [Numo::DFloat] [e, n] share of the area that goes with each node, m²
        def node_areas
          result = Numo::DFloat.zeros(@elements, @nodes)
          in_chunks { |range| result[range, true] = points(range)[1].then { |p| p.areas.dot(p.values) } }
          result
        end

        # @return [Numo::DFloat] [1, 1, e, n, n] ∫ ∇Nᵢ ∇Nⱼ over the sheet as thick as it is, to be multiplied by the conductivity
        def conduction
          result = Numo::DFloat.zeros(1, 1, @elements, @nodes, @nodes)
          in_chunks do |range|
            _, points = points(range)
            e, g, _, n = points.slopes.shape
            weighted = (points.slopes * points.areas.reshape(e, g, 1, 1)).reshape(e, g * 2, n)
            result[0, 0, range, true, true] = Numo::Linalg.matmul(points.slopes.reshape(e, g * 2, n).transpose(0, 2, 1).dup, weighted) * @thickness
          end
          result
        end

        # @param table [Numo::DFloat] [e, n]
        # @return [Numo::DFloat] [e, n, 3] its mean slope in each element
        def slopes_of(table)
          result = Numo::DFloat.zeros(@elements, @nodes, 3)
          in_chunks do |range|
            frame, points = points(range)
            e, g, _, n = points.slopes.shape
            mean = Numo::Linalg.matmul(points.slopes.reshape(e, g * 2, n), table[range, true].reshape(e, n, 1)).reshape(e, g, 2).mean(1)
            slope = Numo::Linalg.matmul(frame.rotation[true, 0..1, true].transpose(0, 2, 1).dup, mean.reshape(e, 2, 1)).reshape(e, 1, 3)
            result[range, true, true] = slope + Numo::DFloat.zeros(e, n, 3)
          end
          result
        end

        # Forces at the nodes that a unit of strain in the plane, the same in all directions, brings: those of the
        # movement that it would be, had the element nothing else to follow.
        # @return [Numo::DFloat] [e, n, 6]
        def swelling
          result = Numo::DFloat.zeros(@elements, @nodes, 6)
          in_chunks do |range|
            frame, = points(range)
            moved = Numo::DFloat.zeros(range.size, @nodes, 6).tap { |u| u[true, true, 0..1] = frame.plane }
            force = Numo::Linalg.matmul(local(range).reshape(range.size, @nodes * 6, @nodes * 6), moved.reshape(range.size, @nodes * 6, 1)).reshape(range.size, @nodes, 6)
            frame.transforms.each_with_index { |t, a| result[range, a, true] = Numo::Linalg.matmul(offset(t).transpose(0, 2, 1).dup, force[true, a, true].dup.reshape(range.size, 6, 1)).reshape(range.size, 6) }
          end
          result
        end

        def node_volumes = node_areas * @thickness

        # @param u [Numo::DFloat] [e, n, 6] global
        # @param free [Float, Numo::DFloat] strain in the plane that brings no force; [e] where it varies
        # @return [Resultants]
        def resultants(u, free = 0.0)
          found = Resultants.new(*[3, 3, 2].map { |rows| Numo::DFloat.zeros(@elements, @nodes, rows) }, Numo::DFloat.zeros(@elements, 3, 3))
          in_chunks do |range|
            frame, points = points(range)
            local = local_movement(frame, u[range, true, true].dup)
            local[true, true, 0..1] = local[true, true, 0..1] - (frame.plane * (free.is_a?(Float) ? free : free[range].reshape(range.size, 1, 1)))
            found.axes[range, true, true] = frame.rotation
            fill(found, range, points, local)
          end
          found
        end

        # Strains in the sheet and its curvatures as sums of the movements of the nodes, at the points.
        # @param range [Range] of elements
        # @return [Array<Numo::DFloat>] twice [e, g, 3, n 6], and the areas that go with the points [e, g]
        def operators(range)
          frame, points = points(range)
          e = range.size
          parts = [[MEMBRANE, ->(u) { membrane(points).strain(u) }], [BENDING, ->(u) { plate(points).curvature(u) }]].map do |own, strain|
            local = Numo::DFloat.zeros(e, points.count, 3, @nodes, 6)
            @nodes.times { |a| own.each_with_index { |name, i| local[true, true, true, a, name] = one_by_one(strain, e, (a * 3) + i, points.count) } }
            turned = Numo::DFloat.zeros(e, points.count, 3, @nodes, 6)
            frame.transforms.each_with_index { |t, a| turned[true, true, true, a, true] = Numo::Linalg.matmul(local[true, true, true, a, true].dup.reshape(e, points.count * 3, 6), offset(t)).reshape(e, points.count, 3, 6) }
            turned.reshape(e, points.count, 3, @nodes * 6)
          end
          [*parts, points.areas]
        end

        # @param plane [Numo::DFloat] [y, n, 3] stress in the sheet at the nodes of some elements; nothing goes across
        # @param elements [Numo::Int32] [y]
        # @return [Numo::DFloat] [y, n, 6] global
        def in_sheet(plane, elements)
          Turned.stress(plane, Numo::DFloat.zeros(*plane.shape[0..1], 2), Frame.new(@coordinates[elements, true, true].dup).rotation)
        end

        # Stress at the nodes, in global components [e, n, 6].
        # @param place [Float] from -1 at the bottom to 1 at the top
        def stress(resultants, place)
          plane = (resultants.forces / @thickness) + (resultants.moments * (6 * place / (@thickness**2)))
          shear = resultants.shears * (1.5 * (1 - (place**2)) / @thickness)
          Turned.stress(plane, shear, resultants.axes)
        end

        private

        # @param factors [Array<Float>] of the six components
        # @yield [Range, Points]; answers [e, n, n]
        def diagonal(factors)
          result = Numo::DFloat.zeros(6, 6, @elements, @nodes, @nodes)
          in_chunks { |range| yield(range, points(range)[1]).then { |part| factors.each_with_index { |f, i| result[i, i, range, true, true] = part * f unless f.zero? } } }
          result
        end

        def in_chunks
          (0...@elements).step(CHUNK) { |first| yield first...[first + CHUNK, @elements].min }
        end

        def points(range)
          frame = Frame.new(@coordinates[range, true, true].dup)
          [frame, Points.new(frame.plane)]
        end

        # What a unit of one unknown strains: [e, g, 3]
        def one_by_one(strain, elements, unknown, points)
          unit = Numo::DFloat.zeros(elements, @nodes * 3).tap { |u| u[true, unknown] = 1.0 }
          found = strain.call(unit)
          found.ndim == 3 ? found : found.reshape(elements, 1, 3) + Numo::DFloat.zeros(elements, points, 3)
        end

        def membrane(points)
          @nodes == 4 ? Membrane.new(points, @stretch, @modulus * @thickness) : TriangleMembrane.new(points.plane, @stretch, @poisson)
        end

        def plate(points) = Plate.new(points, @bend, @modulus * @thickness * SHEAR)

        # [e, n, 6, n, 6] in the frames
        def local(range)
          _, points = points(range)
          e = range.size
          result = Numo::DFloat.zeros(e, @nodes, 6, @nodes, 6)
          [[MEMBRANE, membrane(points)], [BENDING, plate(points)]].each do |own, part|
            k = part.call.reshape(e, @nodes, 3, @nodes, 3)
            own.each_with_index { |r, i| own.each_with_index { |c, j| result[true, true, r, true, c] = k[true, true, i, true, j] } }
          end
          result
        end

        # The sheet's middle moves with the node as a rigid body.
        def offset(transform)
          return transform if @offset.zero?

          transform.dup.tap do |t|
            t[true, 0, true] += transform[true, 4, true] * @offset
            t[true, 1, true] -= transform[true, 3, true] * @offset
          end
        end

        # [e, n, 6] in the frames
        def local_movement(frame, u)
          Numo::DFloat.zeros(*u.shape).tap do |all|
            frame.transforms.each_with_index { |t, a| all[true, a, true] = Numo::Linalg.matmul(offset(t), u[true, a, true].dup.reshape(u.shape[0], 6, 1)).reshape(u.shape[0], 6) }
          end
        end

        def fill(found, range, points, local)
          e = range.size
          in_plane = local[true, true, MEMBRANE].dup.reshape(e, @nodes * 3)
          out = local[true, true, BENDING].dup.reshape(e, @nodes * 3)
          plate = plate(points)
          found.forces[range, true, true] = forces(membrane(points), in_plane)
          # Positive moments stretch the top.
          found.moments[range, true, true] = at_nodes(product(plate.curvature(out), @bend))
          found.shears[range, true, true] = at_nodes(plate.shear_strain(out) * (@modulus * @thickness * SHEAR))
        end

        # N12 is taken constant, from the middle.
        def forces(membrane, u)
          strain = membrane.strain(u)
          return product(strain, @stretch).reshape(strain.shape[0], 1, 3) + Numo::DFloat.zeros(strain.shape[0], @nodes, 3) if @nodes == 3

          found = at_nodes(product(strain, @stretch))
          found[true, true, 2] = found[true, true, 2].mean(1).reshape(found.shape[0], 1)
          found
        end

        def product(rows, matrix) = rows.reshape(rows.size / 3, 3).dot(matrix).reshape(*rows.shape)

        # From the integration points to the nodes, by the linear fit.
        def at_nodes(values)
          e, g, rows = values.shape
          fit.dot(values.transpose(1, 0, 2).dup.reshape(g, e * rows)).reshape(@nodes, e, rows).transpose(1, 0, 2).dup
        end

        def fit
          @fit ||= begin
            terms = @nodes == 4 ? ->(p) { [1, p[0], p[1], p[0] * p[1]] } : ->(p) { [1, *p] }
            corners = @nodes == 4 ? Frame::REFERENCE[4] : [[0, 0], [1, 0], [0, 1]]
            Numo::DFloat.cast(corners.map(&terms)).dot(Numo::Linalg.pinv(Numo::DFloat.cast(Points::RULES[@nodes][0].map(&terms))))
          end
        end
      end
    end
  end
end
