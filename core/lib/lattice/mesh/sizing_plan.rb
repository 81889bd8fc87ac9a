# frozen_string_literal: true

module Lattice
  module Mesh
    # What sizes are wanted, apart from what the shape asks for by itself. Lengths in m.
    #
    # size: everywhere else; growth of the size per distance; turn: most that one side turns on
    # a curve, rad; through: elements across thin walls and narrow faces; local: pairs of
    # points [n, 3] with the distance they stand apart, and the size there; regions: pairs of
    # a test of points [n, 3] and the size within; divisions: [body, edge] => Division;
    # rings: [body, face or edge] => HoleRings::Ring; linear: whether elements keep straight sides.
    SizingPlan = Struct.new(:size, :growth, :turn, :through, :local, :regions, :divisions, :rings, :linear, keyword_init: true) do
      def self.of(size, **rest)
        new(size: size, growth: SizeField::GROWTH, turn: Settings::TURNS["quadratic"], through: 1, local: [], regions: [], divisions: {}, rings: {}, **rest)
      end

      # @return [SizingPlan] with every size so many times as large
      def scaled(factor)
        SizingPlan.new(size: size * factor, growth: growth, turn: turn * factor * Settings::HALVED, through: through,
                       local: local.map { |points, s| [points, s * factor] }, regions: regions.map { |test, s| [test, s * factor] }, divisions: divisions, rings: rings, linear: linear)
      end

      # Whether nothing is wanted at single places.
      def even? = local.empty? && regions.empty?
    end
  end
end
