# frozen_string_literal: true

module Lattice
  module Element
    # Members with cross-sections.
    class BeamPiece
      attr_reader :block, :body, :material, :fibres

      # @param set [Matter::Sections::Set]
      def initialize(block, coordinates, body, material, set)
        @block = block
        @body = body
        @material = material
        @coordinates = coordinates
        @set = set
        @beam = Beam::Block.new(coordinates, @set.properties, young: material.young, poisson: material.poisson)
        @fibres = Beam::Fibres.new(set.index, set.sections, @beam.axes)
      end

      def conn = block.conn

      # @return [Array<String>] the outlines of its sections
      def outlines = @set.outlines

      # @return [Numo::DFloat] [e, 3, 3] rows: along the members, and the principal axes
      def axes = @beam.axes

      # Of a force per volume that varies from place to place, as it is at the nodes.
      # @yield [Numo::DFloat] places [k, 3]; answers N/m³ there [k, 3]
      # @return [Numo::DFloat] [e, n, 3]
      def field_force
        shares = node_volumes
        yield(@coordinates.reshape(shares.size, 3)).reshape(*shares.shape, 3) * shares.reshape(*shares.shape, 1)
      end

      def lengths = @beam.lengths

      # @param vectors [Numo::DFloat] [e, 3]
      # @return [Numo::DFloat] [e, 3] along the members, and along both principal axes
      def along_axes(vectors) = Numo::Linalg.matmul(axes, vectors.reshape(block.size, 3, 1)).reshape(block.size, 3)

      # @return [Numo::DFloat] [e] one for those that bend, zero for bars
      def bends = 1 - Numo::DFloat.cast(@set.properties.bar)
      def stiff_ends = @beam.stiff_ends

      # What flows is taken off the elastic stiffness as it is.
      def stiffness_of_flow = nil

      # @see Beam::Block#deformations
      def deformations(at) = @beam.deformations(at)
      def shear_flexibility(at) = @beam.shear_flexibility(at)
      def by_global(operators, at) = @beam.by_global(operators, at)

      def names = Beam::Block::NAMES
      def folded? = false
      def stiffness = @beam.stiffness
      def mass(density) = @beam.mass(density)

      # @param u [Numo::DFloat] [e, 2, 6] that brings the forces
      # @param per_length [Numo::DFloat] [e, 3] N/m
      # @return [Numo::DFloat] [6, 6, e, 2, 2]
      def geometric(u, free, per_length) = @beam.geometric(ends(u, per_length, free)[true, true, 0].mean(1))

      def node_volumes = (@set.properties.area * @beam.lengths / 2).reshape(block.size, 1) + Numo::DFloat.zeros(block.size, 2)

      # @param force [Numo::DFloat] [3] N/m³
      # @return [Numo::DFloat] [e, 2, 6]
      def body_force(force) = spread(along_members(force))

      # @param force [Numo::DFloat] [3], or [2] in the plane of a section, N/m³
      # @return [Numo::DFloat] [e, 3] N/m
      def along_members(force)
        whole = Numo::DFloat.zeros(1, 3).tap { |all| all[0, 0...force.size] = force }
        @set.properties.area.reshape(block.size, 1) * whole
      end

      def spread(per_length) = @beam.spread(per_length)

      # @return [Numo::DFloat] [1, 1, e, 2, 2] W/K
      def conduction
        rate = @set.properties.area / lengths * material.conductivity
        Numo::DFloat.zeros(1, 1, block.size, 2, 2).tap { |all| 2.times { |i| 2.times { |j| all[0, 0, true, i, j] = i == j ? rate : -rate } } }
      end

      # @param temperatures [Numo::DFloat] [e, 2] K
      # @return [Numo::DFloat] [e, 2, 3] W/m²
      def heat_flux(temperatures)
        rate = (temperatures[true, 0] - temperatures[true, 1]) / lengths * material.conductivity
        (axes[true, 0, true] * rate.reshape(block.size, 1)).reshape(block.size, 1, 3) + Numo::DFloat.zeros(block.size, 2, 3)
      end

      # @param by_outline [Hash{String => Float}] m around each outline
      # @return [Numo::DFloat] [e] m around each member
      def girths(by_outline) = Numo::DFloat.cast(outlines.map { |name| by_outline.fetch(name) })[@set.index].dup

      # @return [Numo::DFloat] [e, 2, 6] forces at the nodes of a unit of strain along the member
      def swelling = @beam.swelling

      # @param free [Numo::DFloat] [e, 2] strain at the ends; its mean counts
      # @return [Numo::DFloat] [e, 2, names] the forces that it brings
      def swelling_by(free) = swelling * free.mean(1).reshape(block.size, 1, 1)

      # @param u [Numo::DFloat] [e, 2, 6]
      # @param free [Float] strain along the member that brings no force
      # @param per_length [Numo::DFloat] [e, 3] N/m
      # @return [Numo::DFloat] [e, 2, 6] N, V2, V3, T, M2, M3 at both ends
      def ends(u, per_length, free = 0.0) = @beam.ends(u, per_length, free.is_a?(Float) ? free : free.mean(1))
    end
  end
end
