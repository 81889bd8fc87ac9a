# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Links that only push, or only pull: one for each place, to the ground or to the place of another region that is
      # nearest. They may have a clearance, or slack, and come only after some cases.
      class OneWay < Join
        acts_on :faces, :edges, :points
        or_ground
        by_stiffness
        comes_and_goes

        def way = statement["way"].to_sym
        def gap = statement.quantity("gap", "length") || 0.0
        def components = grounded? ? %i[x] : []
        def frame = grounded? ? Axes.along(statement.direction) : nil

        def check!
          super
          raise statement.fault("it has no direction", path: "direction", cure: "Say where the ground stands: -z is below.") if grounded? && !statement["direction"]
          raise statement.fault("its gap is below zero", path: "gap", cure: "Give a length of zero or more.") if gap.negative?
          raise statement.fault("its stiffness is not above zero", path: "stiffness", cure: "Give a stiffness above zero, or none.") if stiffness && stiffness <= 0

          unknown = (statement["after"] || []).find { |name| !problem.cases.names.include?(name) }
          raise statement.fault("there is no case named “#{unknown}”", path: "after", cure: "Known: #{problem.cases.names.map { |n| "“#{n}”" }.join(', ')}.") if unknown
        end

        def apply(structure)
          check!
          places.each_with_index { |place, i| link(structure, place, i + 1) }
        end

        private

        def stiffness = statement.quantity("stiffness", "stiffness")

        def link(structure, place, number)
          first = System::RegionMotion.of(structure, [place])
          other = grounded? ? nil : System::RegionMotion.of(structure, [nearest(place)])
          direction = statement["direction"] ? along3 : between(first.at, other.at)
          other = System::RegionMotion.of(structure, [nearest(place)], about: first.at) if other && statement["direction"]
          structure.connectors.add(self, "#{statement['target']} #{number}", [first, other].compact, Axes.along(direction).table, [0],
                                   stiffness: stiffness && Numo::DFloat[stiffness], way: way, gap: gap, off: statement["after"] || [])
        end

        def along3 = statement.direction
        def nearest(place) = others.min_by { |o| Shape::Vectors.norm3(Shape::Vectors.minus3(o.at, place.at)) }

        def between(from, to)
          line = to - from
          length = Math.sqrt((line**2).sum)
          raise statement.fault("both its ends lie at one place, so there is no line between them", path: "direction", cure: "Give a direction.") if length < problem.parts.size * 1e-9

          line / length
        end
      end
    end
  end
end
