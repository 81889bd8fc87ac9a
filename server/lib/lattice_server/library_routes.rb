# frozen_string_literal: true

module LatticeServer
  # The library: what ships, and materials of one's own.
  module LibraryRoutes
    # @param app [Class] that has the helpers of App
    def self.registered(app)
      app.get("/api/materials") { answer(materials: Store::OwnMaterials.new(db).all + Lattice::Matter::Library.entries) }
      app.put("/api/materials") { answer(Store::OwnMaterials.new(db).put(body_json)) }

      app.delete "/api/materials/:name" do
        Store::OwnMaterials.new(db).delete(params[:name])
        answer({})
      end

      app.get("/api/threads") { answer(Lattice::Matter::Threads::TABLE) }
      app.get("/api/fatigue-curves") { answer(curves: Lattice::Life::Curves.all) }
    end
  end
end
