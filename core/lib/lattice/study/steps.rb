# frozen_string_literal: true

module Lattice
  module Study
    # The frames of a linear study: a case each, then combinations of them, then envelopes over those.
    class Steps
      attr_reader :cases

      # @param cases [Load::Cases]
      def initialize(cases)
        @cases = cases
      end

      # @return [Array<Numo::DFloat>] of cases, then combinations, the factor of each case
      def weights
        @weights ||= [*@cases.names.each_index.map { |i| [[i, 1.0]] }, *@cases.combinations.map(&:terms)].map do |terms|
          Numo::DFloat.zeros(@cases.names.size).tap { |all| terms.each { |i, factor| all[i] += factor } }
        end
      end

      # @param computed [Integer] of the first frames, that are not made of others
      # @return [Array(Array<Result::Frame>, Hash)] frames, and what those beyond the computed ones are made of
      def to_a(computed = @cases.names.size)
        made = {}
        names = @cases.names.map { |n| ["case", @cases.shown(n)] }
        @cases.combinations.each do |c|
          made[names.size] = { "terms" => c.terms } if names.size >= computed
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
