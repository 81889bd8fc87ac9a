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

      # 14 mm and 1.4 cm differ in the last digit that a number holds; they mean the same.
      def rounded(value) = value.finite? ? Float(Kernel.format("%.12g", value)) + 0.0 : value.to_s

      def canonical(value)
        case value
        when Hash then value.sort_by { |k, _| k.to_s }.to_h { |k, v| [k.to_s, canonical(v)] }
        when Array then value.map { |v| canonical(v) }
        when Float then rounded(value)
        else value
        end
      end
    end
  end
end
