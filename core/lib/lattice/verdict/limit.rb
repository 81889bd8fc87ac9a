# frozen_string_literal: true

module Lattice
  module Verdict
    # An allowed value read against a result, body by body where it is a share of a strength.
    class Limit
      STRENGTH = %r{\A\s*(yield|ultimate)\s*(?:([/*])\s*(.+))?\z}
      attr_reader :statement

      # @param statement [Model::Statement] a limit
      # @param problem [Study::Problem]
      def initialize(statement, problem)
        @statement = statement
        @problem = problem
      end

      def quantity = statement["quantity"]
      def dimension = Result::Catalogue.dimension_of(quantity)
      def reaction? = quantity.start_with?("reaction")

      # @raise [InvalidInput] for a target or an allowed value that cannot be read
      def check!
        places.each { |place| allowed(place.body) }
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: the worst of all frames that are judged
      def read(result)
        frames = @problem.cases.judged
        worst = frames.flat_map { |frame| (reaction? ? [of_reaction(result, frame)] : by_body(result, frame)).map { |found| found.merge(frame: frame) } }.max_by { |r| r[:utilisation] }
        worst.merge(kind: "limit", statement: statement.id, quantity: quantity, words: words, target: statement["target"], frame_name: result.frames.size > 1 ? result.frames[worst[:frame]].name : nil,
                    dimension: dimension, margin: 1 - worst[:utilisation], holds: worst[:utilisation] <= 1)
      end

      # @return [String] such as "displacement along x"
      def words = Result::Catalogue.field!(quantity).words

      # @param body [String] whose strength counts
      # @return [Float] in SI
      def allowed(body)
        value = STRENGTH.match(statement["at_most"]) ? strength(body, Regexp.last_match) : typed
        return value if value.positive?

        raise statement.fault("the limit “#{statement['at_most']}” is not above zero", path: "at_most", cure: "Give a value above zero.")
      end

      private

      def places
        @places ||= @problem.groups.target!(statement, %i[faces edges points bodies])
      end

      def typed
        Quantity.parse(statement["at_most"], dimension)
      rescue Quantity::Unreadable => e
        raise statement.fault(e.message, path: "at_most", cure: dimension == "stress" ? "Give a stress, or a share such as yield / 1.5." : "Give a #{dimension}.")
      end

      def strength(body, match)
        raise statement.fault("a strength limits a stress, not a #{dimension}", path: "at_most", cure: "Give a #{dimension}, such as #{Quantity::EXAMPLES[dimension]}.") unless dimension == "stress"
        material = @problem.materials.to_h[body]
        value = material&.public_send(match[1])
        raise statement.fault("the material of “#{body}” has no #{match[1]} strength", path: "at_most", cure: "Give the limit as a stress.") unless value

        match[2] ? scaled(value, match[2], match[3]) : value
      end

      def scaled(value, operator, text)
        factor = Quantity.parse(text, "ratio")
        raise Quantity::Unreadable, "“#{text}” is zero" if factor.zero?

        operator == "/" ? value / factor : value * factor
      rescue Quantity::Unreadable => e
        raise statement.fault(e.message, path: "at_most", cure: "Write it like yield / 1.5.")
      end

      def by_body(result, frame)
        field = size_of(result.field(quantity, frame))
        places.group_by(&:body).map do |body, members|
          points = result.grid.points_of(members)
          at = points[field[points].max_index]
          finding(field[at], allowed(body), result.at(at), body)
        end
      end

      def of_reaction(result, frame)
        sum = result.reaction_sum(result.grid.nodes_of(places), frame)
        component = quantity.split("_")[1]
        value = component ? sum["xyz".index(component)].abs : Math.sqrt(sum.sum { |c| c * c })
        finding(value, allowed(places[0].body), nil, places[0].body)
      end

      def finding(value, allowed, at, body)
        { value: value, allowed: allowed, utilisation: value / allowed, at: at, body: body }
      end

      # What a limit is read against: tension for the greatest principal stress,
      # compression for the least, the size of everything else.
      def size_of(field)
        case quantity
        when "principal_max" then field.clip(0, nil)
        when "principal_min" then (-field).clip(0, nil)
        else field.abs
        end
      end
    end
  end
end
