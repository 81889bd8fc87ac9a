# frozen_string_literal: true

module Lattice
  class Command
    # Tables of buildings that are pushed over or shaken.
    module BuildingTables
      private

      # Which of them a study has.
      def building_names(kinds)
        { "storeys" => kinds.include?("storeys"), "capacity" => %w[storeys collapse].all? { |kind| kinds.include?(kind) }, "courses" => kinds.include?("shaking"), "runs" => all("shaking").any? do |f|
          f[:runs]
        end }
      end

      def storeys
        found = all("storeys")[0]
        fastest = found[:fastest]
        heads = [head("at", "length"), head("height", "length"), head("moves by", "length"), "greatest drift below", *(head("accelerates by", "acceleration") if fastest)]
        [["floor", *heads], *found[:floors].each_with_index.map do |floor, i|
          lengths = vector([floor[:level], floor[:height], found[:farthest][i]], "length")
          [floor[:name], *lengths, found[:drifts][i][:drift], *(number(fastest[i], "acceleration") if fastest)]
        end]
      end

      # Of a pushover, increment by increment.
      def capacity
        found = all("storeys")[0]
        [["load factor", *floors(found) { |name, axis| head("#{name} moves along #{axis}", "length") }, *found[:axes].map { |axis| head("feet take along #{axis}", "force") }],
         *all("collapse")[0][:curve][:factors].drop(1).zip(found[:moved], found[:base]).map { |factor, moved, base| [factor, *vector(moved.flatten, "length"), *vector(base, "force")] }]
      end

      # Of an earthquake, moment by moment.
      def courses
        shaken = all("shaking")[0]
        found = all("storeys")[0]
        axes = found ? found[:axes] : %w[x y]
        told = found ? [*floors(found) { |name, axis| head("#{name} moves along #{axis}", "length") }, *floors(found) { |name, axis| head("#{name} accelerates along #{axis}", "acceleration") }] : []
        [[head("time", "time"), *shaken[:motions].map { |m| head("ground: #{m[:name]}", "acceleration") }, *axes.map { |axis| head("feet take along #{axis}", "force") }, *told],
         *shaken[:times].each_index.map do |i|
           rows = found ? [*vector(found[:moved][i].flatten, "length"), *vector(found[:rates][i].flatten, "acceleration")] : []
           [number(shaken[:times][i], "time"), *vector(shaken[:ground][i], "acceleration"), *vector(shaken[:base][i], "force"), *rows]
         end]
      end

      def runs
        [["motion", "times", head("ground shakes by", "acceleration"), "greatest drift", head("moves by", "length"), head("feet take", "force"), head("came to", "time")],
         *all("shaking")[0][:runs].map do |r|
           [r[:motion], r[:scale], number(r[:peak], "acceleration"), r[:drifts]&.max, number(r[:farthest], "length"), number(r[:base], "force"), number(r[:stuck], "time")]
         end]
      end

      def floors(found) = found[:floors].flat_map { |floor| found[:axes].map { |axis| yield(floor[:name], axis) } }
    end
  end
end
