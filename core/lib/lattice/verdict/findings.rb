# frozen_string_literal: true

module Lattice
  module Verdict
    # What a study's result says: balance, hand checks, and the verdict on every limit.
    class Findings
      BALANCED = 1e-6

      # @param problem [Study::Problem]
      # @param study [Model::Statement]
      # @param result [Result::Static]
      def initialize(problem, study, result)
        @problem = problem
        @study = study
        @result = result
      end

      # @return [Hash] study, findings, summary; numbers in SI
      def to_h
        { study: @study.name, units: @problem.document.units, findings: findings, summary: summary,
          holds: findings.select { |f| f[:kind] == "limit" }.all? { |f| f[:holds] } }
      end

      # @return [Array<Hash>]
      def findings
        @findings ||= [equilibrium, *each_of("hand_check", HandCheck), *each_of("limit", Limit)]
      end

      private

      def each_of(kind, reader)
        @problem.document.active(kind).select { |s| s["study"] == @study.name }.map { |s| reader.new(s, @problem).read(@result) }
      end

      def equilibrium
        balance = @result.balance
        { kind: "equilibrium", value: balance[:error], holds: balance[:error] < BALANCED }
      end

      def summary
        { mesh: @result.grid.summary, energy: @result.energy, mass: @result.mass, balance: @result.balance,
          peaks: peaks, supports: supports }
      end

      def peaks
        stress = @result.field("von_mises")
        moved = @result.field("displacement")
        { von_mises: peak(stress).merge(unaveraged: @result.unaveraged_peak("von_mises")), displacement: peak(moved) }
      end

      def peak(field)
        at = field.max_index
        { value: field[at], at: @result.at(at) }
      end

      # Reactions support by support, for the table.
      def supports
        holders = Load::Supports.new(@problem.document, @problem.groups, @result.grid)
        holders.statements.map do |statement|
          { statement: statement.id, target: statement["target"], reaction: @result.reaction_sum(holders.nodes(statement)) }
        end
      end
    end
  end
end
