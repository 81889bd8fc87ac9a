# frozen_string_literal: true

module Lattice
  module Study
    # How far floors may move against those below.
    class Drift
      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      def at_most = @study.quantity("drift_at_most", "ratio")

      # @raise [InvalidInput]
      def check!(problem)
        return unless at_most
        raise @study.fault("a drift of #{at_most} holds nothing", path: "drift_at_most", cure: "Give a ratio above zero, such as 1.5 %.") unless at_most.positive?
        return if problem.conditions.any?(Load::Conditions::Floor)

        raise @study.fault("there is no floor whose drift it could limit", path: "drift_at_most", cure: "Say which points are floors, or leave the limit out.")
      end

      # @param storeys [Hash] see Storeys#to_h
      # @return [Hash] finding
      def finding(storeys)
        worst = storeys[:drifts].each_index.max_by { |i| storeys[:drifts][i][:drift] }
        found = storeys[:drifts][worst]
        used = at_most && (found[:drift] / at_most)
        { kind: "storeys", statement: @study.id, **storeys, worst: worst, drift: found[:drift], frame: found[:frame], at_most: at_most, utilisation: used, margin: used && (1 - used),
          holds: used.nil? || used <= 1, target: storeys[:floors][worst][:name] }
      end
    end
  end
end
