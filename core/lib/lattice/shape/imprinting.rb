# frozen_string_literal: true

module Lattice
  module Shape
    # Parts the faces of a body where a closed surface meets them, and leaves its form as it
    # was: the body is split, the two halves are put together again, and the walls between
    # them are left out.
    module Imprinting
      WALL = "\u0001" # marks faces of the cutter

      module_function

      # @param facets [Facets] closed
      # @param cutter [Facets, nil] closed; nil where it has no volume
      # @param name [String] of the faces within the cutter
      # @param only [Array<String>, nil] the faces that may be parted; all when nil
      # @return [Facets, nil] nil when the cutter meets no face, or the halves do not fit together again
      def call(facets, cutter, name, only: nil)
        return nil unless cutter

        inside, outside = Combining.call([["", facets], [WALL, cutter]], "split") { |body, face| body + face }
        return nil unless inside && outside

        patch = skin(inside)
        return nil unless patch && (only.nil? || patch.faces.any? { |f| only.include?(f.name) })

        rest = skin(outside)
        patch = patch.renamed(numbered(patch, name, facets.faces.map(&:name), only))
        mended(rest ? Assembly.join([patch, rest], weld: 1e-6) : patch).then { |result| result if result.closed? }
      end

      # The triangles of the body itself.
      def skin(facets)
        own = facets.faces.each_index.reject { |i| facets.faces[i].name.start_with?(WALL) }
        return nil if own.empty?

        facets.only(own)
      end

      # The largest patch bears the name itself; faces that may not be parted keep theirs.
      def numbered(patch, name, taken, only)
        areas = patch.owners.bincount(patch.flat[1], minlength: patch.faces.size).to_a
        names = patch.faces.map { |face| face.name.sub(/ \(\d+\)\z/, "").then { |plain| taken.include?(face.name) ? face.name : plain } }
        chosen = areas.each_index.select { |i| only.nil? || only.include?(names[i]) }.sort_by { |i| [-areas[i].round(15), i] }
        free = taken.include?(name) ? "#{name}′" : name
        chosen.each_with_index { |face, k| names[face] = k.zero? ? free : "#{free} (#{k + 1})" }
        names
      end

      def mended(facets)
        repair = Repair.new(facets.points, facets.triangles)
        Facets.new(points: repair.points, triangles: repair.triangles, owners: facets.owners[repair.kept].dup, faces: facets.faces)
      end
    end
  end
end
