# frozen_string_literal: true

module Lattice
  module Load
    # A condition that ties one region to another, or to the ground where it may and none is told.
    class Join < Condition
      def joins? = !grounded?
      def holds? = grounded?
      def others = grounded? ? [] : problem.groups.target!(statement, self.class.targets, "to")
      def all_places = places + others

      # @param absent [Array<String>] bodies
      # @return [Boolean] whether all of one of its sides is not there, so that it holds nothing
      def hangs?(absent) = self.class.linked? && [places, others].any? { |side| !side.empty? && (side.map(&:body) - absent).empty? }

      def check!
        super
        shared = places.map(&:key) & others.map(&:key)
        raise statement.fault("“#{shared[0][1]}” is on both of its sides", path: "to", cure: "Choose another region for one of them.") unless shared.empty?
      end

      # @raise [InvalidInput] where nothing of the one side lies near the other
      def out_of_reach!
        length = Quantity::Display.format(reach, "length", system: problem.document.units)
        raise statement.fault("nothing of “#{statement['to']}” lies within #{length} of “#{statement['target']}”", path: "reach", cure: "Give a larger reach, or choose regions that face each other.")
      end

      def signature = [*super, others.map(&:key).sort]

      private

      def rigid?(body) = problem.conditions.grep(Conditions::Rigid).any? { |one| one.places.any? { |p| p.body == body } }

      # Whether it may stand on the ground, and does.
      def grounded? = self.class.ground? && !statement["to"]

      class << self
        def or_ground = @ground = true
        def ground? = @ground ? true : false
        # It holds what it joins by a stiffness.
        def by_stiffness = @linked = true
        def linked? = @linked ? true : false
      end
    end
  end
end
