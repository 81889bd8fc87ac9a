# frozen_string_literal: true

module Lattice
  # One thing that is wrong with a model: the statement it stands in, the field
  # of that statement, what is wrong, how to mend it, and where in space it is (m), if anywhere.
  Fault = Struct.new(:statement, :path, :message, :cure, :place, keyword_init: true) do
    def to_s
      where = [statement, path].compact.join(", ")
      [where.empty? ? nil : "#{where}: ", message, ".", cure && " #{cure}"].compact.join
    end

    def as_json
      place ? to_h : to_h.except(:place)
    end
  end
end
