# frozen_string_literal: true

module LatticeServer
  # The library: what ships, and materials, sections and bolts of one's own.
  module LibraryRoutes
    # @param app [Class] that has the helpers of App
    def self.registered(app)
      app.get("/api/materials") { answer(materials: Store::OwnMaterials.new(db).all + Lattice::Matter::Library.entries) }
      app.get("/api/sections") { answer(sections: Store::OwnSections.new(db).all + Lattice::Matter::SectionTable.entries, source: Lattice::Matter::SectionTable.source) }
      { "materials" => Store::OwnMaterials, "sections" => Store::OwnSections, "bolts" => Store::OwnBolts }.each { |path, kind| kept(app, path, kind) }
      app.get("/api/bolts") { answer(Lattice::Matter::Threads::TABLE.merge(own: Store::OwnBolts.new(db).all)) }
      app.get("/api/fatigue-curves") { answer(curves: Lattice::Life::Curves.all) }
    end

    # Entries of one's own: put and deleted by name.
    def self.kept(app, path, kind)
      app.put("/api/#{path}") { answer(kind.new(db).put(body_json)) }

      app.delete "/api/#{path}/:name" do
        kind.new(db).delete(params[:name])
        answer({})
      end
    end
  end
end
