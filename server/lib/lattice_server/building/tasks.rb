# frozen_string_literal: true

module LatticeServer
  module Building
    # What builders are asked for. Models come as the text of their documents; meshes and results as
    # paths of files. The last few of each stay at hand.
    module Tasks
      KEPT = 3
      @problems = {}
      @grids = {}
      @results = {}

      module_function

      # @return [Hash] see Sketch
      def sketch(text) = Sketch.new(problem(text)).to_h

      # @return [String] binary arrays
      def shape(text, digest)
        found = problem(text).parts
        raise Problem.new(404, "the shape has changed since", cure: "Load the model again.") unless found.digest == digest

        ShapeView.new(found).bytes
      end

      def export(text, ending) = Lattice::Format::ShapeExport.bytes(problem(text).parts.bodies, ending)
      def size(text, params) = WantedSizes.at(problem(text), params)
      def bring(path, name, params) = Bringing.new(path, name, params).call

      # @return [Hash] names and columns of a text file
      def columns(path) = Lattice::Format::Columns.read(File.binread(path)).then { |table| { names: table.names, columns: table.rows.transpose } }

      # @return [Hash] step s, unit, and values of a record of a ground motion
      def motion(path) = Lattice::Format::MotionFile.read(File.binread(path)).to_h

      # @param keys [Array] pairs of a body's and a place's name
      def measures(text, keys)
        problem = problem(text)
        found = problem.parts
        places = keys.map { |key| found.place(*key) || raise(Problem.new(422, "there is no place “#{key.last}”", cure: "Pick it again.")) }
        raise Problem.new(422, "nothing is picked to measure", cure: "Pick one or more places.") if places.empty?

        { lines: Lattice::Shape::Measuring.new(found, Lattice::Shape::Inventory.new(found.bodies, problem.materials.to_h).densities).call(places) }
      end

      # Faces that lie within reach of each other, and how the bonds that there are would fare.
      # @param reach [String, nil] a length; half a percent of the part when nil
      def meeting(text, reach)
        problem = problem(text)
        wanted = reach.to_s.strip.empty? ? problem.parts.size * Lattice::Load::Conditions::Bond::REACH : Lattice::Quantity.parse(reach.to_s, "length")
        raise Problem.new(422, "the reach is not above zero", cure: "Give a length above zero, such as 0.2 mm.") unless wanted.positive?

        found = Lattice::Load::Proposals.new(problem, wanted)
        { reach: wanted, pairs: found.call.map(&:to_h), bonds: found.bonds }
      rescue Lattice::Quantity::Unreadable => e
        raise Problem.new(422, e.message, cure: "Give a length, such as 0.2 mm.")
      end

      def skin(mesh) = Fields.new(grid(mesh)).skin
      def quality(mesh, measure) = Fields.new(grid(mesh)).quality(measure)
      def elements(mesh, measure, look) = Fields.new(grid(mesh)).elements(measure, look)

      # @param pairs [Array(String, String)] a result with its mesh, and the one that is taken from it
      def fields(pairs, wanted)
        result, less = pairs.map { |path, mesh| result(path, mesh) }
        Fields.new(result.grid).fields(result, less: less && [less, wanted[:less_frame]], **wanted.except(:less_frame))
      end

      # Fields at the points of a place of a model.
      # @param wanted [Hash] study, at, names, frame
      # @return [Hash] at [[x, y, z]], m, and values by field, SI
      def nodes(text, path, mesh, wanted)
        own = of_study(text, wanted[:study])
        places = own.groups.find(wanted[:at])
        raise Problem.new(422, "there is no group or body named “#{wanted[:at]}”", cure: "Choose one of the note's.") if places.empty?

        result = result(path, mesh)
        Fields.new(result.grid).nodes(result, places, **wanted.slice(:names, :frame))
      end

      # @return [Array<Hash>] rows of Lattice::Result::Extremes
      def places(text, path, mesh, wanted)
        result = result(path, mesh)
        Fields.new(result.grid).places(result, of_study(text, wanted[:study]), **wanted.slice(:name, :frame))
      end

      # @return [Hash] min and max of a field over all frames
      def range(path, mesh, wanted)
        result = result(path, mesh)
        Fields.new(result.grid).range(result, **wanted)
      end

      # @param kind [String] ending of the file
      # @param wanted [Hash] keywords of Lattice::Format::ResultExport
      # @return [String]
      def result_file(path, mesh, kind, wanted)
        result = result(path, mesh)
        Lattice::Format::ResultExport.new(result, **wanted).bytes(kind)
      end

      # @return [Array<Hash>] rows of Lattice::Verdict::TouchCheck
      def touches(text, mesh) = Lattice::Verdict::TouchCheck.rows(problem(text), grid(mesh))

      # @return [Lattice::Study::Problem] that a study of a note solves
      def of_study(text, name)
        note = problem(text)
        Lattice::Study::Kinds.of(note.study!(name)).problem(note, note.study!(name))
      end

      def problem(text) = kept(@problems, text) { Lattice::Study::Problem.new(Lattice::Model::Document.read(text)) }
      def result(path, mesh) = kept(@results, path) { Lattice::Format::ResultFile.read(path, grid(mesh)) }
      def grid(path) = kept(@grids, path) { Lattice::Format::GridFile.read(path) }

      def kept(store, key)
        found = store.delete(key) || yield
        store.shift while store.size >= KEPT
        store[key] = found
      end
    end
  end
end
