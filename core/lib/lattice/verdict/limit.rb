# frozen_string_literal: true

module Lattice
  module Verdict
    # An allowed value read against a result, body by body where it is a share of a strength.
    class Limit < Reader
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
        frames = result.judged(@problem.cases)
        worst = frames.flat_map { |frame| (reaction? ? [of_reaction(result, frame)] : by_body(result, frame)).map { |found| found.merge(frame: frame) } }.max_by { |r| r[:utilisation] }
        worst.merge(kind: "limit", statement: statement.id, quantity: quantity, words: words, target: statement["target"], frame_name: named(result, worst[:frame]),
                    dimension: dimension, margin: 1 - worst[:utilisation], holds: worst[:utilisation] <= 1)
      end

      # @return [String] such as "displacement along x"
      def words = Result::Catalogue.field!(quantity).words

      # @param body [String] whose strength counts
      # @return [Float] in SI
      def allowed(body) = Allowed.new(statement, "at_most", dimension, @problem).of(body)

      private

      def places
        @places ||= @problem.groups.target!(statement, %i[faces edges points bodies])
      end

      def by_body(result, frame)
        field = size_of(result.field(quantity, frame))
        places.group_by(&:body).map do |body, members|
          points = result.readable(result.grid.points_of(members))
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
