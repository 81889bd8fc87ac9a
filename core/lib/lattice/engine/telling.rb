# frozen_string_literal: true

module Lattice
  module Engine
    # What equations tell of a pose at rest.
    module Telling
      # What is told of a pose at rest. recovered: see #recovered; touched [n, 4]: see Touch#at_nodes, nil where nothing may touch; pressed:
      # what each touch says; shortenings [bolts] m, nil without; anchored: what each tie says; strips: forces along slender
      # regions by their names, where those are asked for; bars: see Embedded#read; cracks: see
      # Element::Large::Cracks#table, nil where nothing cracks; free, flow: see Result::State, the latter at the end of all loads alone; springs: see Springs#read.
      Read = Struct.new(:recovered, :touched, :pressed, :shortenings, :anchored, :strips, :bars, :cracks, :free, :flow, :springs, keyword_init: true)
      WHOLE = 1 - 1e-9 # of the level

      # @return [Read]
      def read(pose, level)
        found = recovered(pose, level)
        Read.new(recovered: found, touched: touched, pressed: touches.map(&:summary), shortenings: @tightening&.shortenings(pose.moved, level),
                 anchored: @anchors.filter_map { |a| a.read(pose.moved, level) },
                 strips: strips(pose, found), bars: @embedded&.read(pose.moved), cracks: cracks(pose), free: by_part(&:free), flow: level >= WHOLE ? flow(pose) : nil,
                 springs: @springs.read(pose.moved))
      end

      # @param level [Float] of the loads between the ends of members
      # @return [Array] of every piece its stress by layer, of members the forces at the ends of its elements, and equivalent plastic strain
      def recovered(pose, level)
        places = pose.places(@nodes)
        @parts.each_index.map do |i|
          part = @parts[i]
          spread = @acting.spread_loads[i]
          own, turns = at(part, places, pose)
          next part.nothing unless @there[i]

          part.recover(own, turns, spread && spread_at(spread, level))
        end.transpose
      end

      # From now on the forces along slender regions are told.
      # @yield [Element piece] whether it is looked at
      # @return [Array<Hash>] see Strip#about
      def follow
        pieces = structure.pieces
        regions = pieces.each_index.select { |i| pieces[i].names.size == 2 && yield(pieces[i]) }
        @strips = regions.to_h { |i| [i, Strip.new(pieces[i], @nodes)] }.select { |_, strip| strip.slender? }
        members = structure.grid.dimension == 2 ? pieces.each_index.select { |i| pieces[i].body.members? } : []
        @strips.merge!(members.to_h { |i| [i, MemberStrip.new(pieces[i], @nodes)] })
        @strips.values.map(&:about)
      end

      # @return [Float] rad, how far anything that joins parts has turned
      def turn_of_joins(pose)
        return 0.0 unless pose.turns && @joined&.any?

        turned = @dofs.spread(pose.moved, %i[rx ry rz])
        Shape::Vectors.norm(turned[Numo::Int32.cast(@joined), true].dup).max
      end

      private

      def flow(pose) = pose.places(@nodes).then { |places| by_part { |part| part.flow_strain(*at(part, places, pose)) } }

      # @return [Array, nil] of every piece what it answers; nil where none does
      def by_part = @parts.each_index.map { |i| @there[i] ? yield(@parts[i]) : nil }.then { |all| all.any? ? all : nil }

      def cracks(pose)
        places = pose.places(@nodes)
        tables = @parts.filter_map { |part| part.cracks(*at(part, places, pose))&.table(Algebra::Gather.rows(@nodes, part.piece.conn).mean(1)) }
        tables.empty? ? nil : Numo::DFloat.vstack(tables)
      end

      def strips(pose, recovered)
        return unless @strips

        places = pose.places(@nodes)
        @strips.select { |i, _| @there[i] }.to_h { |i, strip| [strip.name, strip.told(@parts[i], at(@parts[i], places, pose), recovered[1][i])] }
      end

      # Where a node belongs to several touches, the one that presses it most.
      def touched
        touches.map(&:at_nodes).reduce do |one, other|
          more = (other[true, 3].ne(0) & (one[true, 3].eq(0) | (other[true, 0] > one[true, 0]))).where
          more.empty? ? one : one.tap { |all| all[more, true] = other[more, true] }
        end
      end
    end
  end
end
