# frozen_string_literal: true

module LatticeServer
  module Store
    # Keeps what was computed within a budget of bytes: what no revision leads to goes first, then what
    # only older revisions lead to, the longest unused before the others. What the revisions in
    # force lead to stays. Also removes what was left half written.
    class Sweep
      ROOM = 0.8 # of the budget that is filled after a sweep
      WAITS = 14 * 86_400 # s that a study which was stopped can go on
      STALE = 3600 # s after which something half written was given up

      def initialize(db, budget: Config.budget)
        @db = db
        @budget = budget
        @derived = Derived.new(db)
      end

      # @param stale [Numeric] s
      # @return [Integer] bytes that were freed
      def call(stale: STALE)
        freed = half_written(stale) + unknown + ways
        rows = @db[:derived].select(:digest, :kind, :bytes, :used_at).all
        shapes = shape_files
        held = rows.sum { |r| r[:bytes] } + shapes.sum { |file| File.size(file) }
        return freed if held <= @budget

        left = held - (@budget * ROOM)
        (order(rows).map { |row| [row[:bytes], -> { @derived.forget(row[:digest]) }] } + shapes.map { |file| [File.size(file), -> { FileUtils.rm_f(file) }] }).each do |bytes, remove|
          break if left <= 0

          remove.call
          left -= bytes
          freed += bytes
        end
        freed
      end

      private

      # Rows that may go, in the order in which they do.
      def order(rows)
        heads = @db[:revisions].join(:models, id: :model_id, head: :number).exclude(state: nil).select_map(:state)
        needed = digests(heads)
        older = digests(@db[:revisions].exclude(state: nil).select_map(:state)) - needed
        rows.select { |r| r[:bytes].positive? && !needed.include?(r[:digest]) }.sort_by { |r| [older.include?(r[:digest]) ? 1 : 0, r[:used_at].to_f] }
      end

      def digests(states)
        states.flat_map { |text| State.new(JSON.parse(text)).digests }.to_set
      end

      # Shapes are made again from the note when they are wanted.
      def shape_files = Dir[File.join(Config.data, "shapes", "*.facets")].sort_by { |file| File.atime(file) }

      def half_written(stale)
        remove(Dir[File.join(Config.data, "**", "*.part")].select { |file| Time.now - File.mtime(file) > stale })
      end

      # Files without a row were written by a process that was ended before it could say so.
      def unknown
        known = @db[:derived].select_map(:digest).to_set
        remove(Dir[File.join(Config.derived, "*.{mesh,result}")].select { |file| !known.include?(File.basename(file, ".*")) && Time.now - File.mtime(file) > STALE })
      end

      # How far studies had come that nobody let go on.
      def ways
        Dir[File.join(Config.derived, "*.way")].select { |folder| Time.now - File.mtime(folder) > WAITS }.sum do |folder|
          Dir[File.join(folder, "*")].sum { |file| File.size(file) }.tap { FileUtils.rm_rf(folder) }
        end
      end

      def remove(files)
        files.sum do |file|
          File.size(file).tap { FileUtils.rm_f(file) }
        rescue SystemCallError
          0
        end
      end
    end
  end
end
