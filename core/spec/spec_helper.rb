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
  # Lists as a whole: against the largest of what is expected.
  match do |actual|
    next (actual - expected).abs <= within * [expected.abs, 1e-300].max unless expected.is_a?(Array)

    scale = expected.flatten.map(&:abs).max
    actual.flatten.zip(expected.flatten).all? { |a, e| (a - e).abs <= within * (scale.zero? ? 1.0 : scale) }
  end
  failure_message { |actual| "expected #{actual} to be within #{within} of #{expected}#{" (off by #{((actual - expected) / expected).abs})" unless expected.is_a?(Array)}" }
end
