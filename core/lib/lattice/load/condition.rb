# frozen_string_literal: true

module Lattice
  module Load
    # A statement that acts on a model: holds it or loads it. Each kind is one file in conditions/, named as
    # the statement; there is no other list of them.
    class Condition
      FOLDER = File.join(__dir__, "conditions")
      KINDS = Dir.children(FOLDER).map { |file| File.basename(file, ".rb") }.sort.freeze

      class << self
        # @return [Array<Condition>] those of the statements in force, in their order
        def all(problem) = problem.document.active.select { |s| KINDS.include?(s.kind) }.map { |s| of(s, problem) }

        def of(statement, problem) = Conditions.const_get(statement.kind.split("_").map(&:capitalize).join).new(statement, problem)

        # What may be targeted, and what it does.
        attr_reader :targets

        def acts_on(*targets) = @targets = targets

        # That some may be told to come and go, by a name of their own.
        def comes_and_goes = @changes = true
        def changes? = @changes == true
      end

      attr_reader :statement, :problem

      def initialize(statement, problem)
        @statement = statement
        @problem = problem
      end

      # Whether it keeps nodes from moving, or pushes them.
      def holds? = false
      def loads? = false

      # Whether it stays as it is, and cannot swing or come and go with others.
      def steady? = false

      # Whether it is a force that neither turns nor fades, however far what it acts on moves.
      def dead? = !steady?

      # Whether it warms bodies, which is followed where they move far, too.
      def warms? = false

      # Whether it turns with what it acts on, in studies that follow large movements.
      def follows? = false

      # Whether it moves places by a given amount.
      def imposes? = false

      # Whether it makes places follow each other.
      def joins? = false

      # Whether it makes places press on each other where they meet, in studies that follow that.
      def touches? = false

      # Whether it holds nothing while bodies are not there.
      def hangs?(_absent) = false

      # Whether it acts per length, area or volume, so that a part of its place bears a part of it.
      def spreads? = false

      # Whether it comes and goes by its name in stages, and is left out of all else.
      def comes? = false

      # Whether stages may speak of it by its name.
      def changes? = comes? || (self.class.changes? && !statement.name.nil?)

      # @return [Array<Fault>] what is odd, once nothing is wrong
      def oddities = []

      # Whether it is weight, and nothing else that pushes masses.
      def weight? = false

      # Whether it adds mass, on which others then act.
      def weighs? = false

      # Whether it holds a body as one, so that its turns count wherever its points do not turn.
      def whole? = false
      def turns_of?(body) = body.faces? || body.members? || whole?

      # Components that it holds, along axes of its own where it has a frame.
      def components = []
      def frame = nil

      # @return [String] the case it belongs to; the unnamed one when none is told
      def case_name = statement["case"].to_s

      # @return [Array<String>] all cases that it acts in
      def case_names = [case_name]

      # @return [Array<Shape::Place>]
      # @raise [InvalidInput]
      def places = problem.groups.target!(statement, self.class.targets)

      # @raise [InvalidInput] with what keeps it from acting
      def check!
        places if self.class.targets
        statement.direction if statement["direction"]
        problem.cases.check!(statement)
      end

      # @return [Array] what it says, by meaning
      def signature = [Model::Meaning.of(statement, except: ["target", *("name" if self.class.changes?)]), problem.keys(statement)]

      # @return [Array<Shape::Place>] all that it speaks of
      def all_places = self.class.targets ? places : []

      # @param structure [System::Structure]
      def apply(structure) = raise(NotImplementedError)

      # @param piece [#material, #body]
      # @return [Float] kg/m³
      # @raise [InvalidInput]
      def density(piece) = needed(piece, :density, "density")

      private

      # @raise [InvalidInput] where its places have no turns
      def turns!
        stiff = places.map { |p| problem.parts.body(p.body) }.find { |b| !b.members? && !b.faces? } or return
        raise statement.fault("the points of “#{stiff.name}” do not turn", path: "target", cure: "Choose points of members or shells.")
      end

      # @param piece [#material, #body]
      # @param property [Symbol] of its material
      # @return [Float]
      # @raise [InvalidInput] when the material does not say
      def needed(piece, property, words)
        piece.material[property] || raise(statement.fault("the material of “#{piece.body.name}” has no #{words}", cure: "Type its #{property} in the material statement."))
      end

      # @return [Numo::DFloat] unit vector in the model's dimension
      def along(dimension)
        direction = statement.direction
        return direction if dimension == 3
        return direction[0..1].dup if direction[2].zero?

        raise statement.fault("it acts along z, but the model lies in the xy plane", path: "direction", cure: "Choose a direction in the plane.")
      end
    end
  end
end
