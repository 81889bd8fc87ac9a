# frozen_string_literal: true

module Lattice
  # A small stand-in for a ground-motion station: the one of the observatory, whose events are made up. Records are noise as
  # it passes through soft ground, within an envelope. H. Tajimi, 1960; M. Shinozuka, G. Deodatis, Simulation of stochastic processes by spectral
  # representation, 1991.
  module Station
    NAME = "Fernhollow station"
    STEP = 0.01 # s
    WAVES = 240
    COLUMNS = 8
    WIDTH = 10

    # seed; peak in g; duration s; ground: frequency Hz and damping of the ground that the noise passes; rise and fall: shares of the duration
    Event = Struct.new(:id, :words, :seed, :peak, :duration, :ground, :damping, :rise, :fall, keyword_init: true)

    EVENTS = [
      Event.new(id: "FH-0307", words: "Scarp fault, near", seed: 307, peak: 0.42, duration: 12.0, ground: 2.4, damping: 0.55, rise: 0.15, fall: 0.35),
      Event.new(id: "FH-0412", words: "Lower valley, far and long", seed: 412, peak: 0.18, duration: 24.0, ground: 1.3, damping: 0.45, rise: 0.25, fall: 0.6),
      Event.new(id: "FH-0519", words: "Quarry ridge, short and sharp", seed: 519, peak: 0.3, duration: 8.0, ground: 5.5, damping: 0.6, rise: 0.12, fall: 0.3),
      Event.new(id: "FH-0623", words: "Scarp fault, aftershock", seed: 623, peak: 0.12, duration: 10.0, ground: 3.1, damping: 0.5, rise: 0.1, fall: 0.3)
    ].freeze
    DIRECTIONS = %w[north east].freeze

    module_function

    # @return [Array<Hash>] id, words, peak in g, duration s
    def events = EVENTS.map { |event| event.to_h.slice(:id, :words, :peak, :duration) }

    # The record of an event as the station sends it: a head, and fixed columns in g.
    # @param id [String]
    # @param direction [String] north or east
    # @return [String]
    # @raise [InvalidInput]
    def file(id, direction = DIRECTIONS[0])
      event = EVENTS.find { |e| e.id == id } or raise InvalidInput.at("#{NAME} has no event “#{id}”", cure: "It has #{EVENTS.map(&:id).join(', ')}.")
      raise InvalidInput.at("#{NAME} does not look “#{direction}”", cure: "It looks #{DIRECTIONS.join(' and ')}.") unless DIRECTIONS.include?(direction)

      values = record(event, DIRECTIONS.index(direction))
      head = ["station: #{NAME}", "event: #{event.id}, #{event.words}", "direction: #{direction}", "step: #{STEP} s", "unit: g", "values: #{values.size}", "columns: #{COLUMNS} x #{WIDTH}"]
      rows = values.to_a.each_slice(COLUMNS).map { |row| row.map { |v| Kernel.format("%#{WIDTH}.5f", v) }.join }
      "#{[*head, *rows].join("\n")}\n"
    end

    # @return [Numo::DFloat] g
    def record(event, number)
      random = Random.new((event.seed * 10) + number)
      times = Numo::DFloat.new((event.duration / STEP).round + 1).seq * STEP
      frequencies = (Numo::DFloat.new(WAVES).seq + 0.5) * (20.0 / WAVES)
      phases = Numo::DFloat.cast(Array.new(WAVES) { random.rand * 2 * Math::PI })
      swings = Numo::NMath.cos((times.reshape(times.size, 1) * (frequencies * 2 * Math::PI)) + phases).dot(Numo::NMath.sqrt(passed(event, frequencies)))
      course = swings * envelope(event, times)
      course -= course.mean
      course * (event.peak * (number.zero? ? 1.0 : 0.8) / course.abs.max)
    end

    # The power of what passes the ground, without what is too slow for a station.
    def passed(event, frequencies)
      r = (frequencies / event.ground)**2
      d = 4 * (event.damping**2) * r
      slow = (frequencies / 0.25)**4
      (d + 1) / ((((r * -1) + 1)**2) + d) * slow / (slow + 1)
    end

    def envelope(event, times)
      up = event.rise * event.duration
      down = event.fall * event.duration
      rising = ((times / up).clip(0, 1)**2)
      fading = Numo::NMath.exp((times - down).clip(0, nil) * (-4.0 / (event.duration - down)))
      rising * fading * ((times * -1) + event.duration).clip(0, 0.5) * 2
    end
    private_class_method :record, :passed, :envelope
  end
end
