# frozen_string_literal: true

module LatticeServer
  # What of a result is asked for, out of a request's parameters.
  module FieldsWanted
    MOST = 20 # fields

    module_function

    # @return [Hash] keywords of Building::Fields#fields; a frame that is no number is none
    def read(params)
      { names: params[:names].to_s.split(",").first(MOST), frame: frame(params[:frame]), layer: params[:layer], less_frame: frame(params[:less_frame]) }
    end

    def frame(text) = Integer(text || "0", exception: false) || -1
  end
end
