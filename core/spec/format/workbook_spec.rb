# frozen_string_literal: true

require "nokogiri"
require "zip"

RSpec.describe Lattice::Format::Workbook do
  def part(bytes, name) = Nokogiri::XML(Zip::File.open_buffer(StringIO.new(bytes)).read(name)).remove_namespaces!

  it "keeps numbers as numbers and texts as texts, a sheet for every table" do
    bytes = described_class.bytes("reactions" => [["support", "x, N"], ["root", -1000.5], ["tip", nil]], "a/b:c" => [["=1+1"]])
    cells = part(bytes, "xl/worksheets/sheet1.xml").xpath("//c")
    expect(cells.map { |c| [c["r"], c["t"]] }).to eq([%w[A1 inlineStr], %w[B1 inlineStr], %w[A2 inlineStr], %w[B2 n], %w[A3 inlineStr], ["B3", nil]])
    expect(cells[3].at("v").text.to_f).to eq(-1000.5)
    expect(part(bytes, "xl/workbook.xml").xpath("//sheet").map { |s| s["name"] }).to eq(["reactions", "a b c"])
    # What looks like a formula is text.
    expect(part(bytes, "xl/worksheets/sheet2.xml").xpath("//f")).to be_empty
  end

  it "gives every sheet a name of its own, short enough" do
    names = %w[x x].map { |n| n * 40 }
    expect(described_class.title(names[1], [names[0]])).to eq("#{'x' * 27} (2)")
    expect(described_class.title("", [])).to eq("table")
  end
end
