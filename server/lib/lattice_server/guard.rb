# frozen_string_literal: true

module LatticeServer
  # Refuses requests for another host name (rebinding) or from another site's pages.
  class Guard
    def initialize(app, host_names: Config.host_names)
      @app = app
      @host_names = host_names
    end

    def call(env)
      host = env["HTTP_HOST"].to_s
      return refuse("requests for the host name “#{host[0, 60]}” are not served here") unless known?(host)

      origin = env["HTTP_ORIGIN"]
      return refuse("requests from other sites are not served") unless origin.nil? || origin == "http://#{host}" || origin == "https://#{host}"

      site = env["HTTP_SEC_FETCH_SITE"]
      return refuse("requests from other sites are not served") if site == "cross-site" && env["REQUEST_METHOD"] != "GET"

      @app.call(env)
    end

    private

    def known?(host) = @host_names.include?(host.sub(/:\d+\z/, ""))

    def refuse(message)
      [403, { "content-type" => "application/json" }, [JSON.generate(error: message, cure: "Open the address that the server printed at its start.")]]
    end
  end
end
