# frozen_string_literal: true

module Lattice
  module Load
    # Support and prescribed displacement statements as constraints on a mesh.
    class Supports
      KINDS = %w[support displacement].freeze
      TARGETS = %i[faces edges points bodies].freeze

      # @param document [Model::Document]
      # @param groups [Shape::Groups]
      # @param grid [Mesh::Grid]
      def initialize(document, groups, grid)
        @document = document
        @groups = groups
        @grid = grid
      end

      # @return [System::Constraints]
      # @raise [InvalidInput] for targets that cannot be held, or values that contradict
      def constraints
        constraints = System::Constraints.new(@grid.unknowns)
        statements.each do |statement|
          each_component(statement) do |component, value|
            clash = constraints.prescribe((nodes(statement) * @grid.dimension) + component, value)
            next if clash.empty?

            raise statement.fault("it gives #{'xyz'[component]} another value where an earlier statement already holds it",
                                  path: "target", cure: "Change one of the two targets.")
          end
        end
        constraints
      end

      def statements = @document.active.select { |s| KINDS.include?(s.kind) }

      # @return [Numo::Int32] distinct nodes of a statement's target
      def nodes(statement)
        @grid.nodes_of(@groups.target!(statement, TARGETS))
      end

      private

      def each_component(statement)
        held = statement.kind == "support" ? statement["components"].to_h { |c| [c, 0.0] } : { statement["component"] => statement.quantity("value", "length") }
        held.each do |letter, value|
          component = "xyz".index(letter)
          yield component, value if component < @grid.dimension
        end
      end
    end
  end
end
