# frozen_string_literal: true

require_relative "../core/lib/lattice"

module Bench
  # Every closed part of a folder of files, meshed with tetrahedra of three sizes: what is
  # reached, or what is said of the part that is refused.
  class Parts
    HEAD = ["part", "size, mm", "elements", "mean ratio, worst", "1st percentile", "least angle, deg", "volume off, %", "linear, %", "open", "places", "s"].freeze
    SHARES = [10, 20, 40].freeze # sizes of a part's diagonal

    # @param folder [String] searched for files that can be read
    def initialize(folder, out: $stdout, only: nil)
      @files = Dir[File.join(folder, "**", "*.{stp,step,stl,igs}")].select { |f| only.nil? || f.match?(only) }
      @out = out
      @seen = {}
    end

    # @return [Array<Hash>] a row for each part and size
    def call
      @out.puts HEAD.join(" | ")
      @files.flat_map { |file| parts(file) }
    end

    private

    def parts(file)
      content = Lattice::Format::ShapeFile.read_apart(file, File.basename(file), Lattice::Format::ShapeFile::Options.usual)
      content.parts.select { |part| part.facets.closed? }.flat_map { |part| sizes(file, Lattice::Shape::Body.new(name: part.name, make: "solid", facets: part.facets, signature: [])) }
    rescue Lattice::InvalidInput => e
      warn "#{File.basename(file)}: #{e.message}"
      []
    end

    # Parts that come again in other files are not meshed again.
    def sizes(file, body)
      key = [body.volume, body.facets.measures.area].map { |v| Kernel.format("%.4e", v) }
      return [] if @seen[key]

      @seen[key] = true
      low, high = body.facets.bounds
      diagonal = Math.sqrt(low.zip(high).sum { |a, b| (b - a)**2 })
      SHARES.map { |share| row("#{File.basename(file)}, #{body.name}", body, diagonal / share, linear: share == SHARES[1]).tap { |r| show(r) } }
    end

    # @param linear [Boolean] whether to mesh with linear elements too
    def row(name, body, size, linear:)
      start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
      grid = mesh(body, size)
      seconds = Process.clock_gettime(Process::CLOCK_MONOTONIC) - start
      measured(report(grid, body)).merge(name: name, size: size, linear: linear && off(report(linear_mesh(body, size), body)), seconds: seconds)
    rescue Lattice::InvalidInput => e
      { name: name, size: size, refused: e.message, seconds: Process.clock_gettime(Process::CLOCK_MONOTONIC) - start }
    end

    def mesh(body, size, **options) = Lattice::Mesh::Builder.call([body], Lattice::Mesh::Settings.new(size, family: "tetrahedra and triangles", **options))
    def linear_mesh(body, size) = mesh(body, size, order: "linear")
    def report(grid, body) = Lattice::Command::MeshReport.new(grid, [body], {}, nil).to_h

    def measured(report)
      of = report[:measures].to_h { |m| [m[:key], m] }
      { elements: report[:elements], worst: of[:mean_ratio][:worst], percentile: of[:mean_ratio][:first_percentile], angle: of[:least_angle][:worst], least: of[:distortion][:worst],
        volume: off(report), open: report[:skin][:open], places: [report[:skin][:places], report[:skin][:wanted]] }
    end

    def off(report) = ((report[:volume] / report[:shape_volume]) - 1) * 100

    def show(row)
      return @out.puts("#{row[:name]} | #{mm(row)} | refused after #{row[:seconds].round(1)} s: #{row[:refused]}") if row[:refused]

      values = [row[:elements], *row.values_at(:worst, :percentile, :angle, :volume, :linear).zip([3, 3, 1, 4, 3]).map { |v, digits| v ? v.round(digits) : "–" }]
      @out.puts [row[:name], mm(row), *values, row[:open], row[:places].join(" of "), row[:seconds].round(1), ("inside out" if row[:least] <= 0)].compact.join(" | ")
    end

    def mm(row) = (row[:size] * 1000).round(2)
  end
end
