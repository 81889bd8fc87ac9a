# frozen_string_literal: true

module Lattice
  class Command
    # lattice mesh: meshes a model or a geometry file, or measures a mesh that was written.
    module Meshing
      private

      def mesh
        return mesh_read if path.end_with?(".vtu")

        bodies, settings, joins = to_mesh
        check_size(bodies, settings)
        start = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        progress = ProgressBar.new(@err)
        builder = Mesh::Builder.new(bodies, settings, joins)
        grid = builder.call { |what, share| progress.show(:phase, what, share) }
        times = builder.times.merge("whole" => Process.clock_gettime(Process::CLOCK_MONOTONIC) - start)
        progress.finish(times)
        write_mesh(grid) if @options[:out]
        say_mesh(MeshReport.new(grid, bodies, times, @system || Quantity::Display::DEFAULT))
      end

      def mesh_read
        mending = Mesh::Mending.new(Format::VTU.read(path), merge: merge)
        write_mesh(mending.grid) if @options[:out]
        say_mesh(MeshReport.new(mending.grid, nil, {}, Quantity::Display::DEFAULT, repairs: mending.report))
      end

      def say_mesh(report)
        @options[:json] ? json(report.to_h) : report.print(@out)
        HOLDS
      end

      # @return [Array(Array<Shape::Body>, Mesh::Settings, Shape::Joins)]
      def to_mesh
        options = { order: { "1" => "linear", "2" => "quadratic" }[@options[:order]], family: ("tetrahedra and triangles" if @options[:triangles]) }.compact
        return [read_file[0], given_settings(options), Shape::Joins.none] if Format::ShapeFile.kind_of(path)

        problem = Study::Problem.new(document)
        @system = problem.document.units
        Verdict::Readiness.new(problem).check_mesh! unless @options[:size]
        settings = @options[:size] ? given_settings(options) : problem.settings.with(**options)
        raise InvalidInput.at("there is no body to mesh", cure: "Add an outline and a body.") if problem.parts.bodies.empty?

        [problem.parts.bodies, settings, problem.parts.joins]
      end

      def given_settings(options)
        text = @options[:size] or raise InvalidInput.at("there is no size", cure: "Give one, such as --size 5mm.")
        size = Quantity.parse(text, "length")
        raise InvalidInput.at("a size of #{text} is not above zero", cure: "Give a length above zero.") unless size.positive?

        Mesh::Settings.new(size, **options)
      rescue Quantity::Unreadable => e
        raise InvalidInput.at(e.message, cure: "Give a length, such as --size 5mm.")
      end

      # What readiness says of a mesh statement, of a size that was given here.
      def check_size(bodies, settings)
        largest = bodies.map(&:size).max
        if settings.size > largest
          raise InvalidInput.at("a size of #{Quantity::Display.format(settings.size, 'length')} is larger than the part",
                                cure: "Choose about #{Quantity::Display.format(largest / 20, 'length')}.")
        end
        Mesh::Estimate.check!(bodies, settings)
      end

      def write_mesh(grid)
        case File.extname(@options[:out])
        when ".vtu" then Format::VTU.write(@options[:out], grid)
        when ".stl" then File.binwrite(@options[:out], Format::Stl.binary([skin_of(grid)]))
        else raise InvalidInput.at("“#{@options[:out]}” is neither .vtu nor .stl", cure: "Give it one of those endings.")
        end
      rescue SystemCallError => e
        raise InvalidInput.at("“#{@options[:out]}” cannot be written: #{e.message}", cure: "Name a file that can be.")
      end

      def skin_of(grid)
        skin = Mesh::Skin.new(grid)
        Shape::Facets.new(points: grid.nodes[skin.nodes, true].dup, triangles: skin.triangles, owners: Numo::Int32.zeros(skin.triangles.shape[0]),
                          faces: [Shape::Face.new("skin", Shape::Surface.free)])
      end

      def mesh_options(options)
        options.on("--size LENGTH", "length of an element's side, such as 5mm; the model's own when left out") { |v| @options[:size] = v }
        options.on("--order N", %w[1 2], "1 for linear elements, 2 for quadratic") { |v| @options[:order] = v }
        options.on("--triangles", "tetrahedra and triangles everywhere") { @options[:triangles] = true }
        options.on("--out OUT", "write the mesh as .vtu, or its skin as .stl") { |v| @options[:out] = v }
      end
    end
  end
end
