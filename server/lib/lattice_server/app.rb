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
      def fields = Fields.new(Store::Derived.new(db))
      def view(id) = ModelView.new(db, id).to_h

      def answer(value, status = 200)
        content_type :json
        [status, JSON.generate(value)]
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

      def problem(id) = Lattice::Study::Problem.new(Lattice::Model::Document.new(models.document(id)))
      def parts(id) = problem(id).parts

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

        value = JSON.parse(text.force_encoding(Encoding::UTF_8), max_nesting: 40)
        value.is_a?(Hash) ? value : raise(Problem.new(400, "the request is not a JSON object"))
      rescue JSON::ParserError, EncodingError => e
        raise Problem.new(400, "the request is not well-formed JSON: #{e.message.scrub('?')[/\A[^\n]{0,120}/]}", cure: "Check brackets, commas and quotes.")
      end

      def version(body)
        body["version"].is_a?(Integer) ? body["version"] : raise(Problem.new(400, "“version” is missing", cure: "Send the version the edit was made on."))
      end
    end

    get("/api/units") { answer(systems: Lattice::Quantity::Display.table) }
    get("/api/materials") { answer(materials: Lattice::Matter::Library.entries) }
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
      model = models.create(params[:id], Lattice::Model::Document.new(data))
      answer(view(model[:id]), 201)
    end

    get("/api/models/:id") { answer(view(params[:id])) }

    delete "/api/models/:id" do
      models.delete(params[:id])
      answer({})
    end

    put "/api/models/:id/document" do
      body = body_json
      document = Lattice::Model::Document.new(body["document"])
      models.edit(params[:id], document, version(body))
      answer(view(params[:id]))
    end

    # Reads a geometry file and keeps it; the note takes it up by its digest.
    post "/api/models/:id/files" do
      models.find(params[:id])
      answer(sent_file { |path| Bringing.new(path, params[:name].to_s, params).call }, 201)
    end

    get "/api/models/:id/shape/:digest" do
      found = parts(params[:id])
      raise Problem.new(404, "the shape has changed since", cure: "Load the model again.") unless found.digest == params[:digest]

      binary(ShapeView.new(found).bytes)
    end

    get "/api/models/:id/export/:file" do
      kind = File.extname(params[:file])
      bytes = Lattice::Format::ShapeExport.bytes(parts(params[:id]).bodies, kind)
      content_type Lattice::Format::ShapeExport::KINDS.fetch(kind.downcase)
      attachment params[:file]
      bytes
    end

    # The size of elements wanted at a place: body, x, y and z.
    get("/api/models/:id/size") { answer(WantedSizes.at(problem(params[:id]), params)) }

    # {"places": [[body, name], …]}
    post "/api/models/:id/measures" do
      problem = problem(params[:id])
      found = problem.parts
      keys = body_json["places"]
      unless keys.is_a?(Array) && keys.all? { |key| key.is_a?(Array) && key.size == 2 && key.all?(String) }
        raise Problem.new(422, "“places” is not a list of pairs of a body's and a place's name", cure: "Send such a list.")
      end
      places = keys.map { |key| found.place(*key) || raise(Problem.new(422, "there is no place “#{key.last}”", cure: "Pick it again.")) }
      raise Problem.new(422, "nothing is picked to measure", cure: "Pick one or more places.") if places.empty?

      answer(lines: Lattice::Shape::Measuring.new(found, Lattice::Shape::Inventory.new(found.bodies, problem.materials.to_h).densities).call(places))
    end

    %w[undo redo].each do |move|
      post "/api/models/:id/#{move}" do
        models.public_send(move, params[:id], version(body_json))
        answer(view(params[:id]))
      end
    end

    # {"kind": "study", "study": NAME} or {"kind": "mesh"}
    post "/api/models/:id/runs" do
      body = body_json
      document = models.document(params[:id])
      problem = Lattice::Study::Problem.new(Lattice::Model::Document.new(document))
      readiness = Lattice::Verdict::Readiness.new(problem)
      case body["kind"]
      when "mesh" then readiness.check_mesh!
      when "study"
        study = problem.study!(body["study"])
        readiness.check!
      else raise Problem.new(422, "“kind” is study or mesh")
      end
      answer(RunView.new(runs.queue(params[:id], body["kind"], study&.name, document)).to_h, 202)
    end

    get("/api/runs/:id") { answer(RunView.new(runs.find(params[:id])).to_h) }
    post("/api/runs/:id/stop") { answer(RunView.new(runs.stop(params[:id])).to_h) }

    post "/api/runs/:id/retry" do
      run = runs.find(params[:id])
      raise Problem.new(422, "the run has not ended yet", cure: "Stop it first.") unless Store::Runs::ENDED.include?(run[:state])

      answer(RunView.new(runs.queue(run[:model_id], run[:kind], run[:study], JSON.parse(run[:document]))).to_h, 202)
    end

    # Server-Sent Events: the runs of a model whenever one of them changes.
    get "/api/models/:id/events" do
      model = models.find(params[:id])[:id]
      content_type "text/event-stream"
      cache_control :no_store
      stream { |out| RunEvents.new(db, model).each { |event| out << event } }
    end

    get("/api/meshes/:digest/skin") { binary(fields.skin(params[:digest])) }
    get("/api/meshes/:digest/quality") { answer(fields.quality(params[:digest], params[:measure] || "mean_ratio")) }
    get("/api/meshes/:digest/elements") { binary(fields.elements(params[:digest], params[:measure] || "mean_ratio", MeshLook.read(params))) }

    get "/api/results/:digest/fields" do
      binary(fields.fields(params[:digest], params[:names].to_s.split(",")))
    end

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

    not_found { answer({ error: "there is nothing at #{request.path_info}" }, 404) }

    error Problem do |problem|
      answer(problem.body, problem.status)
    end

    error Lattice::InvalidInput do |invalid|
      answer({ error: invalid.faults.first.to_s, faults: invalid.faults.map(&:as_json) }, 422)
    end

    error do |fault|
      warn fault.full_message
      answer({ error: "an unexpected fault stopped this request; nothing was changed", cure: "Try again; the details are in the server's log." }, 500)
    end
  end
end
