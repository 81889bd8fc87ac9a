# frozen_string_literal: true

module Lattice
  module Verdict
    # How far members are used, case by case. With the stress f that is allowed:
    #   tension      σ / f, the largest stress of axial force and bending over the section
    #   compression  N / (χ A f) + σb / f, σb the largest stress of bending
    #   shear        √(τ2² + τ3²) √3 / f, τ = V / As
    # χ after W. E. Ayrton and J. Perry: φ = ½ (1 + 0.34 (λ - 0.2) + λ²), χ = 1 / (φ + √(φ² - λ²)) ≤ 1, λ = L / (π i) √(f / E),
    # i the smaller radius of gyration, L the buckling length.
    class MemberCheck < Reader
      IMPERFECT = 0.34
      SLENDER = 0.2

      # @raise [InvalidInput]
      def check!
        wrong = places.find { |p| !@problem.parts.body(p.body).members? }
        raise statement.fault("“#{wrong.body}” is not made of members", path: "target", cure: "Choose members.") if wrong
        raise statement.fault("its buckling length is not above zero", path: "buckling_length", cure: "Give a share above zero, such as 0.7.") unless share.positive?

        places.map(&:body).uniq.each { |body| allowed(body) }
      end

      # @param result [Result::Outcome]
      # @return [Hash] a finding: the worst member and frame, and rows of all members, worst first
      def read(result)
        check!
        rows = judged(result).flat_map { |frame| of_frame(result, frame) }
        members = rows.group_by { |row| [row[:body], row[:name]] }.values.map { |same| same.max_by { |row| row[:utilisation] } }.sort_by { |row| -row[:utilisation] }
        worst = members[0]
        { kind: "members", statement: statement.id, target: statement["target"], members: members, **worst.slice(:body, :name, :utilisation, :frame, :frame_name, :by), margin: 1 - worst[:utilisation],
          holds: worst[:utilisation] <= 1 }
      end

      private

      def share = statement.quantity("buckling_length", "ratio") || 1.0
      def places = @places ||= @problem.groups.target!(statement, %i[edges bodies])
      def allowed(body) = (@allowed ||= {})[body] ||= Allowed.new(statement, "strength", "stress", @problem).of(body)
      def wanted?(key) = places.any? { |p| p.of == :bodies ? p.body == key[0] : p.key == key }

      def of_frame(result, frame)
        state = result.state(frame)
        result.grid.blocks.each_with_index.flat_map do |block, b|
          ends = state.ends[b]
          next [] unless ends && places.any? { |p| p.body == block.body }

          table = used(result.grid, block, ends, state.fibres[b])
          keys = keys(result.grid, block)
          keys.each_index.group_by { |i| keys[i][0] }.select { |key, _| wanted?(key) }.map { |key, rows| row(key, rows, table, result, frame) }
        end
      end

      def row(key, rows, table, result, frame)
        values = table.transform_values { |column| column[rows].max }
        by, utilisation = values.slice(:tension, :compression, :shear).max_by { |_, value| value }
        { body: key[0], name: key[1], **values, by: by.to_s, utilisation: utilisation, frame: frame, frame_name: named(result, frame) }
      end

      # Of every element [e] the largest over its length.
      def used(grid, block, ends, fibres)
        at = Algebra::Gather.rows(grid.nodes, block.conn)
        lengths = Shape::Vectors.norm(at[true, 1, true] - at[true, 0, true])
        inner = Result::Diagrams.new(lengths, ends).peaks
        sections = [ends[true, 0, true], ends[true, 1, true], *inner].map { |all| of_sections(grid, block, all.dup, fibres) }
        sections.reduce { |a, b| a.to_h { |key, values| [key, Numo::DFloat.maximum(values, b[key])] } }
      end

      # @param forces [Numo::DFloat] [e, 6]
      def of_sections(grid, block, forces, fibres)
        p = properties(grid, block)
        f = allowed(block.body)
        twice = Numo::DFloat.zeros(block.size, 2, 6).tap { |all| 2.times { |k| all[true, k, true] = forces } }
        largest, least = fibres.extremes(twice).values.map { |stress| stress[true, 0].dup }
        axial = forces[true, 0] / p[:area]
        bending = Numo::DFloat.maximum(largest - axial, axial - least)
        pressed = (-axial).clip(0, nil)
        shear = Numo::NMath.sqrt(((forces[true, 1] / p[:shear_two])**2) + ((forces[true, 2] / p[:shear_three])**2)) * Math.sqrt(3)
        { tension: Numo::DFloat.maximum(largest, -least) / f, compression: (pressed > 0).where.then { |rows| compression(rows, pressed, bending, p, f) }, shear: shear / f }
      end

      def compression(rows, pressed, bending, properties, allowed)
        Numo::DFloat.zeros(pressed.size).tap { |all| all[rows] = ((pressed / properties[:buckling]) + bending)[rows] / allowed unless rows.empty? }
      end

      # Of every element: area, shear areas, and χ.
      def properties(grid, block)
        (@properties ||= {})[block.body] ||= begin
          set = @problem.sections.of_block(block, grid).properties
          radius = Numo::NMath.sqrt(Numo::DFloat.minimum(set.two, set.three) / set.area)
          material = @problem.materials[block.body]
          slender = spans(grid, block) * share / (Math::PI * radius) * Math.sqrt(allowed(block.body) / material.young)
          { area: set.area, shear_two: set.shear_two, shear_three: set.shear_three, buckling: reduction(slender) }
        end
      end

      def reduction(slender)
        phi = (1.0 + ((slender - SLENDER) * IMPERFECT) + (slender**2)) * 0.5
        (1.0 / (phi + Numo::NMath.sqrt((phi**2) - (slender**2)))).clip(nil, 1.0)
      end

      def keys(grid, block) = (@keys ||= {})[block.body] ||= Mesh::MemberElements.of(grid, block)

      # Length of the member that each element belongs to.
      def spans(grid, block)
        at = Algebra::Gather.rows(grid.nodes, block.conn)
        lengths = Shape::Vectors.norm(at[true, 1, true] - at[true, 0, true])
        owner = keys(grid, block).map(&:first)
        names = owner.uniq.each_with_index.to_h
        index = Numo::Int32.cast(owner.map { |key| names[key] })
        index.bincount(lengths, minlength: names.size)[index].dup
      end
    end
  end
end
