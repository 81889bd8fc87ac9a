# frozen_string_literal: true

module LatticeServer
  # The SQLite database: write-ahead log, foreign keys, migrations.
  module Database
    MIGRATIONS = File.expand_path("../../migrations", __dir__)

    WAIT = 10.0 # s
    NAP = 0.005

    module_function

    # @return [Sequel::Database] migrated; one for the process
    def connect
      @connect ||= begin
        Config.check!
        at(Config.database)
      end
    end

    def at(path)
      Sequel.extension :migration
      # Waiting for another thread's transaction must let that thread go on: the library's
      # own waiting would hold all Ruby threads.
      patient = ->(connection) { connection.busy_handler { |count| sleep(NAP) && count < WAIT / NAP } }
      db = Sequel.sqlite(path, timeout: 0, max_connections: 20, after_connect: patient)
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
