# frozen_string_literal: true

module Lattice
  module Study
    # What a kind of study answers. VERSION is raised when a change in it makes stored results obsolete.
    module Kind
      # @param problem [Problem] of the note
      # @param study [Model::Statement]
      # @return [Problem] the one on whose mesh the result lies, and whose places it is read at
      # @raise [InvalidInput]
      def problem(problem, _study) = problem

      # Whether its frames are shapes without a size, which nothing reads.
      def shapes? = false

      READ = %w[hand_check limit path gauge force_gauge section_cut member_check bolt bars].freeze

      # Whether statements of a kind can read its result.
      def reads?(kind) = shapes? ? kind == "hand_check" : READ.include?(kind)

      # @return [Array<String>] names of the fields that its result may have
      def fields = Result::Catalogue::OF_STATES

      # @param statement [Model::Statement] that reads a quantity of the study
      # @raise [InvalidInput] where it finds no such quantity
      def finds!(statement, study)
        return if statement["quantity"].nil? || fields.include?(statement["quantity"])

        words = Result::Catalogue.field!(statement["quantity"]).words
        raise statement.fault("“#{study.name}” does not find the #{words}", path: "quantity", cure: "It finds: #{fields.map { |name| Result::Catalogue.field!(name).words }.join(', ')}.")
      end

      # @return [Array<String>] why others cannot, and what they read
      def unread = shapes? ? ["finds shapes, which have no size to read", "stress and movement"] : ["has nothing of that kind to read", "states at rest"]

      # Whether it follows bodies beyond their strength.
      def yields? = false

      # Whether it needs the part to be held, and loaded.
      def held?(_study) = true
      def loaded? = true

      # What keeps the study from being solved.
      # @raise [InvalidInput]
      def check!(_problem, _study) = nil

      # @return [Array<Fault>] what is odd, once nothing is wrong
      def oddities(_problem, _study) = []

      # @return [Array] what its result depends on, by meaning
      def signature(_problem, _study) = raise(NotImplementedError)

      # @param solving [Solving]
      # @param study [Model::Statement]
      # @return [Result::Outcome]
      def solve(_solving, _study) = raise(NotImplementedError)

      # What it says besides the findings of any study.
      # @return [Array<Hash>]
      def findings(_problem, _study, _result) = []

      WORDS = { "stages" => "study in stages" }.freeze

      # @param types [Array<String>] of studies that will do; static ones when left out
      # @return [Model::Statement] the study that another one starts from
      # @raise [InvalidInput]
      def base!(problem, study, *types)
        types = ["static"] if types.empty?
        wanted = types.map { |type| WORDS.fetch(type, "#{type} study") }.join(" or a ")
        cure = "Choose a #{wanted}."
        raise study.fault("it names no study to start from", path: "of", cure: cure) if study["of"].to_s.empty?

        base = problem.studies.find { |s| s.name == study["of"] }
        raise study.fault("there is no study named “#{study['of']}”", path: "of", cure: cure) unless base
        raise study.fault("“#{base.name}” is no #{wanted}", path: "of", cure: cure) unless types.include?(base["type"])

        base
      end

      # @return [Integer] the case or combination that a study names, as the frame of a static study
      # @raise [InvalidInput]
      def frame(problem, study, key = "case")
        names = problem.cases.frame_names
        return problem.cases.judged[0] if study[key].to_s.empty?

        names.index(study[key]) || raise(study.fault("there is no case or combination named “#{study[key]}”", path: key, cure: "Known: #{names.map { |n| "“#{n}”" }.join(', ')}."))
      end

      # @return [Numo::DFloat, nil] [cases] what acts first and stays, where a study says so
      # @raise [InvalidInput]
      def held_weights(problem, study) = study["held"].to_s.empty? ? nil : Steps.new(problem.cases).weights[frame(problem, study, "held")]
    end
  end
end
