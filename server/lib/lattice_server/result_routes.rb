# frozen_string_literal: true

module LatticeServer
  # What is asked of meshes and results: arrays for the window, and files.
  module ResultRoutes
    # @param app [Class] that has the helpers of App
    def self.registered(app)
      app.get("/api/meshes/:digest/skin") { binary(read(:skin, mesh(params[:digest]))) }
      app.get("/api/meshes/:digest/quality") { answer(read(:quality, mesh(params[:digest]), params[:measure] || "mean_ratio")) }
      app.get("/api/meshes/:digest/elements") { binary(read(:elements, mesh(params[:digest]), params[:measure] || "mean_ratio", MeshLook.read(params))) }

      # With less=DIGEST (and less_frame=) the fields less those of another result of its own mesh, or another.
      app.get "/api/results/:digest/fields" do
        pairs = params.values_at(:digest, :less).compact.map { |digest| [derived.path!(digest, "result"), mesh(derived.mesh_of(digest))] }
        binary(read(:fields, pairs, FieldsWanted.read(params)))
      end

      # Least and greatest of a field over all frames that are states.
      app.get "/api/results/:digest/range" do
        answer(read(:range, derived.path!(params[:digest], "result"), mesh(derived.mesh_of(params[:digest])), FieldsWanted.range(params)))
      end

      # With model, study, at (a group or body), names and frame: fields at the points of a place.
      app.get "/api/results/:digest/nodes" do
        wanted = { study: params[:study].to_s, at: params[:at].to_s, **FieldsWanted.read(params).slice(:names, :frame) }
        answer(read(:nodes, models.text(params[:model]), derived.path!(params[:digest], "result"), mesh(derived.mesh_of(params[:digest])), wanted))
      end

      # With model: how what touches stands on a mesh, before anything is solved.
      app.get("/api/meshes/:digest/touches") { answer(read(:touches, models.text(params[:model]), mesh(params[:digest]))) }

      # With model, study, name and frame: least and greatest of a field in each body and group.
      app.get "/api/results/:digest/places" do
        wanted = { study: params[:study].to_s, name: params[:name].to_s, frame: FieldsWanted.frame(params[:frame]) }
        answer(read(:places, models.text(params[:model]), derived.path!(params[:digest], "result"), mesh(derived.mesh_of(params[:digest])), wanted))
      end

      # A frame of a result as a file: field, frame, times (of displacements), and low and high of its colours, SI.
      app.get "/api/results/:digest/export/:file" do
        kind = File.extname(params[:file]).downcase
        bytes = read(:result_file, derived.path!(params[:digest], "result"), mesh(derived.mesh_of(params[:digest])), kind, FieldsWanted.exported(params))
        content_type Lattice::Format::ResultExport::KINDS.fetch(kind)
        attachment params[:file]
        bytes
      end

      workbooks(app)
    end

    def self.workbooks(app)
      # {"name": …, "rows": [[…], …]} as a workbook: what a table of the window holds, heads first.
      app.post "/api/workbook" do
        name, rows = body_json.values_at("name", "rows")
        unless name.is_a?(String) && rows.is_a?(Array) && rows.all? { |row| row.is_a?(Array) && row.all? { |cell| cell.nil? || cell.is_a?(String) || cell.is_a?(Numeric) } }
          raise Problem.new(422, "“rows” are not lists of texts and numbers", cure: "Send such as [[\"head\"], [1.5]].")
        end

        content_type "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet"
        Lattice::Format::Workbook.bytes({ name => rows })
      end
    end
  end
end
