# frozen_string_literal: true

module Lattice
  module Verdict
    module Hand
      # How far a beam bends, with shear; every nodal load counts where it acts. S. P. Timoshenko, Strength of Materials.
      class Deflection
        ENDS = { "cantilever" => :cantilever, "simply supported" => :simple, "clamped" => :clamped, "propped" => :propped }.freeze

        # @param beam [Beam]
        # @param problem [Study::Problem]
        # @param statement [Model::Statement]
        # @param result [Result::Outcome] of a state
        def initialize(beam, problem, statement, result)
          @beam = beam
          @problem = problem
          @statement = statement
          @result = result
          @nodes = result.grid.body_nodes(beam.body.name)
          @place = beam.places(result.grid.nodes[@nodes, true].dup)
        end

        # In the direction in which most of the load acts.
        # @return [Hash] estimate and computed deflection, m
        def call
          loads = @beam.ways.map { |way| @result.load[@nodes, true].dot(Numo::DFloat.cast(way.unit)) }
          k = loads.each_index.max_by { |i| loads[i].abs.sum }
          @way = @beam.ways[k]
          @load = loads[k]
          at, estimate = send(ENDS.fetch(@statement["beam"]))
          { estimate: estimate, computed: computed(at), dimension: "length", what: "deflection", direction: Hand.named(@way.unit), span: @span, second_moment: @way.second_moment }
        end

        private

        def stiff = @beam.bending(@way)

        # From the support to the far end; loads between count by their lever.
        def cantilever
          held = supports
          root = (held.min + held.max) / 2
          far = (@place.max - root).abs > (@place.min - root).abs ? @place.max : @place.min
          root = far > root ? held.max : held.min
          @span = (far - root).abs
          lever = ((@place - root) * (far <=> root)).clip(0, nil)
          [far, ((@load * (lever**2) * ((@span * 3) - lever)).sum / (6 * stiff)) + ((@load * lever).sum / @beam.shearing)]
        end

        # Between two supports; the deflection half way.
        def simple
          _, short = between
          bent = (@load * short * (((@span**2) * 3) - ((short**2) * 4))).sum / (48 * stiff)
          [@from + (@span / 2), bent + sheared(short)]
        end

        def clamped
          _, short = between
          [@from + (@span / 2), ((@load * (short**2) * ((@span * 3) - (short * 4))).sum / (48 * stiff)) + sheared(short)]
        end

        # Clamped where more of it is held; the other end is held back by a force that leaves it where it is.
        def propped
          lever, = between
          lever = @span - lever unless clamped_first?
          middle = @span / 2
          prop = (@load * (lever**2) * ((@span * 3) - lever)).sum / (2 * (@span**3))
          bent = (@load * swung(lever, middle)).sum - (prop * swung(Numo::DFloat[@span], middle)[0])
          [@from + middle, (bent / stiff) + (((@load * Numo::DFloat.minimum(lever, (lever * 0) + middle)).sum - (prop * middle)) / @beam.shearing)]
        end

        # What 1 N at a place of a cantilever moves at another, times E I.
        def swung(at, where)
          before = Numo::DFloat.cast(at < where)
          (before * (at**2) * ((where * 3) - at) / 6) + ((1 - before) * (where**2) * ((at * 3) - where) / 6)
        end

        def sheared(short) = (@load * short).sum / 2 / @beam.shearing

        def between
          @from, to = supports.minmax
          @span = to - @from
          raise @statement.fault("the supports of “#{@beam.body.name}” are not at two ends", path: "beam", cure: "Choose cantilever, or support both ends.") if @span < @beam.length / 2

          lever = (@place - @from).clip(0, @span)
          [lever, Numo::DFloat.minimum(lever, @span - lever)]
        end

        def clamped_first?
          held = supports
          (held - @from < @span / 2).count_true >= (held - @from > @span / 2).count_true
        end

        # Where along it something holds it against the bending.
        def supports
          name = System::Dofs::NAMES[@way.unit.each_index.max_by { |k| @way.unit[k].abs }]
          is_held = Numo::Int8.zeros(@result.grid.nodes.shape[0])
          @problem.conditions.select { |c| c.holds? && c.frame.nil? && c.components.include?(name) }.each { |c| is_held[@result.grid.nodes_of(c.places)] = 1 }
          found = @place[is_held[@nodes].ne(0).where].dup
          raise @statement.fault("nothing holds “#{@beam.body.name}” along #{Hand.named(@way.unit)}", path: "body", cure: "Add a support.") if found.empty?

          found
        end

        # Mean of the nodes nearest to that place.
        def computed(at)
          away = (@place - at).abs
          near = @nodes[(away <= away.min + (@beam.length * Beam::CLOSE)).where]
          @result.displacement[near, true].dot(Numo::DFloat.cast(@way.unit)).mean
        end
      end
    end
  end
end
