# frozen_string_literal: true

require "fileutils"
require "net/http"
require "socket"
require "ferrum"

# A real server with data of its own, and a headless browser to look at it.
module Studio
  ROOT = File.expand_path("../../..", __dir__)
  WAIT = 30
  CHROMIUM = { "no-sandbox" => nil, "disable-background-networking" => nil, "disable-component-update" => nil, "disable-sync" => nil,
               "no-first-run" => nil, "use-angle" => "swiftshader", "enable-unsafe-swiftshader" => nil, "hide-scrollbars" => nil,
               # Pages are put together by the processor, which costs less than by a graphics processor that is none.
               "disable-gpu" => nil }.freeze

  module_function

  # @param data [String] folder of the database
  # @param demo [Boolean] whether to load the demo models
  # @yield [String, Integer] address and process id of the server
  def serve(data:, demo: false)
    environment = { "LATTICE_DATA" => data, "LATTICE_PORT" => free_port.to_s, "BUNDLE_GEMFILE" => File.join(ROOT, "Gemfile") }
    bring_demo(environment, data) if demo
    pid = Process.spawn(environment, File.join(ROOT, "bin", "server"), out: File::NULL, err: File.join(data, "server.log"))
    address = "http://127.0.0.1:#{environment['LATTICE_PORT']}"
    wait { answers?(address) }
    yield address, pid
  ensure
    if pid
      Process.kill(:TERM, pid)
      Process.wait(pid)
    end
  end

  # The demo models as they were solved elsewhere (LATTICE_DEMO, a folder), or solved here.
  def bring_demo(environment, data)
    solved = ENV.fetch("LATTICE_DEMO", nil)
    return FileUtils.cp_r(File.join(solved, "."), data) if solved

    system(environment, File.join(ROOT, "bin", "demo-data"), out: File::NULL, exception: true)
  end

  def browser
    Ferrum::Browser.new(browser_path: "/usr/bin/chromium", window_size: [1280, 800], headless: "new", timeout: WAIT, process_timeout: WAIT,
                        browser_options: CHROMIUM.dup).tap { |browser| browser.set_viewport(width: 1280, height: 800) }
  end

  # Waits until fonts are there and two frames have been drawn since.
  def settle(browser)
    browser.evaluate_async("document.fonts.ready.then(() => requestAnimationFrame(() => requestAnimationFrame(() => setTimeout(arguments[0], 300))))", WAIT)
  end

  # @return what the block gives once it gives something
  def wait(seconds = WAIT)
    deadline = Process.clock_gettime(Process::CLOCK_MONOTONIC) + seconds
    loop do
      found = yield
      return found if found
      raise "nothing came within #{seconds} s" if Process.clock_gettime(Process::CLOCK_MONOTONIC) > deadline

      Thread.pass
      IO.select(nil, nil, nil, 0.05)
    end
  end

  # @return [Integer] process id of the worker that a server keeps
  def worker_of(server)
    wait do
      Dir["/proc/[0-9]*/status"].find do |file|
        File.read(file)[/^PPid:\s+(\d+)/, 1].to_i == server && File.read(file.sub("status", "cmdline")).include?("bin/worker")
      rescue SystemCallError
        false
      end&.then { |file| file[/\d+/].to_i }
    end
  end

  def free_port = TCPServer.open("127.0.0.1", 0) { |server| server.addr[1] }

  def answers?(address)
    Net::HTTP.get_response(URI("#{address}/api/units")).is_a?(Net::HTTPSuccess)
  rescue SystemCallError
    false
  end
end
