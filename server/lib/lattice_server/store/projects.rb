# frozen_string_literal: true

module LatticeServer
  module Store
    # Projects and the models in them.
    class Projects
      LONGEST_NAME = 80

      def initialize(db)
        @db = db
      end

      def all
        models = @db[:models].order(:created_at).all.group_by { |m| m[:project_id] }
        @db[:projects].reverse(:changed_at).all.map { |p| p.merge(models: models.fetch(p[:id], [])) }
      end

      def create(name)
        now = Time.now
        row = { id: SecureRandom.alphanumeric(10), name: checked(name), created_at: now, changed_at: now }
        @db[:projects].insert(row)
        row.merge(models: [])
      end

      def rename(id, name)
        find(id)
        @db[:projects].where(id: id).update(name: checked(name), changed_at: Time.now)
        find(id)
      end

      def delete(id)
        find(id)
        @db[:projects].where(id: id).delete
      end

      # @raise [Problem] 404
      def find(id)
        @db[:projects][id: id] or raise Problem.new(404, "there is no project “#{id}”", cure: "It may have been deleted; go back to the list.")
      end

      # @raise [Problem] 422 for a name that is empty or too long
      def checked(name)
        text = name.is_a?(String) ? name.strip : ""
        return text if text.length.between?(1, LONGEST_NAME)

        raise Problem.new(422, "a name has 1 to #{LONGEST_NAME} characters", cure: "Type another name.")
      end
    end
  end
end
