# frozen_string_literal: true

module Lattice
  module Mesh
    module Tetra
      # Fills a closed surface with tetrahedra: the surface is meshed first, then held by a
      # Delaunay tetrahedralisation of its points and inner ones, which is improved.
      class Mesher
        GOOD = 0.53    # mean ratio above which nothing is tried
        ROUNDS = 6
        LAST = 3       # rounds in which points are put in
        POOR = 0.3     # mean ratio below which they are, and it is tried with other inner points
        HOPE = 1.2     # times the quality before, or the shape itself allows no better
        SEEDS = [7, 11, 23].freeze

        attr_reader :times

        BUDGET = 1_500_000 # elements, above which thin places are named instead

        # Thin places that would take too many elements: +at+ [3], thickness and elements.
        class TooThin < StandardError
          attr_reader :at, :thickness, :elements

          def initialize(at, thickness, elements)
            @at = at
            @thickness = thickness
            @elements = elements
            super("thin walls would take #{elements} elements")
          end
        end

        # @param sheet [Remeshing::Sheet] as given by the shape
        # @param plan [SizingPlan]
        def initialize(sheet, plan, budget: BUDGET)
          @sheet = sheet
          @plan = plan
          @budget = budget
          @times = {}
        end

        # @yield [String, Float] what is being done, and the share that is done
        # @return [Solid]
        # @raise [Recovery::Stuck] from every set of inner points
        # @raise [TooThin]
        def call(&tell)
          @tell = tell
          phase("surface", 0.0) { surface }
          best = nil
          stuck = nil
          SEEDS.each do |seed|
            solid = fill(seed)
            last = best
            best = solid if best.nil? || solid.quality.min > best.quality.min
            break if best.quality.min > POOR || (last && best.quality.min < last.quality.min * HOPE)
          rescue Recovery::Stuck => e
            stuck = e
            break if cut?
          end
          best or raise stuck
        end

        private

        # Whether the shape's own surface passes through itself: no points inside can help then.
        def cut?
          facets = @sheet.source.facets
          !Shape::Crossings.new(facets.points, facets.triangles).call[0].empty?
        end

        # From one set of inner points, on a copy of the surface.
        def fill(seed)
          sheet = @sheet.copy
          points, tets = phase("tetrahedra", 0.45) { Recovery.new(sheet, seed: seed).call }
          filling = phase("inside", 0.65) do
            Filling.new(tets, sheet.triangles, sheet.source.behind[sheet.owners].dup, sheet.source.before[sheet.owners].dup)
          end
          raise Recovery::Stuck, sheet.points[0...1, true].dup if filling.faults.positive?

          Solid.new(sheet, points, filling.tets, filling.regions).tap { |solid| phase("improvement", 0.7) { improve(solid) } }
        end

        def surface
          thinned
          Remeshing::Remesher.new(@sheet).call { |share| @tell&.call("surface", share * 0.35) }
          # Triangles lie closer to round walls than those of the shape.
          Remeshing::Remesher.new(@sheet).call(rounds: 3) { |share| @tell&.call("surface", 0.35 + (share * 0.1)) } if thinned
        end

        # Takes the size down in thin walls. @return [Boolean] whether there are any
        def thinned
          walls = Remeshing::Thinning.new(@sheet, @plan)
          return false unless walls.call

          within_budget(walls.middles, walls.thickness)
          true
        end

        # Triangles at the new sizes, and three tetrahedra for each: walls are thin.
        def within_budget(at, thickness)
          size = (0..2).map { |k| @sheet.sizes[@sheet.triangles[true, k].dup] }.reduce(:+) / 3
          elements = (Shape::Vectors.norm(@sheet.spans) / 2 / (0.43 * (size**2))).sum * 3
          raise TooThin.new(at[thickness.min_index, true].to_a, thickness.min, elements.round) if elements > @budget
        end

        def improve(solid)
          Peeling.new(solid).call
          ROUNDS.times do |round|
            break if solid.below(GOOD).empty?

            turn_and_move(solid, GOOD)
            @tell&.call("improvement", 0.7 + (0.25 * (round + 1) / ROUNDS))
          end
          LAST.times { Insertion.new(solid, POOR).call.zero? ? break : turn_and_move(solid, POOR) }
        end

        def turn_and_move(solid, below)
          EdgeRemoval.new(solid, below).call
          FaceRemoval.new(solid, below).call
          EdgeRemoval.new(solid, below).call
          Relaxing.new(solid, below).call
          Peeling.new(solid).call
        end

        def phase(name, share)
          @tell&.call(name, share)
          start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
          yield.tap { @times[name] = (@times[name] || 0.0) + Process.clock_gettime(Process::CLOCK_MONOTONIC) - start }
        end
      end
    end
  end
end
