# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A tie that is free over the first part of its line and bonded along the rest; it comes in a stage, and is pulled as it does.
      class Anchor < Bars
        acts_on :bodies

        def check!
          super
          raise statement.fault("its line is not straight", path: "line", cure: "Draw it from its head to its end, with two corners.") if legs.shape[0] != 1
          raise statement.fault("its free part is as long as its line, or longer", path: "free", cure: "Leave a part of the line to bond it to the ground.") if free >= length
          raise statement.fault("its free part has no length", path: "free", cure: "Give it one; what is bonded all along is a bar.") unless free.positive?
          raise statement.fault("its spacing is not above zero", path: "spacing", cure: "Give the distance to the next one.") unless spacing.nil? || spacing.positive?
          raise statement.fault("it is pushed, not pulled", path: "force", cure: "Give a force of zero or more.") if force.negative?
        end

        # @return [Array<Fault>]
        def oddities
          return [] if problem.studies.any? { |s| s["type"] == "stages" && (s["stages"] || []).any? { |stage| (stage["comes"] || []).include?(statement.name) } }

          [statement.fault_at("it comes in no stage", cure: "Let it come in a stage of a study; others leave it out.")]
        end

        def comes? = true
        def free = statement.quantity("free", "length")
        def spacing = statement.quantity("spacing", "length")
        def force = statement.quantity("force", "force") || 0.0

        # How many there are in the thickness of the section.
        def share = spacing ? depth / spacing : 1.0
        def area = Math::PI * (diameter**2) / 4 * share
        def length = Shape::Vectors.norm(way)[0]

        # What of its line is bonded.
        # @return [Numo::DFloat] [1, 2, 3]
        def bonded = whole.dup.tap { |all| all[0, 0, true] = foot }
        def head = whole[0, 0, true].dup
        def foot = head + (way[0, true] * (free / length))

        # Linear studies leave it out.
        def apply(_structure) = nil

        # As bars are laid.
        Bond = Struct.new(:statement, :legs, :area, :material)

        # @return [Bond]
        def bond = Bond.new(statement, bonded, area, material)

        private

        def whole = @whole ||= legs
        def way = whole[true, 1, true] - whole[true, 0, true]
        def depth = problem.parts.bodies.find { |b| b.dimension == 2 }&.thickness || 1.0
      end
    end
  end
end
