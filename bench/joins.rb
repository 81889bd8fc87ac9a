# frozen_string_literal: true

require_relative "../verify/verify"
require_relative "timed"

module Bench
  # Many bolts, bonds and bodies: how long their joins take to be found and tied, and how the search grows.
  class Joins
    include Timed

    # @return [Array<Hash>] case, size, seconds, ratio, growth
    def self.call = new.call

    def call
      search = [25, 100, 400].map { |count| search(count) }
      search.each_cons(2) { |a, b| b[:growth] = (Math.log(b[:seconds] / a[:seconds]) / Math.log(b[:size].fdiv(a[:size]))).round(2) }
      search + [assembly]
    end

    private

    def problem(statements)
      numbered = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
      Lattice::Study::Problem.new(Lattice::Model::Document.new(Lattice::Model::Document.empty("bench", units: "mm-N").merge("statements" => numbered)))
    end

    # A floor of slabs, side by side.
    def search(count)
      rows = Math.sqrt(count).ceil
      slabs = (0...count).flat_map do |i|
        [{ "kind" => "outline", "name" => "o#{i}", "boundary" => { "rectangle" => { "x" => "#{i % rows * 40} mm", "y" => "#{i / rows * 40} mm", "width" => "40 mm", "height" => "40 mm" } } },
         { "kind" => "body", "name" => "b#{i}", "outline" => "o#{i}", "make" => "solid", "thickness" => "10 mm" }]
      end
      found = problem(slabs).tap(&:parts)
      pairs, seconds = timed { Lattice::Load::Proposals.new(found, 1e-4).call }
      { case: "pairs of faces proposed, of #{count} bodies (#{pairs.size} pairs)", size: count, seconds: seconds.round(3) }
    end

    # 50 plates in five stacks of ten, four bolts through every pair of neighbours: 200 bolts and 400 bonds.
    def assembly
      statements = (0...50).flat_map { |i| plate(i % 10, i / 10) } + (0...5).flat_map { |stack| (0...9).flat_map { |i| join(stack, i) } }
      made = problem([*statements, *rest])
      grid = made.mesh
      structure, seconds = timed { Lattice::System::Structure.new(made, grid).apply }
      { case: "#{structure.bolts.bolts.size} bolts, #{structure.reports.size} bonds, 50 bodies set up", size: structure.dofs.size, seconds: seconds.round(2) }
    end

    def rest
      [{ "kind" => "material", "target" => "everything", "material" => "steel S355" }, { "kind" => "mesh", "size" => "20 mm", "order" => "linear", "turn" => "60 deg" },
       { "kind" => "study", "name" => "s", "type" => "static" }]
    end

    # Holes of a pair lie where those of the next pair do not.
    def spots(stack, level) = [[20, 20], [80, 20], [20, 80], [80, 80]].map { |x, y| [x + (stack * 120) + (level.odd? ? 10 : 0), y] }

    def plate(level, stack)
      holes = [level - 1, level].grep(0..8).flat_map { |l| spots(stack, l) }.map { |x, y| { "circle" => { "x" => "#{x} mm", "y" => "#{y} mm", "diameter" => "6.6 mm" } } }
      name = "p#{stack}-#{level}"
      [{ "kind" => "outline", "name" => "o #{name}", "boundary" => { "rectangle" => { "x" => "#{stack * 120} mm", "y" => "0 mm", "width" => "110 mm", "height" => "100 mm" } }, "holes" => holes },
       { "kind" => "body", "name" => name, "outline" => "o #{name}", "make" => "solid", "thickness" => "8 mm", "on" => { "plane" => "xy", "z" => "#{level * 8} mm" } }]
    end

    def join(stack, level)
      low = "p#{stack}-#{level}"
      high = "p#{stack}-#{level + 1}"
      face = ->(name, body) { { "kind" => "group", "name" => name, "of" => "faces", "rule" => { "all" => [{ "body" => body }, { "plane" => { "axis" => "z", "at" => "#{(level + 1) * 8} mm" } }] } } }
      at = spots(stack, level).map do |x, y|
        { "box" => { "from" => { "x" => "#{x - 5} mm", "y" => "#{y - 5} mm", "z" => "#{level * 8} mm" }, "to" => { "x" => "#{x + 5} mm", "y" => "#{y + 5} mm", "z" => "#{(level + 2) * 8} mm" } } }
      end
      [face["#{low} top", low], face["#{high} bottom", high], { "kind" => "bond", "target" => "#{low} top", "to" => "#{high} bottom" },
       { "kind" => "group", "name" => "holes #{low}", "of" => "faces", "rule" => { "all" => [{ "bores" => { "diameter" => "6.6 mm" } }, { "any" => at }] } },
       { "kind" => "bolt", "target" => "holes #{low}", "size" => "M6", "class" => "8.8" }]
    end
  end
end
