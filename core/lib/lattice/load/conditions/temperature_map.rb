# frozen_string_literal: true

module Lattice
  module Load
    module Conditions
      # Temperatures of bodies from points that another program made, or from a heat study of the same note.
      class TemperatureMap < Condition
        acts_on :bodies

        NEAR = 0.1    # of the part, that a node may lie from the points
        MISSED = 0.5  # share of nodes farther than that, at which the cloud is another part's
        BARS = 12     # of the histogram of distances
        COLDEST = 0.0 # K

        def spreads? = true
        def loads? = true
        def steady? = true

        def check!
          super
          raise statement.fault("a multiplier of zero leaves no temperature", path: "scale", cure: "Give a factor such as 1.") if scale.zero?

          places.each { |place| needed(Struct.new(:material, :body).new(problem.materials[place.body], problem.parts.body(place.body)), :expansion, "thermal expansion") }
          return heat_study if statement["study"]

          coldest = kelvin(cloud.values.min)
          return if coldest >= COLDEST

          raise statement.fault("its coldest point has #{Quantity::Display.format(coldest, 'temperature')}, which nothing can have", path: "degrees", cure: "Choose the unit that the temperatures are in.")
        end

        def signature = [*super, statement["study"] && problem.study_digest(heat_study)]

        def apply(structure)
          check!
          names = places.map(&:body)
          pieces = structure.pieces.select { |p| names.include?(p.body.name) }
          nodes = Algebra::Gather.distinct(pieces.map(&:conn))
          change = statement["study"] ? (Study::Kinds::Heat.temperatures(problem, structure.grid, heat_study) - reference) * scale : mapped(structure, nodes)
          structure.heat(self, nodes, change[nodes].dup)
          pieces.each { |piece| structure.warm_by(self, piece, change * needed(piece, :expansion, "thermal expansion")) }
        end

        private

        def heat_study
          found = problem.studies.find { |s| s.name == statement["study"] && s["type"] == "heat" }
          found || raise(statement.fault("there is no heat study named “#{statement['study']}”", path: "study", cure: "Choose a heat study, or a file."))
        end

        def reference = statement.quantity("reference", "temperature") || 293.15
        def scale = statement.quantity("scale", "ratio") || 1.0
        def reach = statement.quantity("reach", "length") || (problem.parts.size * NEAR)

        def cloud
          @cloud ||= Format::Cloud.kept(statement["digest"], file, statement["column"])
        rescue InvalidInput => e
          raise e if e.faults.any?(&:statement)

          raise statement.fault("“#{statement['file']}”: #{e.faults[0].message}", path: "file", cure: e.faults[0].cure)
        end

        def file
          raise statement.fault("it has no file of points yet", path: "file", cure: "Bring in a CSV file with x, y, z and temperatures.") unless statement["digest"]

          Shape::Store.shared.file(statement["digest"]) || raise(statement.fault("the file “#{statement['file']}” is not there", path: "file", cure: "Bring it in again."))
        end

        def kelvin(value)
          unit = Quantity::Unit.find(statement["degrees"] || "degC")
          (value * unit.factor) + unit.offset
        end

        # @return [Numo::DFloat] [n] K above the reference, at the nodes
        def mapped(structure, nodes)
          offset = Numo::DFloat.cast(Shape::Placement.spot(statement["offset"] || { "x" => "0 m", "y" => "0 m", "z" => "0 m" }))
          points = (cloud.points * Format::ShapeFile::UNITS.fetch(statement["unit"] || "m")) + offset.reshape(1, 3)
          temperatures = kelvin(cloud.values)
          found = Mesh::FromPoints.new(points, temperatures).call(structure.grid.nodes[nodes, true].dup)
          # Nothing is hotter or colder than what it was made from.
          values = found.values.clip(temperatures.min, temperatures.max)
          far = found.distance > reach
          missed!(far.count_true, nodes.size)
          structure.reports << report(found, values, temperatures, far.count_true)
          Numo::DFloat.zeros(structure.grid.nodes.shape[0]).tap { |all| all[nodes] = (values - reference) * scale }
        end

        def missed!(far, all)
          return if far <= all * MISSED

          away = Quantity::Display.format(reach, "length", system: problem.document.units)
          raise statement.fault("#{far} of #{all} nodes lie farther than #{away} from its points", path: "unit", cure: "Check the unit of its lengths and where it lies, or give a longer reach.")
        end

        def report(found, values, source, far)
          top = [found.distance.max, 1e-12].max
          bars = Numo::Int32.cast((found.distance / top * BARS).floor.clip(0, BARS - 1)).bincount(minlength: BARS).to_a
          { statement: statement.id, label: "temperatures from “#{statement['file']}”", covered: nil, whole: nil, nodes: values.size, points: source.size, far: far, reach: reach, farthest: top, bars: bars,
            source: summary(source), target: summary(values), least: 0.0, greatest: top }
        end

        def summary(values) = { least: values.min, greatest: values.max, mean: values.mean }
      end
    end
  end
end
