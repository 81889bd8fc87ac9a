# frozen_string_literal: true

require "sinatra/base"
require "time"
require "tempfile"

module LatticeServer
  # The JSON API, the events, and the built interface.
  class App < Sinatra::Base
    LARGEST_BODY = 20 * 1024 * 1024

    set :environment, :production
    set :show_exceptions, false
    set :raise_errors, false
    set :logging, false
    set :dump_errors, false
    set :host_authorization, { permitted_hosts: [] } # Guard does this, with a message
    set :protection, except: %i[json_csrf http_origin]
    set :static, false

    use Guard

    helpers do
      def db = Database.connect
      def projects = Store::Projects.new(db)
      def models = Store::Models.new(db)
      def runs = Store::Runs.new(db)
      def derived = @derived ||= Store::Derived.new(db)
      def mesh(digest) = derived.path!(digest, "mesh")
      def view(id, status = 200) = answer(ModelView.new(db, id), status)

      def answer(value, status = 200)
        content_type :json
        [status, value.is_a?(ModelView) ? value.to_json : JSON.generate(value)]
      end

      # @param task [Symbol] asked of a builder about a model's document
      def built(task, *arguments, by: Builders.quick, **limits)
        text = models.text(params[:id])
        by.ask(task, text, *arguments, key: ::Digest::SHA256.hexdigest(text), **limits)
      end

      # @param arguments [Array] of a task that reads a mesh or a result
      def read(task, *arguments)
        Builders.slow.ask(task, *arguments, key: arguments[0].to_s, seconds: 60, memory: 4 * Builders::GIGABYTE)
      rescue Lattice::Format::ArrayFile::Torn
        derived.forget(params[:digest])
        raise Problem.new(404, "its file was not whole; it is computed again", cure: "Solve the study.")
      end

      # A file sent as the body of a request, in a temporary file of its own.
      def sent_file
        if request.content_length.to_i > Lattice::Format::ShapeFile::LARGEST
          raise Problem.new(413, "the file is larger than #{Lattice::Format::ShapeFile::LARGEST / (1024 * 1024)} MB", cure: "Export it more coarsely.")
        end

        Tempfile.create("lattice", binmode: true) do |file|
          IO.copy_stream(request.body, file, Lattice::Format::ShapeFile::LARGEST + 1) if request.body
          file.flush
          yield file.path
        end
      end

      def binary(bytes)
        content_type "application/octet-stream"
        cache_control :private, :immutable, max_age: 31_536_000
        bytes
      end

      # @return [Hash] the request's body
      def body_json
        raise Problem.new(413, "the request is larger than #{LARGEST_BODY / (1024 * 1024)} MB", cure: "Send less.") if request.content_length.to_i > LARGEST_BODY

        text = request.body&.read(LARGEST_BODY + 1).to_s.dup
        raise Problem.new(413, "the request is larger than #{LARGEST_BODY / (1024 * 1024)} MB", cure: "Send less.") if text.bytesize > LARGEST_BODY

        text.force_encoding(Encoding::UTF_8)
        raise Problem.new(400, "the request is not well-formed JSON: it is not UTF-8", cure: "Send text in UTF-8.") unless text.valid_encoding?

        value = JSON.parse(text, max_nesting: 40)
        value.is_a?(Hash) ? value : raise(Problem.new(400, "the request is not a JSON object"))
      rescue JSON::ParserError, EncodingError => e
        raise Problem.new(400, "the request is not well-formed JSON: #{e.message.scrub('?')[/\A[^\n]{0,120}/]}", cure: "Check brackets, commas and quotes.")
      end

      # @param faults [Array<Lattice::Fault>]
      def refuse(faults) = faults.empty? || raise(Lattice::InvalidInput, faults)

      def version(body)
        body["version"].is_a?(Integer) ? body["version"] : raise(Problem.new(400, "“version” is missing", cure: "Send the version the edit was made on."))
      end
    end

    get("/api/units") { answer(systems: Lattice::Quantity::Display.table) }
    register LibraryRoutes

    get("/api/schema") { answer(Lattice::Model::Schema::DOCUMENT) }

    get "/api/projects" do
      answer(projects: projects.all.map do |p|
        p.merge(models: p[:models].map { |m| m.slice(:id, :name, :changed_at).merge(verdict: ModelView.new(db, m[:id]).verdict) })
      end)
    end

    post("/api/projects") { answer(projects.create(body_json["name"]), 201) }
    patch("/api/projects/:id") { answer(projects.rename(params[:id], body_json["name"])) }

    delete "/api/projects/:id" do
      projects.delete(params[:id])
      answer({})
    end

    # A new model: empty under a name, or a whole document.
    post "/api/projects/:id/models" do
      body = body_json
      projects.find(params[:id])
      data = body["document"] || Lattice::Model::Document.empty(projects.checked(body["name"]))
      view(models.create(params[:id], Sketches.of(JSON.generate(data)))[:id], 201)
    end

    # With revision=NUMBER an older one.
    get("/api/models/:id") { params[:revision] ? answer(ModelView.new(db, params[:id], revision: Integer(params[:revision], exception: false) || 0)) : view(params[:id]) }

    # The newest revisions: number, when it was made, and whether something of it is solved.
    get "/api/models/:id/revisions" do
      list = models.revisions(params[:id]).map { |r| { number: r[:number], created_at: r[:created_at].iso8601, solved: r[:findings].any? { |digest| derived.find(digest) } } }
      answer(revisions: list, current: models.find(params[:id])[:head])
    end

    delete "/api/models/:id" do
      models.delete(params[:id])
      answer({})
    end

    # Saved is only what could be shown.
    put "/api/models/:id/document" do
      body = body_json
      number = version(body)
      models.find(params[:id])
      models.edit(params[:id], Sketches.of(JSON.generate(body["document"])), number)
      view(params[:id])
    end

    # Reads a geometry file and keeps it; the note takes it up by its digest.
    post "/api/models/:id/files" do
      models.find(params[:id])
      limits = { seconds: Lattice::Format::ShapeFile::SECONDS + 10, memory: 4 * Builders::GIGABYTE }
      answer(sent_file { |path| Builders.slow.ask(:bring, path, params[:name].to_s, { unit: params[:unit], kind: params[:kind] }, **limits) }, 201)
    end

    # Reads columns of numbers out of a text file, such as a record.
    post "/api/columns" do
      answer(sent_file { |path| Builders.slow.ask(:columns, path, seconds: 60) })
    end

    # The same of a ground motion.
    post "/api/ground-motions" do
      answer(sent_file { |path| Builders.slow.ask(:motion, path, seconds: 60) })
    end

    get("/api/station") { answer(name: Lattice::Station::NAME, directions: Lattice::Station::DIRECTIONS, events: Lattice::Station.events) }

    # An event as the station sends it, and as it is read.
    get "/api/station/:event/:direction" do
      text = Lattice::Station.file(params[:event], params[:direction])
      answer(file: "#{params[:event]} #{params[:direction]}.txt", text: text, **Lattice::Format::MotionFile.read(text).to_h)
    end

    get "/api/models/:id/shape/:digest" do
      binary(built(:shape, params[:digest]))
    end

    get "/api/models/:id/export/:file" do
      kind = File.extname(params[:file])
      bytes = built(:export, kind, by: Builders.slow, seconds: 60)
      content_type Lattice::Format::ShapeExport::KINDS.fetch(kind.downcase)
      attachment params[:file]
      bytes
    end

    # The report as a PDF file; paper=A4 or Letter.
    get "/api/models/:id/report.pdf" do
      content_type "application/pdf"
      attachment Printer.file(models.text(params[:id]))
      Printer.pdf(Config.address, params[:id], params[:paper] || "A4")
    end

    # The size of elements wanted at a place: body, x, y and z.
    get("/api/models/:id/size") { answer(built(:size, %i[body x y z].to_h { |key| [key, params[key]] }, by: Builders.slow, seconds: 60)) }

    # Faces of different bodies within a reach of each other.
    get("/api/models/:id/meeting") { answer(built(:meeting, params[:reach], by: Builders.slow, seconds: 60)) }

    # {"places": [[body, name], …]}
    post "/api/models/:id/measures" do
      keys = body_json["places"]
      unless keys.is_a?(Array) && keys.size <= 1000 && keys.all? { |key| key.is_a?(Array) && key.size == 2 && key.all?(String) }
        raise Problem.new(422, "“places” is not a list of pairs of a body's and a place's name", cure: "Send such a list.")
      end

      answer(built(:measures, keys))
    end

    %w[undo redo].each do |move|
      post "/api/models/:id/#{move}" do
        models.public_send(move, params[:id], version(body_json))
        view(params[:id])
      end
    end

    # {"kind": "study", "study": NAME} or {"kind": "mesh"}
    post "/api/models/:id/runs" do
      body = body_json
      text = models.text(params[:id])
      sketch = Sketches.of(text)
      study = nil
      case body["kind"]
      when "mesh" then refuse(sketch[:mesh_stops])
      when "study"
        study = Lattice::Study::Problem.choose(sketch[:studies], body["study"])[:name]
        refuse(sketch[:stops])
      else raise Problem.new(422, "“kind” is study or mesh", cure: "Send one of them.")
      end
      answer(RunView.new(runs.queue(params[:id], body["kind"], study, text)).to_h, 202)
    end

    get("/api/runs") { answer(runs: runs.recent.map { |run| RunView.new(run).to_h.merge(run.slice(:model, :project)) }) }
    get("/api/runs/:id") { answer(RunView.new(runs.find(params[:id])).to_h) }
    post("/api/runs/:id/stop") { answer(RunView.new(runs.stop(params[:id])).to_h) }

    post "/api/runs/:id/retry" do
      run = runs.find(params[:id])
      raise Problem.new(422, "the run has not ended yet", cure: "Stop it first.") unless Store::Runs::ENDED.include?(run[:state])

      answer(RunView.new(runs.queue(run[:model_id], run[:kind], run[:study], run[:document])).to_h, 202)
    end

    # Server-Sent Events: the runs of a model whenever one of them changes.
    get "/api/models/:id/events" do
      events = RunEvents.new(db, models.find(params[:id])[:id])
      raise Problem.new(503, "too many windows follow runs", cure: "Close some of them.") if Streams.shared.full?
      raise Problem.new(501, "this server cannot take over connections", cure: "Start it with bin/server.") unless env["rack.hijack"]

      Streams.shared.add(env["rack.hijack"].call, events)
      [-1, {}, []]
    end

    register ResultRoutes

    get "/api/*" do
      raise Problem.new(404, "there is nothing at #{request.path_info}")
    end

    # The interface: its files, and its one page for every other address.
    get "/*" do
      path = File.expand_path(File.join(Config.dist, request.path_info))
      file = path.start_with?("#{Config.dist}/") && File.file?(path) ? path : File.join(Config.dist, "index.html")
      raise Problem.new(503, "the interface has not been built", cure: "Run bin/demo.") unless File.file?(file)

      cache_control(*(file.include?("/assets/") ? [:public, :immutable, { max_age: 31_536_000 }] : [:no_cache]))
      send_file file
    end

    error Sinatra::BadRequest do
      answer({ error: "the parameters of the request cannot be read", cure: "Send each once, as plain text." }, 400)
    end

    register Refusals
  end
end
