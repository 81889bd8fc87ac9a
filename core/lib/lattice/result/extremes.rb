# frozen_string_literal: true

module Lattice
  module Result
    # Least and greatest of a field in each body and each group, with where and in which frame they are.
    class Extremes
      # @param result [Outcome]
      # @param problem [Study::Problem] of its study
      def initialize(result, problem)
        @result = result
        @points = [*problem.parts.bodies.map(&:name), *problem.document.active("group").map { |g| g["name"] }].uniq.filter_map { |name| points(problem, name) }.to_h
      end

      # @param name [String] of the catalogue
      # @param frames [Array<Integer>]
      # @return [Array<Hash>] place, points, and of least and greatest each value, at (m) and frame; SI
      def rows(name, frames)
        found = frames.map { |frame| [frame, @result.field(name, frame)] }
        @points.map do |place, points|
          values = found.map { |frame, field| [frame, field[points]] }
          { place: place, points: points.size, least: extreme(values, points, :min), greatest: extreme(values, points, :max) }
        end
      end

      private

      # Of places that the mesh has not, there is nothing to tell.
      def points(problem, name)
        places = problem.groups.find(name)
        found = places.empty? ? Numo::Int32.zeros(0) : @result.grid.points_of(places)
        [name, @result.readable(found)] unless found.empty?
      rescue InvalidInput, KeyError
        nil
      end

      def extreme(values, points, way)
        frame, field = values.public_send("#{way}_by") { |_, there| there.public_send(way) }
        at = field.public_send("#{way}_index")
        { value: field[at], at: @result.at(points[at]), frame: frame }
      end
    end
  end
end
