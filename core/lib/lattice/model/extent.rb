# frozen_string_literal: true

module Lattice
  module Model
    # What any part of a document may be at most, whatever it means: looked at before the schema, so
    # that what is far too much is refused at once, and no number is one that cannot be computed with.
    module Extent
      VALUES = 400_000
      LIST = 5000
      FIELDS = 5000
      TEXT = 4000
      NUMBER = 1e12
      CONDITIONS = 200 # of one rule
      CONTROL = /[\u0000-\u0008\u000b\u000c\u000e-\u001f\u007f]/

      module_function

      # @param data [Object] parsed JSON
      # @return [Array<Fault>] the first thing that is too much, or nothing
      def faults(data)
        count = 0
        open = [[data, []]]
        until open.empty?
          value, path = open.pop
          count += 1
          message, cure = count > VALUES ? ["the model has more than #{VALUES} values", "Split it."] : wrong(value)
          return [fault(data, path, message, cure)] if message

          case value
          when Hash then value.each { |key, inner| open << [inner, path + [key]] }
          when Array then value.each_with_index { |inner, i| open << [inner, path + [i]] }
          end
        end
        []
      end

      # @return [Array(String, String), nil] what is wrong with one value, and the cure
      def wrong(value)
        case value
        when Array then ["it has #{value.size} entries; at most #{LIST} are taken", "Split it into several statements."] if value.size > LIST
        when Hash then fields(value)
        when String then text(value)
        when Float, Integer then ["#{value} is not a number that can be computed with", "Give a number between -1e12 and 1e12."] unless value.abs <= NUMBER
        end
      end

      def fields(value)
        return ["it has #{value.size} fields", "Remove those that mean nothing."] if value.size > FIELDS

        value.each_key do |key|
          found = text(key)
          return found if found
        end
        count = value.key?("rule") ? conditions(value["rule"]) : 0
        ["its rule has more than #{CONDITIONS} conditions", "Start from other groups, or pick the places."] if count > CONDITIONS
      end

      def text(value)
        return ["it has #{value.length} characters; at most #{TEXT} are taken", "Shorten it."] if value.length > TEXT

        ["“#{value.scrub('?').gsub(CONTROL, '?')[0, 40]}” has characters that are no text", "Type it anew."] if !value.valid_encoding? || value.match?(CONTROL)
      end

      # Counts no farther than it must.
      def conditions(rule)
        count = 0
        open = [rule]
        until open.empty? || count > CONDITIONS
          inner = open.pop
          count += 1
          open.concat(Array(inner["all"]) + Array(inner["any"]) + [inner["not"]].compact) if inner.is_a?(Hash)
        end
        count
      end

      def fault(data, path, message, cure)
        statement = path[0] == "statements" && path[1] && data["statements"][path[1]]
        name = statement.is_a?(Hash) && statement["id"].is_a?(String) ? statement["id"].scrub("?").gsub(CONTROL, "?")[0, 40] : (statement && "statement #{path[1] + 1}") || nil
        inner = (statement ? path[2..] : path).map { |step| step.to_s.scrub("?").gsub(CONTROL, "?")[0, 40] }.join(".")
        Fault.new(statement: name || nil, path: inner.empty? ? nil : inner, message: message, cure: cure)
      end
    end
  end
end
