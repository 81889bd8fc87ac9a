# frozen_string_literal: true

module Lattice
  module Element
    # Faces with a thickness.
    class ShellPiece
      LAYERS = { "top" => 1.0, "middle" => 0.0, "bottom" => -1.0 }.freeze

      attr_reader :block, :body, :material

      def initialize(block, coordinates, body, material)
        @block = block
        @body = body
        @material = material
        @coordinates = coordinates
        @shell = Shell::Block.new(coordinates, thickness: body.wall, young: material.young, poisson: material.poisson)
      end

      def conn = block.conn

      # Of a force per volume that varies from place to place, as it is at the nodes.
      # @yield [Numo::DFloat] places [k, 3]; answers N/m³ there [k, 3]
      # @return [Numo::DFloat] [e, n, 3]
      def field_force
        shares = node_volumes
        yield(@coordinates.reshape(shares.size, 3)).reshape(*shares.shape, 3) * shares.reshape(*shares.shape, 1)
      end

      def names = Shell::Block::NAMES
      def fibres = nil
      def folded? = false
      def stiffness = @shell.stiffness
      def mass(density) = @shell.mass(density)
      def geometric(u, free, _per_length = nil) = @shell.geometric(u, even(free))
      def node_volumes = @shell.node_volumes

      # @param force [Numo::DFloat] [d] N/m³
      # @return [Numo::DFloat] [e, n, d]
      def body_force(force) = node_volumes.reshape(*conn.shape, 1) * force.reshape(1, 1, force.size)

      # @return [Numo::DFloat] [e, n, 6]
      def swelling = @shell.swelling

      # @param free [Numo::DFloat] [e, n] strain at the nodes; of each element its mean counts
      # @return [Numo::DFloat] [e, n, names] the forces that it brings
      def swelling_by(free) = swelling * even(free).reshape(block.size, 1, 1)

      # @return [Numo::DFloat] [e, g, rows] at the points through which it flows
      def free_at_points(free)
        g = @shell.operators(0...1)[0].shape[1]
        Numo::DFloat.zeros(block.size, g, 3).tap { |all| all[true, true, 0..1] = even(free).reshape(block.size, 1, 1) + Numo::DFloat.zeros(block.size, g, 2) }
      end

      # What flows through its points: see Large::Flowing.
      def wall = body.wall
      def elasticity = @elasticity ||= PlaneStress.elasticity(material.young, material.poisson)
      def operators(range) = @shell.operators(range)
      def nearest_points = Numo::Int32.new(conn.shape[1]).seq
      def sheet? = true
      def stiffness_of_flow = nil

      # @param stress [Numo::DFloat] [y, n, 3] in the sheet, at the nodes of some elements
      # @return [Numo::DFloat] [y, n, 6] shear across the sheet, which the law does not know, left out
      def full_stress(stress, elements) = @shell.in_sheet(stress, elements)

      # @param u [Numo::DFloat] [e, n, 6]
      # @param free [Float] strain that brings no stress
      # @return [Hash] layer => stress at the nodes of each element [e, n, 6]
      def recover(u, free = 0.0)
        resultants = @shell.resultants(u, even(free))
        LAYERS.transform_values { |place| @shell.stress(resultants, place) }
      end

      # @return [Numo::DFloat] [1, 1, e, n, n] W/K
      def conduction = @shell.conduction * material.conductivity

      # @param temperatures [Numo::DFloat] [e, n] K
      # @return [Numo::DFloat] [e, n, 3] W/m²
      def heat_flux(temperatures) = @shell.slopes_of(temperatures) * -material.conductivity

      def recover_all(list) = list.map { |u| recover(u) }

      private

      def even(free) = free.is_a?(Float) ? free : free.mean(1)
    end
  end
end
