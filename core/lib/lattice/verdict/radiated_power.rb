# frozen_string_literal: true

module Lattice
  module Verdict
    # The sound power of faces that swing: P = ½ ρ c ∫ v² dA with the amplitude v of the velocity across them. That of a
    # large piston; at low frequencies, where a face is smaller than the wave, less is radiated.
    # L. Cremer, M. Heckl, Körperschall, 1967 (radiation efficiency of one).
    class RadiatedPower < Reader
      LEAST = 1e-12 # W, to which decibels are told

      # @raise [InvalidInput]
      def check!
        places
        raise statement.fault("nothing is around it: its density is not above zero", path: "density", cure: "Give a density, such as 1.204 kg/m3 of air.") unless density.positive?
        raise statement.fault("its speed of sound is not above zero", path: "speed", cure: "Give a speed, such as 343 m/s of air.") unless speed.positive?
      end

      # @param result [Result::Swept]
      # @return [Hash] a finding: W and dB of every frequency, in sum and face by face
      def read(result)
        check!
        @structure = System::Structure.new(problem, result.grid, [])
        faces = places.map { |place| { name: "#{place.body}: #{place.name}", values: of_face(result, place).to_a } }
        total = faces.map { |f| Numo::DFloat.cast(f[:values]) }.reduce(:+)
        { kind: "radiated_power", statement: statement.id, name: statement.name, values: total.to_a, decibels: (Numo::NMath.log10(total.clip(1e-300, nil) / LEAST) * 10).to_a, faces: faces.size > 1 ? faces : [],
          peak: total.max_index, dimension: "power" }
      end

      private

      def density = statement["density"] ? statement.quantity("density", "density") : Matter::Air::DENSITY
      def speed = statement["speed"] ? statement.quantity("speed", "velocity") : Matter::Air::SOUND
      def places = problem.groups.target!(statement, %i[faces])

      # @return [Numo::DFloat] [frequencies] W
      def of_face(result, place)
        conn = result.grid.places.fetch(place.key)
        surface = @structure.surface(place)
        units = Shape::Vectors.unit(surface.nodal_normals.reshape(conn.size, 3))
        across = result.speeds(result.grid.points.place(place.key, conn).flatten, units)
        (across**2).dot(surface.lumped.flatten) * density * speed / 2
      end
    end
  end
end
