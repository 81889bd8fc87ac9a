# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # Hand checks that a note could have: of its beams and plates, as they are held, in studies that tell something of them.
      class Offers
        MOST = 3
        NEAR = 0.02 # of the length, from an end

        # @param problem [Study::Problem]
        # @return [Array<Hash>] study, body, and beam or plate, as a statement has them
        def self.of(problem) = new(problem).call

        def initialize(problem)
          @problem = problem
        end

        def call
          wanted = @problem.studies.select { |s| %w[static vibration buckling heat].include?(s["type"]) && @problem.document.active("hand_check").none? { |h| h["study"] == s.name } }
          wanted.product(@problem.parts.bodies.first(MOST)).filter_map { |study, body| offer(study, body) }.first(MOST)
        rescue InvalidInput
          []
        end

        private

        def offer(study, body)
          said = { "study" => study.name, "body" => body.name }
          return flow(said) if study["type"] == "heat"

          ends = beam(said) || plate(study, said) or return
          said.merge(ends).tap { |fields| HandCheck.new(statement(fields), @problem).check! }
        rescue InvalidInput
          nil
        end

        # @return [Hash, nil]
        def flow(said)
          HeatFlow::FORMS.map { |form| said.merge("flows" => form) }.find do |fields|
            HandCheck.new(statement(fields), @problem).check!
            true
          rescue InvalidInput
            false
          end
        end

        def statement(fields) = Model::Statement.new({ "id" => "offer", "kind" => "hand_check" }.merge(fields))

        # @return [Hash, nil]
        def beam(said)
          found = Beam.new(@problem, statement(said))
          held = [found.from, found.from + found.length].map { |end_| how(found, end_) }
          ends = { %i[clamped free] => "cantilever", %i[clamped clamped] => "clamped", %i[clamped held] => "propped", %i[held held] => "simply supported", %i[free free] => "free" }[held.sort]
          ends && { "beam" => ends }
        rescue InvalidInput
          nil
        end

        # @return [Symbol] clamped where a face is held, or turns are; held where an edge or a point is
        def how(beam, at)
          here = holds(beam.body).select { |_, place| place.bounds.all? { |corner| (beam.place(corner) - at).abs < beam.length * NEAR } }
          return :free if here.empty?

          turned = here.any? { |condition, _| condition.components.count { |c| c.to_s.start_with?("r") } >= 2 }
          turned || here.any? { |condition, place| place.of == :faces && condition.components.size >= 3 } ? :clamped : :held
        end

        # Of a plate all four sides.
        def plate(study, said)
          return unless HandCheck::BEAMS.key?(study["type"])

          found = Plate.new(@problem, statement(said))
          across = System::Dofs::NAMES[found.axes[2].each_index.max_by { |k| found.axes[2][k].abs }]
          sides = holds(found.body).select { |condition, place| place.of != :points && condition.components.include?(across) }
          return unless sides.map { |_, place| place.key }.uniq.size == 4

          turned = sides.all? { |condition, place| place.of == :faces || condition.components.any? { |c| c.to_s.start_with?("r") } }
          { "plate" => turned ? "clamped" : "simply supported" }
        end

        def holds(body)
          @problem.conditions.select { |c| c.holds? && c.respond_to?(:components) && c.frame.nil? }.flat_map { |c| c.places.select { |p| p.body == body.name }.map { |p| [c, p] } }
        end
      end
    end
  end
end
