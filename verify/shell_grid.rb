# frozen_string_literal: true

module Verify
  # Shells on a mapped grid of n × m cells, solved without a note: points come from a function of two shares.
  class ShellGrid
    NAMES = Lattice::Element::Shell::Block::NAMES

    attr_reader :points, :conn, :dofs

    # @param cells [Array(Integer, Integer)]
    # @param triangles [Boolean] each cell cut in two
    # @yield [Float, Float] shares from 0 to 1; answers x, y, z
    def initialize(cells, triangles: false, **section, &block)
      n, m = cells
      @at = (0..m).flat_map { |j| (0..n).map { |i| [i.fdiv(n), j.fdiv(m)] } }
      @points = Numo::DFloat.cast(@at.map(&block))
      quads = (0...m).flat_map { |j| (0...n).map { |i| (a = (j * (n + 1)) + i) && [a, a + 1, a + n + 2, a + n + 1] } }
      @conn = Numo::Int32.cast(triangles ? quads.flat_map { |a, b, c, d| [[a, b, c], [a, c, d]] } : quads)
      @block = Lattice::Element::Shell::Block.new(Lattice::Algebra::Gather.rows(@points, @conn), **section)
      @dofs = Lattice::System::Dofs.new(@points.shape[0], [[@conn, NAMES]])
      @constraints = Lattice::System::Constraints.new(@dofs.size)
      @load = Numo::DFloat.zeros(1, @dofs.size)
    end

    # @yield [Float, Float] whether a node of these shares is meant
    def nodes(&) = Numo::Int32.cast(@at.each_index.select { |k| yield(*@at[k]) })

    def hold(*names, &)
      found = nodes(&)
      names.each { |name| @constraints.prescribe(@dofs.at(found, name), 0.0) }
      self
    end

    def push(name, total, &)
      found = nodes(&)
      found.to_a.each { |node| @load[0, @dofs.at(Numo::Int32[node], name)[0]] += total / found.size }
      self
    end

    # A load per area along a component, spread by area.
    def weigh(name, per_area)
      shares = Lattice::Algebra::Gather.sum(@block.node_areas.reshape(*@conn.shape, 1), @conn, @points.shape[0])[true, 0]
      @load[0, @dofs.at(Numo::Int32.new(@points.shape[0]).seq, name)] += shares * per_area
      self
    end

    def solve
      matrix = Lattice::System::Pattern.new([[@conn, NAMES]], @dofs).assemble([@block.stiffness])
      factor = Lattice::Algebra::Factor.new(@constraints.reduce(matrix))
      @u = @constraints.expand(factor.solve(@constraints.reduce_load(matrix, @load)))[0, true]
      factor.free
      self
    end

    # Mean movement of some nodes.
    def moved(name, &) = @u[@dofs.at(nodes(&), name)].mean
  end
end
