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

      # @param bodies [Array<Shape::Body>]
      # @param size [Float] m
      # @return [Hash] elements, unknowns, bytes
      def call(bodies, size)
        elements = bodies.sum { |b| b.area / (size**2) * (b.solid? ? layers(b, size) : 1) }
        solid = bodies.any?(&:solid?)
        unknowns = solid ? elements * 4.3 * 3 : elements * 3.1 * 2
        bytes = BASE + (solid ? SOLID * (unknowns**(4.0 / 3)) : PLANE * unknowns)
        { elements: elements.round, unknowns: unknowns.round, bytes: bytes }
      end

      def layers(body, size) = [((body.thickness / size) - 1e-6).ceil, 1].max

      # @raise [InvalidInput] when the mesh would not fit the memory that is free
      def check!(bodies, size, statement, free: available)
        found = call(bodies, size)
        return found if found[:bytes] < free * SHARE

        fitting = size * ((found[:bytes] / (free * SHARE))**(bodies.any?(&:solid?) ? 0.25 : 0.5))
        raise statement.fault(
          "a size of #{Quantity::Display.format(size, 'length')} makes about #{Quantity::Display.number(found[:elements].to_f)} elements, " \
          "which need about #{gigabytes(found[:bytes])} of memory; #{gigabytes(free)} are free",
          path: "size", cure: "Choose #{Quantity::Display.format(rounded_up(fitting), 'length')} or more."
        )
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
