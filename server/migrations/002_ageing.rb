# frozen_string_literal: true

Sequel.migration do
  change do
    # The digests that follow from a revision, as JSON: what is kept for it, and what the list of projects shows.
    alter_table(:revisions) { add_column :state, String, text: true }
    # Length of the file that belongs to a row, and when it was last read.
    alter_table(:derived) do
      add_column :bytes, :Bignum, default: 0, null: false
      add_column :used_at, Time
    end
  end
end
