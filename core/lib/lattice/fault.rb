# frozen_string_literal: true

module Lattice
  # One thing that is wrong with a model: the statement it stands in, the field
  # of that statement, what is wrong, how to mend it, where in space it is (m), if anywhere, and the
  # motions that are free, see Load::RigidMotion.
  Fault = Struct.new(:statement, :path, :message, :cure, :place, :motions, keyword_init: true) do
    def to_s
      where = [statement, path].compact.join(", ")
      [where.empty? ? nil : "#{where}: ", message, ".", cure && " #{cure}"].compact.join
    end

    def as_json
      to_h.reject { |key, value| value.nil? && %i[place motions].include?(key) }
    end
  end
end
