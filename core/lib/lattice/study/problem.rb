# frozen_string_literal: true

module Lattice
  module Study
    # A document made ready to compute: its bodies, groups, materials and mesh size,
    # and the digests under which what is derived from them is kept.
    class Problem
      attr_reader :document, :parts, :groups, :materials

      # @param document [Model::Document]
      # @param parts [Shape::Parts] its bodies, all of them unless others are given
      def initialize(document, parts: Shape::Parts.new(document))
        @document = document
        @parts = parts
        @groups = Shape::Groups.new(document, @parts)
        @materials = Matter::Assignment.new(document, @parts, @groups)
      end

      def studies = document.active("study")
      def mesh_statement = document.active("mesh").last
      def size = mesh_statement&.quantity("size", "length")
      def shape_digest = parts.digest

      # @return [Mesh::Settings, nil]
      # @raise [InvalidInput] when a statement of the mesh is wrong
      def settings
        @settings ||= mesh_statement && suited(Mesh::Settings.read(mesh_statement, document, groups))
      end

      # @param factor [Float] how many times as fine
      # @return [Problem] the same on a finer mesh, similar to this one's
      def refined(factor) = factor == 1 ? self : Refined.new(self, factor)

      # @return [Array<String>] shells and members, which are solved with straight sides
      def straight = parts.bodies.select { |b| b.faces? || b.members? }.map(&:name)

      # Nil while the note does not say how to mesh.
      def mesh_digest
        @mesh_digest ||= Model::Digest.of(["mesh", Mesh::Builder::VERSION, shape_digest, settings&.signature, parts.joins.signature, *parts.markers.map { |m| [m.name, m.at] }])
      rescue InvalidInput
        nil
      end

      # @return [Matter::Sections] of members
      def sections = @sections ||= Matter::Sections.new(document, parts, groups)

      # @return [Matter::Yielding] of bodies
      def yielding = @yielding ||= Matter::Yielding.new(document, groups, materials, parts.bodies)

      # @return [Load::AtRest] what ground holds before anything is done
      def at_rest = @at_rest ||= Load::AtRest.new(self)

      # @return [Load::Cases]
      def cases = @cases ||= Load::Cases.new(document)

      # @return [Array<Load::Condition>]
      def conditions = @conditions ||= Load::Condition.all(self)

      # What a study's result depends on, by meaning: what it reads, and nothing else.
      def study_digest(study)
        kind = Kinds.of(study)
        Model::Digest.of([study["type"], kind::VERSION, *kind.signature(self, study)])
      end

      # What linear studies read besides their options, by meaning.
      # @param conditions [Array<Load::Condition>] those that they take
      # @return [Array]
      def acting(conditions = self.conditions)
        stuff = parts.bodies.map { |b| materials.to_h[b.name].to_h.then { |m| [*m.values_at(:young, :poisson, :density, :expansion), *m[:over]&.to_a] } }
        [mesh_digest, cases.signature, conditions.map(&:signature), stuff, sections.signature]
      end

      # What is made of the problem for one study, once.
      # @param study [Model::Statement]
      def made_for(study) = (@made_for ||= {})[study.id] ||= yield

      # @return [String, nil] digest of the mesh that a study's result lies on
      def mesh_digest_of(study) = Kinds.of(study).problem(self, study).mesh_digest

      # @return [Hash] what the findings of a study depend on besides its result
      def findings_digest(study)
        read = document.active.select { |s| Verdict::Findings::READERS.key?(s.kind) && s["study"] == study.name }
        strengths = parts.bodies.map { |b| materials.to_h[b.name]&.then { |m| [*m.to_h.except(:over).values, *m.over&.to_a] } }
        Model::Digest.of(["findings", Verdict::Findings::VERSION, study_digest(study), document.units, read.map { |s| [s.id, Model::Meaning.of(s), keys(s)] }, strengths])
      end

      # @return [Array] the places that a statement reads, by its target or its body, which may be groups
      def keys(statement) = statement.data.values_at("target", "body").compact.map { |name| groups.find(name).map(&:key).sort }

      # @param name [String, nil] nil takes the first
      # @return [Model::Statement]
      # @raise [InvalidInput]
      def study!(name = nil) = self.class.choose(studies.map { |s| { name: s.name, found: s } }, name)[:found]

      # @param studies [Array<Hash>] with names
      # @return [Hash] the one that is named, or the first
      # @raise [InvalidInput]
      def self.choose(studies, name)
        found = name ? studies.find { |s| s[:name] == name } : studies.first
        return found if found

        known = studies.map { |s| "“#{s[:name]}”" }
        raise InvalidInput.at(name ? "there is no study named “#{name.to_s.scrub('?')[0, 80]}”" : "there is no study",
                              cure: known.empty? ? "Add a study statement." : "Known: #{known.join(', ')}.")
      end

      # @param settings [Mesh::Settings]
      # @return [Mesh::Settings] as shells and members want them
      def suited(settings) = straight.empty? ? settings : settings.with(straight: straight, divisions: settings.divisions.merge(sections.bars))

      # @return [Mesh::Grid]
      def mesh(monitor = Monitor.new)
        Mesh::Estimate.check!(parts.bodies, settings, mesh_statement)
        monitor.phase("mesh", upto: 0.15) do
          Mesh::Builder.call(parts.bodies, settings, parts.joins) { |what, share| monitor.within(what, share) }.marked(parts.markers)
        end
      end
    end
  end
end
