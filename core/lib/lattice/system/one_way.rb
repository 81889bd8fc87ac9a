# frozen_string_literal: true

module Lattice
  module System
    # Which one-way links act: the structure is condensed to their flexibility, where a small dense search finds a state
    # that is consistent. All that are wrong flip at once; when a set comes back, only the first of them.
    class OneWay
      LOOSE = 1e-9 # of what holds the structure with all links, below which it is loose without some
      MOST = 500

      # flipped: how often the search went on; open: numbers of links that let go; opening [m], forces [m] in tension; u [unknowns]
      State = Struct.new(:u, :open, :opening, :forces, :steps, keyword_init: true)

      # @param connectors [Connectors]
      # @param columns [Numo::DFloat] [m, unknowns] how the structure with all links moves under a unit force in each
      def initialize(connectors, columns)
        @links = connectors.one_way
        @columns = columns
        @stiffness = Numo::DFloat.cast(@links.map { |l| l.stiffness[0] })
        @flexible = Numo::DFloat.vstack(@links.map { |l| columns[true, l.dofs].dot(l.table[0, true]).reshape(1, @links.size) })
        @gaps = Numo::DFloat.cast(@links.map { |l| l.way == :push ? -l.gap : l.gap })
        @sign = Numo::DFloat.cast(@links.map { |l| l.way == :push ? -1.0 : 1.0 })
      end

      # Forces of all links on the unknowns, of a unit each: the right sides of the columns.
      # @return [Numo::DFloat] [m, unknowns]
      def self.unit_forces(connectors, unknowns)
        links = connectors.one_way
        Numo::DFloat.zeros(links.size, unknowns).tap { |all| links.each_with_index { |l, i| all[i, true] = l.dofs.bincount(l.table[0, true].dup, minlength: unknowns) } }
      end

      # @param u [Numo::DFloat] [unknowns] under the loads, with all links acting both ways
      # @param off [Array<Integer>] that do not act at all
      # @param from [Numo::DFloat, nil] [m] elongations at which the links came
      # @return [State]
      # @raise [SolveFailed]
      def call(u, off: [], from: nil)
        rest = @gaps + (from || 0.0)
        # Elongations beyond the gaps, with all links acting.
        free = elongations(u) + @flexible.dot(@stiffness * rest) - rest
        open, beyond, steps = search(free, off)
        active = Numo::DFloat.ones(@links.size).tap { |all| open.each { |i| all[i] = 0.0 } }
        moved = u + (@stiffness * (rest + (beyond * (1.0 - active)))).dot(@columns)
        State.new(u: moved, open: open, opening: (beyond * @sign * -1), forces: @stiffness * beyond * active, steps: steps)
      end

      # @return [Numo::DFloat] [m]
      def elongations(u) = Numo::DFloat.cast(@links.map { |l| l.table[0, true].dot(u[l.dofs]) })

      private

      # @return [Array] numbers of open links, elongations beyond the gaps, rounds
      def search(free, off)
        loose!(off, "some of them come after this case, and") if loose?(off)
        open = off.dup
        seen = {}
        MOST.times do |round|
          beyond = released(free, open)
          return [open, beyond, round] if (wrong = wrong(beyond, open, off)).empty?

          flipped = seen.key?(open.sort) ? [wrong.min] : wrong
          seen[open.sort] = true
          open = settled(open, flipped, beyond)
        end
        raise SolveFailed.new("the one-way links never settle: no set of them fits after #{MOST} rounds", cure: "Give them less slack, or a lower stiffness.")
      end

      # What pushes though it only pulls, and what should act but does not.
      def wrong(beyond, open, off)
        least = beyond.abs.max * 1e-9
        acts = beyond * @sign
        ((0...@links.size).to_a - off).select { |i| open.include?(i) ? acts[i] > least : acts[i] < -least }
      end

      # Flips, but where that lets go of the whole structure only what is most wrong.
      def settled(open, flipped, beyond)
        wanted = toggle(open, flipped)
        return wanted unless loose?(wanted)

        one = toggle(open, [flipped.max_by { |i| beyond[i].abs * @stiffness[i] }])
        return one unless loose?(one)

        loose!(flipped, "the one-way links let go, and")
      end

      def loose!(links, why)
        names = links.map { |i| "“#{@links[i].condition.statement['target']}”" }.uniq
        first = @links[links[0]].condition.statement.id
        raise SolveFailed.new("#{why} nothing holds the model: #{names.first(4).join(', ')} would have to act the wrong way",
                              statement: first, cure: "Hold what lifts off, or check the directions of the loads.")
      end

      def toggle(open, flipped) = (open | flipped) - (open & flipped)

      def system(open)
        picked = Numo::Int32.cast(open)
        Numo::DFloat.eye(open.size) - (@flexible[picked, picked].reshape(open.size, open.size) * @stiffness[picked].reshape(1, open.size))
      end

      def loose?(open)
        return false if open.empty?

        Numo::Linalg.svdvals(system(open)).min < LOOSE
      end

      # [m] elongations beyond the gaps, when the open ones let go.
      def released(free, open)
        return free.dup if open.empty?

        picked = Numo::Int32.cast(open)
        apart = Numo::Linalg.solve(system(open), free[picked].dup)
        (free + @flexible[true, picked].reshape(@links.size, open.size).dot(@stiffness[picked] * apart)).tap { |all| all[picked] = apart }
      end
    end
  end
end
