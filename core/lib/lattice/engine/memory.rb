# frozen_string_literal: true

module Lattice
  module Engine
    # What an object keeps of where it has come to: some of its instance variables, which are plain data that a file can hold.
    module Memory
      def self.included(kind) = kind.extend(Named)

      # Says what is remembered.
      module Named
        def remembers(*names) = @remembered = names
        def remembered = @remembered || (superclass.respond_to?(:remembered) ? superclass.remembered : [])
      end

      # @return [Hash]
      def memory = self.class.remembered.to_h { |name| [name, instance_variable_get(name)] }

      # @param memory [Hash] see #memory
      def recall(memory) = memory.each { |name, value| instance_variable_set(name, value) }
    end
  end
end
