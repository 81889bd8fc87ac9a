# frozen_string_literal: true

Sequel.migration do
  change do
    # How a run in increments converges: a line of JSON for each that came to rest, and what is being tried.
    alter_table(:runs) do
      add_column :course, String, text: true, null: false, default: ""
      add_column :trying, String, text: true
    end
  end
end
