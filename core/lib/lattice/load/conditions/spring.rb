# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Springs of a place: to the ground along components, shared by area (or length), among points evenly; to another
      # region between the motions of both, along components or the line between them. Turns have a stiffness of their own.
      class Spring < Join
        acts_on :faces, :edges, :points
        or_ground
        by_stiffness
        comes_and_goes

        TURNS = %w[rx ry rz].freeze

        # @return [System::ForceCurve, nil]
        def curve
          points = statement["curve"] or return
          moves, forces = { "at" => "length", "force" => "force" }.map { |key, dimension| points.each_index.map { |i| statement.quantity("curve.#{i}.#{key}", dimension) } }
          falls = moves.each_cons(2).find_index { |a, b| b <= a }
          raise statement.fault("its curve does not go on from point to point", path: "curve.#{falls + 1}.at", cure: "Give the points in the order of their elongation, each once.") if falls

          rest = moves.index(0.0)
          raise statement.fault("its curve does not go through rest", path: "curve.#{rest || 0}.force", cure: "Give it a point of no force at no elongation.") unless rest && forces[rest].zero?

          System::ForceCurve.typed(moves, forces)
        end

        # Shared over a place on the ground it stays in all stages.
        def changes? = super && !shared?

        def components = slides.map(&:to_sym) + turns.map(&:to_sym)
        # Of one with a curve that at rest.
        def stiffness = curve&.stiffness || statement.quantity("stiffness", "stiffness")
        def turning = statement.quantity("turning", "moment")

        def check!
          super
          check_curve
          raise statement.fault("it has no stiffness", path: "stiffness", cure: "Give a stiffness along components, or one of turning.") if stiffness.nil? && turning.nil?

          lacks = { "components" => stiffness, "about" => turning }.find { |field, value| value && statement[field].nil? }
          raise statement.fault("it has a stiffness, but not along what", path: lacks[0], cure: lacks[0] == "about" ? "Say about which axes it holds turns." : "Choose its components.") if lacks

          # A curve may have slack at rest.
          weak = { "stiffness" => statement["curve"] ? nil : stiffness, "turning" => turning }.find { |_, value| value && !value.positive? } or return check_line
          raise statement.fault("its #{weak[0] == 'turning' ? 'stiffness of turning' : 'stiffness'} is not above zero", path: weak[0], cure: "Give a stiffness above zero, such as 5 kN/mm.")
        end

        def apply(structure)
          check!
          return shared(structure) if shared?

          sides = [places, others].reject(&:empty?).map { |list| System::RegionMotion.of(structure, list) }
          moved(structure, sides) unless slides.empty?
          turned(structure, sides) unless turns.empty?
        end

        private

        def shared? = grounded? && turns.empty? && statement["curve"].nil?
        def line? = statement["components"]&.include?("line")
        # Whatever its curve is like.
        def slides = statement["curve"] || stiffness ? statement["components"] || [] : []
        def turns = turning ? statement["about"] || [] : []

        def check_curve
          raise statement.fault("it has a stiffness, and a curve as well", path: "stiffness", cure: "Leave one of them out.") if statement["curve"] && statement["stiffness"]
        end

        def check_line
          return unless line?

          raise statement.fault("to the ground there is no line to act along", path: "components", cure: "Choose x, y or z, or another region.") if grounded?
          raise statement.fault("it acts along the line between both, and along components too", path: "components", cure: "Choose the line alone, or x, y, z.") if slides.size > 1
        end

        # Between the middles of both, or where they would turn about one point.
        def moved(structure, sides)
          return add(structure, sides, Axes.along(between(sides)), [0], stiffness, curve: curve) if line?

          numbers = slides.map { |c| "xyz".index(c) }
          meet = sides.size == 1 ? sides : [sides[0], System::RegionMotion.of(structure, others, about: sides[0].at)]
          # Connectors count how far what holds is ahead.
          add(structure, meet, Axes.new, numbers, stiffness, curve: curve&.mirrored)
        end

        def turned(structure, sides)
          raise statement.fault("a point of a solid does not turn", path: "target", cure: "Choose faces, or edges that are not straight.") unless sides.all?(&:turns?)

          add(structure, sides, Axes.new, turns.map { |c| TURNS.index(c) + 3 }, turning)
        end

        def add(structure, sides, axes, numbers, value, **more)
          structure.connectors.add(self, "spring of “#{statement['target']}”", sides, axes.table, numbers, stiffness: Numo::DFloat.zeros(numbers.size).fill(value), **more)
        end

        def between(sides)
          line = sides[1].at - sides[0].at
          length = Math.sqrt((line**2).sum)
          raise statement.fault("both its regions have the same middle, so there is no line between them", path: "components", cure: "Choose x, y or z.") if length < problem.parts.size * 1e-9

          line / length
        end

        def shared(structure)
          shares = places.map { |place| [structure.grid.places.fetch(place.key), structure.surface(place).shares] }
          each = stiffness / shares.sum { |_, share| share.sum }
          shares.each { |conn, share| components.each { |name| structure.stiffen(conn, name, share * each) } }
        end
      end
    end
  end
end
