# frozen_string_literal: true

Sequel.migration do
  change do
    create_table(:projects) do
      String :id, primary_key: true
      String :name, null: false
      Time :created_at, null: false
      Time :changed_at, null: false
    end

    create_table(:models) do
      String :id, primary_key: true
      foreign_key :project_id, :projects, type: String, null: false, on_delete: :cascade
      String :name, null: false
      # The revision in force, and a count of all changes to detect conflicting edits.
      Integer :head, null: false
      Integer :version, null: false, default: 1
      Time :created_at, null: false
      Time :changed_at, null: false
      index :project_id
    end

    create_table(:revisions) do
      primary_key :id
      foreign_key :model_id, :models, type: String, null: false, on_delete: :cascade
      Integer :number, null: false
      Integer :parent
      String :document, text: true, null: false
      Time :created_at, null: false
      unique %i[model_id number]
    end

    create_table(:runs) do
      String :id, primary_key: true
      foreign_key :model_id, :models, type: String, null: false, on_delete: :cascade
      String :kind, null: false
      String :study
      String :document, text: true, null: false
      String :state, null: false, default: "queued"
      TrueClass :stop_wanted, null: false, default: false
      String :phase
      Float :share, null: false, default: 0.0
      String :log, text: true, null: false, default: ""
      String :error, text: true
      String :outcome, text: true
      Integer :worker
      Time :created_at, null: false
      Time :started_at
      Time :finished_at
      index %i[model_id created_at]
      index :state
    end

    create_table(:derived) do
      String :digest, primary_key: true
      String :kind, null: false
      String :meta, text: true, null: false
      Time :created_at, null: false
    end
  end
end
