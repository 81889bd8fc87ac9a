# frozen_string_literal: true

module Lattice
  module Verdict
    # What is missing or odd of members and faces.
    module ThinBodies
      FLAT = 1e-6 # of a body, by which it may leave the plane of a section
      SAME = 1e-3 # of the thickness of a slice

      private

      # Members beside plane regions lie in their plane, and stay in it.
      def check_flat
        return unless @parts.dimension == 2

        @parts.bodies.select(&:members?).each do |body|
          off = body.bounds.map { |corner| corner[2].abs }.max > body.size * FLAT
          stop(fault("“#{body.name}” is made of members that do not lie in the plane of the regions", "Give its line corners with z = 0.")) if off
          stop(fault("“#{body.name}” is made of members, which are none of rings", "Make it a region.")) if @parts.bodies.any?(&:axisymmetric?)
          check_width(body)
        end
      end

      # A wall or a slab goes on with the slice.
      def check_width(body)
        thick = @parts.bodies.find(&:plane?).then { |region| region.make == "plane strain" && region.thickness } or return
        name, wide = @problem.sections.widths(body.name).find { |_, width| (width - thick).abs > thick * SAME }
        return unless name

        odd(fault("the section “#{name}” of “#{body.name}” is #{shown(wide, 'length')} wide, and the slice is #{shown(thick, 'length')} thick",
                  "Make it as wide (along its x) as the slice is thick, if it is a wall or a slab that goes on along it; its height lies in the plane."))
      end

      def check_walls(bodies)
        bodies.select { |b| b.faces? && b.wall.nil? }.each do |body|
          stop(Fault.new(statement: @document.active.find { |s| s.name == body.name }&.id, path: "wall", message: "the faces of “#{body.name}” have no thickness", cure: "Give their thickness."))
        end
        return unless bodies.any?(&:faces?) && bodies.none?(&:solid?) && @problem.mesh_statement && @problem.mesh_statement["order"] != "linear"

        odd(@problem.mesh_statement.fault_at("faces are solved with linear elements, of straight sides", path: "order", cure: "Choose linear elements, or leave it so."))
      end
    end
  end
end
