# frozen_string_literal: true

module LatticeServer
  module Building
    # All that follows from a document alone: its shape, places, what is missing or odd, and the digests
    # under which what is computed from it is kept.
    class Sketch
      # @param problem [Lattice::Study::Problem]
      def initialize(problem)
        @problem = problem
        @document = problem.document
      end

      # @return [Hash] text: document, shape and groups as JSON without its braces; name, units, notices, digests
      def to_h
        readiness = Lattice::Verdict::Readiness.new(@problem)
        stops = readiness.notices.select(&:stops?).map(&:fault)
        { text: JSON.generate(document: @document.data, shape: shape, groups: groups, flows: @problem.yielding.curves, pressures: @problem.yielding.pressures, motions: motions,
                              bends: bends, bows: bows, dampings: dampings, warmths: warmths, springs: springs, holds: holds, views: views)[1...-1],
          document: JSON.generate(@document.data),
          name: @document.name, units: @document.units,
          notices: readiness.notices.map(&:as_json), offers: Lattice::Verdict::Hand::Offers.of(@problem), stops: stops,
          mesh_stops: readiness.mesh_faults, meshed: meshed?, mesh: meshed? ? @problem.mesh_digest : nil, studies: studies }
      end

      private

      # Of every ground motion that can be read: its peak, duration, course and spectrum.
      def motions
        Lattice::Load::GroundMotion.all(@document).to_h do |motion|
          motion.check!
          [motion.statement.id, motion.to_h]
        rescue Lattice::InvalidInput
          [motion.statement.id, nil]
        end.compact
      end

      # Of every section of concrete with bars how it bends, with the material of members that have it.
      def bends
        @problem.yielding.reinforced.values.to_h do |one|
          one.check!
          body = @problem.parts.bodies.find { |b| b.members? && @problem.sections.names(b.name).include?(one.statement["outline"]) }
          young = body && @problem.materials.to_h[body.name]&.young
          [one.statement.id, { bars: one.places, curves: young ? one.bending(young) : [] }]
        rescue Lattice::InvalidInput
          [one.statement.id, nil]
        end.compact
      end

      # Of every material with a table over temperature: K, Pa and 1/K.
      def warmths
        @document.active("material").to_h do |statement|
          [statement.id, Lattice::Matter::OverTemperature.read(statement)&.to_h]
        rescue Lattice::InvalidInput
          [statement.id, nil]
        end.compact
      end

      # Of every spring with a curve: m and N.
      def springs
        @problem.conditions.grep(Lattice::Load::Conditions::Spring).to_h do |spring|
          [spring.statement.id, spring.curve&.to_h&.slice(:moves, :forces)]
        rescue Lattice::InvalidInput
          [spring.statement.id, nil]
        end.compact
      end

      # Of all members whose metal flows how their sections bend.
      def bows
        @document.active("yielding").to_h do |statement|
          [statement.id, Lattice::Matter::MetalBending.new(@problem, statement).to_a]
        rescue Lattice::InvalidInput
          [statement.id, []]
        end.reject { |_, list| list.empty? }
      end

      # Sides and base of ground at rest that nothing holds yet.
      def holds
        Lattice::Load::GroundHolds.new(@problem).call.map(&:to_h)
      rescue Lattice::InvalidInput
        []
      end

      # Of every study that is damped by mass and stiffness, how much at which frequency.
      def dampings
        @document.active("study").to_h do |study|
          rayleigh = (study["periods"] ? Lattice::Study::Shaken.new(@problem, study) : Lattice::Study::Damping.new(study)).rayleigh
          [study.id, (rayleigh.to_h if rayleigh&.damps?)]
        rescue Lattice::InvalidInput
          [study.id, nil]
        end.compact
      end

      # Every view that can be shown, in SI.
      def views
        @document.active("view").to_h do |s|
          saved = Lattice::Verdict::SavedView.new(s, @problem)
          saved.check!
          [s.id, saved.to_h]
        rescue Lattice::InvalidInput
          [s.id, nil]
        end.compact
      end

      # Whether there is something to mesh, and a size.
      def meshed? = @problem.size.to_f.positive? && !@problem.parts.bodies.empty?

      def studies
        @document.active("study").map do |study|
          digests = { findings: @problem.findings_digest(study), result: @problem.study_digest(study), mesh: @problem.mesh_digest_of(study) }
          { name: study.name, statement: study.id, **digests }
        rescue Lattice::InvalidInput
          { name: study.name, statement: study.id, findings: nil, result: nil, mesh: nil }
        end
      end

      def shape
        parts = @problem.parts
        inventory = Lattice::Shape::Inventory.new(parts.bodies, @problem.materials.to_h, @problem.sections)
        { digest: @problem.shape_digest, dimension: parts.dimension, size: parts.bodies.empty? ? nil : parts.size, up: up,
          bodies: inventory.rows.map { |row| row.merge(made_of(row[:name])) }, total: inventory.total,
          outlines: outlines, lines: lines, corners: corners, regions: regions, patches: parts.patches, reports: parts.reports, through: through, bolts: bolts, lines_between: lines_between }
      end

      def made_of(name) = { material: @problem.materials.to_h[name]&.name, section: section(name) }

      # What a body is made with besides its material, in words.
      def section(name)
        body = @problem.parts.body(name)
        return @problem.sections.names(name).join(", ") if body.members?
        return body.make unless body.faces? && body.wall

        Lattice::Quantity::Display.format(body.wall, "length", system: @document.units)
      end

      # The bolts of every statement: their ends and grips, m.
      def bolts
        @problem.conditions.grep(Lattice::Load::Conditions::Bolt).to_h do |condition|
          [condition.statement.id, condition.holes.each_with_index.map do |hole, i|
            { number: i + 1, radius: condition.thread.diameter / 2, head: hole.head, nut: hole.nut, grip: hole.length, first: hole.first, last: hole.last }
          end]
        rescue Lattice::InvalidInput
          [condition.statement.id, []]
        end
      end

      # Thin lines from one side of every join to the other, which stay when parts are drawn apart: body and point of each.
      def lines_between
        @problem.conditions.select(&:joins?).flat_map do |condition|
          next [] if condition.is_a?(Lattice::Load::Conditions::Bolt)

          one, other = [condition.places, condition.others].map(&:first)
          one && other ? [{ statement: condition.statement.id, ends: [one, other].map { |place| [place.body, place.at] } }] : []
        rescue Lattice::InvalidInput
          []
        end
      end

      # Where axes of supports and loads go through, m.
      def through
        @document.active.to_h { |s| [s.id, s["through"] || s.dig("frame", "through")] }.compact.transform_values { |spot| Lattice::Shape::Placement.spot(spot) }
      end

      # Up is against gravity; without it, along z where storeys rise that way or an elevation
      # is drawn over x and z, otherwise along y.
      def up
        gravity = @document.active("gravity").first
        return gravity["direction"].is_a?(String) && gravity["direction"].end_with?("z") ? "z" : "y" if gravity

        rises = @document.active("frame").any? { |s| s["up"] != "y" } || @document.active("body").any? { |s| s.dig("on", "plane") == "xz" }
        rises ? "z" : "y"
      end

      # Where typed corners lie, whatever they are placed by.
      def corners
        @document.active.select { |s| s["corners"] || s.dig("boundary", "corners") }.to_h do |s|
          list = s["corners"] || s.dig("boundary", "corners")
          [s.id, Lattice::Shape::Corners.new(s).resolve(list, "corners", space: s.kind == "line").map(&:at)]
        rescue Lattice::InvalidInput
          [s.id, []]
        end
      end

      def regions
        @document.active("outline").to_h do |s|
          [s.name, @document.outline(s).regions.map { |r| { name: r.name, at: r.area_and_centroid[1], loops: r.loops.map { |loop| loop_lines(loop) } } }]
        end.reject { |_, parts| parts.empty? }
      end

      # Open lines as points in space, with the name of the leg of every step.
      def lines
        @document.active("line").to_h do |s|
          line = Lattice::Shape::SpaceLine.read(s)
          [s.name, { points: line.points, keys: line.legs }]
        rescue Lattice::InvalidInput
          [s.name, nil]
        end.compact
      end

      def outlines
        @document.active("outline").to_h { |s| [s.name, @document.outline(s).loops.map { |loop| loop_lines(loop) }] }
      end

      # Fine polylines, with the name of the side that leaves each point.
      def loop_lines(loop)
        points, owners = loop.polyline(0.06)
        { points: points.to_a, keys: owners.map { |i| loop.segments[i].key } }
      end

      def groups
        @document.active("group").to_h do |group|
          [group.name, @problem.groups.members(group).map(&:key)]
        rescue Lattice::InvalidInput
          [group.name, []]
        end
      end
    end
  end
end
