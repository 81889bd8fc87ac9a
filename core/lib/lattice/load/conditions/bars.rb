# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Bars laid into bodies along a line, whatever their mesh: they add their stiffness to the elements that they cross.
      class Bars < Condition
        acts_on :bodies

        def check!
          super
          wrong = places.map { |p| problem.parts.body(p.body) }.find { |b| b.faces? || b.members? || b.axisymmetric? }
          raise statement.fault("“#{wrong.name}” is neither a solid nor a plane region", path: "target", cure: "Choose the body that they are laid into.") if wrong
          raise statement.fault("its diameter is not above zero", path: "diameter", cure: "Give a diameter above zero.") unless diameter.positive?

          material
          legs
        end

        def diameter = statement.quantity("diameter", "length")
        def area = statement["count"] * Math::PI * (diameter**2) / 4

        # @return [Matter::Material]
        # @raise [InvalidInput]
        def material = @material ||= Matter::Material.read(statement)

        # @return [Numo::DFloat] [k, 2, 3] straight pieces: of a line with links those, else its steps
        def legs
          line = problem.document.named("line", statement["line"])
          raise statement.fault("there is no line named “#{statement['line']}”", path: "line", cure: "Draw that line, or choose another.") unless line

          read = Shape::SpaceLine.read(line)
          pairs = line["links"] ? line["links"].map { |pair| pair.map { |n| read.corners[n - 1] } } : read.points.each_cons(2).to_a
          lost = pairs.index { |pair| pair.any?(&:nil?) }
          raise statement.fault("a link of its line names a corner that it does not have", path: "line", cure: "Correct the links of “#{line.name}”.") if lost

          Numo::DFloat.cast(pairs)
        end

        def signature = [*super, legs.to_a, material.young, area]

        def apply(structure)
          check!
          structure.bars.add(self, places.map(&:body).uniq)
        end
      end
    end
  end
end
