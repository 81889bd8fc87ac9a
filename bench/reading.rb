# frozen_string_literal: true

require "json"
require "net/http"
require "tmpdir"
require_relative "../spec/browser/support/studio"
require_relative "timed"

module Bench
  # How long a large result takes to be looked at, in a browser that draws without a graphics processor.
  class Reading
    include Timed

    SIDE = 316 # elements along each side of a plate in plane stress: 300 000 nodes, all of them in sight
    SCROLLS = 40
    LISTED = 58 # of a smaller one, whose 10 000 nodes are listed
    GROUPS = 760 # statements that make the report long
    # Draw calls are counted where the browser makes them.
    COUNTER = <<~SCRIPT
      window.drawCalls = 0; window.cleared = 0;
      const clear = WebGL2RenderingContext.prototype.clear;
      WebGL2RenderingContext.prototype.clear = function (...rest) { window.cleared += 1; return clear.apply(this, rest); };
      for (const name of ["drawElements", "drawArrays", "drawElementsInstanced", "drawArraysInstanced"]) {
        const make = WebGL2RenderingContext.prototype[name];
        WebGL2RenderingContext.prototype[name] = function (...rest) { window.drawCalls += 1; return make.apply(this, rest); };
      }
    SCRIPT

    # @param data [String] folder of a server whose result is solved already, or will be
    def initialize(data, side: SIDE, groups: 0)
      @data = data
      @groups = groups
      @side = side
    end

    # @return [Array<Hash>] case, size, seconds (or another figure in its words)
    def self.call
      [[SIDE, 0, :shown], [LISTED, 0, :tabled], [LISTED, GROUPS, :reported]].flat_map do |side, groups, measure|
        Dir.mktmpdir { |data| new(data, side: side, groups: groups).call(&measure) }
      end
    end

    # @yield [Reading] answers rows
    def call
      Studio.serve(data: @data) do |address|
        @address = address
        @model = model
        @browser = Studio.browser
        yield(self).map { |row| { size: "#{nodes} nodes", **row } }
      ensure
        @browser&.quit
      end
    end

    # From opening the model to its result drawn, and from one field to another.
    def shown
      first = timed { open_result }[1]
      calls = drawn_calls
      other = another_field
      [{ case: "model opened to first contour", seconds: first.round(2) }, { case: "another field", seconds: other.round(2) }, bytes, { case: "draw calls of a frame", seconds: calls }]
    end

    # All nodes of the plate, scrolled through.
    def tabled
      open_result
      press("Nodes")
      Studio.wait { @browser.css("button").find { |b| b.attribute("aria-label").to_s.start_with?("place:") } }.click
      Studio.wait { @browser.css("[role=menuitem]").find { |b| b.text.strip == "plate" } }.click
      Studio.wait(60) { @browser.at_css("table[aria-label='Nodes of plate'] tbody tr") }
      slowest = @browser.evaluate_async(<<~SCRIPT, 60)
        const box = document.querySelector("[data-scroll]");
        let [last, worst, turn] = [performance.now(), 0, 0];
        const step = (now) => { worst = Math.max(worst, now - last); last = now; box.scrollTop += 400; (turn += 1) < #{SCROLLS} ? requestAnimationFrame(step) : arguments[0](worst); };
        requestAnimationFrame(step);
      SCRIPT
      [{ case: "slowest frame while rows scroll", seconds: (slowest / 1000.0).round(3) }]
    end

    def reported
      answer, seconds = timed { ask(:Get, "/api/models/#{@model}/report.pdf?paper=A4") }
      pages = answer.body.b.scan(%r{/Type\s*/Page[^s]}n).size
      [{ case: "report of #{pages} pages", seconds: seconds.round(1) }]
    end

    private

    def ask(method, path, body = nil)
      uri = URI(@address + path)
      request = Net::HTTP.const_get(method).new(uri, "Content-Type" => "application/json")
      request.body = JSON.generate(body) if body
      Net::HTTP.start(uri.host, uri.port, read_timeout: 600) { |http| http.request(request) }
    end

    def model
      project = JSON.parse(ask(:Post, "/api/projects", { name: "Bench" }).body)["id"]
      id = JSON.parse(ask(:Post, "/api/projects/#{project}/models", { document: document }).body)["id"]
      ask(:Post, "/api/models/#{id}/runs", { kind: "study", study: "press" })
      Studio.wait(900) do
        run = JSON.parse(ask(:Get, "/api/models/#{id}").body)["runs"][0]
        raise run["message"].to_s if %w[failed interrupted].include?(run["state"])

        run["state"] == "done"
      end
      id
    end

    def document
      plan = { "rectangle" => { "x" => "0 mm", "y" => "0 mm", "width" => "#{@side} mm", "height" => "#{@side} mm" } }
      listed = [{ "kind" => "outline", "name" => "plan", "boundary" => plan }, { "kind" => "body", "name" => "plate", "outline" => "plan", "make" => "plane stress", "thickness" => "4 mm" },
                { "kind" => "material", "target" => "plate", "material" => "steel S355" }, edge("root", "x", 0), edge("tip", "x", @side), { "kind" => "support", "target" => "root", "components" => %w[x y] },
                { "kind" => "force", "target" => "tip", "value" => "1 kN", "direction" => "-y" }, { "kind" => "mesh", "size" => "1 mm" }, { "kind" => "study", "name" => "press", "type" => "static" }] + long
      { "format" => "gentle-lattice-model", "version" => 2, "name" => "Plate", "units" => "mm-N", "statements" => listed.each_with_index.map { |s, i| { "id" => "s#{i}" }.merge(s) } }
    end

    def long
      Array.new(@groups) { |i| edge("edges of the plate on its side number #{i + 1}", "y", 0) }
    end

    def edge(name, axis, at) = { "kind" => "group", "name" => name, "of" => "edges", "rule" => { "plane" => { "axis" => axis, "at" => "#{at} mm" } } }
    def view = @view ||= JSON.parse(ask(:Get, "/api/models/#{@model}").body)
    def nodes = view["studies"][0]["findings"]["summary"]["mesh"]["nodes"]
    def script(code) = @browser.evaluate(code)
    def legend? = @browser.at_css("[data-testid=legend]") && @browser.at_css("canvas")
    def press(text) = Studio.wait { @browser.css("button, [role=tab]").find { |b| b.text.strip == text } }.click

    def open_result
      @browser.go_to("#{@address}/models/#{@model}")
      Studio.wait(120) { @browser.at_css("[data-testid=note]") }
      press("Results")
      Studio.wait(120) { legend? && frame }
    end

    def another_field
      @browser.css("button").find { |b| b.attribute("aria-label").to_s.start_with?("field:") }.click
      item = Studio.wait { @browser.css("[role=menuitem]").find { |b| b.text.strip == "stress xx" } }
      before = legend_text
      timed do
        item.click
        Studio.wait(60) { legend_text != before && frame }
      end[1]
    end

    def legend_text = script("document.querySelector('[data-testid=legend]')?.textContent ?? ''")

    # Until a frame was drawn.
    def frame = @browser.evaluate_async("requestAnimationFrame(() => requestAnimationFrame(() => arguments[0](true)))", 60)

    def drawn_calls
      @browser.execute(COUNTER)
      mouse = @browser.mouse
      mouse.move(x: 900, y: 300)
      mouse.down
      frame
      script("window.drawCalls = window.cleared = 0")
      mouse.move(x: 920, y: 310)
      frame
      mouse.up
      script("window.drawCalls") / [script("window.cleared"), 1].max
    end

    # What came for a field, over 32 bits for every point of the skin.
    def bytes
      found = script("performance.getEntriesByType('resource').filter((r) => r.name.includes('/fields?') && r.name.includes('stress_xx')).map((r) => r.encodedBodySize)")
      skin = Net::HTTP.get(URI("#{@address}/api/meshes/#{view['studies'][0]['mesh']}/skin")).b.split("\n", 2)[0].then { |head| JSON.parse(head)["arrays"]["positions"]["shape"] }
      raw = skin.reduce(:*) / 3 * 4
      { case: "bytes of a field over its raw values on the skin", seconds: (found.last.to_f / raw).round(2) }
    end
  end
end
