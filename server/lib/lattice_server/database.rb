# frozen_string_literal: true

module LatticeServer
  # The SQLite database: write-ahead log, foreign keys, migrations.
  module Database
    MIGRATIONS = File.expand_path("../../migrations", __dir__)

    module_function

    # @return [Sequel::Database] migrated; one for the process
    def connect
      FileUtils.mkdir_p(Config.derived)
      @connect ||= at(Config.database)
    end

    def at(path)
      Sequel.extension :migration
      db = Sequel.sqlite(path, timeout: 10_000, max_connections: 20)
      db.run("PRAGMA journal_mode = WAL")
      db.run("PRAGMA synchronous = NORMAL")
      Sequel::Migrator.run(db, MIGRATIONS)
      db
    end

    # A forked process must not share its parent's connections.
    def disconnect
      @connect&.disconnect
      @connect = nil
    end
  end
end
