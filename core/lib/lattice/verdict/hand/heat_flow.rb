# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # How much heat flows through a body that is taken for a wall, from one side to the other, or for a fin, which is cooled along it.
      # F. P. Incropera, D. P. DeWitt, Fundamentals of Heat and Mass Transfer: resistances in a row; √(h P k A) θ tanh(m L), the tip as a longer fin.
      class HeatFlow
        FORMS = %w[wall fin].freeze
        V = Shape::Vectors

        # area m², middle [3]
        End = Struct.new(:heating, :area, :middle)

        # @param problem [Study::Problem]
        # @param statement [Model::Statement]
        # @param result [Result::Scalars, nil] nil where nothing is solved yet
        def initialize(problem, statement, result = nil)
          @problem = problem
          @statement = statement
          @result = result
        end

        # @raise [InvalidInput] where it is no such body
        def check!
          body
          statement["flows"] == "wall" ? sides : root
          statement["flows"] == "wall" || air
        end

        # @return [Hash] estimate and computed flow, W
        def call
          check!
          first, estimate = statement["flows"] == "wall" ? wall : fin
          rows = result.found[:heat][:rows]
          { estimate: estimate.abs, computed: rows.find { |row| row[:statement] == first.statement.id }[:power].abs, dimension: "power", what: "flow of heat", direction: @way }
        end

        private

        attr_reader :problem, :statement, :result

        def body
          found = problem.parts.bodies.find { |b| b.name == statement["body"] }
          found || raise(statement.fault("there is no body named “#{statement['body']}”", path: "body", cure: "Choose one that is there."))
        end

        # What heats or cools places of this body.
        def heatings(*hows) = Load::Heating.all(problem).select { |h| hows.include?(h.how) && h.places.any? && h.places.all? { |p| p.body == body.name } }

        def sides
          found = heatings("held", "convection")
          raise statement.fault("a wall wants a temperature or air at either side, and “#{body.name}” has #{found.size} of these", path: "flows", cure: "Give it two, or take it for a fin.") if found.size != 2

          around = found.any? { |h| h.places.size > 1 } || found.map { |h| h.places[0].of }.uniq.size > 1
          raise statement.fault("both sides of a wall are one face each, and “#{body.name}” is held or cooled around", path: "flows", cure: "Take it for a fin.") if around

          found
        end

        def root
          found = heatings("held")
          raise statement.fault("a fin is held at one temperature at its root, and “#{body.name}” has #{found.size} of these", path: "flows", cure: "Hold one end, or take it for a wall.") if found.size != 1

          found[0]
        end

        def air
          found = heatings("convection")
          raise statement.fault("no single air cools “#{body.name}”", path: "flows", cure: "Let air take heat along it.") if found.size != 1

          found[0]
        end

        # Along the line between the middles of both sides.
        def wall
          one, other = sides.map { |h| seen(h) }
          span = distance(one.middle, other.middle)
          area = volume / span
          through = [one, other].select { |side| side.heating.how == "convection" }.sum { |side| 1 / (side.heating.film * area) } + (span / (conductivity * area))
          @way = Hand.named(((other.middle - one.middle) / span).to_a)
          [one.heating, (one.heating.temperature - other.heating.temperature) / through]
        end

        # Along the line from its root to what is farthest from it.
        def fin
          base = seen(root)
          cooled = seen(air)
          nodes = grid.nodes[grid.body_nodes(body.name), true]
          way = V.unit((nodes.mean(0) - base.middle).reshape(1, 3))[0, true]
          span = (nodes - base.middle.reshape(1, 3)).dot(way).max
          area = volume / span
          # A tip that air reaches too is taken for a longer fin.
          tip = air.places.any? { |p| (grid.nodes[grid.nodes_of([p]), true] - base.middle.reshape(1, 3)).dot(way).min > span * 0.99 } ? area : 0.0
          girth = (cooled.area - tip) / span
          m = Math.sqrt(cooled.heating.film * girth / (conductivity * area))
          @way = Hand.named(way.to_a)
          [base.heating, Math.sqrt(cooled.heating.film * girth * conductivity * area) * (base.heating.temperature - cooled.heating.temperature) * Math.tanh(m * (span + (tip / girth)))]
        end

        def seen(heating)
          nodes = grid.nodes_of(heating.places)
          End.new(heating, heating.how == "convection" ? conduction.area(heating) : nil, grid.nodes[nodes, true].mean(0))
        end

        def grid = result.grid
        def conduction = @conduction ||= System::Conduction.new(problem, grid, statement, Study::Monitor.new)
        def volume = conduction.volume(body.name)
        def conductivity = problem.materials[body.name].conductivity
        def distance(one, other) = Math.sqrt(((other - one)**2).sum)
      end
    end
  end
end
