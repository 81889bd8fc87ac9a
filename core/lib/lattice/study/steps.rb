# frozen_string_literal: true

module Lattice
  module Study
    # The frames of a linear study: a case each, then combinations of them, then envelopes over those.
    class Steps
      # @param cases [Load::Cases]
      def initialize(cases)
        @cases = cases
      end

      # @return [Array(Array<Result::Frame>, Hash)] frames, and what those beyond the cases are made of
      def to_a
        made = {}
        names = @cases.names.map { |n| ["case", @cases.shown(n)] }
        @cases.combinations.each do |c|
          made[names.size] = { "terms" => c.terms }
          names << ["combination", c.name]
        end
        @cases.envelopes.each do |e|
          Result::Outcome::ENVELOPES.each_key do |how|
            made[names.size] = { "over" => e.over, "how" => how }
            names << ["envelope", "#{e.name}: #{how}"]
          end
        end
        [names.each_with_index.map { |(kind, name), i| Result::Frame.new(index: i, kind: kind, name: name) }, made]
      end
    end
  end
end
