# frozen_string_literal: true

module Lattice
  # What the processes of a group hold.
  module ProcessGroup
    PAGE = 4096

    module_function

    # @param group [Integer] its process id
    # @param alone [Boolean] only the process of that id
    # @return [Integer] bytes of resident memory
    def memory(group, alone: false)
      (alone ? ["/proc/#{group}/stat"] : Dir.glob("/proc/[0-9]*/stat")).sum do |path|
        fields = File.read(path)[/\) (.*)/m, 1].to_s.split
        alone || fields[2].to_i == group ? fields[21].to_i * PAGE : 0
      rescue SystemCallError
        0
      end
    end
  end
end
