# frozen_string_literal: true

module LatticeServer
  # What of a mesh is asked for, out of a request's parameters.
  module MeshLook
    module_function

    # @return [Hash] keywords of Lattice::Mesh::Choice
    # @raise [Problem]
    def read(params)
      axis = params[:axis]
      raise Problem.new(422, "“axis” is x, y or z") if axis && !%w[x y z].include?(axis)

      { axis: axis, at: number(params, :at) || 0.5, turned: params[:turned] == "true", body: params[:body], worse: number(params, :worse) }.compact
    end

    def number(params, key)
      params[key] && Float(params[key])
    rescue ArgumentError
      raise Problem.new(422, "“#{key}” is not a number")
    end
  end
end
