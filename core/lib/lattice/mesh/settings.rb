# frozen_string_literal: true

module Lattice
  module Mesh
    # What the note asks of the mesh: the mesh statement, and the sizes wanted at places,
    # in balls and in boxes.
    class Settings
      V = Shape::Vectors
      # Volumes of round bodies come out within 0.01 % with quadratic elements, and 0.5 % with linear.
      TURNS = { "quadratic" => Math::PI / 9, "linear" => Math::PI / 18 }.freeze
      HALVED = 0.75 # of the turn, of sides that are halved at last
      FINE = 40_000 # points at most that stand for a place

      # What a size statement asks for: +places+ of the shape or +region+, a test of points.
      Local = Struct.new(:size, :places, :region, :signature)

      attr_reader :size, :order, :family, :growth, :turn, :through, :local, :divisions, :rings, :straight

      # @param size [Float] m
      # @param order [String] "quadratic" or "linear"
      # @param family [String] "bricks and quadrilaterals", "wedges and triangles" or "tetrahedra and triangles"
      # @param growth [Float] of the size, per distance
      # @param turn [Float] most that a side turns on a curve, rad; 20 deg, or 10 deg of linear elements, when left out
      # @param through [Integer] elements across walls
      # @param local [Array<Local>]
      # @param divisions [Hash] [body, edge] => Division
      # @param rings [Hash] [body, face or edge] => HoleRings::Ring
      # @param straight [Array<String>] bodies whose elements are linear whatever the order
      def initialize(size, order: "quadratic", family: "bricks and quadrilaterals", growth: SizeField::GROWTH, turn: TURNS.fetch(order), through: 1, local: [], divisions: {}, rings: {}, straight: [])
        @size = size
        @order = order
        @straight = straight
        @family = family
        @growth = growth
        @turn = turn
        @through = through
        @local = local
        @divisions = divisions
        @rings = rings
      end

      # @param statement [Model::Statement] of kind mesh
      # @param document [Model::Document]
      # @param groups [Shape::Groups]
      # @raise [InvalidInput]
      def self.read(statement, document, groups)
        new(statement.quantity("size", "length"), **options(statement), local: document.active("size").map { |s| local(s, groups) },
                                                                        divisions: document.active("division").map { |s| divided(s, groups) }.reduce({}, :merge),
                                                                        rings: document.active("rings").map { |s| ringed(s, groups) }.reduce({}, :merge))
      end

      # @param statement [Model::Statement] of kind mesh
      # @return [Hash] what it says besides the size
      # @raise [InvalidInput]
      def self.options(statement)
        growth = statement.quantity("growth", "ratio")
        turn = statement.quantity("turn", "angle")
        raise statement.fault("a growth of #{growth} does not grow", path: "growth", cure: "Give a ratio above 1, such as 1.35.") if growth && growth <= 1
        raise statement.fault("elements cannot turn by that angle", path: "turn", cure: "Give an angle between 5 and 90 deg.") if turn && !turn.between?(0.08, 1.6)

        { order: statement["order"], family: statement["elements"], growth: growth && (growth - 1), turn: turn, through: statement["through"] }.compact
      end

      # @return [Hash] [body, face or edge] => HoleRings::Ring
      def self.ringed(statement, groups)
        width = statement.quantity("width", "length")
        raise statement.fault("the width is not above zero", path: "width", cure: "Give a length above zero.") unless width.positive?

        groups.target!(statement, %i[faces edges]).to_h { |place| [place.key, HoleRings::Ring.new(statement["count"], width)] }
      end

      # @return [Hash] [body, edge] => Division, of the places that a statement names
      def self.divided(statement, groups)
        bias = statement.quantity("bias", "ratio") || 1.0
        raise statement.fault("a ratio of #{bias} is not above zero", path: "bias", cure: "Give the last piece's length over the first's, such as 3, or 1/3.") unless bias.positive?

        groups.target!(statement, %i[edges]).to_h { |place| [place.key, Division.new(statement["count"], bias)] }
      end

      # @return [Local]
      def self.local(statement, groups)
        size = statement.quantity("size", "length")
        raise statement.fault("the size is not above zero", path: "size", cure: "Give a length above zero.") unless size.positive?

        if statement["ball"] then Local.new(size, [], ball(statement), statement["ball"])
        elsif statement["box"] then Local.new(size, [], box(statement), statement["box"])
        else Local.new(size, groups.target!(statement, %i[bodies faces edges points]), nil, nil)
        end
      end

      def self.ball(statement)
        x, y, z, radius = %w[x y z radius].map { |key| statement.quantity("ball.#{key}", "length") }
        raise statement.fault("the radius is not above zero", path: "ball.radius", cure: "Give a length above zero.") unless radius.positive?

        ->(points) { ((points - Numo::DFloat[x, y, z])**2).sum(1) <= radius**2 }
      end

      def self.box(statement)
        low, high = %w[from to].map { |end_| %w[x y z].map { |key| statement.quantity("box.#{end_}.#{key}", "length") } }
        raise statement.fault("the box has no extent: both corners are the same", path: "box", cure: "Give two corners that lie apart.") if low == high

        ->(points) { (0..2).map { |k| (points[true, k] >= [low[k], high[k]].min) & (points[true, k] <= [low[k], high[k]].max) }.reduce(:&) }
      end

      # @return [Settings] the same but for what is given: order, family, divisions
      def with(order: self.order, family: self.family, divisions: self.divisions, straight: self.straight)
        turn = order == self.order ? self.turn : TURNS.fetch(order)
        Settings.new(size, order: order, family: family, growth: growth, turn: turn, through: through, local: local, divisions: divisions, rings: rings, straight: straight)
      end

      # @param factor [Float] above 1
      # @return [Settings] of a similar mesh, so many times as fine
      def finer(factor)
        Settings.new(size / factor, order: order, family: family, growth: growth, turn: turn / factor, through: (through * factor).round, straight: straight,
                                    local: local.map { |l| Local.new(l.size / factor, l.places, l.region, l.signature) },
                                    divisions: divisions.transform_values { |d| Division.new((d.count * factor).round, d.bias) },
                                    rings: rings.transform_values { |r| HoleRings::Ring.new((r.count * factor).round, r.width) })
      end

      def linear? = order == "linear"
      def tetrahedra? = family == "tetrahedra and triangles"
      def triangles? = family != "bricks and quadrilaterals"

      # @param body [Shape::Body]
      # @return [Float] m, the size of a whole body
      def size_of(body)
        [size, *local.select { |l| l.places.any? { |p| p.of == :bodies && p.body == body.name } }.map(&:size)].min
      end

      # @param bodies [Array<Shape::Body>] meshed together
      # @return [SizingPlan]
      def plan(bodies)
        base = bodies.map { |b| size_of(b) }.max
        whole = bodies.select { |b| size_of(b) < base }.map { |b| [spread(b, b.places[0], size_of(b)), size_of(b)] }
        at_places = local.flat_map do |l|
          bodies.flat_map { |b| l.places.select { |p| p.body == b.name && p.of != :bodies }.map { |p| [spread(b, p, l.size), l.size] } }
        end
        SizingPlan.new(size: base, growth: growth, turn: turn_of(bodies), through: through, local: whole + at_places, regions: local.select(&:region).map { |l| [l.region, l.size] },
                       divisions: of(bodies, divisions), rings: of(bodies, rings), linear: linear? || straight?(bodies))
      end

      def straight?(bodies) = bodies.any? { |b| straight.include?(b.name) }

      # Straight sides follow curves by more of them, unless something else was asked.
      def turn_of(bodies) = !linear? && straight?(bodies) && turn == TURNS["quadratic"] ? TURNS["linear"] : turn

      # What a digest is made of.
      def signature
        [size, order, straight, family, growth, turn, through, local.map { |l| [l.size, l.places.map(&:key).sort, l.signature] },
         *[divisions, rings].map { |table| table.map { |key, asked| [key, asked.signature] } }]
      end

      private

      def of(bodies, table) = table.select { |(name, _), _| bodies.any? { |b| b.name == name } }

      # Points that stand for a place, no farther apart than the size there.
      def spread(body, place, size)
        facets = body.facets
        case place.of
        when :edges then along(facets.points[body.nodes_of(place), true].dup, size)
        when :points then facets.points[[place.node], true].dup
        else
          rows = place.of == :faces ? facets.of(facets.faces.index { |f| f.name == place.name }) : Numo::Int32.new(facets.count).seq
          corners = facets.corners.map { |c| c[rows, true].dup }
          Remeshing::Spread.over(corners, [size, Math.sqrt(facets.measures.area / FINE)].max)[0]
        end
      end

      def along(points, size)
        steps = (V.norm(points[1..-1, true] - points[0...-1, true]) / size).ceil.clip(1, FINE / points.shape[0])
        piece, rank = Algebra::Lists.laid(Numo::Int32.cast(steps) + 1)
        share = Numo::DFloat.cast(rank) / steps[piece]
        points[piece, true] + V.times(points[piece + 1, true] - points[piece, true], share)
      end
    end
  end
end
