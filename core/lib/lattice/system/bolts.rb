# frozen_string_literal: true

module Lattice
  module System
    # Bolts: beams whose ends are spread over rings of the parts, as dense blocks on the unknowns of those. A bolt may be
    # shortened: N = EA/L (elongation + shortening); tightening finds the shortenings that bring the wanted forces together.
    class Bolts
      # nodes: [head's, nut's] of the rings; table [12, unknowns of both]; dofs of them
      Bolt = Struct.new(:condition, :number, :hole, :thread, :force, :dofs, :table, keyword_init: true)

      RESISTS = 1e-6 # share of a bolt's stiffness, that the parts must offer at least

      attr_reader :bolts

      # @param structure [Structure]
      def initialize(structure)
        @structure = structure
        @bolts = []
      end

      def empty? = bolts.empty?

      # @param condition [Load::Conditions::Bolt]
      # @param one [Load::Conditions::Bolt::One]
      # @param thread [Matter::Threads]
      # @param rings [Array] nodes and shares at the head and at the nut
      def add(condition, one, thread, rings)
        hole = one.hole
        parts = rings.zip([hole.head, hole.nut]).map do |(nodes, shares), end_|
          [nodes, Spread.new(@structure.grid.nodes[nodes, true].dup, shares / shares.sum, Numo::DFloat[*end_]).table]
        end
        dofs = parts.map { |nodes, _| @structure.dofs.table(nodes.reshape(1, nodes.size), %i[x y z]).flatten }
        table = Numo::DFloat.zeros(12, dofs.sum(&:size))
        table[0..5, 0...dofs[0].size] = parts[0][1].reshape(6, dofs[0].size)
        table[6..11, dofs[0].size..] = parts[1][1].reshape(6, dofs[1].size)
        @bolts << Bolt.new(condition: condition, number: one.number, hole: hole, thread: thread, force: one.force, dofs: dofs.reduce { |a, b| a.concatenate(b) }, table: table)
      end

      # @return [Algebra::Sparse] lower triangle of the stiffness of all bolts
      def matrix
        k = beams.stiffness.transpose(2, 3, 0, 4, 1).dup.reshape(bolts.size, 12, 12)
        DenseBlocks.matrix(bolts.each_with_index.map { |bolt, i| [bolt.dofs, bolt.table.transpose.dot(k[i, true, true]).dot(bolt.table)] }, @structure.dofs.size)
      end

      # Forces on the parts of a unit of shortening of each bolt that is tightened: [tightened, unknowns]
      def pulls
        Numo::DFloat.zeros(tightened.size, @structure.dofs.size).tap do |all|
          tightened.each_with_index { |i, row| all[row, true] = bolts[i].dofs.bincount(axial(i) * -rigidity[i], minlength: @structure.dofs.size) }
        end
      end

      # @return [Array<Integer>]
      def tightened = @tightened ||= bolts.each_index.select { |i| bolts[i].force }

      # Shortenings that bring the forces that are wanted in the cases that the bolts are tightened in.
      # @param moved [Numo::DFloat] [tightened, unknowns] what a unit of each brings
      # @return [Numo::DFloat] [cases, bolts] m
      def shortenings(moved)
        names = @structure.problem.cases
        all = Numo::DFloat.zeros(names.names.size, bolts.size)
        tightened.each_index.group_by { |t| names.index(bolts[tightened[t]].condition.case_name) }.each do |in_case, rows|
          ids = rows.map { |t| tightened[t] }
          system = Numo::DFloat.zeros(rows.size, rows.size)
          rows.each_index { |a| rows.each_with_index { |t, b| system[a, b] = rigidity[ids[a]] * ((axial(ids[a]) * moved[t, bolts[ids[a]].dofs]).sum + (a == b ? 1.0 : 0.0)) } }
          loose = rows.each_index.find { |a| system[a, a] < rigidity[ids[a]] * RESISTS }
          loose!(bolts[ids[loose]]) if loose
          all[in_case, ids] = Numo::Linalg.solve(system, Numo::DFloat.cast(ids.map { |i| bolts[i].force }))
        end
        all
      end

      # @param shortening [Numo::DFloat] [bolts]
      # @return [Numo::DFloat] [unknowns] forces in the parts that shortened bolts bring besides their stiffness
      def held(shortening)
        tightened.reduce(Numo::DFloat.zeros(@structure.dofs.size)) { |sum, i| sum + bolts[i].dofs.bincount(axial(i) * (rigidity[i] * shortening[i]), minlength: @structure.dofs.size) }
      end

      # @param u [Numo::DFloat] [unknowns]
      # @param shortening [Numo::DFloat] [bolts]
      # @return [Numo::DFloat] [bolts, 2, 6] N, V2, V3, T, M2, M3 at head and nut
      def ends(u, shortening)
        moved = Numo::DFloat.zeros(bolts.size, 2, 6).tap { |all| bolts.each_with_index { |bolt, i| all[i, true, true] = bolt.table.dot(u[bolt.dofs]).reshape(2, 6) } }
        beams.ends(moved, Numo::DFloat.zeros(bolts.size, 3)).tap { |found| found[true, true, 0] = found[true, true, 0] + (rigidity * shortening).reshape(bolts.size, 1) }
      end

      # @return [Array<Hash>] what each is: statement, label, size, class, ends, proof and shear forces, tightening force
      def rows
        bolts.map do |bolt|
          { statement: bolt.condition.statement.id, label: "#{bolt.condition.statement['target']} #{bolt.number}", number: bolt.number, size: bolt.thread.size, class: bolt.thread.grade,
            head: bolt.hole.head, nut: bolt.hole.nut,
            stress_area: bolt.thread.stress_area, proof: bolt.thread.proof_force, shear_force: bolt.thread.shear_force, tightened: bolt.force }
        end
      end

      # @return [Numo::DFloat] [unknowns of the rings] elongation of a bolt
      def axial(index)
        @axial ||= {}
        @axial[index] ||= begin
          axis = Numo::DFloat[*bolts[index].hole.axis].reshape(3, 1)
          table = bolts[index].table
          ((table[6..8, true] - table[0..2, true]) * axis).sum(0)
        end
      end

      # @return [Numo::DFloat] [bolts] N/m
      def rigidity = @rigidity ||= Numo::DFloat.cast(bolts.map { |b| Matter::Threads::YOUNG * Math::PI * (b.thread.diameter**2) / 4 / b.hole.length })

      private

      def loose!(bolt)
        raise bolt.condition.statement.fault("nothing resists one of its bolts when it is tightened: the parts that it grips do not hold each other apart",
                                             path: "tighten", cure: "Bond the faces that it presses together.")
      end

      def beams
        @beams ||= begin
          d = Numo::DFloat.cast(bolts.map { |b| b.thread.diameter })
          area = (d**2) * Math::PI / 4
          second = (d**4) * Math::PI / 64
          none = Numo::DFloat.zeros(bolts.size, 2)
          at = Numo::DFloat.cast(bolts.map { |b| [b.hole.head, b.hole.nut] })
          up = Numo::DFloat.cast(bolts.map { |b| Shape::Vectors.across(b.hole.axis)[0] })
          Element::Beam::Block.new(at, Element::Beam::Block::Properties.new(area: area, two: second, three: second, shear_two: area * 0.9, shear_three: area * 0.9, torsion: second * 2,
                                                                            shear_centre: none, line: none.dup,
                                                                            angle: Numo::DFloat.zeros(bolts.size), up: up, bar: Numo::Int8.zeros(bolts.size), released: Numo::Int8.zeros(bolts.size, 2)),
                                   young: Matter::Threads::YOUNG, poisson: Matter::Threads::POISSON)
        end
      end
    end
  end
end
