# frozen_string_literal: true

module Lattice
  module Result
    # One state in a result: a load case, a combination, an envelope; later a time, a mode, an increment.
    Frame = Struct.new(:index, :kind, :name, :value, :unit, keyword_init: true)
  end
end
