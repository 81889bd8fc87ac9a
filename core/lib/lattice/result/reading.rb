# frozen_string_literal: true

module Lattice
  module Result
    # A field in other ways than Outcome#field: as every element alone has it, and along axes that go around.
    class Reading
      HOWS = %w[averaged unaveraged element].freeze

      # @param result [Outcome] one that knows what each element has (see Outcome#by_element?)
      # @param layer [String, nil] of shells; nil takes of all layers the largest in size
      # @param around [Shape::Around, nil] x is away from its axis, y about it, z along it; nil takes the axes of the model
      # @raise [InvalidInput]
      def initialize(result, layer: nil, around: nil)
        raise InvalidInput.at("this result is known at points alone, and along the axes of the model", cure: "Read it averaged.") unless result.by_element?

        @result = result
        @layer = layer
        @around = around
      end

      # @return [Numo::DFloat] [p] averaged at the points of the mesh
      def at_points(name, frame)
        return @result.field(name, frame, layer: @layer) unless turned?(name)

        over(frame) { |f| turned_at_points(name, f) }
      end

      # @param block [Integer] of the mesh
      # @param mean [Boolean] one value for all nodes of an element: their mean
      # @return [Numo::DFloat] [e, k] at the nodes of its elements
      def at_corners(name, frame, block, mean: false)
        values = over(frame) { |f| corners(name, f, block) }
        mean ? (values * 0) + values.mean(1).reshape(values.shape[0], 1) : values
      end

      private

      def grid = @result.grid
      def stress?(name) = Stress::SCALARS.include?(name)

      def turned?(name)
        @around && (Stress::COMPONENTS.include?(name.delete_prefix("stress_")) || !Catalogue.vector(name)&.last.nil?)
      end

      # Frames that are made of others by the greatest of them are read of those.
      def over(frame, &)
        return yield(frame) unless @result.envelope?(frame)

        made = @result.made[frame]
        Outcome::ENVELOPES.fetch(made["how"]).call(made["over"].map(&))
      end

      def corners(name, frame, block)
        tensors = stress?(name) && tensors_of(@result.state(frame).stress[block])
        return at_points(name, frame)[grid.points.block(block)] unless tensors || plastic?(name, frame, block)
        return @result.state(frame).plastic[block] unless tensors

        places = turned?(name) ? Algebra::Gather.rows(grid.nodes, grid.blocks[block].conn) : nil
        tensors.map { |tensor| scalar(name, tensor, places) }.reduce { |a, b| Outcome.larger(a, b) }
      end

      def plastic?(name, frame, block) = name == "plastic_strain" && @result.state(frame).plastic&.at(block)

      # Of the layers of a block those that are read; nil where it has no stress.
      def tensors_of(layers)
        return if layers.nil? || layers.empty?

        layers.key?(@layer) ? [layers[@layer]] : layers.values
      end

      def scalar(name, tensor, places)
        flat = tensor.reshape(tensor.shape[0] * tensor.shape[1], 6)
        found = places ? along(name, flat, places.reshape(flat.shape[0], 3)) : Stress.scalar(name, flat)
        found.reshape(*tensor.shape[0..1])
      end

      def turned_at_points(name, frame)
        nodes = grid.points.nodes
        places = grid.nodes[nodes, true].dup
        vector, component = Catalogue.vector(name)
        if vector
          table = @result.state(frame)[vector.to_sym] or return Numo::DFloat.zeros(nodes.size)
          return (table[nodes, true] * @around.directions(places, component)).sum(1)
        end

        @result.layers_of(@layer).map { |layer| along(name, @result.stress(frame, layer), places) }.reduce { |a, b| Outcome.larger(a, b) }
      end

      # One component of stress between two directions.
      # @param tensor [Numo::DFloat] [n, 6]
      # @return [Numo::DFloat] [n]
      def along(name, tensor, places)
        one, other = name[-2..].chars.map { |c| @around.directions(places, "xyz".index(c)) }
        traction = Stress.across(tensor, other)
        (one * traction).sum(1)
      end
    end
  end
end
