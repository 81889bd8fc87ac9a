# frozen_string_literal: true

module Lattice
  class Command
    # What lattice shape says of a model's or file's bodies.
    class ShapeReport
      # @param bodies [Array<Shape::Body>]
      # @param reports [Hash, nil] what was found and mended in files
      # @param faults [Array<Fault>] what kept bodies from being made
      def initialize(bodies, reports, faults, system)
        @bodies = bodies
        @reports = reports
        @faults = faults
        @system = system
      end

      # @return [Hash] SI units throughout
      def to_h
        { units: "SI", bodies: @bodies.map { |b| body(b) }, repairs: @reports, faults: @faults.map(&:as_json) }
      end

      # @param out [IO]
      def print(out)
        @bodies.each { |b| print_body(b, out) }
        @reports&.each_value { |report| out.puts "Reading: #{ShapeReport.words(report)}" }
        @faults.each { |f| out.puts "Fault: #{f}" }
      end

      # @return [String] a reader's report in words
      def self.words(report)
        mended = { points_welded: "points welded", points_merged: "near points made one", degenerate: "triangles without area dropped", doubled: "doubled triangles dropped",
                   joints_closed: "T-joints closed", turned: "triangles turned outwards" }
        left = { open_edges: "open edges", crowded_edges: "edges of more than two triangles", slivers: "slivers", tiny_edges: "tiny edges" }
        list = ->(words) { words.filter_map { |key, text| "#{report[key]} #{text}" if report[key].to_i.positive? }.join(", ") }
        ["#{report[:triangles]} triangles", list.call(mended).then { |t| t.empty? ? "nothing to mend" : "mended: #{t}" },
         list.call(left).then { |t| t.empty? ? nil : "left: #{t}" }].compact.join("; ")
      end

      private

      def body(body)
        measured = body.facets.count.positive?
        { name: body.name, make: body.make, closed: body.facets.closed?, volume: body.volume, area: measured ? body.facets.measures.area : nil, thickness: body.thickness,
          centre: body.centre, bounds: body.bounds, inertia: measured ? body.facets.measures.inertia : nil, triangles: body.facets.count, edges: body.facets.edges.size,
          merged: body.merged, faces: body.places.select { |p| p.of == :faces }.map { |p| p.as_json.slice(:name, :kind, :measure, :radius, :bore, :axis, :normal, :at) } }
      end

      def print_body(body, out)
        out.puts "#{body.name} (#{body.make}#{', open' unless body.facets.closed? || !body.solid?})"
        facts(body).each { |label, value| out.puts "  #{label.ljust(18)}#{value}" }
        out.puts TextTable.new(%w[face kind radius area], faces(body)).to_s.gsub(/^/, "  ") if body.facets.count.positive?
        out.puts
      end

      def facts(body)
        edges = body.facets.edges.map(&:curve).tally.map { |kind, n| "#{n} #{kind}#{'s' if n > 1}" }.join(", ")
        base = { "volume" => shown(body.volume, "volume"), "centre of mass" => body.centre.map { |c| shown(c.abs < body.size * 1e-7 ? 0.0 : c, "length") }.join("; "), "edges" => edges }
        base = base.merge("length" => shown(body.length, "length")).except("volume") if body.members?
        base["inertia / density"] = inertia(body) if body.solid?
        base
      end

      # About the centre of mass: xx, yy, zz.
      def inertia(body)
        table = body.facets.measures.inertia
        (0..2).map { |k| Kernel.format("%.4g", table[k][k]) }.join("; ") << " m5 (xx; yy; zz)"
      end

      def faces(body)
        rows = body.places.select { |p| p.of == :faces }
        shown_rows = rows.first(60).map { |p| [p.name, p.kind, p.radius ? shown(p.radius, "length") : "–", shown(p.measure, "area")] }
        rows.size > 60 ? shown_rows + [["… #{rows.size - 60} more", "", "", ""]] : shown_rows
      end

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @system)
    end
  end
end
