# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # A body that is not deformed: it moves as it is told along some axes, as what acts on it makes it along the others, and turns or does not.
      class Rigid < Condition
        acts_on :bodies

        def spreads? = true
        def holds? = true
        def imposes? = moves.values.any? { |value| !value.zero? }
        def steady? = imposes?
        def whole? = true
        def components = moves.keys.map(&:to_sym) + (turns? ? [] : System::RigidBody::TURNS)
        def turns? = statement["turns"] == "free"

        # @return [Hash{String => Float}] by axis, m
        def moves = (statement["moves"] || {}).keys.to_h { |axis| [axis, statement.quantity("moves.#{axis}", "length")] }

        def check!
          super
          wrong = places.map { |p| problem.parts.body(p.body) }.find { |b| b.members? || b.axisymmetric? }
          raise statement.fault("“#{wrong.name}” is made of #{wrong.members? ? 'members' : 'rings'}, which stay soft", path: "target", cure: "Choose a solid, a plane region or faces.") if wrong
          raise statement.fault("a model of the plane does not move along z", path: "moves.z", cure: "Leave that out.") if problem.parts.dimension == 2 && statement.dig("moves", "z")

          idle = places.map(&:body).find { |body| moves.empty? && !pushed?(body) }
          return unless idle

          raise statement.fault("nothing moves or pushes “#{idle}”", path: "moves", cure: "Say how far it moves along an axis (0 mm holds it), or put a load on it.")
        end

        def apply(structure)
          check!
          places.each do |place|
            nodes = structure.grid.body_nodes(place.body)
            body = System::RigidBody.new(structure, self, nodes, turns?)
            moves.each { |axis, value| hold(structure, body.leader, axis.to_sym, value) }
            refused = body.call
            raise statement.fault("“#{place.body}” is held by another statement too", path: "target", cure: "Say here how it moves, and take that away.") unless refused.empty?
          end
        end

        private

        def hold(structure, node, name, value)
          at = structure.dofs.at(Numo::Int32[node], name)
          clash = structure.constraints.prescribe(at, value, in_case: value.zero? ? nil : problem.cases.index(case_name))
          raise statement.fault("another statement already moves it along #{name}", path: "moves.#{name}", cure: "Take one of them away.") unless clash.empty?
        end

        def pushed?(body)
          problem.conditions.any? { |c| c.loads? && (c.weight? || (c.statement["target"] && c.places.any? { |p| p.body == body })) }
        end
      end
    end
  end
end
