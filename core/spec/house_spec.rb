# frozen_string_literal: true

RSpec.describe "The house" do
  root = File.expand_path("../..", __dir__)

  it "keeps the core free of web, database and interface" do
    Dir[File.join(root, "core/lib/**/*.rb")].each do |file|
      expect(File.read(file)).not_to match(/\b(LatticeServer|Sinatra|Sequel|SQLite|Rack::|Puma)\b/), file
    end
  end

  # Tests may hold the interface against the published schema; what ships may not read it.
  it "lets the interface know the server only by its API" do
    Dir[File.join(root, "web/src/**/*.{ts,tsx}")].each do |file|
      folders = file.end_with?(".test.ts") ? "core|server" : "core|server|schema"
      expect(File.read(file)).not_to match(%r{from "(\.\./)+(#{folders})/}), file
    end
  end

  it "colours what leaves as a file as the window does" do
    one, other = %w[core/data web/src/window].map { |folder| JSON.parse(File.read(File.join(root, folder, "palette.json"))) }
    expect(one).to eq(other)
  end

  it "has one constant a file, named alike" do
    expect { Lattice::LOADER.eager_load(force: true) }.not_to raise_error
  end

  own = ->(pattern) { Dir[File.join(root, pattern)].reject { |f| f.include?("/node_modules/") } }

  it "keeps files short" do
    long = own.call("{core,server,verify,bench,web/src}/**/*.{rb,ts,tsx,mjs}").select { |f| File.foreach(f).count > 350 && !f.end_with?("api/model.ts") }
    expect(long).to be_empty
  end

  it "asks for nothing outside this machine at run time" do
    sources = own.call("{core,server,web/src,web/public}/**/*.{rb,ts,tsx,css,svg,mjs}") + [File.join(root, "web/index.html")]
    sources.reject { |f| f.include?("/spec/") }.each do |file|
      addresses = File.read(file).scan(%r{https?://[^\s"'#`)]+}).grep_v(%r{\Ahttps?://(127\.0\.0\.1|www\.w3\.org)}).reject { |a| a.end_with?("://") }
      expect(addresses).to be_empty, file
    end
  end
end
