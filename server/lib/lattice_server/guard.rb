# frozen_string_literal: true

module LatticeServer
  # The gate for every request: refuses other host names (rebinding), other sites' pages, paths and
  # parameters that are no text, and bodies of another kind than is read here; and says in
  # every answer what a page may load.
  class Guard
    JSON_TYPE = "application/json"
    FILE_TYPE = "application/octet-stream"
    FILES = %r{\A/api/(models/[^/]+/files|columns|ground-motions)\z} # take a file as their body
    LONGEST = 4000
    POLICY = "default-src 'self'; script-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; font-src 'self' data:; connect-src 'self'; worker-src 'self' blob:; " \
             "object-src 'none'; base-uri 'none'; form-action 'self'; frame-ancestors 'none'"
    HEADERS = { "content-security-policy" => POLICY, "x-content-type-options" => "nosniff", "referrer-policy" => "no-referrer", "cross-origin-opener-policy" => "same-origin" }.freeze

    def initialize(app, host_names: Config.host_names)
      @app = app
      @host_names = host_names
    end

    def call(env)
      Client.asks(env["puma.socket"])
      status, headers, body = refusal(env) || @app.call(env)
      return [status, headers, body] if status == -1 # the connection was taken over

      own = env["PATH_INFO"].to_s.start_with?("/api/") ? HEADERS.merge("cache-control" => "no-store") : HEADERS
      [status, own.merge(headers.transform_keys(&:downcase)), body]
    end

    private

    def refusal(env)
      host = env["HTTP_HOST"].to_s
      return refuse(403, "requests for another host name are not served here", "Open the address that the server printed at its start.") unless known?(host)
      return refuse(403, "requests from other sites are not served", "Open the address that the server printed at its start.") if foreign?(env, host)
      return refuse(400, "the address has characters that are no text", "Check it.") unless text?(env["PATH_INFO"]) && text?(env["QUERY_STRING"], query: true)
      return refuse(400, "a parameter is not one plain text", "Send each once, without brackets.") unless plain?(env["QUERY_STRING"])

      wrong_type(env)
    end

    def known?(host) = host.valid_encoding? && @host_names.include?(host.sub(/:\d+\z/, ""))

    def foreign?(env, host)
      origin = env["HTTP_ORIGIN"]
      return true unless origin.nil? || ["http://#{host}", "https://#{host}"].include?(origin)

      # A link to a page may come from anywhere; what the interface asks for may not.
      env["HTTP_SEC_FETCH_SITE"] == "cross-site" && (env["REQUEST_METHOD"] != "GET" || env["PATH_INFO"].to_s.start_with?("/api/"))
    end

    def text?(part, query: false)
      plain = part.to_s
      return false if plain.bytesize > LONGEST

      plain = query ? Rack::Utils.unescape(plain) : Rack::Utils.unescape_path(plain)
      plain = plain.dup.force_encoding(Encoding::UTF_8)
      plain.valid_encoding? && !plain.match?(Lattice::Model::Extent::CONTROL)
    rescue ArgumentError
      false
    end

    # Each parameter once, and none within another.
    def plain?(query) = Rack::Utils.parse_query(query.to_s).all? { |key, value| key.match?(/\A\w+\z/) && value.is_a?(String) }

    # Forms are not read: nothing here sends any, and other sites' pages can.
    def wrong_type(env)
      return nil unless %w[POST PUT PATCH DELETE].include?(env["REQUEST_METHOD"])

      type = env["CONTENT_TYPE"].to_s[/\A[^;]*/].strip.downcase
      wanted = env["PATH_INFO"].match?(FILES) ? FILE_TYPE : JSON_TYPE
      empty = env["CONTENT_LENGTH"].to_i.zero? && env["HTTP_TRANSFER_ENCODING"].nil?
      return nil if type == wanted || (empty && type.empty?)

      refuse(415, "a body of the kind “#{type.scrub('?')[0, 60]}” is not read here", "Send #{wanted}.")
    end

    def refuse(status, message, cure)
      [status, { "content-type" => "application/json" }, [JSON.generate(error: message, cure: cure)]]
    end
  end
end
