# frozen_string_literal: true

module Lattice
  module Result
    # What a study found, frame by frame. Computed states are kept; combinations and envelopes are made from them
    # when they are read.
    class Outcome
      ENVELOPES = { "greatest" => ->(all) { all.reduce { |a, b| Numo::DFloat.maximum(a, b) } }, "least" => ->(all) { all.reduce { |a, b| Numo::DFloat.minimum(a, b) } },
                    "largest in size" => ->(all) { all.reduce { |a, b| larger(a, b) } } }.freeze

      # What holds for all frames. mass: kg or nil; ring: whether it is of rings; totals: what each load pushes, see
      # System::Totals; joins: what each found, see System::Structure#reports; walls: thickness of bodies of faces, m.
      # found: what a kind of study adds.
      About = Struct.new(:mass, :ring, :totals, :joins, :bolts, :connectors, :bars, :walls, :found, keyword_init: true) do
        # @return [Object] the same as it comes back from a file, with symbols for keys
        def self.symbolic(found) = found && JSON.parse(JSON.generate(found), symbolize_names: true)

        # @param hash [Hash] as it was written, with texts for keys
        def self.read(hash)
          rows = ->(list) { list.map { |row| row.transform_keys(&:to_sym) } }
          new(mass: hash["mass"], ring: hash["ring"], totals: rows[hash["totals"]], joins: rows[hash["joins"]], bolts: rows[hash["bolts"] || []], connectors: rows[hash["connectors"] || []],
              bars: rows[hash["bars"] || []], walls: hash["walls"], found: symbolic(hash["found"]))
        end
      end

      attr_reader :grid, :frames, :about, :made

      # @return [Numo::DFloat] of both the one that is larger in size, entry by entry
      def self.larger(one, other) = Numo::DFloat.cast(other.abs > one.abs).then { |take| (other * take) + (one * (1 - take)) }

      # @param states [Array<State, Proc>] of the first frames; procs are called when they are read
      # @param made [Hash] frame => {"terms" => [[frame, factor]]} or {"over" => [frames], "how" => a key of ENVELOPES}
      def initialize(grid:, frames:, states:, made: {}, about: About.new)
        @grid = grid
        @frames = frames
        @states = states.dup
        @made = made
        @about = about
        @fields = {}
      end

      # What it has besides states, and what it comes back from.
      # @return [Hash{String => Numo::DFloat}]
      def tables = {}
      def self.read(_tables, **parts) = new(**parts)

      def mass = about.mass
      def ring = about.ring
      def totals = about.totals || []
      def joins = about.joins || []
      def bolts = about.bolts || []
      def connectors = about.connectors || []
      def bars = about.bars || []
      def walls = about.walls || {}
      def found = about.found || {}

      # @param more [Hash] of what JSON knows
      # @return [Outcome] the same, with what a kind of study found
      def with_found(more)
        dup.tap { |same| same.about = about.dup.tap { |a| a.found = About.symbolic(found.merge(more)) } }
      end

      # @return [Veil, nil] what is not to be read of a close-up
      def veil = found[:veil] && (@veil ||= Veil.new(grid, **found[:veil]))

      # @param points [Numo::Int32, nil] of the mesh; nil takes all
      # @return [Numo::Int32] those that are to be read
      def readable(points = nil)
        points ||= Numo::Int32.new(grid.points.size).seq
        veil ? veil.outside(points) : points
      end

      # @return [Boolean] whether its frames are shapes without a size, and not states
      def shapes? = %w[mode shape].include?(frames[0].kind)

      # @return [Boolean] whether it knows what every element alone has, and tensors at points; see Reading
      def by_element? = true

      # @return [Integer] of frames that were computed
      def computed = @states.size

      # @return [Array<State>] what is kept in a file
      def kept = (0...computed).map { |frame| state(frame) }

      # @param cases [Load::Cases]
      # @return [Array<Integer>] the frames that limits are read over
      def judged(cases) = cases.judged

      # @return [Array(Float, Integer)] the greatest value of a field, where it is to be read, and the point where it is
      def greatest(name, frame)
        points = readable
        field = field(name, frame)
        at = points[field[points].max_index]
        [field[at], at]
      end

      # @param points [Numo::Int32] [k] of the mesh
      # @return [Numo::DFloat] [frames, k] a field there in every frame
      def series(name, points)
        Numo::DFloat.zeros(frames.size, points.size).tap { |all| frames.each { |f| all[f.index, true] = field(name, f.index)[points] } }
      end

      # @param frame [Integer]
      # @return [State]
      def state(frame = 0)
        found = @states[frame]
        return found if found.is_a?(State)

        @states[frame] = found ? found.call : State.sum(terms(frame).map { |f, factor| [state(f), factor] })
      end

      def displacement(frame = 0) = state(frame).displacement
      def rotation(frame = 0) = state(frame).rotation
      def load(frame = 0) = state(frame).load
      def reaction(frame = 0) = state(frame).reaction
      def energy(frame = 0) = state(frame).energy

      # How much may be out of balance, of the sizes of all forces.
      def balanced = 1e-6

      def envelope?(frame) = @made.dig(frame, "over") ? true : false

      # @return [MemberShapes] members as solid sections
      def member_shapes = @member_shapes ||= MemberShapes.new(grid, state(0).fibres)

      # @return [Array<String>] layers of shells; [""] elsewhere
      def layers = @layers ||= state(0).stress.flat_map(&:keys).uniq

      # @param layer [String, nil] of shells
      # @return [Array<String>] those that are read: the one that is named, or all
      def layers_of(layer) = layer ? [layer] : layers

      # @return [Array<Catalogue::Field>] those that this result has
      def catalogue
        Catalogue::FIELDS.values.select { |field| field?(field.name) }
      end

      # Stress averaged at the points of the mesh: per body (of shells, per face and layer), never across a border.
      # @param layer [String, nil] of shells; nil takes the middle
      # @return [Numo::DFloat] [p, 6]
      def stress(frame = 0, layer = nil)
        grid.points.mean(6) do |b|
          of_layer(state(frame).stress[b], layer)
        end
      end

      # Plastic strain of metals, averaged as stress is.
      # @return [Numo::DFloat] [p, 6] shears as half of the angle
      def flow(frame, layer = nil)
        all = state(frame).flow or return Numo::DFloat.zeros(grid.points.size, 6)
        grid.points.mean(6) do |b|
          all[b] ? of_layer(all[b], layer) : Numo::DFloat.zeros(*grid.blocks[b].conn.shape, 6)
        end
      end

      # @param name [String] of the catalogue
      # @param frame [Integer]
      # @param layer [String, nil] of shells; nil takes of all layers the largest in size
      # @return [Numo::DFloat] [p] at the points of the mesh
      def field(name, frame = 0, layer: nil)
        @fields.shift if @fields.size > 12
        @fields[[name, frame, layer]] ||= envelope?(frame) ? enveloped(name, frame, layer) : plain(name, frame, layer)
      end

      # @return [Numo::Int32] [p] the frame that decides an envelope at each point
      def governing(name, frame, layer: nil)
        all = @made[frame]["over"]
        wanted = field(name, frame, layer: layer)
        all.reverse.reduce(Numo::Int32.zeros(wanted.size) + all[0]) do |found, f|
          same = (field(name, f, layer: layer) - wanted).abs <= wanted.abs * 1e-12
          at = same.where
          at.empty? ? found : found.tap { |list| list[at] = f }
        end
      end

      # @param point [Integer] of the mesh
      # @return [Array<Float>] where it lies, m
      def at(point) = grid.nodes[grid.points.nodes[point], true].to_a

      # Largest value of a stress scalar at element nodes before averaging, in size.
      # @return [Float, nil] nil in an envelope
      def unaveraged_peak(name, frame = 0)
        return nil if envelope?(frame)

        state(frame).stress.flat_map(&:values).map { |v| Stress.scalar(name, v.reshape(v.shape[0] * v.shape[1], 6)).abs.max }.max
      end

      # @return [Hash] see Balance
      def balance(frame = 0) = Balance.new(grid, state(frame), ring).to_h

      # @param nodes [Numo::Int32]
      # @return [Array<Float>] sum of the reactions there
      def reaction_sum(nodes, frame = 0) = nodes.empty? ? [0.0, 0.0, 0.0] : reaction(frame)[nodes, true].sum(0).to_a

      # Whether movements are taken to be small, so that strains follow from them as it is drawn.
      def small? = true

      protected

      attr_writer :about

      private

      def field?(name)
        return walls.any? if ShellResultants::FIELDS.key?(name)
        return false unless (Catalogue::OF_STATES + Catalogue::OF_INCREMENTS).include?(name)
        return strained?(name) if Strain.of?(name)

        vector = Catalogue.vector(name)&.first
        return State.members.include?(vector.to_sym) && !state(0)[vector.to_sym].nil? if vector

        table = { "warmth" => :warmth, "plastic_strain" => :plastic, "thermal_strain" => :free }[name] || (:touch if name.start_with?("touch_"))
        table ? !state(0)[table].nil? : stressed?
      end

      # @param by_layer [Hash] of a block
      def of_layer(by_layer, layer) = by_layer[layer || (by_layer.key?("middle") ? "middle" : "")] || by_layer[""]

      def strained?(name) = small? && strains.any? && stressed? && !(Strain::LESS.key?(name) && state(0).free.nil?)
      def stressed? = state(0).stress.any? { |layers| !layers.empty? }
      def strains = @strains ||= Strain.new(grid, ring)
      def resultants = @resultants ||= ShellResultants.new(grid, walls)
      def terms(frame) = @made.fetch(frame)["terms"]

      def enveloped(name, frame, layer)
        ENVELOPES.fetch(@made[frame]["how"]).call(@made[frame]["over"].map { |f| field(name, f, layer: layer) })
      end

      def plain(name, frame, layer)
        return ErrorEstimate.new(self, frame).at_points if name == "stress_error"
        return at_points(state(frame).warmth, 0) if name == "warmth"
        return by_nodes(state(frame).plastic) if name == "plastic_strain"
        return by_nodes(state(frame).free) if name == "thermal_strain"
        return strains.field(name.sub("less_", ""), displacement(frame)) - by_nodes(state(frame).free) if Strain::LESS.key?(name)
        return strains.field(name, displacement(frame)) if Strain::FIELDS.key?(name)
        return at_points(state(frame).touch, Catalogue::TOUCH.index { |f| f.name == name }) if name.start_with?("touch_")
        return resultants.field(name) { |l| stress(frame, l) } if ShellResultants::FIELDS.key?(name)

        vector, component = Catalogue.vector(name)
        return at_points(state(frame)[vector.to_sym], component) if vector

        layers_of(layer).map { |l| Stress.scalar(name, stress(frame, l)) }.reduce { |a, b| self.class.larger(a, b) }
      end

      # @param of [Array<Numo::DFloat, nil>, nil] by block [e, k]
      def by_nodes(of)
        return Numo::DFloat.zeros(grid.points.size) unless of

        grid.points.mean(1) { |b| of[b] ? of[b].reshape(*of[b].shape, 1) : Numo::DFloat.zeros(*grid.blocks[b].conn.shape, 1) }[true, 0].dup
      end

      def at_points(table, component)
        return Numo::DFloat.zeros(grid.points.size) unless table

        found = component ? table[true, component].dup : Numo::NMath.sqrt((table**2).sum(1))
        found[grid.points.nodes].dup
      end
    end
  end
end
