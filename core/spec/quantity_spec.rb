# frozen_string_literal: true

RSpec.describe Lattice::Quantity do
  def si(text, kind) = described_class.parse(text, kind)

  it "reads values with their unit into SI" do
    expect(si("14 mm", "length")).to be_near(0.014, 1e-12)
    expect(si("0.5*12 kN", "force")).to be_near(6000, 1e-12)
    expect(si("7850 kg/m3", "density")).to be_near(7850, 1e-12)
    expect(si("3 kN/mm²", "stress")).to be_near(3e9, 1e-12)
    expect(si("12e-6 /K", "expansion")).to be_near(12e-6, 1e-12)
    expect(si("2*(3 mm + 4 mm)", "length")).to be_near(0.014, 1e-12)
    expect(si("−1.5", "ratio")).to eq(-1.5)
    expect(si("30 deg", "angle")).to be_near(Math::PI / 6, 1e-12)
  end

  it "reads a decimal comma, and spaces between thousands" do
    expect(si("6,5 kN", "force")).to be_near(6500, 1e-12)
    expect(si("18 402 N", "force")).to be_near(18_402, 1e-12)
  end

  it "binds units that stand side by side tighter than a division" do
    expect(si("50 W/m K", "conductivity")).to be_near(50, 1e-12)
    expect(si("50 W/(m K)", "conductivity")).to be_near(50, 1e-12)
  end

  it "knows the inch, foot, pound, slug and kip" do
    expect(si("1 in", "length")).to eq(0.0254)
    expect(si("1 kip/in2", "stress")).to be_near(6_894_757.293, 1e-9)
    expect(si("1 slug", "mass")).to be_near(14.59390294, 1e-9)
    expect(si("490 lb/ft^3", "density")).to be_near(7849.05, 1e-5)
    expect(si("32.174 ft/s2", "acceleration")).to be_near(9.80665, 1e-4)
  end

  it "offsets a temperature that stands alone" do
    expect(si("20 degC", "temperature")).to be_near(293.15, 1e-12)
    expect(si("68 °F", "temperature")).to be_near(293.15, 1e-12)
  end

  it "refuses the wrong dimension, naming both and giving an example" do
    expect { si("3 mm", "force") }.to raise_error(described_class::Unreadable, /“3 mm” is a length, but a force is wanted \(for example 6.5 kN\)/)
    expect { si("5", "length") }.to raise_error(described_class::Unreadable, /bare number/)
    expect { si("3 mm + 4 N", "length") }.to raise_error(described_class::Unreadable, /force cannot be added to a length/)
  end

  it "refuses what it cannot read, and proposes a unit" do
    expect { si("5 mpa", "stress") }.to raise_error(described_class::Unreadable, /did you mean “MPa”/)
    ["", "mm mm(", "1/0 mm", "1e400 mm", "2^x mm", "((((1 mm", "1 mm; rm", "a" * 300].each do |text|
      expect { si(text, "length") }.to raise_error(described_class::Unreadable)
    end
  end

  describe Lattice::Quantity::Display do
    it "shows four significant digits in the units of a system" do
      expect(described_class.format(0.014, "length")).to eq("14 mm")
      expect(described_class.format(210e9, "stress", system: "in-kip")).to eq("30\u202f458 ksi")
      expect(described_class.format(293.15, "temperature")).to eq("20 degC")
      expect(described_class.format(1.5, "ratio")).to eq("1.5")
      expect(described_class.number(-18_402.4)).to eq("-18\u202f402")
      expect(described_class.number(1.2345e-7)).to eq("1.234e-7").or eq("1.235e-7")
    end

    it "has every kind of quantity in every system, and shows what it reads" do
      kinds = described_class::SYSTEMS.fetch("SI").keys
      described_class::SYSTEMS.each do |system, units|
        expect(units.keys).to match_array(kinds)
        kinds.each do |kind|
          factor, offset = described_class.scale(kind, system)
          shown = "1 #{units[kind]}".strip
          expect(Lattice::Quantity.parse(shown, kind)).to be_near(factor + offset, 1e-12)
        end
      end
    end
  end
end
