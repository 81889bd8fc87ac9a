# frozen_string_literal: true

Sequel.migration do
  change do
    # Cross-sections of one's own, as materials are kept.
    create_table(:own_sections) do
      String :name, primary_key: true
      String :entry, null: false, text: true
      Time :changed_at, null: false
    end
  end
end
