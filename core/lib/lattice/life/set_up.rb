# frozen_string_literal: true

module Lattice
  module Life
    # A life study, looked at before anything is solved: what nothing forbids, and is seldom meant.
    class SetUp
      LARGE = 20 # times the stress of the study, beyond which a record is one of something else

      # @param problem [Study::Problem]
      # @param study [Model::Statement]
      def initialize(problem, study)
        @problem = problem
        @study = study
        @materials = Study::Kinds::Life.bodies(problem, study).map { |body| problem.materials[body] }.uniq(&:name)
      end

      # @return [Array<Fault>]
      def oddities = [many, bears_unknown, far_from_one].compact

      private

      def by_strain? = @study["life"]["by"] == "strain"

      def many
        return if @materials.size < 2 || (by_strain? && @study["life"]["strain"].nil?)

        names = @materials.map { |material| "“#{material.name}”" }.join(" and ")
        @study.fault_at("what it bears is typed once, for bodies of #{names}", path: "target", cure: "Choose the bodies that it holds for, and give the others a life study of their own.")
      end

      # Whether life by stress applies is read from the yield strength.
      def bears_unknown
        material = @materials.find { |one| one.yield.nil? }
        return if material.nil? || by_strain?

        @study.fault_at("“#{material.name}” has no yield strength, so that nothing tells whether life by stress applies", path: "life.by", cure: "Type its yield strength in the material statement.")
      end

      def far_from_one
        load = Load.new(@study, @problem)
        most = load.kind == "history" ? load.factors.map(&:abs).max : 0
        return if most <= LARGE

        @study.fault_at("its history reaches #{most.round} times the stress of “#{@study['of']}”", path: "life.scale",
                                                                                                   cure: "If it was recorded in newtons or microstrain, give 1 over what the study was loaded with as the scale.")
      end
    end
  end
end
