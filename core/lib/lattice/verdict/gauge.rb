# frozen_string_literal: true

module Lattice
  module Verdict
    # A quantity at a point, or over a place, in every frame.
    class Gauge < Reader
      # @raise [InvalidInput] for a gauge that has no place, or one that is gone
      def check!
        raise statement.fault("it reads nowhere", path: "spot", cure: "Give it a point, or a target.") unless statement["spot"] || statement["target"]

        places if statement["target"]
        raise statement.fault("a reaction is that of a place, not of a point in space", path: "spot", cure: "Give it a target instead.") if statement["spot"] && reaction?
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: a value for every frame, nil where there is none
      def read(result)
        check!
        field = Result::Catalogue.field!(quantity)
        values = statement["spot"] ? at_spot(result) : result.frames.map { |frame| over_place(result, frame.index) }
        { kind: "gauge", statement: statement.id, name: statement.name, quantity: quantity, words: field.words, dimension: field.dimension, how: how, values: values }
      end

      private

      def quantity = statement["quantity"]
      def reaction? = quantity.start_with?("reaction")

      def how
        return "point" if statement["spot"]

        reaction? ? "sum" : statement["how"] || "greatest"
      end

      def places = problem.groups.target!(statement, %i[faces edges points bodies])

      def at_spot(result)
        along = Result::Along.new(result, Numo::DFloat[Shape::Placement.spot(statement["spot"])], reach: reach)
        result.frames.map { |frame| along.field(quantity, frame.index)[0] }
      end

      def over_place(result, frame)
        return summed(result, frame) if reaction?

        return mean(result, frame) if how == "mean"

        values = result.field(quantity, frame)[result.readable(result.grid.points_of(places))].dup
        case how
        when "least" then values[values.abs.min_index]
        else values[values.abs.max_index]
        end
      end

      # By the area (length, volume) that each point stands for.
      def mean(result, frame)
        weights = (@weights ||= {}.compare_by_identity)[result] ||= Result::Shares.new(result.grid, problem).of(places)
        points = result.readable(Numo::Int32.cast(weights.ne(0).where))
        (result.field(quantity, frame)[points] * weights[points]).sum / weights[points].sum
      end

      def summed(result, frame)
        return nil if result.envelope?(frame)

        sum = result.reaction_sum(result.grid.nodes_of(places), frame)
        component = quantity.split("_")[1]
        component ? sum["xyz".index(component)] : Math.sqrt(sum.sum { |c| c * c })
      end
    end
  end
end
