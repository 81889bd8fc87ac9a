# frozen_string_literal: true

module Lattice
  module Study
    # How far the loads of a collapse study grow, by what, and from which shape.
    class Growth
      FIRST = 0.1
      INCREMENTS = 60
      MOST = 400
      DOWN_TO = 0.5

      # What the shape starts from, besides what is drawn: a buckling study, the number of its shape, and its greatest movement, m.
      Imperfection = Struct.new(:of, :shape, :size)

      # @param study [Model::Statement]
      def initialize(study)
        @study = study
      end

      def first = @study.quantity("first", "ratio") || FIRST
      def increments = @study["increments"] || INCREMENTS
      def upto = @study.quantity("upto", "ratio")
      def down_to = @study.quantity("down_to", "ratio") || DOWN_TO
      def at_least = @study.quantity("at_least", "ratio")
      def far = @study.quantity("far", "length")

      # @return [Boolean] whether the loads themselves grow by set amounts, which cannot follow what gives way
      def by_loads? = @study["control"] == "loads"

      # @return [Imperfection, nil]
      def imperfection
        given = @study["imperfection"] or return
        Imperfection.new(given["of"], given["shape"] || 1, @study.quantity("imperfection.size", "length"))
      end

      # @return [Array] by meaning
      def signature = [first, increments, upto, down_to, by_loads?, imperfection&.then { |i| [i.shape, i.size] }, far]

      # @raise [InvalidInput]
      def check!
        raise @study.fault("it ends where nothing has moved", path: "far", cure: "Give a length above zero, such as 200 mm.") if far && far <= 0
        { "first" => first, "upto" => upto, "at_least" => at_least }.each do |key, value|
          raise @study.fault("a load factor of #{value} is not above zero", path: key, cure: "Give a factor above zero, such as #{key == 'first' ? '0.1' : '2'}.") if value && value <= 0
        end
        raise @study.fault("its first increment is larger than all it goes up to", path: "first", cure: "Give a smaller first increment, or a larger factor to go up to.") if upto && first > upto
        raise @study.fault("what only grows has no end without a factor to go up to", path: "upto", cure: "Give a factor to go up to, or let the length of the path control it.") if by_loads? && upto.nil?

        check_imperfection
      end

      private

      def check_imperfection
        given = imperfection or return
        raise @study.fault("an imperfection of no size is none", path: "imperfection.size", cure: "Give a length, such as a tenth of the thickness.") if given.size.nil? || given.size.zero?
      end
    end
  end
end
