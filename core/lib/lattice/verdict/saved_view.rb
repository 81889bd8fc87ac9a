# frozen_string_literal: true

module Lattice
  module Verdict
    # How a result is looked at, as a statement keeps it: read into SI for whoever draws it.
    class SavedView
      # What is only looked at keeps nothing from being solved.
      # @param problem [Study::Problem]
      # @return [Array<Fault>] of all views
      def self.faults(problem)
        problem.document.active("view").flat_map do |statement|
          new(statement, problem).check!
          []
        rescue InvalidInput => e
          e.faults
        end
      end

      # @param statement [Model::Statement]
      # @param problem [Study::Problem]
      def initialize(statement, problem)
        @statement = statement
        @problem = problem
      end

      # @raise [InvalidInput] for what it shows that is not there
      def check!
        raise @statement.fault("there is no study named “#{@statement['study']}”", path: "study", cure: "Choose one that the note has.") unless @problem.studies.any? { |s| s.name == @statement["study"] }
        raise @statement.fault("“#{@statement['field']}” is not a field", path: "field", cure: "Known: #{Result::Catalogue::FIELDS.keys.join(', ')}.") unless Result::Catalogue::FIELDS.key?(@statement["field"])

        gone = (@statement["hidden"] || []).find { |name| @problem.parts.body(name).nil? }
        raise @statement.fault("there is no body named “#{gone}”", path: "hidden", cure: "Keep the view again from the window.") if gone

        scale = ends
        if scale.compact.size == 2 && scale[0] >= scale[1]
          raise @statement.fault("the scale ends at #{@statement['high']}, which is not above #{@statement['low']}", path: "high",
                                                                                                                     cure: "Give an upper end above the lower.")
        end
        raise @statement.fault("the eye has no direction", path: "camera.from", cure: "Keep the view again from the window.") if @statement.data.dig("camera", "from")&.all?(&:zero?)
      end

      # @return [Hash] ends in the field's unit of SI, lengths in m
      def to_h
        camera, around, cut = @statement.data.values_at("camera", "around", "cut")
        { low: ends[0], high: ends[1],
          camera: camera && { from: camera["from"], at: Shape::Placement.spot(camera["at"]), height: @statement.quantity("camera.height", "length") },
          around: around && { axis: around["axis"], through: Shape::Placement.spot(around["through"]) },
          cut: cut && { axis: cut["axis"], at: @statement.quantity("cut.at", "length"), turned: cut["turned"] == true } }
      end

      private

      def ends
        @ends ||= %w[low high].map do |key|
          @statement[key] && @statement.quantity(key, Result::Catalogue.dimension_of(@statement["field"]))
        rescue Quantity::Unreadable => e
          raise @statement.fault(e.message, path: key, cure: "Give it in a unit of the field.")
        end
      end
    end
  end
end
