# frozen_string_literal: true

module Lattice
  module Study
    # The problem of a close-up: what a block or a ball cuts out of a whole, or some of its bodies, on a mesh of its own, with what of the loads and
    # supports acts there. Its cut sides will be moved as the whole moves.
    class Cutout < Problem
      attr_reader :whole, :study

      # @param whole [Problem]
      # @param study [Model::Statement] of type close_up
      # @raise [InvalidInput] for a region that cuts nothing out
      def initialize(whole, study)
        @whole = whole
        @study = study
        super(whole.document, parts: region.out_of(whole.document, study))
        raise study.fault("its #{region.words} holds nothing of the part, whose box is #{box}", path: region.words, cure: "Move it over the part.") if parts.bodies.empty?
        raise study.fault("“#{study['body']}” lies on no other body: nothing moves it", path: "body", cure: "Choose a body that bears on others, or a block.") if study["body"] && parts.cut.empty?
        raise study.fault("its #{region.words} takes in the whole part", path: region.words, cure: "Make it smaller, so that it cuts out what is to be seen closely.") if parts.cut.empty?
      end

      # @return [Shape::Region::Block, Shape::Region::Ball, Shape::Region::Bodies]
      # @raise [InvalidInput]
      def region = @region ||= named || ball || block

      def size
        @size ||= (study.quantity("size", "length") || raise(study.fault("it has no mesh size", path: "size", cure: "Give a length, finer than that of the whole.")))
                  .tap { |v| raise study.fault("the size is not above zero", path: "size", cure: "Give a length above zero.") unless v.positive? }
      end

      # Sizes at places that are left hold here too.
      def settings
        @settings ||= suited(Mesh::Settings.new(size, **Mesh::Settings.options(mesh_statement), local: document.active("size").filter_map { |s| local(s) })) if mesh_statement
      end

      # @return [Array<Load::Condition>] those that find something within the block
      # @raise [InvalidInput] where a load that is given in all, or a join, is cut
      def conditions = @conditions ||= super.select { |condition| acts?(condition) }

      private

      def named
        return unless study["body"]

        bodies = whole.groups.target!(study, %i[bodies], "body").map { |place| whole.parts.body(place.body) }
        raise study.fault("“#{study['body']}” is the whole model", path: "body", cure: "Choose a body among others.") if bodies.size == whole.parts.bodies.size

        Shape::Region::Bodies.new(bodies.map(&:name), bodies.map { |b| b.bounds.transpose.map { |low, high| high - low }.min }.min)
      end

      def block
        raise study.fault("it has no block to cut out", path: "block", cure: "Give the block's corner and extents.") unless study["block"]

        low = %w[x y z].map { |k| study.quantity("block.#{k}", "length") }
        extent = %w[dx dy dz].map do |k|
          study.quantity("block.#{k}", "length").tap { |v| raise study.fault("the block's #{k} is not above zero", path: "block.#{k}", cure: "Give a length above zero.") unless v.positive? }
        end
        Shape::Region::Block.new(low, low.zip(extent).map(&:sum))
      end

      def ball
        return unless study["ball"]

        radius = study.quantity("ball.radius", "length")
        raise study.fault("the ball's radius is not above zero", path: "ball.radius", cure: "Give a length above zero.") unless radius.positive?

        Shape::Region::Ball.new(%w[x y z].map { |k| study.quantity("ball.#{k}", "length") }, radius)
      end

      def local(statement)
        Mesh::Settings.local(statement, groups)
      rescue InvalidInput
        nil
      end

      # What acts per length, area or volume may be cut; what is given in all may not.
      def acts?(condition)
        return true unless condition.class.targets

        sides = %w[target to].filter_map { |key| condition.statement[key] }
        here = sides.map { |name| found(self, name) }
        return false if here.all?(&:empty?)
        return false if between?(sides, here)
        return true if here == sides.map { |name| found(whole, name) } || (condition.spreads? && here.none?(&:empty?))

        raise study.fault("its #{region.words} cuts through what #{condition.statement.label} acts on", path: region.words, cure: "Move it so that it takes in all of that place, or none.")
      end

      # A join of what is taken with what is left out, at a face that moves as the whole does.
      def between?(sides, here)
        cut = parts.cut.map(&:key)
        study["body"] && sides.size == 2 && here.one?(&:empty?) && here.flatten(1).all? { |key, _| cut.include?(key) }
      end

      # @return [Array] places of a target in a problem, with their sizes
      def found(problem, name)
        problem.groups.find(name).map { |p| [p.key, p.measure.round(12)] }.sort
      rescue InvalidInput
        []
      end

      def box
        low, high = %i[min max].each_with_index.map { |way, i| (0..2).map { |k| whole.parts.bodies.map { |b| b.bounds[i][k] }.public_send(way) } }
        [low, high].map { |corner| corner.map { |c| Quantity::Display.format(c, "length", system: document.units) }.join(", ") }.join(" to ")
      end
    end
  end
end
