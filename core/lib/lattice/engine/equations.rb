# frozen_string_literal: true

module Lattice
  module Engine
    # Forces inside a structure that may have moved and turned far, and how they change: what its elements hold, and
    # what springs, bolts and links add, which stay as they are drawn.
    class Equations
      include Telling
      include Pushing
      include Memory

      remembers :@from, :@more, :@base, :@push, :@given

      # given [unknowns]: prescribed movements of a unit of level; base [unknowns]: loads at level zero, without what follows
      attr_reader :structure, :given, :base

      # @return [Springs]
      attr_reader :springs

      # @return [Array<Touch>]
      attr_reader :touches

      # @return [Array<Anchor>]
      attr_reader :anchors

      # @return [Steadying, nil]
      attr_reader :steadying

      # @param structure [System::Structure] loaded and held
      # @param weights [Numo::DFloat] [cases] of the loads that grow
      # @param nodes [Numo::DFloat] [n, 3] where the nodes start
      # @param still [Boolean] whether the movements of solids are taken to be small, as those of ground
      # @yield [Element piece]
      # @yieldreturn [Matter::Law, nil] by which it flows
      def initialize(structure, weights, nodes, still: false, &law)
        @structure = @acting = structure
        @nodes = nodes
        @still = still
        @law = law
        @dofs = structure.dofs
        stiffnesses = structure.pieces.map(&:stiffness)
        @parts = structure.pieces.zip(stiffnesses).map { |piece, k| turning(piece, k) }
        @tables = structure.pieces.map { |piece| @dofs.table(piece.conn, piece.names) }
        @touches = structure.conditions.select(&:touches?).map { |condition| Touch.new(structure, condition, nodes) }
        @anchors = structure.conditions.select(&:comes?).map { |condition| Anchor.new(structure, condition) }
        @embedded = structure.bars.empty? ? nil : Embedded.new(structure.bars, @dofs.size)
        @following = Turned.new(structure, still)
        @tightening = structure.bolts.tightened.empty? ? nil : Tightening.new(structure)
        join(structure.assemble(stiffnesses))
        @there = structure.pieces.map { true }
        prescribe
        between(weights * 0, weights)
      end

      # What nothing holds yet is held weakly from now on.
      # @param share [Float] of the stiffness
      def steady(share) = tap { @steadying = Steadying.new(@diagonal, share) }

      # Other bodies are there from now on: those that come are free of stress as they are, those that go let go of what they held.
      # @param acting [System::Structure] loads and supports from now on
      # @param absent [Array<String>] bodies
      # @param pose [Pose]
      def enter(acting, absent, pose)
        warm(1.0)
        places = pose.places(@nodes)
        before = @there
        @there = structure.pieces.map { |piece| !absent.include?(piece.body.name) }
        @parts.each_index { |i| come(i, acting.pieces[i], places, pose) if @there[i] && !before[i] }
        @anchors.each do |anchor|
          gone = absent.include?(anchor.condition.statement.name)
          gone ? anchor.go : (anchor.come(pose.moved) unless anchor.there?)
        end
        @acting = acting
        @springs.enter(acting.conditions, pose.moved)
        pin
        prescribe
      end

      # Bodies begin at rest under a stress.
      # @yield [String] a body
      # @yieldreturn [Proc, nil] from points [k, 3] to stress [k, 6], Pa
      def rest
        @parts.each do |part|
          stress = yield(part.piece.body.name)
          part.rest(&stress) if stress
        end
      end

      # The level divides the strength of bodies from now on.
      # @param bodies [Array<String>]
      def weakening(bodies) = tap { @weakening = bodies }

      # Before an increment is tried.
      # @param level [Float] that it goes to
      # @param ratio [Float] of the increment to the last one
      def reach(level, ratio)
        @parts.each do |part|
          part.ahead(ratio)
          part.weaken(level) if @weakening&.include?(part.piece.body.name)
        end
      end

      # @return [Numo::Bit] [n] nodes of nothing that is there
      def hanging = @hanging || Numo::Bit.zeros(@dofs.nodes)

      # Whether everything that presses and slides has settled; corrects it where not.
      def settle = [*touches, *steadying].map(&:settle).all?

      # After a try that failed.
      def back = [*touches, *steadying].each(&:back)

      # At the end of a stage.
      def lock(pose)
        @tightening&.lock(pose.moved)
        @anchors.each { |anchor| anchor.lock(pose.moved) if anchor.there? }
      end

      def constraints = @acting.constraints
      def extent = @extent ||= (@nodes.max(0) - @nodes.min(0)).max

      # @return [Float] how far the stress of what cracks strays from what it should be, of the tension that is borne
      def strays = @parts.map(&:strays).max

      # @return [Boolean] whether ground slides, whose tangent is made symmetric
      def slides? = @slides = @slides.nil? ? @parts.any?(&:slides?) : @slides

      # @return [Boolean] whether something is moved by a given amount
      def given? = given.ne(0).any?

      # @param pose [Pose]
      # @param tangent [Boolean] whether that is wanted, too
      # @return [Array(Numo::DFloat, Algebra::SymmetricMatrix)] forces [unknowns], and the tangent or nil
      def call(pose, tangent: true)
        places = pose.places(@nodes)
        forces = Numo::DFloat.zeros(@dofs.size)
        matrices = @parts.each_index.map do |i|
          part = @parts[i]
          table = @tables[i]
          next nothing(part) unless @there[i]

          force, matrix = part.call(*at(part, places, pose), tangent: tangent)
          forces += table.flatten.bincount(force.flatten, minlength: @dofs.size)
          matrix
        end
        forces += @joins.dot(pose.moved) if @joins
        forces += @springs.forces(pose.moved) unless @springs.empty?
        forces += @tightening.forces(pose.moved) if @tightening
        forces += @embedded.forces(pose.moved) if @embedded
        forces = @anchors.select(&:there?).reduce(forces) { |sum, anchor| sum + anchor.forces(pose.moved) }
        forces = touches.reduce(forces) { |sum, touch| sum + touch.forces(pose.moved) }
        forces += steadying.forces(pose.moved, forces) if steadying
        @following.at(places)
        [forces, tangent ? whole(matrices) : nil]
      end

      # What is not symmetric of the tangent at the last call, times movements.
      # @param moved [Numo::DFloat] [unknowns]
      # @return [Numo::DFloat, nil] [unknowns]; nil where all is
      def slant(moved)
        @parts.each_index.reduce(@following.slant(moved)) do |sum, i|
          table = @tables[i]
          forces = @there[i] && @parts[i].slant(moved[table.flatten].reshape(table.shape[0], table.size / table.shape[0])) or next sum
          (sum || 0) + table.flatten.bincount(forces.flatten, minlength: @dofs.size)
        end
      end

      # What has flowed at the last pose stays.
      def commit
        @parts.each_index { |i| @parts[i].commit if @there[i] }
        @embedded&.commit
        @anchors.select(&:there?).each(&:commit)
        [*touches, *steadying].each(&:keep)
      end

      # What all its parts remember.
      def memory = super.merge(parts: remembering.map { |one| one&.memory })

      # Of equations that have been brought to the same stage.
      # @param memory [Hash]
      def recall(memory)
        remembering.zip(memory[:parts]) { |one, mine| one&.recall(mine) }
        super(memory.except(:parts))
      end

      private

      def remembering = [*@parts, @embedded, *@anchors, *touches, @tightening, steadying]

      # As what it is from now on.
      def come(index, piece, places, pose)
        unless piece.material == @parts[index].piece.material
          @parts[index] = turning(piece, piece.stiffness)
          warm(1.0)
        end
        @parts[index].begin_at(*at(@parts[index], places, pose))
      end

      def turning(piece, stiffness) = Element::Large::Turning.new(piece, stiffness, Algebra::Gather.rows(@nodes, piece.conn), @law&.call(piece), still: @still && piece.names.size < 6)

      # What does not hang on anything that is there stays where it is.
      def pin
        used = Numo::Int32.zeros(@dofs.size)
        @tables.each_index { |i| used[@tables[i].flatten] = 1 if @there[i] }
        gone = Numo::Int32.zeros(@dofs.size)
        @tables.each_index { |i| gone[@tables[i].flatten] = 1 unless @there[i] }
        at = (gone.ne(0) & used.eq(0)).where
        @pins = pinned(gone, used)
        @hanging = Numo::Bit.zeros(@dofs.nodes).tap { |all| all[@dofs.nodes_of(Numo::Int32.cast(at))] = 1 unless at.empty? }
      end

      # What follows something that is there, or leads it, moves with it.
      def pinned(gone, used)
        loose = Numo::Int32.cast(gone.ne(0) & used.eq(0))
        [constraints.tied, constraints.followed_of(used)].each { |others| loose[others] = 0 unless others.empty? } if constraints.ties?
        loose.max.zero? ? nil : Numo::DFloat.cast(loose) * @stiffest
      end

      def prescribe = @moves = constraints.expand(Numo::DFloat.zeros(@acting.loads.shape[0], constraints.free.size))

      def nothing(part)
        width = part.piece.names.size
        e, n = part.piece.conn.shape
        Numo::DFloat.zeros(width, width, e, n, n)
      end

      def at(part, places, pose)
        conn = part.piece.conn
        turns = pose.turns && pose.turns.reshape(pose.turns.shape[0], 9)[conn.flatten, true].reshape(*conn.shape, 3, 3)
        [Algebra::Gather.rows(places, conn), turns]
      end

      # Springs, bolts and links beside the elements.
      def join(plain)
        @diagonal = plain.diagonal
        @stiffest = @diagonal.abs.max
        bolted = structure.bolted(plain, embedded: false)
        structure.hold_idle(structure.sprung(bolted))
        all = structure.sprung(bolted, linked: false)
        @springs = Springs.new(structure)
        @joins = Algebra::Sparse.symmetric(all).add(Algebra::Sparse.symmetric(plain.times(-1))).to_symmetric unless all.equal?(plain)
        tied = constraints.ties? ? constraints.tied.to_a : []
        tied += @springs.held.to_a unless @springs.empty?
        @joined = (tied + (@joins ? @joins.diagonal.abs.gt(plain.diagonal.abs * 1e-9).where.to_a : [])).then { |list| list.empty? ? [] : @dofs.nodes_of(Numo::Int32.cast(list)).to_a.uniq }
      end

      def whole(matrices)
        plain = structure.assemble(matrices)
        [@pins, steadying&.rate].compact.each { |added| plain = plain.with_diagonal(added) }
        slack = @tightening&.slack
        more = [*(@joins && Algebra::Sparse.symmetric(@joins)), *(System::DenseBlocks.matrix(slack, @dofs.size) if slack&.any?), *@embedded&.tangent,
                *@anchors.select(&:there?).flat_map(&:tangents), *touches.map(&:tangent), *@following.tangent, *@springs.tangent]
        more.reduce(Algebra::Sparse.symmetric(plain)) { |sum, one| sum.add(one) }.to_symmetric
      end
    end
  end
end
