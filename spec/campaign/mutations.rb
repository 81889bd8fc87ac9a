# frozen_string_literal: true

# Seeded ways to spoil documents and files.
class Mutations
  NASTY = [nil, true, "", " ", "0 mm", "-5 mm", "1e300 m", "1e5 m", "1e-300 m", "NaN", "Infinity mm", "5", "5 kN", "1/0 mm", "((((", "\u0000", "‮x", "x" * 5000, "everything", [], {}, [[[[]]]], 0, -1, 1e308,
           1e9, 3.5, { "x" => "0 mm" }, ["x", nil], "+x", [0, 0, 0], [1e12, 0, 0]].freeze

  # Values of the right kind that somebody may type.
  LIKE = { "length" => ["0 mm", "-5 mm", "1e-12 m", "1e-9 m", "0.1 mm", "1 mm", "5 mm", "1 m", "1e5 m", "-1e5 m"], "angle" => ["0 deg", "1e-9 rad", "45 deg", "90 deg", "-180 deg", "360 deg", "1e4 rad"],
           "ratio" => ["0", "-1", "1e-9", "0.5", "1", "7", "1e9"], "force" => ["0 N", "1e15 N", "-1e-29 N"], "stress" => ["0 Pa", "1e15 Pa", "-3 MPa", "1e-9 Pa"],
           "density" => ["0 kg/m3", "-1 kg/m3", "1e12 kg/m3"], "acceleration" => ["1e9 m/s2", "0 m/s2"] }.freeze

  def initialize(seed)
    @random = Random.new(seed)
  end

  # @param document [Hash] left as it is
  # @return [Hash] with one to three places spoilt
  def document(document)
    copy = Marshal.load(Marshal.dump(document))
    (1 + @random.rand(3)).times { spoil(copy) }
    copy
  end

  # @param bytes [String]
  # @return [String] cut, with bytes changed, or with pieces doubled or taken out
  def file(bytes)
    copy = bytes.b
    (1 + @random.rand(4)).times { copy = send(%i[cut change double take digits].sample(random: @random), copy) }
    copy
  end

  private

  def pick(list) = list.sample(random: @random)
  def at(bytes) = @random.rand([bytes.bytesize, 1].max)

  def spoil(document)
    statements = document["statements"]
    return unless statements.is_a?(Array) && !statements.empty?

    case @random.rand(10)
    when 0 then statements.delete_at(@random.rand(statements.size))
    when 1 then statements << pick(statements)
    when 2 then statements.shuffle!(random: @random)
    else
      holder, key = pick(places(statements))
      holder, key = pick(places(statements)) until @random.rand(3).zero? || like(holder[key])
      if (others = like(holder[key])) then holder[key] = pick(others)
      elsif @random.rand(4).zero? && holder.is_a?(Hash) then holder.delete(key)
      else holder[key] = pick(NASTY)
      end
    end
  end

  # @return [Array<String>, nil] others of the kind of a quantity
  def like(value)
    return [0, 1, 2, 3, 20, 1000] if value.is_a?(Integer)
    return nil unless value.is_a?(String) && value.match?(/\A-?\d/)

    kind = LIKE.keys.find { |k| Lattice::Quantity.parse(value, k) rescue false } # rubocop:disable Style/RescueModifier
    kind && LIKE[kind]
  end

  # Every place of a value within, as its holder and key.
  def places(value)
    pairs = case value
            when Hash then value.keys.map { |key| [value, key] }
            when Array then value.each_index.map { |i| [value, i] }
            else []
            end
    pairs + pairs.flat_map { |holder, key| places(holder[key]) }
  end

  def cut(bytes) = bytes.byteslice(0, at(bytes))
  def change(bytes) = bytes.dup.tap { |b| 20.times { b.setbyte(at(b), @random.rand(256)) unless b.empty? } }
  def double(bytes) = bytes.byteslice(0, at(bytes)) + bytes.byteslice(at(bytes)..).to_s
  def take(bytes) = (from = at(bytes)) && (bytes.byteslice(0, from) + bytes.byteslice((from + @random.rand(200))..).to_s)
  def digits(bytes) = bytes.gsub(/\d+/n) { |number| @random.rand(60).zero? ? pick(["-1", "0", "999999999999", "1e400", "nan"]) : number }
end
