# frozen_string_literal: true

module Lattice
  module Verdict
    # An estimate by hand beside the computed figure: of a beam its deflection, its lowest frequencies or the force at which it
    # buckles; of a rectangular plate its lowest frequency or the stress at which it buckles; of a wall or a fin the heat that flows.
    class HandCheck < Reader
      # What can be told of a part by the kind of study, and for which ends.
      BEAMS = { "vibration" => Hand::Frequency::ENDS.keys, "buckling" => Hand::Buckling::ENDS.keys }.freeze

      # @raise [InvalidInput] when the body is not there, or is neither beam nor plate
      def check!
        return heat_flow.check! if statement["flows"] && suits_heat!

        raise statement.fault("it takes the body neither for a beam nor for a plate", path: "beam", cure: "Choose how its ends or edges are held.") unless statement["beam"] || statement["plate"]

        suits!
        part
      end

      # @param result [Result::Outcome]
      # @return [Array<Hash>] findings: estimate and computed value, difference as a ratio; nil where no shape is of that kind
      def read(result)
        check!
        told = case study["type"]
               when "heat" then [Hand::HeatFlow.new(problem, statement, result).call]
               when "vibration" then Hand::Frequency.new(part, statement, result).call
               when "buckling" then Hand::Buckling.new(part, statement, result).call
               else [Hand::Deflection.new(part, problem, statement, result).call]
               end
        told.map { |found| { kind: "hand_check", statement: statement.id, body: statement["body"], **as, **found, difference: difference(found), holds: nil } }
      end

      private

      def part = @part ||= (statement["plate"] ? Hand::Plate : Hand::Beam).new(problem, statement)
      def study = problem.study!(statement["study"])
      def heat_flow = Hand::HeatFlow.new(problem, statement)
      def as = statement["flows"] ? { flows: statement["flows"] } : as_part
      def as_part = statement["plate"] ? { plate: statement["plate"] } : { beam: statement["beam"] }

      def difference(found)
        found[:computed] && !found[:estimate].zero? ? (found[:computed] - found[:estimate]) / found[:estimate] : nil
      end

      def suits_heat!
        return true if study["type"] == "heat"

        raise statement.fault("no heat flows in a #{study['type']} study", path: "flows", cure: "Choose a heat study, or take the body for a beam.")
      end

      def suits!
        raise statement.fault("a heat study tells nothing of a beam or a plate", path: "beam", cure: "Take the body for a wall or a fin.") if study["type"] == "heat"

        if statement["plate"]
          return if BEAMS.key?(study["type"])

          raise statement.fault("how far a plate bends is not estimated", path: "plate", cure: "Choose a vibration or a buckling study, or take it for a beam.")
        end

        known = BEAMS.fetch(study["type"], Hand::Deflection::ENDS.keys)
        raise statement.fault("nothing is told by hand of a #{statement['beam']} beam in a #{study['type']} study", path: "beam", cure: "Known: #{known.join(', ')}.") unless known.include?(statement["beam"])
      end
    end
  end
end
