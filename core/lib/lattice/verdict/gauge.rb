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
        values = reaction? ? result.frames.map { |frame| summed(result, frame.index) } : read_of(result)
        { kind: "gauge", statement: statement.id, name: statement.name, quantity: quantity, words: field.words, dimension: field.dimension, how: how, values: values, **swung(result, values) }
      end

      private

      def quantity = statement["quantity"]
      def reaction? = quantity.start_with?("reaction")

      def how
        return "point" if statement["spot"]

        reaction? ? "sum" : statement["how"] || "greatest"
      end

      def places = problem.groups.target!(statement, %i[faces edges points bodies])

      # @return [Array<Float, nil>] of every frame
      def read_of(result)
        return Result::Along.new(result, Numo::DFloat[Shape::Placement.spot(statement["spot"])], reach: reach).series(quantity)[true, 0].to_a.map { |v| v.nan? ? nil : v } if statement["spot"]

        points = result.readable(result.grid.points_of(places))
        return means(result) if how == "mean"

        series = result.series(quantity, points)
        series.shape[0].times.map do |frame|
          row = series[frame, true]
          row[how == "least" ? row.abs.min_index : row.abs.max_index]
        end
      end

      # Where it is most of all, and how far it lags behind there, where frames are frequencies.
      def swung(result, values)
        return {} unless result.is_a?(Result::Swept)

        best = result.frequencies.select { |f| values[f] }.max_by { |f| values[f].abs } or return {}
        point = statement["spot"] ? nearest(result) : result.readable(result.grid.points_of(places)).then { |points| points[result.field(quantity, best)[points].max_index] }
        still = result.still(quantity, Numo::Int32[point])
        { peak: best, lags: result.lags(quantity, point), amplification: still&.positive? ? values[best].abs / still : nil, one_mass: one_mass(result, best) }
      end

      # By hand: how many times its movement at rest one mass on a spring swings, of the mode that is nearest.
      def one_mass(result, frame)
        at = result.frames[frame].value
        mode = (result.found.dig(:sweep, :modes) || []).select { |m| m[:frequency].positive? }.min_by { |m| (m[:frequency] - at).abs } or return
        r = at / mode[:frequency]
        { mode: mode[:number], amplification: 1 / Math.sqrt(((1 - (r**2))**2) + ((2 * mode[:damping] * r)**2)) }
      end

      def nearest(result) = ((result.grid.nodes[result.grid.points.nodes, true] - Numo::DFloat[Shape::Placement.spot(statement["spot"])])**2).sum(1).min_index

      # By the area (length, volume) that each point stands for.
      def means(result)
        weights = Result::Shares.new(result.grid, problem).of(places)
        points = result.readable(Numo::Int32.cast(weights.ne(0).where))
        (result.series(quantity, points).dot(weights[points]) / weights[points].sum).to_a
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
