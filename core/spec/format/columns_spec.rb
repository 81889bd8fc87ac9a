# frozen_string_literal: true

RSpec.describe Lattice::Format::Columns do
  { "commas and a head" => "time,pull\n0,1\n0.5,-2e3\n", "semicolons and decimal commas" => "time;pull\r\n0;1\r\n0,5;-2e3\r\n", "tabs" => "time\tpull\n0\t1\n0.5\t-2e3\n",
    "spaces and remarks" => "# logger 4\ntime pull\n0   1\n\n0.5 -2e3\n" }.each do |name, text|
    it "reads #{name}" do
      table = described_class.read(text)
      expect(table.names).to eq(%w[time pull])
      expect(table.column("pull")).to eq([1.0, -2000.0])
      expect(table.column(0)).to eq([0.0, 0.5])
    end
  end

  it "names columns that have no head" do
    expect(described_class.read("1,2\n3,4").names).to eq(["column 1", "column 2"])
  end

  { "nothing" => ["", /no rows/], "a head alone" => ["time,pull\n", /a head and no rows/], "a gap" => ["1,2\n3,\n", /line 2 has a gap/], "no number" => ["1,2\n3,NaN\n", /line 2 has “NaN”/],
    "unlike rows" => ["1,2\n3,4,5\n6,7\n", /line 2 has 3 columns where others have 2/], "no text" => ["\xff\xfe1,2", /no text/] }.each do |name, (text, message)|
    it "refuses #{name}" do
      expect { described_class.read(text) }.to raise_error(Lattice::InvalidInput, message)
    end
  end
end
