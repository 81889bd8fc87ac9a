# frozen_string_literal: true

module Lattice
  module Model
    # SHA-256 over canonical JSON (sorted keys): the name under which derived data is kept.
    module Digest
      module_function

      # @param value [Object] hashes, arrays, strings, numbers
      # @return [String] 64 hexadecimal digits
      def of(value)
        ::Digest::SHA256.hexdigest(JSON.generate(canonical([COMPUTATION, value])))
      end

      def canonical(value)
        case value
        when Hash then value.sort_by { |k, _| k.to_s }.to_h { |k, v| [k.to_s, canonical(v)] }
        when Array then value.map { |v| canonical(v) }
        else value
        end
      end
    end
  end
end
