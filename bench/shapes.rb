# frozen_string_literal: true

require_relative "../verify/verify"
require_relative "step_prisms"

module Bench
  # Reading, showing and combining shapes.
  class Shapes
    READ = Lattice::Format::ShapeFile

    # @return [Array<Hash>] case, size, seconds, growth from the size before
    def self.call
      Dir.mktmpdir { |folder| new(folder).call }
    end

    def initialize(folder)
      @folder = folder
    end

    def call
      [step(25), step(100), stl(25_000), stl(100_000), union(5000), union(20_000)].then { |rows| with_growth(rows) }
    end

    private

    def timed
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      yield
      Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
    end

    # Up to where the surfaces, places and measures of all bodies are there to be drawn.
    def shown(content)
      content.parts.each do |part|
        Lattice::Shape::Body.new(name: part.name, make: "solid", facets: part.facets, signature: []).places
      end
    end

    def file(name, bytes) = File.join(@folder, name).tap { |path| File.binwrite(path, bytes) }

    def step(prisms)
      path = file("prisms#{prisms}.step", StepPrisms.new(prisms, 8, 10.0, 30.0).text)
      { case: "STEP file, faces", size: prisms * 10, seconds: timed { shown(READ.read_apart(path, "prisms.step")) } }
    end

    # A ring whose thickness swells and shrinks.
    def ring(triangles, shift = 0.0)
      across = Math.sqrt(triangles / 8.0).round
      along = triangles / 2 / across
      u = (Numo::DFloat.new(along).seq / along * 2 * Math::PI).reshape(along, 1)
      v = (Numo::DFloat.new(across).seq / across * 2 * Math::PI).reshape(1, across)
      thick = (Numo::NMath.sin(u * 5) * 1e-3) + 1e-2
      out = (thick * Numo::NMath.cos(v)) + 4e-2
      points = Numo::DFloat.zeros(along * across, 3)
      [(out * Numo::NMath.cos(u)) + shift, out * Numo::NMath.sin(u), thick * Numo::NMath.sin(v)].each_with_index { |c, k| points[true, k] = c.flatten }
      Lattice::Shape::Facets.new(points: points, triangles: grid(along, across), owners: Numo::Int32.zeros(along * across * 2),
                                 faces: [Lattice::Shape::Face.new("ring", Lattice::Shape::Surface.free)])
    end

    def grid(along, across)
      i = (Numo::Int32.new(along).seq.reshape(along, 1) + Numo::Int32.zeros(along, across)).flatten
      j = (Numo::Int32.new(across).seq.reshape(1, across) + Numo::Int32.zeros(along, across)).flatten
      a, b, c, d = [[0, 0], [1, 0], [1, 1], [0, 1]].map { |di, dj| (((i + di) % along) * across) + ((j + dj) % across) }
      Numo::Int32.zeros(along * across * 2, 3).tap do |table|
        [[a, b, c], [a, c, d]].each_with_index { |corners, half| corners.each_with_index { |n, k| table[(half * a.size)...((half + 1) * a.size), k] = n } }
      end
    end

    def stl(triangles)
      path = file("ring#{triangles}.stl", Lattice::Format::Stl.binary([ring(triangles)]))
      { case: "STL file, triangles", size: triangles, seconds: timed { shown(READ.read_apart(path, "ring.stl")) } }
    end

    def union(triangles)
      one = ring(triangles)
      other = ring(triangles, 0.03)
      { case: "union, triangles each", size: one.count, seconds: timed { Lattice::Shape::Combining.call([["one", one], ["other", other]], "union") { |body, face| "#{body} #{face}" } } }
    end

    def with_growth(rows)
      rows.each_cons(2) do |before, row|
        row[:growth] = (Math.log(row[:seconds] / before[:seconds]) / Math.log(row[:size].fdiv(before[:size]))).round(2) if row[:case] == before[:case]
      end
      rows.each { |row| row[:seconds] = row[:seconds].round(2) }
    end
  end
end
