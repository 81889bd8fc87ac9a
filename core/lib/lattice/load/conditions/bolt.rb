# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Bolts through holes: each is a beam from ring to ring, through all that lies on the axis of its hole. It may be
      # tightened in its case by a force, a torque or a share of its proof force.
      class Bolt < Condition
        acts_on :faces, :edges

        RINGS = 1.15   # of the hole's radius that a ring reaches at least
        FACTOR = 0.2   # torque = K F d
        DENSITY = 7850.0 # kg/m³ of bolt steels
        HIGH = [0.65, 0.8].freeze # of its diameter that a head, and a nut, is high
        ENGAGED = 1.0 # diameters of thread that a bolt without a nut holds by

        # A bolt of the statement: its number, its hole, and what it is tightened to, N
        One = Struct.new(:number, :hole, :force)

        def joins? = true
        def steady? = !statement["tighten"].nil?
        def weighs? = statement["mass"] == true
        def blind? = statement["blind"] == true
        def thread = @thread ||= Matter::Threads.new(statement["size"], statement["class"])
        def holes = @holes ||= BoltHoles.new(problem.parts, places, blind? ? ENGAGED * thread.diameter : nil).call

        # @return [Array<One>] those that are there
        def bolts
          own = (statement["own"] || []).to_h { |row| [row["number"], row] }
          holes.each_with_index.filter_map do |hole, i|
            mine = own[i + 1] || {}
            One.new(i + 1, hole, mine["tighten"] ? Quantity.parse(mine["tighten"], "force") : force) unless mine["off"]
          end
        end

        def check!
          super
          thread.check!(statement)
          wrong = BoltHoles.new(problem.parts, places).wrong
          raise statement.fault("“#{wrong.name}” is no hole", path: "target", cure: "Choose walls of holes in solids, or rims of holes in shells.") if wrong

          check_holes
          check_own
          slack = bolts.find { |b| b.force && b.force <= 0 }
          raise statement.fault("its tightening is not above zero", path: "tighten", cure: "Give a force above zero, or leave it loose.") if slack
        end

        # @return [Float, nil] N
        def force
          how = statement["tighten"] or return nil
          if how["force"] then Quantity.parse(how["force"], "force")
          elsif how["torque"] then Quantity.parse(how["torque"], "moment") / ((how["factor"] ? Quantity.parse(how["factor"], "ratio") : FACTOR) * thread.diameter)
          else Quantity.parse(how["proof"], "ratio") * thread.proof_force
          end
        end

        # @return [Array<Fault>] what is odd
        def oddities
          return [] unless bolts.any? { |b| b.force && b.force > thread.proof_force }

          [statement.fault_at("it is tightened beyond its proof force of #{shown(thread.proof_force, 'force')}", path: "tighten", cure: "Tighten less, or take a stronger class.")]
        end

        def apply(structure)
          check!
          bolts.each { |bolt| structure.bolts.add(self, bolt, thread, rings(structure, bolt.hole)) }
        end

        # Shank, head and nut stand half at either end.
        def weigh(structure)
          shank = Math::PI * (thread.diameter**2) / 4
          bolts.each do |bolt|
            ends = Math::PI * (thread.head**2) / 4 * thread.diameter
            masses = HIGH.map { |high| DENSITY * ((shank * bolt.hole.length / 2) + (ends * high)) }
            masses[1] = DENSITY * shank * bolt.hole.length / 2 if blind?
            rings(structure, bolt.hole).zip(masses) { |(nodes, shares), mass| structure.lumps[nodes] = structure.lumps[nodes] + (shares * (mass / shares.sum)) }
          end
        end

        private

        def rings(structure, hole) = [ring(structure, hole, hole.first, hole.head), blind? ? wall(structure, hole) : ring(structure, hole, hole.last, hole.nut)]

        def check_own
          none = (statement["own"] || []).find { |row| row["number"] > holes.size }
          raise statement.fault("there is no bolt #{none['number']}: it has #{holes.size}", path: "own", cure: "Remove what is told of it.") if none
          raise statement.fault("all its bolts are left out", path: "own", cure: "Keep one, or switch the statement off.") if bolts.empty?
        end

        def shown(value, kind) = Quantity::Display.format(value, kind, system: problem.document.units)

        def check_holes
          alone = holes.find { |h| h.first == h.last }
          raise statement.fault("a bolt through “#{alone.first}” alone grips nothing", path: "target", cure: "Choose the holes of all the parts that it goes through.") if alone

          thin = holes.find { |h| h.length < thread.diameter * 1e-3 }
          raise statement.fault("the parts that it grips lie in one plane", path: "target", cure: "Draw the parts one on the other.") if thin

          wide = holes.find { |h| h.radius * 2 < thread.diameter * 0.999 }
          return unless wide

          raise statement.fault("#{thread.size} does not go through a hole of #{shown(wide.radius * 2, 'length')}", path: "size", cure: "Choose a smaller size.")
        end

        # Nodes of the wall of the last part that the thread holds.
        def wall(structure, hole)
          held(structure, places.select { |p| p.body == hole.last && p.of == :faces }, hole, hole.nut) { |along, away| (along.abs <= hole.engaged * 0.5001) & (away <= hole.radius * RINGS) } ||
            raise(statement.fault("no node of “#{hole.last}” lies in the thread of one of its bolts", path: "target", cure: "Choose a smaller mesh size round the holes."))
        end

        # Nodes under the head, or the nut: of faces of a body square to the axis there, within the head; of shells the rim.
        def ring(structure, hole, name, end_)
          reach = [thread.head / 2, hole.radius * RINGS].max
          held(structure, seats(problem.parts.body(name), hole, end_), hole, end_) { |_, away| away <= reach } ||
            raise(statement.fault("no node of “#{name}” lies under the head or nut of one of its bolts", path: "target", cure: "Choose a smaller mesh size round the holes."))
        end

        # @yield [Numo::DFloat, Numo::DFloat] how far nodes lie along the axis from an end, and from it
        # @return [Array(Numo::Int32, Numo::DFloat), nil] nodes and their shares; nil for fewer than three
        def held(structure, found, hole, end_)
          return nil if found.empty?

          nodes, weights = structure.shares(found)
          rel = structure.grid.nodes[nodes, true] - Numo::DFloat[*end_].reshape(1, 3)
          axis = Numo::DFloat[*hole.axis]
          along = rel.dot(axis)
          away = Shape::Vectors.norm(rel - (along.reshape(rel.shape[0], 1) * axis.reshape(1, 3)))
          near = ((weights > 0) & yield(along, away)).where
          near.size < 3 ? nil : [nodes[near].dup, weights[near].dup]
        end

        def seats(body, hole, end_)
          return places.select { |p| p.body == body.name && p.of == :edges } if body.faces?

          near = problem.parts.size * 1e-4
          body.places.select { |p| p.of == :faces && p.normal && Shape::Vectors.dot3(p.normal, hole.axis).abs > 0.999 && (Shape::Vectors.dot3(p.at, hole.axis) - Shape::Vectors.dot3(end_, hole.axis)).abs < near }
        end
      end
    end
  end
end
