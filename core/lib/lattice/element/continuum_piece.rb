# frozen_string_literal: true

module Lattice
  module Element
    # Solids and plane regions.
    class ContinuumPiece
      attr_reader :block, :body, :material

      def initialize(block, coordinates, body, material)
        @block = block
        @body = body
        @material = material
        @continuum = Continuum.new(Kind[block.kind], coordinates, body.make, thickness: body.thickness)
      end

      def conn = block.conn
      def names = System::Dofs::NAMES.first(body.dimension)
      def fibres = nil
      def folded? = @continuum.least_determinant <= 0
      def stiffness = @continuum.stiffness(material.young, material.poisson)
      def mass(density) = @continuum.mass(density)

      # @return [Numo::DFloat] [d, d, e, n, n]; see Continuum
      # @raise [SolveFailed] of rings, which buckle in waves round the axis
      def geometric(u, free, _per_length = nil)
        raise SolveFailed.new("“#{body.name}” is a ring, whose buckling in waves round its axis is not solved", cure: "Make it a solid, or faces.") if body.axisymmetric?

        @continuum.geometric(u, material.young, material.poisson, free)
      end

      def node_volumes = @continuum.node_volumes

      # @param force [Numo::DFloat] [d] N/m³
      # @return [Numo::DFloat] [e, n, d]
      def body_force(force) = node_volumes.reshape(*conn.shape, 1) * force.reshape(1, 1, force.size)

      # @return [Numo::DFloat] [e, n, names] forces at the nodes of a unit of free strain
      def swelling = @continuum.swelling(material.young, material.poisson)

      # @param free [Numo::DFloat] [e, n] strain at the nodes
      # @return [Numo::DFloat] [e, n, names] the forces that it brings
      def swelling_by(free) = @continuum.swelling(material.young, material.poisson, free)

      # @param free [Numo::DFloat] [e, n] strain at the nodes
      # @return [Numo::DFloat] [e, g, rows] at the points through which it flows
      def free_at_points(free) = @continuum.free_at_points(free, material.poisson)

      # What flows through its points: see Large::Flowing. Of solids, slices and rings there is one layer.
      def wall = nil
      def elasticity = @elasticity ||= @continuum.form.elasticity(material.young, material.poisson)

      def operators(range)
        strain, volumes = @continuum.operators(range, elasticity)
        return [strain, nil, volumes] unless even_volume?

        [Dilatation.even(strain, volumes, Kind[block.kind].quadratic? ? places_of_points(range) : nil), nil, volumes]
      end

      STRAIGHT = %i[quad8 hex20 wedge15].freeze

      # Metals, and ground that does not widen, keep their volume while they flow: elements of straight sides lock unless theirs changes evenly all
      # over, bricks and quadrilaterals of curved ones unless it does so straight over them.
      def even_volume? = !sheet? && (!Kind[block.kind].quadratic? || STRAIGHT.include?(block.kind))

      # @return [Numo::DFloat, nil] [e, n w, n w] where what flows wants another stiffness than what does not
      def stiffness_of_flow
        return unless even_volume? || Kind[block.kind].flow_rule != Kind[block.kind].stiffness_rule

        strain, _, volumes = operators(0...block.size)
        e, g, rows, = strain.shape
        Quadrature.stiffness(strain, volumes.reshape(e * g, 1, 1) * elasticity.reshape(1, rows, rows))
      end

      def nearest_points = @continuum.nearest_points
      def from_points = @continuum.from_points
      def places_of_points(range) = @continuum.places_of_points(range)
      def sheet? = body.make == "plane stress"

      # @param stress [Numo::DFloat] [y, n, 3 or 6] at the nodes of some elements
      # @return [Numo::DFloat] [y, n, 6]
      def full_stress(stress, _elements) = stress.shape[2] == 6 ? stress : @continuum.form.full_stress(stress, material.young, material.poisson)

      # @return [Numo::DFloat] [1, 1, e, n, n] W/K
      def conduction = @continuum.conduction * material.conductivity

      # @param temperatures [Numo::DFloat] [e, n] K
      # @return [Numo::DFloat] [e, n, 3] W/m²
      def heat_flux(temperatures) = @continuum.nodal_slopes(temperatures) * -material.conductivity

      # @return [Numo::DFloat] [e, n, d]; see Continuum
      def field_force(&) = @continuum.field_force(&)

      # @param u [Numo::DFloat] [e, n, names]
      # @param free [Float, Numo::DFloat] strain that brings no stress; [e, n] where it varies
      # @return [Hash] layer => stress at the nodes of each element [e, n, 6]
      # @param list [Array<Numo::DFloat>] movements [e, n, names]
      # @return [Array<Hash>] stress by layer of each
      def recover_all(list) = @continuum.nodal_stresses(list, material.young, material.poisson).map { |stress| { "" => stress } }

      def recover(u, free = 0.0) = { "" => @continuum.nodal_stress(u, material.young, material.poisson, free) }
    end
  end
end
