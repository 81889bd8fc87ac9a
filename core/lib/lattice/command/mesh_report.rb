# frozen_string_literal: true

module Lattice
  class Command
    # What lattice mesh says of a mesh: counts, quality, volume, checks of the skin, times.
    class MeshReport
      WORDS = { nodes_merged: "nodes made one", elements_dropped: "elements dropped", turned: "faces turned", duplicate_nodes: "nodes at the place of another",
                free_sides: "free sides" }.freeze

      # @param grid [Mesh::Grid]
      # @param bodies [Array<Shape::Body>, nil] what was meshed; nil for a mesh that was read
      # @param times [Hash] phase => seconds
      # @param repairs [Hash, nil] what Mesh::Mending reports
      def initialize(grid, bodies, times, system, repairs: nil)
        @grid = grid
        @repairs = repairs
        @bodies = bodies
        @times = times
        @system = system
      end

      # @return [Hash] SI units throughout
      def to_h
        @to_h ||= { units: "SI", **@grid.summary, order: @grid.order, measures: @grid.quality.summary, volume: volume, shape_volume: @bodies&.sum { |b| b.solid? ? b.volume : 0.0 },
                    skin: skin, repairs: @repairs, seconds: @times }.compact
      end

      # @param out [IO]
      def print(out)
        kinds = to_h[:kinds].map { |kind, n| "#{n} #{kind}" }.join(", ")
        out.puts "#{kinds}; #{to_h[:nodes]} nodes"
        rows = to_h[:measures].map { |m| [[m[:name], m[:unit]].compact.join(", "), number(m[:worst]), number(m[:first_percentile]), number(m[:mean]), m[:warned].to_s] }
        out.puts TextTable.new(["measure", "worst", "1st percentile", "mean", "warned of"], rows) unless rows.empty?
        print_volume(out)
        out.puts "Places: #{skin[:places]} of #{skin[:wanted]} have elements; sides of the skin without a neighbour: #{skin[:open]}" if skin
        out.puts "Mesh as read: #{repairs}" if @repairs
        out.puts "Seconds: #{@times.map { |name, s| "#{name} #{Kernel.format('%.2f', s)}" }.join(', ')}" unless @times.empty?
      end

      private

      def repairs
        words = WORDS.filter_map { |key, text| "#{@repairs[key]} #{text}" if @repairs[key]&.positive? }
        at = @repairs[:free_at] and words << "one near #{Mesh::Faults.place(at)}"
        words.empty? ? "nothing to mend" : words.join(", ")
      end

      def number(value) = Kernel.format("%.3f", value)

      def print_volume(out)
        return unless volume&.positive? && to_h[:shape_volume]&.positive?

        off = ((volume / to_h[:shape_volume]) - 1) * 100
        out.puts "Volume: #{Quantity::Display.format(volume, 'volume', system: @system)}, #{Kernel.format('%+.4f', off)} % off the shape's"
      end

      # @return [Float, nil] m³ of the elements of solids
      def volume
        solids = @grid.blocks.select { |b| Element::Kind[b.kind].dimension == 3 }
        return nil if solids.empty?

        @volume ||= solids.sum { |b| Mesh::Quality.volume(@grid.nodes, b) }
      end

      # Whether every place of the shape is there, and whether the skins of solids close.
      def skin
        return nil unless @bodies

        @skin ||= begin
          wanted = @bodies.flat_map(&:places).reject { |p| p.of == :bodies }
          { wanted: wanted.size, places: wanted.count { |p| @grid.places[p.key] && !@grid.places[p.key].empty? }, open: @bodies.select(&:solid?).sum { |b| open_sides(b) } }
        end
      end

      def open_sides(body)
        faces = body.places.select { |p| p.of == :faces }.filter_map { |p| @grid.places[p.key] }
        sides = faces.map do |conn|
          n = @grid.piece(body.name, conn).corners
          [conn, (0...n).map { |k| [k, (k + 1) % n] }]
        end
        pairs = Algebra::Pairs.new(sides)
        counts = sides.each_index.map { |i| pairs.of(i).flatten.bincount(minlength: pairs.size) }.reduce(:+)
        counts.ne(2).count
      end
    end
  end
end
