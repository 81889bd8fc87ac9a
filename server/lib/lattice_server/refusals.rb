# frozen_string_literal: true

module LatticeServer
  # What faults become in an answer: words and a cure, and nothing changed.
  module Refusals
    FULL = { error: "the disk is full; nothing was changed", cure: "Free some space on the disk of the data folder, then try again." }.freeze
    DATABASE = { error: "the database could not be written; nothing was changed", cure: "Try again; if it stays so, see that the data folder may be written to." }.freeze
    UNFORESEEN = { error: "an unexpected fault stopped this request; nothing was changed", cure: "Try again; the details are in the server's log." }.freeze

    def self.registered(app)
      app.error(Errno::ENOSPC) do
        Store::Sweep.new(db).call(stale: 0)
        answer(FULL, 507)
      end
      app.error(Sequel::DatabaseError) do |fault|
        next answer(FULL, 507) if fault.message.include?("full")

        warn fault.full_message
        answer(DATABASE, 503)
      end
      app.not_found { answer({ error: "there is nothing at #{request.path_info}" }, 404) }
      app.error(Problem) { |problem| answer(problem.body, problem.status) }
      app.error(Lattice::InvalidInput) { |invalid| answer({ error: invalid.faults.first.to_s, faults: invalid.faults.map(&:as_json) }, 422) }
      app.error do |fault|
        warn fault.full_message
        answer(UNFORESEEN, 500)
      end
    end
  end
end
