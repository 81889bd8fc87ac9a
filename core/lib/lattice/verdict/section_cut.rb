# frozen_string_literal: true

module Lattice
  module Verdict
    # What the part beyond a plane exerts on the part before it: the forces that hold all loads and reactions before the
    # plane in balance, exact where nothing acts within an element of the plane; of some solids among others, their stress summed
    # up over the plane.
    class SectionCut < Reader
      # @raise [InvalidInput] where the plane misses the part, or the body is none that can be cut
      def check!
        low, high = %i[min max].each_with_index.map { |way, i| (body ? solids : problem.parts.bodies).map { |b| b.bounds[i][axis] }.public_send(way) }
        return if at > low && at < high

        range = [low, high].map { |v| Quantity::Display.format(v, "length", system: problem.document.units) }.join(" to ")
        raise statement.fault("its plane misses #{body ? "“#{body}”" : 'the part'}, which reaches from #{range}", path: "plane.at", cure: "Move the plane into it.")
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: force and moment of every frame, nil for envelopes; about: the point that moments are about, m
      def read(result)
        check!
        nodes = result.grid.nodes
        before = Numo::Int32.cast((nodes[true, axis] < at - (problem.parts.size * 1e-9)).where)
        about = middle(result.grid)
        found = result.frames.map do |frame|
          next if result.envelope?(frame.index)

          body ? by_stress(result, frame.index, about) : through(result, frame.index, before, about)
        end
        { kind: "section_cut", statement: statement.id, name: statement.name, body: body, axis: "xyz"[axis], at: at, about: about, forces: found.map { |f| f&.first }, moments: found.map { |f| f&.last } }
      end

      private

      def axis = "xyz".index(statement["plane"]["axis"])
      def at = statement.quantity("plane.at", "length")
      def body = statement["body"]

      # @return [Array<Shape::Body>] the solid, or those of the group, that are cut
      def solids
        @solids ||= [problem.parts.body(body)].compact.then { |one| one.empty? ? of_group : one }.tap do |all|
          wrong = all.find { |b| !b.solid? } and raise statement.fault("“#{wrong.name}” is no solid", path: "body", cure: "Name a solid or a group of solids, or leave it out: the whole model is cut then.")
        end
      end

      def of_group
        raise statement.fault("there is no solid named “#{body}”, nor a group", path: "body", cure: "Name a solid, or leave it out: the whole model is cut then.") unless problem.document.named("group", body)

        problem.groups.target!(statement, %i[bodies], "body").map { |place| problem.parts.body(place.body) }
      end

      # The middle of the box of all elements that the plane cuts.
      def middle(grid)
        corners = grid.blocks.filter_map do |block|
          next if body && solids.none? { |b| b.name == block.body }

          at_nodes = Algebra::Gather.rows(grid.nodes, block.conn)
          along = at_nodes[true, true, axis]
          there = ((along.min(1) <= at) & (along.max(1) >= at)).where
          at_nodes[there, true, true].reshape(there.size * block.conn.shape[1], 3) unless there.empty?
        end
        low = corners.map { |c| c.min(0) }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
        high = corners.map { |c| c.max(0) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }
        ((low + high) / 2).tap { |m| m[axis] = at }.to_a
      end

      # Stress as every element has it, along straight lines over each triangle of the plane.
      def by_stress(result, frame, about)
        @cut ||= Mesh::PlaneCut.new(result.grid, axis: axis, at: at, only: solids.map(&:name))
        stress = result.state(frame).stress
        units = Numo::DFloat.zeros(@cut.positions.shape[0], 3)
        units[true, axis] = 1.0
        traction = Result::Stress.across(@cut.tabulated(6) { |b| stress[b][""] }, units).reshape(@cut.triangles.shape[0], 3, 3)
        places = (@cut.positions - Numo::DFloat.cast(about).reshape(1, 3)).reshape(@cut.triangles.shape[0], 3, 3)
        a, b, c = (0..2).map { |k| places[true, k, true] }
        third = (Shape::Vectors.norm(Shape::Vectors.cross(b - a, c - a)) / 6).reshape(@cut.triangles.shape[0], 1)
        # At the middles of sides, which is exact for what goes with the square.
        sides = [[0, 1], [1, 2], [2, 0]].map { |i, j| [traction, places].map { |of| (of[true, i, true] + of[true, j, true]) / 2 } }
        [sides.sum { |t, _| (t * third).sum(0) }, sides.sum { |t, at| (Shape::Vectors.cross(at, t) * third).sum(0) }].map(&:to_a)
      end

      # @return [Array(Array<Float>, Array<Float>)] N and N m
      def through(result, frame, before, about)
        state = result.state(frame)
        force = state.load[before, true] + state.reaction[before, true]
        arm = result.grid.nodes[before, true] - Numo::DFloat.cast(about).reshape(1, 3)
        moment = Shape::Vectors.cross(arm, force).sum(0)
        moment += (state.moment_load[before, true] + state.moment_reaction[before, true]).sum(0) if state.moment_load
        [(-force.sum(0)).to_a, (-moment).to_a]
      end
    end
  end
end
