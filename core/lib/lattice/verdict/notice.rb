# frozen_string_literal: true

module Lattice
  module Verdict
    # A line of the readiness list: a fault, and whether it stops the solve or is only odd.
    Notice = Struct.new(:severity, :fault) do
      def stops? = severity == :stops
      def as_json = fault.as_json.merge(severity: severity)
    end
  end
end
