# frozen_string_literal: true

module Lattice
  # Base of everything that is raised on purpose. The message is written for
  # an engineer: what is wrong, where, and what to do.
  class Error < StandardError; end
end
