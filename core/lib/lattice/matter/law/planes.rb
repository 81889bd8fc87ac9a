# frozen_string_literal: true

module Lattice
  module Matter
    module Law
      # The planes that bound the sorted principal stresses of soil, and the way back to them.
      class Planes
        ENOUGH = 1e-10 # of the stress
        # Sets of planes that may be active together: sliding in each pair of principal stresses (one and three, one and two, two and
        # three), and tearing along each.
        SETS = [%i[slide], %i[slide upper], %i[slide lower], %i[tear_one], %i[slide tear_one], %i[tear_one tear_two], %i[slide upper tear_one],
                %i[slide tear_one tear_two], %i[slide lower tear_one], %i[tear_one tear_two tear_three], %i[slide upper lower]].freeze

        # Maps of a set: back [3, 3] and shift [3] of the stress, multipliers [k, 3] and their shift [k], tangent [3, 3], and the
        # symmetric one that it would have if flow followed the planes.
        Map = Struct.new(:back, :shift, :pulls, :pull_shift, :tangent, :even)

        # @param soil [Soil]
        # @param elasticity [Numo::DFloat] [3, 3] of principal stretches
        def initialize(soil, elasticity)
          @elasticity = elasticity
          sin, psi = [soil.friction, soil.dilation].map { |angle| Math.sin(angle) }
          bears = 2 * soil.cohesion * Math.cos(soil.friction)
          @normals = { slide: [1 + sin, 0, sin - 1], upper: [1 + sin, sin - 1, 0], lower: [0, 1 + sin, sin - 1], tear_one: [1, 0, 0], tear_two: [0, 1, 0], tear_three: [0, 0, 1] }
          @flows = @normals.merge(slide: [1 + psi, 0, psi - 1], upper: [1 + psi, psi - 1, 0], lower: [0, 1 + psi, psi - 1])
          tears = soil.tension
          @limits = { slide: bears, upper: bears, lower: bears, tear_one: tears, tear_two: tears, tear_three: tears }
          @maps = SETS.filter_map { |set| map(set) }
          @all = Numo::DFloat.cast(@normals.values)
          @bounds = Numo::DFloat.cast(@limits.values)
          @scale = soil.cohesion
        end

        # @param stress [Numo::DFloat] [k, 3], the greatest first
        # @return [Numo::Int32] those that are beyond a plane
        def passed(stress) = Numo::Int32.cast((beyond(stress) > tolerance(stress)).where)

        # @param stress [Numo::DFloat] [k, 3] beyond a plane
        # @return [Array(Numo::DFloat, Numo::DFloat, Numo::DFloat)] stress [k, 3] within all, tangents [k, 3, 3], and symmetric ones
        def back(stress)
          found = stress.dup
          tangents, evens = Array.new(2) { Numo::DFloat.zeros(stress.shape[0], 3, 3) }
          left = Numo::Int32.new(stress.shape[0]).seq
          slack = tolerance(stress)
          @maps.each do |map|
            break if left.empty?

            own = stress[left, true].dup
            brought = own.dot(map.back.transpose) + map.shift
            pulls = own.dot(map.pulls.transpose) + map.pull_shift
            good = (pulls.min(1) >= -1e-12) & (beyond(brought) <= slack[left])
            here = left[good.where]
            next if here.empty?

            found[here, true] = brought[good.where, true]
            [[tangents, map.tangent], [evens, map.even]].each { |all, one| all[here, true, true] = Numo::DFloat.zeros(here.size, 3, 3) + one.reshape(1, 3, 3) }
            left = left[good.eq(0).where].dup
          end
          [found, tangents, evens]
        end

        private

        def tolerance(stress) = (stress.abs.max(1) + @scale) * ENOUGH
        def beyond(stress) = (stress.dot(@all.transpose) - @bounds.reshape(1, @bounds.size)).max(1)

        # @return [Map, nil] nil where the planes of a set do not meet in one place
        def map(set)
          normals, flows = [@normals, @flows].map { |all| Numo::DFloat.cast(set.map { |name| all[name] }) }
          bounds = Numo::DFloat.cast(set.map { |name| @limits[name] })
          resists = normals.dot(@elasticity).dot(flows.transpose)
          return if Numo::Linalg.det(resists).abs < (resists.abs.max**set.size) * 1e-12

          pulls = Numo::Linalg.inv(resists)
          slides = @elasticity.dot(flows.transpose).dot(pulls)
          straight = @elasticity.dot(normals.transpose)
          own = straight.dot(Numo::Linalg.inv(normals.dot(straight)))
          back = Numo::DFloat.eye(3) - slides.dot(normals)
          Map.new(back, slides.dot(bounds), pulls.dot(normals), -pulls.dot(bounds), back.dot(@elasticity), @elasticity - own.dot(normals.dot(@elasticity)))
        end
      end
    end
  end
end
