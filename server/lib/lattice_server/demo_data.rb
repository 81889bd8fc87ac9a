# frozen_string_literal: true

require "etc"

module LatticeServer
  # The made-up world that the product is shown with.
  class DemoData
    PROJECT = "Fernhollow Observatory"
    FILES = File.join(Config::ROOT, "demo", "*.json")

    def initialize(out)
      @out = out
      @db = Database.connect
    end

    # Models are solved in as many processes as there are processors, each in one of them.
    def load
      return @out.puts("» demo data: all there") if @db[:projects][name: PROJECT]

      project = Store::Projects.new(@db).create(PROJECT)
      added = Dir[FILES].to_h { |file| [add(project[:id], file), File.size(file)] }
      apart(added.keys.sort_by { |id| -added[id] })
    end

    # Solves all studies of one model.
    # @param model [String] id
    def solve(model)
      text = Store::Models.new(@db).text(model)
      document = Lattice::Model::Document.read(text)
      document.active("study").each { |study| run(model, study.name, text) }
      @out.puts "» demo data: #{document.name}"
    end

    private

    # @return [String] id of the model
    def add(project, file)
      document = Lattice::Model::Document.read(File.read(file))
      document.active.select { |s| s["digest"] }.each { |s| Lattice::Shape::Store.shared.add_file(File.join(File.dirname(file), s["file"])) }
      Store::Models.new(@db).create(project, Building::Tasks.sketch(JSON.generate(document.data)))[:id]
    end

    # @raise [Problem] where one of the processes fails
    def apart(models)
      waiting = models.dup
      running = 0
      while waiting.any? || running.positive?
        while running < Etc.nprocessors && waiting.any?
          Process.spawn(RbConfig.ruby, File.join(Config::ROOT, "bin", "demo-data"), "--model", waiting.shift)
          running += 1
        end
        _, status = Process.wait2
        running -= 1
        raise Problem.new(500, "a demo model could not be solved", cure: "See what was written before.") unless status.success?
      end
    end

    def run(model, study, document)
      runs = Store::Runs.new(@db)
      run = runs.queue(model, "study", study, document)
      runs.take(run[:id], Process.pid)
      RunProcess.new(run[:id]).call
      error = runs.find(run[:id])[:error]
      @out.puts "  #{error}" if error
    end
  end
end
