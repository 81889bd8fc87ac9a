# frozen_string_literal: true

module LatticeServer
  # The made-up world that the product is shown with.
  class DemoData
    PROJECT = "Fernhollow Observatory"
    FILES = File.join(Config::ROOT, "demo", "*.json")

    def initialize(out)
      @out = out
      @db = Database.connect
    end

    def load
      return @out.puts("» demo data: all there") if @db[:projects][name: PROJECT]

      project = Store::Projects.new(@db).create(PROJECT)
      Dir[FILES].each { |file| add(project[:id], file) }
    end

    private

    def add(project, file)
      document = Lattice::Model::Document.read(File.read(file))
      document.active.select { |s| s["digest"] }.each { |s| Lattice::Shape::Store.shared.add_file(File.join(File.dirname(file), s["file"])) }
      @out.puts "» demo data: #{'solving ' unless document.active('study').empty?}#{document.name}"
      text = JSON.generate(document.data)
      model = Store::Models.new(@db).create(project, Building::Tasks.sketch(text))
      document.active("study").each { |study| solve(model[:id], study.name, text) }
    end

    def solve(model, study, document)
      runs = Store::Runs.new(@db)
      run = runs.queue(model, "study", study, document)
      runs.take(run[:id], Process.pid)
      RunProcess.new(run[:id]).call
      error = runs.find(run[:id])[:error]
      @out.puts "  #{error}" if error
    end
  end
end
