# frozen_string_literal: true

if ENV["COVERAGE"]
  require "simplecov"
  SimpleCov.start { add_filter "/spec/" }
end
require_relative "../lib/lattice"
require_relative "support/models"

RSpec.configure do |config|
  config.disable_monkey_patching!
  config.order = :random
  config.include Models
  config.expect_with(:rspec) { |c| c.syntax = :expect }
end

RSpec::Matchers.define :be_near do |expected, within|
  match { |actual| (actual - expected).abs <= within * [expected.abs, 1e-300].max }
  failure_message { |actual| "expected #{actual} to be within #{within} of #{expected} (off by #{((actual - expected) / expected).abs})" }
end
