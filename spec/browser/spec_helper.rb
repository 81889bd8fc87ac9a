# frozen_string_literal: true

require "capybara/rspec"
require "capybara/cuprite"
require "tmpdir"
require_relative "support/studio"
require_relative "support/desk"
require_relative "support/writing"

data = Dir.mktmpdir("lattice-browser")

Capybara.register_driver(:chromium) do |app|
  Capybara::Cuprite::Driver.new(app, browser_path: "/usr/bin/chromium", window_size: [1280, 800], headless: "new", timeout: Studio::WAIT,
                                     process_timeout: Studio::WAIT, browser_options: Studio::CHROMIUM.dup, js_errors: true)
end
Capybara.default_driver = :chromium
Capybara.run_server = false
Capybara.enable_aria_label = true
Capybara.default_max_wait_time = 25
Capybara.save_path = File.join(data, "pages")

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.example_status_persistence_file_path = ENV.fetch("LATTICE_JOURNEYS", nil)
  config.include Capybara::DSL
  config.include Desk
  config.before { page.driver.resize(1280, 887) }

  # One server with the demo data for all journeys.
  config.before(:suite) do
    gate = Queue.new
    done = Queue.new
    $studio = { done: done, thread: Thread.new do # rubocop:disable Style/GlobalVars -- shared by the whole suite
      Studio.serve(data: data, demo: !ENV.key?("LATTICE_NO_DEMO")) do |address, pid|
        gate << [address, pid]
        done.pop
      end
    end }
    Capybara.app_host, Desk.server = gate.pop
    Desk.data = data
  end

  config.after(:suite) do
    Capybara.current_session.driver.quit
    $studio[:done] << true # rubocop:disable Style/GlobalVars
    $studio[:thread].join # rubocop:disable Style/GlobalVars
    FileUtils.remove_entry(data)
  end
end
