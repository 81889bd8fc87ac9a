# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Two regions press on each other where they meet, may come apart, and slide, in studies that follow that; others leave them apart.
      class Touch < Join
        acts_on :faces, :edges

        REACH = 1e-2 # of the part, where none is typed

        def joins? = false
        def touches? = true

        def check!
          super
          mixed = (places + others).map(&:of).uniq
          raise statement.fault("one of its sides has faces and edges", path: "target", cure: "Choose faces on both sides, or sides of plane regions.") if mixed.size > 1
          raise statement.fault("edges do not touch in space", path: "target", cure: "Choose faces.") if mixed == [:edges] && problem.parts.dimension == 3
          raise statement.fault("its friction is below zero", path: "friction", cure: "Give a coefficient such as 0.15, or leave it out.") if friction.negative?
          raise statement.fault("its reach is not above zero", path: "reach", cure: "Give a length above zero.") unless reach.positive?

          sheet = (places + others).find { |p| problem.parts.body(p.body).faces? }
          raise statement.fault("sheets such as “#{sheet.body}” do not touch yet", path: "target", cure: "Draw it as a solid where it touches.") if sheet
        end

        def reach = statement.quantity("reach", "length") || (problem.parts.size * REACH)
        def friction = statement.quantity("friction", "ratio") || 0.0
        def slides_far? = statement["slides"] == "far"
        def touching? = statement["starts"] == "touching"

        # @return [Array<Fault>] what is odd
        def oddities
          return [] if problem.studies.any? { |study| Study::Kinds.of(study).yields? }

          [statement.fault_at("no study follows what touches", cure: "Add a study of stages, or bond both sides: others leave them apart.")]
        end

        # Linear studies leave both sides apart.
        def apply(_structure) = nil

        # @param structure [System::Structure]
        # @return [Array(System::Side, System::Side)] the finer one first; what is rigid last, since it gives way nowhere
        def sides(structure) = [places, others].map { |list| System::Side.new(structure, list, false) }.sort_by { |s| [s.places.any? { |p| rigid?(p.body) } ? 1 : 0, s.fineness] }
      end
    end
  end
end
