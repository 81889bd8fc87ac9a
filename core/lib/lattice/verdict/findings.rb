# frozen_string_literal: true

module Lattice
  module Verdict
    # What a study's result says: balance, hand checks, and the verdict on every limit.
    class Findings
      VERSION = 4 # raised when what is told of a result takes another form: what was stored before is told anew
      JUDGED = %w[limit bolts members bars resonance buckling collapse stages life heat].freeze # kinds of findings that hold or fail
      # Kinds of statements that read a study's result, in the order in which they are told.
      READERS = { "hand_check" => HandCheck, "limit" => Limit, "path" => PathReading, "gauge" => Gauge, "force_gauge" => ForceGauge, "section_cut" => SectionCut, "member_check" => MemberCheck,
                  "radiated_power" => RadiatedPower }.freeze

      # @param problem [Study::Problem]
      # @param study [Model::Statement]
      # @param result [Result::Outcome]
      def initialize(problem, study, result)
        @note = problem
        @problem = Study::Kinds.of(study).problem(problem, study)
        @study = study
        @result = result
      end

      # @return [Hash] study, findings, summary; numbers in SI
      def to_h
        { study: @study.name, units: @problem.document.units, findings: findings, summary: summary, first: first,
          holds: findings.select { |f| JUDGED.include?(f[:kind]) }.all? { |f| f[:holds] } }
      end

      # @return [Array<Hash>]
      def findings
        @findings ||= gathered
      end

      private

      def gathered
        own = Study::Kinds.of(@study).findings(@note, @study, @result)
        return own + each_of("hand_check", HandCheck) if @result.shapes?

        [*equilibrium, *own, *READERS.flat_map { |kind, reader| each_of(kind, reader) }, *joined("bolt", BoltCheck), *joined("bars", BarsCheck)]
      end

      # What gives way first, of all that has a utilisation.
      # @return [Hash, nil] statement, kind, and factor of safety
      def first
        worst = findings.select { |f| f[:utilisation]&.positive? }.max_by { |f| f[:utilisation] } or return
        { statement: worst[:statement], kind: worst[:kind], safety: 1 / worst[:utilisation], utilisation: worst[:utilisation], what: worst[:bolt] || worst[:name] || worst[:body] || worst[:target] }
      end

      def each_of(kind, reader)
        @problem.document.active(kind).select { |s| s["study"] == @study.name }.flat_map { |s| [reader.new(s, @problem).read(@result)].flatten }
      end

      def joined(kind, check)
        return [] if @result.computed.zero? || !Study::Kinds.of(@study).reads?(kind)

        @problem.document.active(kind).filter_map { |s| check.new(s, @problem).read(@result) }
      end

      # The frame that is least in balance.
      def equilibrium
        worst = balances.max_by { |_, balance| balance[:error] } or return []
        [{ kind: "equilibrium", value: worst[1][:error], holds: worst[1][:error] < @result.balanced, frame: worst[0] }]
      end

      def balances = @balances ||= (0...@result.computed).to_h { |frame| [frame, @result.balance(frame)] }

      def summary
        frames = @result.frames.map { |f| f.to_h.merge(of_frame(f.index)) }
        connectors = @result.shapes? || @result.computed.zero? ? [] : Result::ConnectorForces.rows(@result, @result.judged(@problem.cases))
        { mesh: @result.grid.summary, mass: @result.mass, loads: @result.totals, joins: @result.joins, bolts: @result.bolts, connectors: connectors,
          bars: @result.bars, catalogue: @result.catalogue.map(&:as_json),
          layers: @result.layers, by_element: @result.by_element?, frames: frames, **of_frame(0) }
      end

      def of_frame(frame)
        return { peaks: peaks(frame) } if @result.envelope?(frame) || @result.computed.zero?
        return { peaks: { displacement: peak("displacement", frame) } } if @result.shapes?

        { energy: @result.energy(frame), balance: balances[frame] || @result.balance(frame), peaks: peaks(frame), supports: supports(frame),
          members: Result::Members.new(@result.grid, @result.state(frame)).rows,
          bolt_forces: Result::BoltForces.rows(@result, frame), connector_forces: @result.state(frame).connectors.to_a, bar_forces: Result::BarForces.rows(@result, frame) }
      end

      def peaks(frame)
        moved = { displacement: peak("displacement", frame) }
        return moved unless @result.catalogue.any? { |f| f.name == "von_mises" }

        { von_mises: peak("von_mises", frame).merge(unaveraged: @result.unaveraged_peak("von_mises", frame)), **moved }
      end

      def peak(name, frame)
        value, at = @result.greatest(name, frame)
        { value: value, at: @result.at(at) }
      end

      # Reactions support by support, for the table.
      def supports(frame)
        @problem.conditions.select(&:holds?).map do |held|
          { statement: held.statement.id, target: held.statement["target"], reaction: @result.reaction_sum(@result.grid.nodes_of(held.places), frame) }
        end
      end
    end
  end
end
