# frozen_string_literal: true

module Lattice
  module Verdict
    # What is missing or odd of members and faces.
    module ThinBodies
      FLAT = 1e-6 # of a body, by which it may leave the plane of a section

      private

      # Members beside plane regions lie in their plane, and stay in it.
      def check_flat
        return unless @parts.dimension == 2

        @parts.bodies.select(&:members?).each do |body|
          off = body.bounds.map { |corner| corner[2].abs }.max > body.size * FLAT
          stop(fault("“#{body.name}” is made of members that do not lie in the plane of the regions", "Give its line corners with z = 0.")) if off
          stop(fault("“#{body.name}” is made of members, which are none of rings", "Make it a region.")) if @parts.bodies.any?(&:axisymmetric?)
        end
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
