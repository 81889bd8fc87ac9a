# frozen_string_literal: true

require_relative "shell_grid"

module Verify
  # The same shells that move and turn far: the equations of a march.
  class LargeGrid < ShellGrid
    # What a turning block asks of a piece.
    Piece = Struct.new(:conn, :names) do
      def body = Struct.new(:members?, :axisymmetric?).new(false, false)
    end

    attr_reader :constraints

    def given = Numo::DFloat.zeros(dofs.size)
    def pushed(level) = push * level
    def given? = false
    def touches = []
    def settle = true
    def slides? = false
    def hardly = 0.0
    def slant(_moved) = nil
    def strays = 0.0
    def reach(_level, _ratio) = nil
    def bear(_level) = nil
    def back = nil
    def commit = nil
    def read(_pose, _level) = nil
    def extent = (points.max(0) - points.min(0)).max

    # Without a name, what pushes in all.
    def push(name = nil, ...) = name ? super : @load[0, true].dup

    def call(pose)
      @turning ||= Lattice::Element::Large::Turning.new(Piece.new(conn, NAMES), @block.stiffness, Lattice::Algebra::Gather.rows(points, conn))
      turns = pose.turns.reshape(pose.turns.shape[0], 9)[conn.flatten, true].reshape(*conn.shape, 3, 3)
      force, matrix = @turning.call(Lattice::Algebra::Gather.rows(pose.places(points), conn), turns)
      [dofs.table(conn, NAMES).flatten.bincount(force.flatten, minlength: dofs.size), pattern.assemble([matrix])]
    end

    # @param first [Float] share of the load in the first increment
    # @param upto [Float, nil] of the load; nil goes by the length of the path
    # @yield [Increment] answers :stop
    # @return [Array<Lattice::Engine::March::Increment>]
    def march(first, upto = nil, &stop)
      moves = %i[x y z].map { |name| dofs.at(Numo::Int32.new(dofs.nodes).seq, name) }.reduce { |a, b| a.concatenate(b) }
      control = upto ? Lattice::Engine::Control::Level.new(first, upto) : Lattice::Engine::Control::Arc.new(first, moves, extent * 0.02)
      found = []
      Lattice::Engine::March.new(self, control).call(Lattice::Engine::Pose.start(dofs)) do |increment|
        found << increment
        :stop if (upto && increment.level > upto - 1e-9) || stop&.call(increment)
      end
      found
    end

    def at(increment, name, &) = increment.pose.moved[dofs.at(nodes(&), name)].mean

    private

    def pattern = @pattern ||= Lattice::System::Pattern.new([[conn, NAMES]], dofs)
  end
end
