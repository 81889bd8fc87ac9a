# frozen_string_literal: true

Sequel.migration do
  change do
    # Materials of one's own, beside those that ship: their entries as JSON.
    create_table(:own_materials) do
      String :name, primary_key: true
      String :entry, null: false, text: true
      Time :changed_at, null: false
    end
  end
end
