# frozen_string_literal: true

module Lattice
  module Engine
    # A slender region of a section, such as a wall or a slab: axial force, shear force and bending moment along it, from the forces that
    # its elements hold at the nodes of a cut, the mean of both sides; for the thickness of the section.
    class Strip
      SLENDER = 3.0 # times as long as thick

      attr_reader :name

      # @param piece [Element::ContinuumPiece] its elements
      # @param nodes [Numo::DFloat] [n, 3]
      def initialize(piece, nodes)
        @name = piece.body.name
        @conn = piece.conn
        @at = nodes[@conn.flatten, 0..1].dup.reshape(*@conn.shape, 2)
        flat = @at.reshape(@conn.size, 2)
        @middle = flat.mean(0)
        arms = flat - @middle.reshape(1, 2)
        spread = arms.transpose.dot(arms)
        angle = Math.atan2(2 * spread[0, 1], spread[0, 0] - spread[1, 1]) / 2
        # It runs to the right, or upward.
        @along = Numo::DFloat[Math.cos(angle), Math.sin(angle)]
        @along *= -1 if @along.sum.negative?
        @across = Numo::DFloat[-@along[1], @along[0]]
        @run = @at.dot(@along)
        @deep = @at.dot(@across)
      end

      def slender? = @run.max - @run.min >= SLENDER * (@deep.max - @deep.min)

      # Cuts between elements, from its one end to the other, m along it.
      # @return [Numo::DFloat] [s]
      def cuts
        @cuts ||= begin
          low, high = @run.minmax
          size = (@run.max(1) - @run.min(1)).mean
          count = [((high - low) / size).round, 2].max
          (Numo::DFloat.new(count - 1).seq(1) * ((high - low) / count)) + low
        end
      end

      # @return [Hash] name; along: m from its one end; from and upto: its ends, m
      def about
        ends = @run.minmax.map { |r| (@middle + (@along * (r - @middle.dot(@along)))).to_a + [0.0] }
        { name: name, along: (cuts - @run.min).to_a, length: @run.max - @run.min, from: ends[0], upto: ends[1] }
      end

      # @param part [Element::Large::Turning] its elements, at a pose
      # @param pose [Array] see Turning#call
      # @return [Array] see #read
      def told(part, pose, _ends) = read(part.call(*pose, tangent: false)[0])

      # @param forces [Numo::DFloat] [e, k, 2] that its elements hold, N
      # @return [Array] of every cut axial force (pulled above zero), shear force and moment, N and N m
      def read(forces)
        flat = forces.reshape(forces.size / 2, 2)
        pulls, shears = [flat.dot(@along), flat.dot(@across)].map { |v| v.reshape(*@conn.shape) }
        middle = @run.mean(1)
        height = (@deep.max + @deep.min) / 2
        cuts.to_a.map do |cut|
          before = middle < cut
          sides = [before.where, before.eq(0).where]
          shared = sides.map { |rows| Numo::DFloat.zeros(@conn.max + 1).tap { |mark| mark[@conn[rows, true].flatten] = 1 } }.reduce(:*)
          both = sides.map { |rows| through(rows, shared, pulls, shears, cut, height) }
          both[0].zip(both[1]).map { |one, other| (one - other) / 2 }
        end
      end

      private

      def through(rows, shared, pulls, shears, cut, height)
        there = shared[@conn[rows, true].flatten]
        n, v, run, deep = [pulls, shears, @run, @deep].map { |table| table[rows, true].flatten }
        [(n * there).sum, (v * there).sum, (((run - cut) * v * there) - ((deep - height) * n * there)).sum]
      end
    end
  end
end
