# frozen_string_literal: true

module Lattice
  module Mesh
    # How large a mesh would become, before it is made.
    module Estimate
      # Peak bytes of a whole solve, fitted to blocks and plates of 25 000 to 350 000
      # unknowns: in space c n^(4/3) (nested dissection, A. George 1973), in the plane
      # near enough to c n, each above what the program takes by itself.
      BASE = 1.5e8
      SOLID = 400.0
      PLANE = 3000.0
      SHARE = 0.8 # of the memory that is free

      module_function

      # Of tetrahedra in a volume and on a surface of unit size, and of their unknowns with
      # ten nodes; measured on bodies of 1000 to 100 000 elements.
      TETRAHEDRA = 9.5
      SKIN = 2.2
      UNKNOWNS = 4.4

      # @param bodies [Array<Shape::Body>]
      # @param settings [Settings]
      # @return [Hash] elements, unknowns, bytes
      def call(bodies, settings)
        counts = bodies.map { |b| count(b, settings) }
        elements = counts.sum(&:first)
        unknowns = counts.sum(&:last)
        unknowns /= settings.linear? ? 5 : 1
        { elements: elements.round, unknowns: unknowns.round, bytes: bytes(unknowns, bodies.any?(&:solid?)) }
      end

      # @return [Float] of a whole solve
      def bytes(unknowns, solid) = BASE + (solid ? SOLID * (unknowns**(4.0 / 3)) : PLANE * unknowns)

      # @param grid [Grid] as it was made, with all that places and thin walls added to it
      # @raise [InvalidInput] when its solution would not fit the memory that is free
      def check_solve!(grid, free: available)
        wanted = bytes(grid.unknowns, grid.dimension == 3)
        return if wanted < free * SHARE

        raise InvalidInput.at("the mesh has #{Quantity::Display.number(grid.unknowns.to_f)} unknowns, whose solution needs about #{gigabytes(wanted)} of memory; #{gigabytes(free)} are free",
                              cure: "Choose a larger size, or larger ones at places and in thin walls.")
      end

      # @return [Array(Float, Float)] elements and unknowns of a body
      def count(body, settings)
        size = settings.size_of(body)
        if body.members? then [body.length / size, body.length / size * 12]
        elsif body.solid? && (!body.prism || settings.tetrahedra?)
          tets = (body.volume / (size**3) * TETRAHEDRA) + (body.facets.measures.area / (size**2) * SKIN)
          [tets, tets * UNKNOWNS]
        else
          elements = body.area / (size**2) * (body.solid? ? layers(body, settings.plan([body])) : 1)
          [elements, elements * (body.solid? ? 4.3 * 3 : 3.1 * 2)]
        end
      end

      # @param plan [SizingPlan]
      # @return [Integer] layers of an extruded body
      def layers(body, plan) = [((body.thickness / plan.size) - 1e-6).ceil, plan.through].max

      # @raise [InvalidInput] when the mesh would not fit the memory that is free
      def check!(bodies, settings, statement = nil, free: available)
        size = settings.size
        found = call(bodies, settings)
        return found if found[:bytes] < free * SHARE

        fitting = size * ((found[:bytes] / (free * SHARE))**(bodies.any?(&:solid?) ? 0.25 : 0.5))
        message = "a size of #{Quantity::Display.format(size, 'length')} makes about #{Quantity::Display.number(found[:elements].to_f)} elements, " \
                  "which need about #{gigabytes(found[:bytes])} of memory; #{gigabytes(free)} are free"
        cure = "Choose #{Quantity::Display.format(rounded_up(fitting), 'length')} or more."
        raise statement ? statement.fault(message, path: "size", cure: cure) : InvalidInput.at(message, cure: cure)
      end

      def gigabytes(bytes)
        bytes > 1e15 ? "#{Quantity::Display.number(bytes / 1e12)} TB" : "#{Quantity::Display.number((bytes / 1e9).round(1))} GB"
      end

      def rounded_up(value)
        step = 10.0**(Math.log10(value).floor - 1)
        (value / step).ceil * step
      end

      # @return [Float] bytes of memory that can be had now
      def available
        line = File.foreach("/proc/meminfo").find { |l| l.start_with?("MemAvailable") }
        line ? line[/\d+/].to_f * 1024 : 8e9
      rescue SystemCallError
        8e9
      end
    end
  end
end
