# frozen_string_literal: true

module Lattice
  # One thing that is wrong with a model: the statement it stands in, the field
  # of that statement, what is wrong, and how to mend it.
  Fault = Struct.new(:statement, :path, :message, :cure, keyword_init: true) do
    def to_s
      where = [statement, path].compact.join(", ")
      [where.empty? ? nil : "#{where}: ", message, ".", cure && " #{cure}"].compact.join
    end

    def as_json
      { statement: statement, path: path, message: message, cure: cure }
    end
  end
end
