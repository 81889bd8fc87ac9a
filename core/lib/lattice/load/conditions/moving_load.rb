# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Axles that drive along a line, on members, faces or the sides of a plane section: every position is a case.
      class MovingLoad < Condition
        acts_on :faces, :edges

        MOST = 400 # positions

        # What acts in one position, as a condition of its own case.
        At = Struct.new(:statement, :case_name)

        def loads? = true
        def case_names = positions.names
        def positions = @positions ||= Positions.new(statement, problem.document)

        def check!
          super
          positions.check!
          wrong = places.find { |p| p.of == :edges && problem.parts.dimension == 3 && !problem.parts.body(p.body).members? }
          raise statement.fault("“#{wrong.name}” is an edge of a solid or shell", path: "target", cure: "Choose members, or faces.") if wrong
          return unless problem.parts.dimension == 2 && statement.direction[2].abs > 1e-9

          raise statement.fault("it acts along z, but the model lies in the xy plane", path: "direction", cure: "Choose a direction in the plane.")
        end

        def signature = [*super, positions.signature]

        def apply(structure)
          check!
          side = System::Side.new(structure, places, false)
          push = statement.direction[0...structure.grid.dimension].dup
          names = positions.names
          positions.axles.each do |at, forces, rows|
            at[true, 2] = 0.0 if problem.parts.dimension == 2
            found = structure.placed(side, at, problem.parts.size * 0.02)
            missed!(at, found) if (found.block < 0).any?
            found.by_block.each { |number, points, element, local| put(structure, side.pieces[number], element, local, push, forces[points].dup, points.to_a.map { |p| names[rows[p]] }) }
          end
        end

        private

        def missed!(at, found)
          lost = at[(found.block < 0).where[0], true].to_a.map { |c| Quantity::Display.format(c, "length", system: problem.document.units) }.join("; ")
          raise statement.fault("its line leaves “#{statement['target']}” near #{lost}", path: "line", cure: "Draw the line on what it drives over.")
        end

        def put(structure, pieces, element, local, push, forces, names)
          weights = pieces.kind.values(local) * forces.reshape(forces.size, 1)
          values = weights.reshape(*weights.shape, 1) * push.reshape(1, 1, push.size)
          nodes = pieces.conn[element, true]
          names.each_with_index.group_by(&:first).each do |name, rows|
            list = rows.map(&:last)
            structure.push(At.new(statement, name), nodes[list, true].dup, values[list, true, true].dup)
          end
        end
      end
    end
  end
end
