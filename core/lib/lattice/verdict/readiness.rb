# frozen_string_literal: true

module Lattice
  module Verdict
    # The second pair of eyes before a solve: what is missing or odd, in plain words.
    class Readiness
      include ThinBodies

      DENSITIES = (1.0..25_000.0) # kg/m³ of anything that parts are made of

      # @param problem [Study::Problem]
      # @param poor [Array<Hash>] what is wrong with the mesh, where it is made; see Mesh::QualityReport#poor
      def initialize(problem, poor = [])
        @problem = problem
        @poor = poor
        @document = problem.document
        @parts = problem.parts
        @groups = problem.groups
      end

      # @return [Array<Notice>] what stops a solve first
      def notices
        @notices ||= begin
          @found = []
          check_shape
          check_materials
          unless @parts.bodies.empty?
            check_groups
            check_supports
            check_loads
            check_mesh
            @found.concat(MeshQuality.new(@poor, @document.units).notices)
            check_limits
            odd(*SavedView.faults(@problem))
          end
          check_studies
          @found.uniq { |n| n.fault.to_s }.partition(&:stops?).flatten
        end
      end

      def ready? = notices.none?(&:stops?)

      # @raise [InvalidInput] with everything that stops a solve
      def check!
        raise InvalidInput, notices.select(&:stops?).map(&:fault) unless ready?
      end

      # @return [Array<Fault>] what stops meshing alone
      def mesh_faults
        notices
        @mesh_faults || [fault("there is no body to mesh", "Add an outline and a body.")]
      end

      # @raise [InvalidInput]
      def check_mesh!
        raise InvalidInput, mesh_faults unless mesh_faults.empty?
      end

      private

      def stop(fault) = @found << Notice.new(:stops, fault)
      def odd(*faults) = @found.concat(faults.map { |fault| Notice.new(:odd, fault) })
      def fault(message, cure) = Fault.new(message: message, cure: cure)

      def collect(severity = :stops)
        yield
      rescue InvalidInput => e
        e.faults.each { |f| @found << Notice.new(severity, f) }
        nil
      end

      def check_shape
        @parts.faults.each { |f| stop(f) }
        stop(fault("there is no body", "Add an outline and make a body from it.")) if @parts.bodies.empty? && @parts.faults.empty?
      end

      def check_materials
        (@problem.materials.all_faults + @problem.sections.all_faults).each { |f| stop(f) }
        collect { [*@problem.yielding.oddities(@problem.studies), *@problem.at_rest.oddities, *@problem.materials.oddities(@problem.studies)].each { |f| odd(f) } }
        @document.active("material").each do |statement|
          material = collect { Matter::Material.read(statement) }
          next unless material&.density && !DENSITIES.cover?(material.density)

          odd(statement.fault_at("a density of #{shown(material.density, 'density')} looks like a slip of units",
                                 path: "properties.density", cure: "Check its unit: steel is 7850 kg/m3."))
        end
      end

      def check_groups
        @document.active("group").each do |group|
          collect { check_group(group) }
        end
      end

      def check_group(group)
        lost = @groups.lost(group)
        odd(group.fault_at("#{lost.map { |pick| "“#{pick['name']}”" }.join(', ')} is no longer on the shape", path: "pick", cure: "Pick the place again.")) unless lost.empty?
        odd(group.fault_at("it matches nothing on the shape", path: "rule", cure: "Change its rule, or pick its places.")) if @groups.members(group).empty?
      end

      def check_supports
        held = @problem.conditions.select(&:holds?).to_h { |c| [c, collect { c.check! || c.places } || []] }
        check_walls(@parts.bodies)
        check_flat
        clusters.each { |cluster| check_motions(cluster, held) }
      end

      # Bodies that share nodes, or are joined, hold each other.
      def clusters
        joined = @problem.conditions.select { |c| c.joins? || c.touches? }.filter_map { |c| collect { c.check! || c.all_places.map(&:body).uniq } }
        joined.reduce(@parts.joins.clusters(@parts.bodies) + @parts.markers.map { |m| [m] }) do |found, names|
          together, apart = found.partition { |cluster| cluster.any? { |b| names.include?(b.name) } }
          together.empty? ? found : apart + [together.flatten]
        end
      end

      def check_motions(cluster, held)
        points = held.flat_map { |condition, places| held_points(cluster, condition, places) }
        body = cluster[0]
        low, high = body.bounds
        rigid = Load::RigidMotion.new(points, low.zip(high).map { |a, b| (a + b) / 2 }, body.size, (@parts.bodies.find(&:plane?) || body).make)
        free = rigid.free
        return if free.empty?

        what = points.empty? ? "the body “#{body.name}” has no support" : "the supports of “#{body.name}” do not hold it"
        fault = Fault.new(message: "#{what}: it is free to #{sentence(free)}",
                          cure: points.empty? ? "Add a support on one of its places." : "Hold another component or place.",
                          statement: points.empty? ? nil : held.keys.last.statement.id, motions: rigid.motions.map { |m| m.merge(bodies: cluster.map(&:name)) })
        float? ? odd(fault) : stop(fault)
      end

      # What only vibrates needs no load.
      def unloaded? = @problem.studies.any? && @problem.studies.none? { |s| Study::Kinds.of(s).loaded? }

      # What vibrates may be free.
      def float? = @problem.studies.any? && @problem.studies.none? { |s| Study::Kinds.of(s).held?(s) }

      # Points of a cluster that a condition holds, with the components; turns count where nodes turn.
      def held_points(cluster, condition, places)
        components = condition.components.map { |name| System::Dofs::NAMES.index(name) }
        places.flat_map do |p|
          cluster.select { |b| p.body == b.name }.map do |b|
            held = components.select { |c| c < 3 || condition.turns_of?(b) }
            next b.sample_surface(p).then { |at, normals| [at, [[normals, false]]] } if condition.frame&.surface?

            at = b.sample(p)
            [at, condition.frame ? held.map { |c| [condition.frame.directions(at, c % 3), c > 2] } : held]
          end
        end
      end

      # "slide along x and y, and turn about z"
      def sentence(free)
        [["slide along ", free.grep(/\Aslide along/)], ["turn about an axis along ", free.grep(/along \w\z/) - free.grep(/\Aslide/)],
         ["", free.grep(/skew/)]].filter_map do |verb, same|
          plain = verb.empty? ? same : same.grep_v(/skew/)
          next if plain.empty?

          words = plain.map { |w| w.delete_prefix(verb) }
          verb + (words.size < 2 ? words[0] : "#{words[0..-2].join(', ')} and #{words[-1]}")
        end.join(", and ")
      end

      def check_loads
        all = [*@problem.conditions, *Load::GroundMotion.all(@document)].each { |one| collect { one.check! } }
        @problem.cases.faults.each { |f| stop(f) }
        all.each { |one| odd(*(collect { one.oddities } || [])) }
        check_loaded
      end

      def check_loaded
        return if unloaded? || @problem.conditions.any?(&:loads?)

        moved = @problem.conditions.any? { |c| c.imposes? && collect { c.check! || true } }
        odd(fault("nothing loads the model: every result will be zero", "Add a force, a pressure or gravity.")) unless moved
      end

      def check_mesh
        @mesh_faults = []
        statement = @problem.mesh_statement
        size = @problem.size
        if statement.nil?
          @mesh_faults << fault("there is no mesh size", "Add a mesh statement; #{shown(suggested, 'length')} would suit the shape.")
        elsif size <= 0
          @mesh_faults << statement.fault_at("the size is not above zero", path: "size", cure: "Give a length above zero.")
        else
          check_size(statement, size)
        end
        @mesh_faults.concat(@parts.faults)
        @mesh_faults.each { |f| stop(f) }
      end

      # What a size says is wrong, or what it makes too large.
      def check_size(statement, size)
        if size > @parts.size
          @mesh_faults << statement.fault_at("a size of #{shown(size, 'length')} is larger than the part", path: "size",
                                                                                                           cure: "Choose about #{shown(suggested, 'length')}.")
        end
        @parts.bodies.select(&:solid?).reject { |b| b.facets.closed? }.each { |b| @mesh_faults << open_surface(b) }
        Mesh::Estimate.check!(@parts.bodies, @problem.settings, statement) if size <= @parts.size
      rescue InvalidInput => e
        @mesh_faults.concat(e.faults)
      end

      def open_surface(body)
        facets = body.facets
        side = facets.topology.open
        side = facets.topology.crowded if side.empty?
        place = Mesh::Faults.tidy(facets.points[facets.topology.ends[side[0], true], true].mean(0).to_a, facets.size)
        at = place.map { |c| shown(c, "length") }.join("; ")
        fault("the surface of “#{body.name}” is not closed: #{side.size} sides of its triangles have no neighbour, one near #{at}",
              "Mend the surface where it was drawn, let near points become one as its file is read, or use it as faces with a thickness.").tap { |found| found.place = place }
      end

      # A round number near a twentieth of the part.
      def suggested
        step = 10.0**Math.log10(@parts.size / 20).floor
        (@parts.size / 20 / step).round * step
      end

      def check_studies
        return stop(fault("there is no study", "Add a static study.")) if @problem.studies.empty?
        return if @found.any?(&:stops?)

        # What a study itself needs is looked at once the model is whole.
        @problem.studies.each { |study| odd(*collect { Study::Kinds.of(study).then { |kind| [kind.check!(@problem, study), kind.oddities(@problem, study)] }.last }) }
      end

      def check_limits
        @document.active.select { |s| Findings::READERS.key?(s.kind) }.each do |statement|
          collect do
            study = @problem.study!(statement["study"])
            sizeless!(statement, study)
            Findings::READERS[statement.kind].new(statement, @problem).check!
          end
        end
      end

      def sizeless!(statement, study)
        kind = Study::Kinds.of(study)
        kind.reads?(statement.kind) || raise(statement.fault("“#{study.name}” #{kind.unread[0]}", path: "study", cure: "Choose a study that finds #{kind.unread[1]}."))
        kind.finds!(statement, study)
      end

      def shown(value, kind) = Quantity::Display.format(value, kind, system: @document.units)
    end
  end
end
