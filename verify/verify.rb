# frozen_string_literal: true

require_relative "../core/lib/lattice"

# Problems with known answers: each case yields rows of quantity, reference and value.
module Verify
  Row = Struct.new(:case, :quantity, :reference, :value, :error, :tolerance, :mesh, :seconds, :source, keyword_init: true) do
    def passes? = error <= tolerance
  end

  # What a case is given to say what it found.
  class Report
    attr_reader :rows

    def initialize(name, source)
      @name = name
      @source = source
      @rows = []
      @start = now
    end

    # Relative to the reference; against zero, absolute.
    def check(quantity, reference:, value:, tolerance:, mesh:)
      error = reference.zero? ? value.abs : ((value - reference) / reference).abs
      @rows << Row.new(case: @name, quantity: quantity, reference: reference, value: value, error: error, tolerance: tolerance,
                       mesh: mesh, seconds: now - @start, source: @source)
      @start = now
    end

    private

    def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
  end

  CASES = [] # rubocop:disable Style/MutableConstant -- filled by the files of cases

  module_function

  def define(name, source:, &block)
    CASES << [name, source, block]
  end

  # @return [Array<Row>]
  def run(only: nil)
    Dir[File.join(__dir__, "cases", "*.rb")].each { |file| require file }
    CASES.select { |name, _, _| only.nil? || name.include?(only) }.flat_map do |name, source, block|
      report = Report.new(name, source)
      block.call(report)
      report.rows
    end
  end

  # Solves a model that is given as its statements (ids are filled in).
  # @return [Array(Lattice::Result::Outcome, Lattice::Study::Problem)]
  def solve(*statements)
    numbered = statements.each_with_index.map { |s, i| { "id" => "s#{i + 1}" }.merge(s) }
    document = Lattice::Model::Document.new(Lattice::Model::Document.empty("case", units: "SI").merge("statements" => numbered))
    problem = Lattice::Study::Problem.new(document)
    Lattice::Verdict::Readiness.new(problem).check!
    [Lattice::Study::Solving.new(problem).call(problem.study!), problem]
  end

  def outline(boundary, holes = [])
    { "kind" => "outline", "name" => "outline", "boundary" => boundary, "holes" => holes }
  end

  def rectangle(x, y, width, height)
    { "rectangle" => { "x" => "#{x} m", "y" => "#{y} m", "width" => "#{width} m", "height" => "#{height} m" } }
  end

  # @param rows [Array] [x, y] or [x, y, {fillet:, through: [x, y]}]
  def corners(*rows)
    { "corners" => rows.map do |x, y, more|
      corner = { "x" => "#{x} m", "y" => "#{y} m" }
      corner["fillet"] = "#{more[:fillet]} m" if more&.key?(:fillet)
      corner["through"] = { "x" => "#{more[:through][0]} m", "y" => "#{more[:through][1]} m" } if more&.key?(:through)
      corner
    end }
  end

  def body(make, thickness = nil)
    { "kind" => "body", "name" => "part", "outline" => "outline", "make" => make }.merge(thickness ? { "thickness" => "#{thickness} m" } : {})
  end

  def material(young, poisson, density: nil)
    { "kind" => "material", "target" => "part", "material" => "given",
      "properties" => { "young" => "#{young} Pa", "poisson" => poisson.to_s }.merge(density ? { "density" => "#{density} kg/m3" } : {}) }
  end

  def plane(name, axis, at, of: "faces")
    { "kind" => "group", "name" => name, "of" => of, "rule" => { "plane" => { "axis" => axis, "at" => "#{at} m" } } }
  end

  def picked(name, of, *places)
    { "kind" => "group", "name" => name, "of" => of, "pick" => places.map { |p| { "body" => "part", "name" => p } } }
  end

  def held(target, *components) = { "kind" => "support", "target" => target, "components" => components }
  def force(target, value, direction) = { "kind" => "force", "target" => target, "value" => "#{value} N", "direction" => direction }
  def pressure(target, value) = { "kind" => "pressure", "target" => target, "value" => "#{value} Pa" }
  def static(size) = [{ "kind" => "mesh", "size" => "#{size} m" }, { "kind" => "study", "name" => "static", "type" => "static" }]

  # Mean of a field over the nodes of a place.
  def mean(result, table, place)
    nodes = Lattice::Algebra::Gather.distinct([result.grid.places.fetch(["part", place])])
    table[nodes].mean
  end

  # The node nearest to a point.
  def node(result, *at)
    away = ((result.grid.nodes - Numo::DFloat[*at])**2).sum(1)
    away.min_index
  end

  def mesh_text(result)
    result.grid.summary[:kinds].map { |kind, count| "#{count} #{kind}" }.join(", ")
  end
end
