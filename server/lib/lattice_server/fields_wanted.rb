# frozen_string_literal: true

module LatticeServer
  # What of a result is asked for, out of a request's parameters.
  module FieldsWanted
    MOST = 20 # fields

    module_function

    # @return [Hash] keywords of Building::Fields#fields, and less_frame; a frame that is no number is none
    # @raise [Problem]
    def read(params)
      { names: params[:names].to_s.split(",").first(MOST), frame: frame(params[:frame]), layer: params[:layer], less_frame: frame(params[:less_frame]),
        reading: { how: how(params[:how] || "averaged"), around: params[:around] && around(params[:around].split(",")) }, cut: params[:cut] && cut(params[:cut].split(",")),
        only: params[:only] && only(params[:only]) }
    end

    # @return [Hash] keywords of Building::Fields#range
    # @raise [Problem]
    def range(params) = read(params).slice(:layer, :reading).merge(name: params[:name].to_s)

    # @return [Hash] keywords of Lattice::Format::ResultExport
    # @raise [Problem]
    def exported(params)
      times, low, high = %i[times low high].map { |key| params[key] && (numbers([params[key]], 1) || raise(Problem.new(422, "“#{key}” is not a number")))[0] }
      { frame: frame(params[:frame]), field: params[:field], factor: times || 1.0, low: low, high: high }
    end

    def frame(text) = Integer(text || "0", exception: false) || -1

    def only(text)
      %w[frame field].include?(text) ? text : raise(Problem.new(422, "“#{text}” is no part of what is sent", cure: "Known: frame, field; both when left out."))
    end

    def how(text)
      known = Lattice::Result::Reading::HOWS
      known.include?(text) ? text : raise(Problem.new(422, "“#{text}” is not a way to read a field", cure: "Known: #{known.join(', ')}."))
    end

    # "z,0.1,0,0": along z through a point, m.
    def around(parts)
      through = numbers(parts.drop(1), 3)
      raise Problem.new(422, "“around” is not an axis and a point on it", cure: "Send such as z,0,0,0.") unless axis(parts) && through

      Lattice::Shape::Around.new(Numo::DFloat.zeros(3).tap { |unit| unit[axis(parts)] = 1.0 }, Numo::DFloat.cast(through))
    end

    # "x,0.1": across x at a place, m.
    def cut(parts)
      at = numbers(parts.drop(1), 1)
      raise Problem.new(422, "“cut” is not an axis and a place on it", cure: "Send such as x,0.1.") unless axis(parts) && at

      { axis: axis(parts), at: at[0] }
    end

    def axis(parts) = %w[x y z].index(parts[0])

    # @return [Array<Float>, nil]
    def numbers(texts, count)
      found = texts.map { |t| Float(t, exception: false) }
      found if found.size == count && found.all? { |v| v&.finite? && v.abs < 1e15 }
    end
  end
end
