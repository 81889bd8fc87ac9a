# frozen_string_literal: true

module Lattice
  module Study
    # The greatest and the least of the forces along a slender region over all stages, cut by cut, and where each is largest in size.
    module StripEnvelope
      KINDS = 3 # axial force, shear force, moment

      module_function

      # @param strip [Hash] see Engine::Strip#about
      # @param rows [Array<Hash>] of stages, with their strips
      # @return [Hash] the same with greatest and least [cuts][3], and peaks: of each kind its value and stage
      def of(strip, rows)
        own = rows.filter_map { |row| (cuts = row.dig(:strips, strip[:name].to_sym)) && [row[:name], cuts] }
        return strip if own.empty?

        by_cut = own.map(&:last).transpose.map(&:transpose)
        strip.merge(greatest: by_cut.map { |kinds| kinds.map(&:max) }, least: by_cut.map { |kinds| kinds.map(&:min) }, peaks: (0...KINDS).map { |kind| peak(own, kind) })
      end

      def peak(own, kind)
        stage, value = own.flat_map { |name, cuts| cuts.map { |cut| [name, cut[kind]] } }.max_by { |_, one| one.abs }
        { stage: stage, value: value }
      end
    end
  end
end
