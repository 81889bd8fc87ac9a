# frozen_string_literal: true

Sequel.migration do
  change do
    # Bolts, as sections are kept.
    create_table(:own_bolts) do
      String :name, primary_key: true
      String :entry, null: false, text: true
      Time :changed_at, null: false
    end
  end
end
