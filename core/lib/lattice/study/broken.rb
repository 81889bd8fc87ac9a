# frozen_string_literal: true

module Lattice
  module Study
    # Where stages ended before their end, and why.
    module Broken
      WEAKLY = "let what nothing holds yet be held weakly."

      private

      # @raise [SolveFailed] that not even the first increment came to rest
      def none!
        moves = @broken && @broken[:loose]
        why = moves && ": #{moves}, and nothing resists that"
        cure = moves ? "Hold it there, join it to what is held" : "Give the stage more increments, or less load"
        raise SolveFailed.new("the first increment of “#{@stages[0].name}” does not come to rest#{why}", statement: @study.id,
                                                                                                         cure: "#{cure}, or #{WEAKLY}")
      end

      # Where it ended before its end: the stage, how far it came, and where most was left over.
      def broken(stage, walk)
        level = @done.last && @stages[@done.last[0]].name == stage.name ? @done.last[1].level : 0.0
        node = walk.worst && @structure.dofs.nodes_of(Numo::Int32[walk.worst])[0]
        { stage: stage.name, level: level, at: node && @grid.nodes[node, true].to_a, loose: loose(stage) }
      end

      # @return [String, nil] the motion that nothing resists
      def loose(stage)
        acting = acting(stage.absent)
        pose = @done.last ? @done.last[1].pose : Engine::Pose.start(@structure.dofs)
        Loose.new(acting, acting.constraints.reduce(@equations.call(pose)[1])).motion
      end
    end
  end
end
