# frozen_string_literal: true

module Lattice
  module Load
    # What loads have in common that are carried over from points which another program made: the file, its units, where it lies, and what is told
    # of how it was carried over. Each says what its values are (CARRIES), the dimension of the field.
    module Carried
      NEAR = 0.1    # of the part, that a target may lie from the points
      MISSED = 0.5  # share of targets farther than that, at which the cloud is another part's
      BARS = 12     # of the histogram of distances
      SEEN = 700    # points and nodes that are drawn, at most

      private

      def scale = statement.quantity("scale", "ratio") || 1.0
      def reach = statement.quantity("reach", "length") || (problem.parts.size * NEAR)

      # @raise [InvalidInput]
      def check_scale
        raise statement.fault("a multiplier of zero leaves no #{self.class::CARRIES}", path: "scale", cure: "Give a factor such as 1.") if scale.zero?
      end

      def cloud = @cloud ||= read { Format::Cloud.kept(statement["digest"], file, statement["column"]) }

      # What is wrong with the file is wrong with the statement.
      def read
        yield
      rescue InvalidInput => e
        raise e if e.faults.any?(&:statement)

        raise statement.fault("“#{statement['file']}”: #{e.faults[0].message}", path: "file", cure: e.faults[0].cure)
      end

      def file
        raise statement.fault("it has no file of points yet", path: "file", cure: "Bring in a CSV or VTU file of points with a #{self.class::CARRIES}.") unless statement["digest"]

        Shape::Store.shared.file(statement["digest"]) || raise(statement.fault("the file “#{statement['file']}” is not there", path: "file", cure: "Bring it in again."))
      end

      # @param values [Numo::DFloat] [m] of the points, SI
      # @return [Mesh::FromPoints]
      def source(values)
        offset = Numo::DFloat.cast(Shape::Placement.spot(statement["offset"] || { "x" => "0 m", "y" => "0 m", "z" => "0 m" }))
        Mesh::FromPoints.new(turned(cloud.points * Format::ShapeFile::UNITS.fetch(statement["unit"] || "m")) + offset.reshape(1, 3), values)
      end

      # @param rows [Numo::DFloat] [m, 3] along the axes of the file
      # @return [Numo::DFloat] [m, 3] along those of the model
      def turned(rows)
        (statement["turned"] || []).each_with_index.reduce(rows) do |all, (turn, i)|
          Shape::Frame.turning([0.0, 0.0, 0.0], Shape::CopyMoves.unit(turn["axis"]), statement.quantity("turned.#{i}.angle", "angle")).apply(all)
        end
      end

      # Carries values over to nodes, and tells how.
      # @param structure [System::Structure]
      # @param at [Numo::DFloat] [k, 3] m
      # @param values [Numo::DFloat] [m] of the points, SI
      # @return [Numo::DFloat] [k]; nothing is beyond what it was made from
      # @raise [InvalidInput] where most lie too far from the points
      def carried(structure, at, values)
        from = source(values)
        found = from.call(at)
        there = found.values.clip(values.min, values.max)
        far = (found.distance > reach).count_true
        missed!(far, at.shape[0])
        structure.reports << report(found, there, values, far).merge(seen: seen(from.points, values, at, there))
        there
      end

      def missed!(far, all)
        return if far <= all * MISSED

        away = Quantity::Display.format(reach, "length", system: problem.document.units)
        raise statement.fault("#{far} of #{all} nodes lie farther than #{away} from its points", path: "unit", cure: "Check the unit of its lengths and where it lies, or give a longer reach.")
      end

      def report(found, values, source, far)
        top = [found.distance.max, 1e-12].max
        bars = Numo::Int32.cast((found.distance / top * BARS).floor.clip(0, BARS - 1)).bincount(minlength: BARS).to_a
        { statement: statement.id, label: "#{self.class::CARRIES}s from “#{statement['file']}”", dimension: self.class::DIMENSION, covered: nil, whole: nil, nodes: values.size, points: source.size, far: far,
          reach: reach, farthest: top, bars: bars, source: summary(source), target: summary(values), least: 0.0, greatest: top }
      end

      # Some points with their values, and some nodes with theirs, seen along the shortest side of what they are carried to.
      # @return [Hash] axes: letters; source and target: [across, up, value] each, m
      def seen(points, values, at, there)
        axes = (0..2).max_by(2) { |k| at[true, k].max - at[true, k].min }.sort
        some = lambda do |places, list|
          picked = Numo::Int32.cast((Numo::DFloat.new([list.size, SEEN].min).seq * (list.size.to_f / [list.size, SEEN].min)).floor)
          [places[picked, axes[0]].to_a, places[picked, axes[1]].to_a, list[picked].to_a].transpose.map { |dot| dot.map { |v| v.to_f.round(6 - Math.log10([v.abs, 1e-12].max).ceil) } }
        end
        { axes: axes.map { |k| "xyz"[k] }, source: some[points, values], target: some[at, there] }
      end

      def summary(values) = { least: values.min, greatest: values.max, mean: values.mean }
    end
  end
end
