# frozen_string_literal: true

module Lattice
  module Verdict
    # What the part beyond a plane exerts on the part before it: the forces that hold all loads and reactions before the
    # plane in balance. Exact where nothing acts within an element of the plane.
    class SectionCut < Reader
      # @raise [InvalidInput] where the plane misses the part
      def check!
        low, high = %i[min max].each_with_index.map { |way, i| problem.parts.bodies.map { |b| b.bounds[i][axis] }.public_send(way) }
        return if at > low && at < high

        range = [low, high].map { |v| Quantity::Display.format(v, "length", system: problem.document.units) }.join(" to ")
        raise statement.fault("its plane misses the part, which reaches from #{range}", path: "plane.at", cure: "Move the plane into it.")
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: force and moment of every frame, nil for envelopes; about: the point that moments are about, m
      def read(result)
        check!
        nodes = result.grid.nodes
        before = Numo::Int32.cast((nodes[true, axis] < at - (problem.parts.size * 1e-9)).where)
        about = middle(result.grid)
        found = result.frames.map { |frame| result.envelope?(frame.index) ? nil : through(result, frame.index, before, about) }
        { kind: "section_cut", statement: statement.id, name: statement.name, axis: "xyz"[axis], at: at, about: about, forces: found.map { |f| f&.first }, moments: found.map { |f| f&.last } }
      end

      private

      def axis = "xyz".index(statement["plane"]["axis"])
      def at = statement.quantity("plane.at", "length")

      # The middle of the box of all elements that the plane cuts.
      def middle(grid)
        corners = grid.blocks.filter_map do |block|
          at_nodes = Algebra::Gather.rows(grid.nodes, block.conn)
          along = at_nodes[true, true, axis]
          there = ((along.min(1) <= at) & (along.max(1) >= at)).where
          at_nodes[there, true, true].reshape(there.size * block.conn.shape[1], 3) unless there.empty?
        end
        low = corners.map { |c| c.min(0) }.reduce { |a, b| Numo::DFloat.minimum(a, b) }
        high = corners.map { |c| c.max(0) }.reduce { |a, b| Numo::DFloat.maximum(a, b) }
        ((low + high) / 2).tap { |m| m[axis] = at }.to_a
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
