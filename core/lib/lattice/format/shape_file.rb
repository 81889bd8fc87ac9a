# frozen_string_literal: true

module Lattice
  module Format
    # Reads geometry files of all kinds into named surfaces. What the file gives is
    # welded, mended and reported, and its faces are recognised.
    class ShapeFile
      LARGEST = 300 * 1024 * 1024
      KINDS = { "step" => "step", "stp" => "step", "iges" => "iges", "igs" => "iges", "stl" => "stl", "obj" => "obj" }.freeze
      UNITS = { "mm" => 0.001, "cm" => 0.01, "m" => 1.0, "in" => 0.0254, "ft" => 0.3048 }.freeze
      SECONDS = 120
      SMALL = 3 * (1024**2)
      MEMORY = 3 * (1024**3)
      READER = File.expand_path("../../../exe/read_shape.rb", __dir__)
      STEP_READER = File.expand_path("../../../node/read_shape.mjs", __dir__)
      COARSEST = 0.02 # of the size: points farther apart stay two
      ACCURACY = { "step" => 2e-6, "iges" => 2e-6, "stl" => 2e-5, "obj" => 2e-5 }.freeze # of the size

      # What keeps a file from being read, whatever statement asks for it.
      class Unreadable < InvalidInput
      end

      # How a file is to be read: unit of files that carry none, fineness of curved faces
      # as a share of the size, angle (rad) that parts the faces of triangulated files, and
      # distance (m) within which points become one, where that is wanted.
      Options = Struct.new(:unit, :fineness, :angle, :merge, keyword_init: true) do
        def self.usual = new(unit: "mm", fineness: 0.0005, angle: 35 * Math::PI / 180)
      end

      # Reads, welds, mends and recognises in a process of its own, within its limits.
      # @param path [String]
      # @param name [String] the file's own name, whose ending tells its kind
      # @return [FacetsFile::Content]
      # @raise [InvalidInput]
      def self.read_apart(path, name, options = Options.usual)
        Dir.mktmpdir do |folder|
          output = File.join(folder, "content")
          request = File.join(folder, "request.json")
          File.write(request, JSON.generate(path: path, name: name, output: output, options: options.to_h))
          ChildProcess.run(RbConfig.ruby, READER, request, seconds: SECONDS, memory: MEMORY)
          return FacetsFile.read(output)
        end
      rescue ChildProcess::Failed => e
        raise refusal(e, name)
      end

      def self.kind_of(name) = KINDS[File.extname(name).delete_prefix(".").downcase]

      # What the reader wrote, a line of what is wrong and one of the cure, as a fault.
      def self.refusal(error, name)
        message, cure = error.message.lines.map(&:strip)
        case error.reason
        when :time, :memory then Unreadable.at("“#{name}” #{message} to read", cure: "Read it with a coarser fineness, or export a simpler part.")
        when :missing then Unreadable.at(message, cure: "Run the set-up again.")
        else Unreadable.at(message || "“#{name}”: the reader stopped without a word", cure: cure || "Export the file again, or save it in another format.")
        end
      end

      def initialize(path, name, options = Options.usual)
        @path = path
        @name = name
        @options = options
      end

      # @return [FacetsFile::Content]
      def read
        @kind = self.class.kind_of(@name) or
          refuse("is none of the kinds that can be read", "Give a STEP, IGES, STL or OBJ file.")
        size = File.size(@path)
        refuse("is empty", "Export it again.") if size.zero?
        refuse("is larger than #{LARGEST / (1024**2)} MB", "Export it more coarsely, or in parts.") if size > LARGEST
        %w[step iges].include?(@kind) ? read_exact : read_triangles
      end

      private

      def refuse(message, cure) = raise(Unreadable.at("“#{@name}” #{message}", cure: cure))

      def read_exact
        check_frame
        Dir.mktmpdir do |folder|
          output = File.join(folder, "arrays")
          ChildProcess.run("node", "--max-old-space-size=2048", *quick, STEP_READER, @path, output, @kind, @options.fineness.to_s, "0.2",
                           seconds: SECONDS, memory: MEMORY)
          arrays, meta = ArrayFile.read(output)
          nothing if meta["meshes"].sum { |m| m["count"] }.zero?
          check_finite(arrays["points"])
          return assemble(meta["meshes"].reject { |m| m["count"].zero? }, arrays)
        end
      end

      # Small files are read sooner than the reader's code could be compiled well.
      def quick = File.size(@path) < SMALL ? ["--liftoff-only"] : []

      def nothing
        others = File.binread(@path).scrub("?").scan(/'([^']{1,120}\.(?:stp|step|igs|iges))'/i).flatten.uniq - [@name]
        refuse("is an assembly whose parts lie in other files (#{others.first(4).join(', ')})", "Export it with its parts inside, or bring the parts in one by one.") if others.any?
        refuse("holds no solid or surface", "Export the part itself, not a drawing or a wire frame.")
      end

      # What a text file of the kind must begin and end with.
      def check_frame
        head = File.binread(@path, 4096).to_s
        tail = File.open(@path, "rb") { |f| f.seek([File.size(@path) - 4096, 0].max) && f.read.to_s }
        if @kind == "step"
          refuse("is not a STEP file: its first words are not ISO-10303-21", "Check the file's kind; its ending may be wrong.") unless head.include?("ISO-10303-21")
          refuse("is cut short: its last line, END-ISO-10303-21, is missing", "Export or copy it again.") unless tail.include?("END-ISO-10303-21")
        else
          refuse("is not an IGES file: its lines are not marked S, G, D, P and T", "Check the file's kind; its ending may be wrong.") unless head.match?(/^.{72}S\s*\d+\s*$/)
          refuse("is cut short: its last line, marked T, is missing", "Export or copy it again.") unless tail.match?(/^.{72}T\s*\d+\s*$/)
        end
      end

      def check_finite(points)
        refuse("holds no triangle", "Export it again.") if points.empty?
        refuse("has coordinates that are not finite numbers", "Export it again.") unless (points - points).eq(0).all?
        refuse("has no extent: all its points are the same", "Export it again.") if (points.max(0) - points.min(0)).max.zero?
        refuse("has coordinates beyond 100 km", "Check its unit of length.") if points.abs.max > 1e5
      end

      def builder(points)
        size = extent(points)
        if @options.merge && @options.merge > size * COARSEST
          refuse("is only #{Quantity::Display.format(size, 'length')} across: points within #{Quantity::Display.format(@options.merge, 'length')} cannot become one",
                 "Choose a distance below #{Quantity::Display.format(size * COARSEST, 'length')}, about that of the gaps.")
        end
        PartBuilder.new(ACCURACY[@kind] * size, merge: @options.merge)
      end

      # Each solid of the file becomes a part.
      def assemble(meshes, arrays)
        build = builder(arrays["points"])
        meshes.each do |mesh|
          rows = mesh["first"]...(mesh["first"] + mesh["count"])
          triangles = arrays["triangles"][rows, true].dup
          low = triangles.min
          corners = arrays["normals"][triangles.flatten, true].reshape(mesh["count"], 3, 3).dup
          build.add(arrays["points"][low..triangles.max, true].dup, triangles - low, owners: arrays["faces"][rows].dup.clip(0, nil), normals: corners,
                                                                                     path: mesh["path"], name: mesh["name"], colour: mesh["colour"], face_colours: mesh["face_colours"])
        end
        build.content(stem)
      end

      # Every connected piece becomes a part, its faces parted by angle.
      def read_triangles
        points, groups = @kind == "stl" ? stl_soup : obj_soup
        check_finite(points)
        points *= UNITS.fetch(@options.unit)
        build = builder(points)
        groups.each { |name, triangles| build.add_loose(points, triangles, name: name, angle: @options.angle) }
        build.content(stem)
      end

      def stl_soup
        points = Stl.read(File.binread(@path))
        [points, [["", Numo::Int32.new(points.shape[0] / 3, 3).seq]]]
      end

      def obj_soup
        points, parts = Obj.read(File.read(@path, encoding: "UTF-8"))
        [points, [["", Numo::Int32.cast(parts.flat_map(&:last))]]]
      end

      def extent(points) = Math.sqrt(((points.max(0) - points.min(0))**2).sum)
      def stem = File.basename(@name, File.extname(@name))
    end
  end
end
