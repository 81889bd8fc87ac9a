# frozen_string_literal: true

module Lattice
  module Load
    # The load cases of a note, and what is made of them: combinations and envelopes. Loads that name no
    # case belong to one that has no name; it is there unseen until others are made.
    class Cases
      UNNAMED = "all loads"

      # A combination: its name, and pairs of the number of a case and its factor.
      Combination = Struct.new(:name, :terms, :statement)
      # An envelope: its name and the numbers of the frames it runs over.
      Envelope = Struct.new(:name, :over, :statement)

      # @param document [Model::Document]
      def initialize(document)
        @document = document
      end

      # @return [Array<String>] names of the cases: those that are stated, and "" where loads name none
      def names
        @names ||= begin
          stated = @document.active("case").map(&:name) + driven
          loose = @document.active.any? { |s| Condition::KINDS.include?(s.kind) && acts?(s) && s["case"].to_s.empty? }
          loose || stated.empty? ? ["", *stated] : stated
        end
      end

      def index(name) = names.index(name) || 0
      def shown(name) = name.empty? ? UNNAMED : name

      # @return [Array<Combination>]
      def combinations
        @combinations ||= @document.active("combination").map do |s|
          terms = s["terms"].each_with_index.map { |term, i| [case_number(s, term["case"], "terms.#{i}.case"), Quantity.parse(term["factor"], "ratio")] }
          Combination.new(s.name, terms, s)
        end + signed
      end

      # Over what is named, or over all combinations, or all cases where there are none.
      # @return [Array<Envelope>]
      def envelopes
        frames = frame_names
        @document.active("envelope").map do |s|
          named = (s["over"] || []).each_with_index.map { |name, i| number(s, name, "over.#{i}", frames) }
          Envelope.new(s.name, named.empty? ? judged : named, s)
        end
      end

      # @return [Array<String>] cases, then combinations
      def frame_names = names.map { |n| shown(n) } + combinations.map(&:name)

      # The frames that limits are read over: combinations where there are some, else all cases.
      # @return [Array<Integer>]
      def judged
        first = names.size
        combinations.empty? ? (0...first).to_a : (first...(first + combinations.size)).to_a
      end

      # @param statement [Model::Statement] that may name a case
      # @raise [InvalidInput]
      def check!(statement)
        name = statement["case"].to_s
        return if name.empty? || names.include?(name)

        raise statement.fault("there is no case named “#{name}”", path: "case", cure: "Add that case, or choose another.")
      end

      # @return [Array<Fault>] cases in which nothing acts, and names that are not there
      def faults
        empty = @document.active("case").reject { |c| @document.active.any? { |s| s["case"] == c.name } }
                         .map { |c| c.fault_at("nothing acts in it", cure: "Give a load to it, or remove it.") }
        empty + [-> { combinations }, -> { envelopes }].flat_map do |read|
          read.call
          []
        rescue InvalidInput => e
          e.faults
        end
      end

      def signature = [names, combinations.map { |c| [c.name, c.terms] }]

      private

      # Positions of moving loads are cases of their own.
      def driven
        @document.active("moving_load").flat_map do |s|
          Positions.new(s, @document).names
        rescue InvalidInput
          []
        end
      end

      # Cases that come with either sign: a combination for every set of signs, on top of what is steady.
      def signed
        @document.active("sign_sets").flat_map do |s|
          steady = (s["steady"] || []).each_with_index.map { |name, i| [case_number(s, name, "steady.#{i}"), 1.0] }
          swinging = s["swinging"].each_with_index.map { |name, i| case_number(s, name, "swinging.#{i}") }
          ([[1.0, -1.0]] * swinging.size).then { |first, *rest| first.product(*rest) }.map do |signs|
            Combination.new("#{s.name} #{signs.map { |sign| sign.positive? ? '+' : '−' }.join}", steady + swinging.zip(signs), s)
          end
        end
      end

      def case_number(statement, name, path) = number(statement, name, path, names.map { |n| shown(n) })

      # What holds in every case makes none.
      def acts?(statement)
        return false if statement.kind == "bolt" && !statement["tighten"]

        Model::Schema::DOCUMENT.dig("$defs", "statement_#{statement.kind}", "properties").key?("case")
      end

      def number(statement, name, path, known)
        known.index(name) || raise(statement.fault("there is no case or combination named “#{name}”", path: path, cure: "Known: #{known.map { |n| "“#{n}”" }.join(', ')}."))
      end
    end
  end
end
