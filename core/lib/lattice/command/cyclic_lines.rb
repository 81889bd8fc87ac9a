# frozen_string_literal: true

module Lattice
  class Command
    # What is said of what swings, wears and warms, for people.
    module CyclicLines
      private

      def sag_table(finding)
        return if finding[:sags].empty?

        TextTable.new(["weight along", "sags by", "so √(g/δ)/2π", "of the whole line", "mode", "computed"], finding[:sags].map do |s|
          [s[:axis], shown(s[:sag], "length"), shown(s[:simple], "frequency"), shown(s[:whole], "frequency"), s[:mode], shown(finding[:rows][s[:mode] - 1][:frequency], "frequency")]
        end)
      end

      def sweep(finding)
        low = finding[:short].map { |axis| "#{(finding[:carried]["xyz".index(axis)] * 100).round} % along #{axis}" }
        ["#{finding[:frequencies]} frequencies by #{finding[:modes].size} modes of “#{finding[:of]}”#{", and what others add stiffly" if finding[:residual]}", [finding[:from], finding[:to]].map do |f|
          shown(f, "frequency")
        end.join(" to "),
         low.empty? ? "" : "at least #{(finding[:enough] * 100).round} % of the mass", low.empty? ? "" : "its modes carry only #{low.join(', ')}: ask for more"]
      end

      # Which modes answer along the load.
      def sweep_table(finding)
        TextTable.new(["mode", "frequency", "damping", "of the give at rest"], finding[:modes].map do |m|
          [m[:number], shown(m[:frequency], "frequency"), "#{(m[:damping] * 100).round(2)} %", m[:answer] ? "#{(m[:answer] * 100).round(2)} %" : "–"]
        end)
      end

      def radiated_power(finding)
        ["sound power of “#{finding[:name]}”, at most, at #{frame_name(finding[:peak])}", shown(finding[:values][finding[:peak]], "power"), "", "#{finding[:decibels][finding[:peak]].round(1)} dB"]
      end

      def at_peak(finding)
        "greatest at #{frame_name(finding[:peak])}#{", #{number(finding[:amplification])} times what the loads do at rest#{one_mass(finding[:one_mass])}" if finding[:amplification]}"
      end

      def one_mass(hand)
        hand && " (by hand, one mass of mode #{hand[:mode]}: #{number(hand[:amplification])} times)"
      end

      def life(finding)
        worst = finding[:worst]
        passes = worst[:life] ? number(worst[:life]) : "without end"
        unit = finding[:unit] && worst[:life] ? ", #{number(worst[:life] / finding[:unit][:passes])} #{finding[:unit][:name]}" : ""
        what = finding[:as_found] ? "strain and stress as found" : "the load"
        ["life under “#{finding[:of]}”, least in #{worst[:body]}, factor on #{what} #{number(worst[:safety])}", "#{passes}#{unit}", finding[:design] ? "at least #{number(finding[:design])}" : "",
         [finding[:design] && "#{finding[:holds] ? 'holds' : 'fails'}, #{percent(finding[:margin])}", *life_doubts(finding)].compact.join("; ")]
      end

      def life_doubts(finding)
        lowered = finding[:factors].map { |name, value| "#{name} × #{number(value)}#{" = #{finding[:worked][name]}" if finding[:worked][name]}" }
        [finding[:yields] && finding[:by] == "stress" ? "it yields: life by strain applies" : nil, finding[:above] ? "over the first point of its curve" : nil,
         finding[:estimated] ? "by estimated constants" : nil, *lowered].compact
      end

      # The worst point, loop by loop, for a reader with a calculator.
      def life_table(finding)
        strain = finding[:loops].any? { |l| l[:strain] }
        TextTable.new(["loop", "amplitude", "mean", strain ? "strain" : "about no mean", "over factors", "cycles", "damage"], finding[:loops].map do |l|
          [[l[:from], l[:to]].join("–"), shown(l[:amplitude], "stress"), shown(l[:mean], "stress"), strain ? number(l[:strain]) : l[:equivalent]&.then { |s| shown(s, "stress") } || "–", l[:reduced]&.then do |s|
            shown(s, "stress")
          end || "–",
           l[:life] ? number(l[:life]) : "endless", number(l[:damage])]
        end)
      end

      def transient(finding)
        notes = [finding[:relative] ? "movements against the base" : nil, finding[:coarse].positive? ? "the step is too long for #{finding[:coarse]} of them" : nil].compact
        ["#{finding[:moments]} moments by #{finding[:modes]} modes of “#{finding[:of]}”#{", and what others add stiffly" if finding[:residual]}", shown(finding[:until], "time"), "", notes.join("; ")]
      end

      def heat(finding)
        flows = finding[:rows].map { |r| "#{shown(r[:power], 'power')} at #{r[:target]}" }
        ["heat in and out: #{flows.join(', ')}", finding.values_at(:least, :greatest).map { |t| shown(t, "temperature") }.join(" to "), "", finding[:holds] ? "holds" : "fails"]
      end

      def frame_name(frame) = @findings[:summary][:frames][frame][:name]
    end
  end
end
