# frozen_string_literal: true

module Lattice
  module Matter
    # Which bodies flow, and by what law, as statements say; a later one stands over an earlier one.
    class Yielding
      # strength and points in Pa over plastic strain; shifting: Pa, by which yielding one way makes it yield earlier the other way; smooth: whether members bend so
      Flow = Struct.new(:hardening, :shifting, :smooth) do
        # @return [Law::VonMises, Law::VonMisesSheet]
        def law(material, strains, sheet) = (sheet ? Law::VonMisesSheet : Law::VonMises).new(material.young, material.poisson, hardening, shifting, strains)
        # @return [Fibring] of the sections of members
        def fibring(material, shapes) = Fibring.plain(shapes, line(material.young))
        def meaning = [hardening.strains.to_a, hardening.stresses.to_a, shifting, *(smooth ? [smooth] : [])]

        private

        def line(young) = smooth ? Line::Smooth.new(young, hardening.first, shifting / (young + shifting)) : Line::Metal.new(young, hardening, shifting)
      end

      # @param document [Model::Document]
      # @param groups [Shape::Groups]
      # @param materials [Assignment]
      # @param bodies [Array<Shape::Body>]
      def initialize(document, groups, materials, bodies)
        @bodies = bodies
        @document = document
        @groups = groups
        @materials = materials
        @statements = document.active.select { |s| %w[yielding soil concrete reinforced].include?(s.kind) }
      end

      # @return [Boolean]
      def any? = @statements.any?

      # Whether it is of ground or concrete, which break before they move far.
      def small? = @statements.any? { |s| %w[soil concrete].include?(s.kind) }

      # @raise [InvalidInput] with the first that is wrong
      def check! = @statements.each { |statement| of_statement(statement) }

      # @param studies [Array<Model::Statement>]
      # @return [Array<Fault>] what is odd: what yields only does so where a study follows it
      # @raise [InvalidInput] with what is wrong
      def oddities(studies)
        check!
        return [] if @statements.empty? || studies.any? { |study| Study::Kinds.of(study).yields? }

        [@statements.last.fault_at("no study follows what yields", cure: "Add a collapse study or stages, or switch this statement off: other studies stay elastic.")]
      end

      # @return [Hash{String => Array}] by statement the points of its curve, Pa over plastic strain; those that are wrong left out
      def curves
        @statements.select { |s| s.kind == "yielding" }.to_h { |statement| [statement.id, curve(statement)] }.compact
      rescue InvalidInput
        {}
      end

      # @return [Hash{String => Hash}] by statement how ground presses sideways; see Soil#pressures; those that are wrong left out
      def pressures
        @statements.select { |s| s.kind == "soil" }.to_h do |statement|
          [statement.id, Soil.read(statement).pressures]
        rescue InvalidInput
          [statement.id, nil]
        end.compact
      end

      # @return [Hash{String => Flow, Soil}] by body
      def flows
        @flows ||= @statements.reduce({}) { |all, statement| all.merge(of_statement(statement)) }
      end

      # @return [Array] by meaning
      def signature = reinforced.map { |outline, one| [outline, one.meaning] }.sort_by(&:first) + flows.map { |body, flow| [body, flow.meaning] }.sort_by(&:first)

      # @param piece [#body, #material, #sheet?, #elasticity]
      # @param like [String, nil] the body that it is like, where it is not itself
      # @return [Law, nil]
      def law(piece, like = nil)
        flow = flows[like || piece.body.name]
        return fibring(piece, flow) if piece.body.members?

        flow.is_a?(Concrete) ? flow : flow&.law(piece.material, piece.elasticity.shape[0], piece.sheet?)
      end

      # @return [Hash{String => Reinforced}] sections of concrete with bars, by outline
      def reinforced = @reinforced ||= Reinforced.all(@document)

      private

      # @return [Fibring, nil] nil where no section flows
      def fibring(piece, flow)
        whole = flow&.fibring(piece.material, piece.fibres.sections)
        return whole unless piece.outlines.intersect?(reinforced.keys)

        Fibring.new(piece.outlines.each_with_index.map { |outline, k| reinforced[outline]&.section(piece.fibres.sections[k], piece.material.young) || whole&.sections&.at(k) })
      end

      def of_statement(statement)
        if statement.kind == "reinforced"
          reinforced[statement["outline"]].check!
          return {}
        end

        places = @groups.target!(statement, %i[bodies])
        return soil(statement, places) if statement.kind == "soil"
        return concrete(statement, places) if statement.kind == "concrete"

        curve = curve(statement)
        places.to_h { |place| [place.body, flow(statement, place.body, curve)] }
      end

      def soil(statement, places)
        soil = Soil.read(statement)
        places.to_h do |place|
          wrong = @bodies.find { |b| b.name == place.body && (b.faces? || b.members? || b.make == "plane stress") }
          raise statement.fault("“#{place.body}” is neither a solid, a slice of plane strain nor a ring", path: "target", cure: "Choose the ground.") if wrong

          [place.body, soil]
        end
      end

      def concrete(statement, places)
        concrete = Concrete.read(statement)
        order = @document.active("mesh").last
        raise order.fault("concrete cracks in elements of straight sides", path: "order", cure: "Choose linear elements.") if order && order["order"] != "linear"

        places.to_h do |place|
          wrong = @bodies.find { |b| b.name == place.body && b.make != "plane stress" }
          raise statement.fault("“#{place.body}” is no region in plane stress, in which alone cracks are followed", path: "target", cure: "Choose a body in plane stress.") if wrong

          [place.body, concrete]
        end
      end

      def flow(statement, body, curve)
        material = @materials.to_h[body]
        strength = statement.quantity("strength", "stress") || curve&.dig(0, 1) || material&.yield
        raise statement.fault("“#{material&.name}” of “#{body}” has no strength at which it yields", path: "strength", cure: "Type one, such as 235 MPa.") unless strength
        raise statement.fault("a strength of nothing holds nothing", path: "strength", cure: "Give one above zero, such as 235 MPa.") unless strength.positive?

        points = curve || [[0.0, strength]]
        unless (points[0][1] - strength).abs <= strength * 1e-6
          raise statement.fault("its curve starts at another stress than its strength", path: "curve.0.stress", cure: "Start the curve at plastic strain 0 with the strength, or leave the strength out.")
        end
        smooth = smooth?(statement, body, points)
        return Flow.new(Hardening.new(points), 0.0, smooth) unless statement["hardens"] == "kinematic"
        raise statement.fault("what yields earlier the other way hardens along one straight line", path: "curve", cure: "Give its curve two points.") if points.size != 2

        Flow.new(Hardening.new([points[0]]), (points[1][1] - points[0][1]) / (points[1][0] - points[0][0]), smooth)
      end

      # @raise [InvalidInput] where that is not followed
      def smooth?(statement, body, points)
        return false unless statement["bends"] == "smoothly"
        raise statement.fault("“#{body}” is not made of members, whose fibres alone bend smoothly", path: "bends", cure: "Let it bend sharply.") unless @bodies.find { |b| b.name == body }.members?
        return true if points.size == 1 || statement["hardens"] == "kinematic"

        raise statement.fault("what bends smoothly yields earlier the other way", path: "hardens", cure: "Choose that it hardens one way, along one straight line.")
      end

      # @return [Array(Float, Float), nil]
      def curve(statement)
        given = statement["curve"] or return
        points = given.each_index.map { |i| [statement.quantity("curve.#{i}.strain", "ratio"), statement.quantity("curve.#{i}.stress", "stress")] }
        raise statement.fault("its curve starts at a plastic strain of #{points[0][0]}, after it has yielded", path: "curve.0.strain", cure: "Start it at 0, with the strength.") unless points[0][0].zero?

        points.each_cons(2).with_index(1) do |(before, after), i|
          raise statement.fault("its curve goes back at its point #{i + 1}", path: "curve.#{i}.strain", cure: "Give plastic strains that rise.") if after[0] <= before[0]
          raise statement.fault("its curve falls at its point #{i + 1}, where nothing could rest", path: "curve.#{i}.stress", cure: "Give true stresses, which do not fall.") if after[1] < before[1]
        end
        points
      end
    end
  end
end
