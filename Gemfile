# frozen_string_literal: true

source "https://rubygems.org"

ruby ">= 3.1"

# computation, files
gem "caxlsx", "~> 4.5"
gem "ffi", "~> 1.16"
gem "json_schemer", "~> 2.3"
gem "numo-linalg", "~> 0.1.7"
gem "numo-narray", "~> 0.9.2"
gem "zeitwerk", "~> 2.6.18"

# server
gem "ferrum", "~> 0.17"
gem "puma", "~> 6.4"
gem "rackup", "~> 2.1"
gem "rexml", "~> 3.2"
gem "sequel", "~> 5.80"
gem "sinatra", "~> 4.0"
gem "sqlite3", "~> 1.7"

group :development, :test do
  gem "capybara", "~> 3.40"
  gem "cuprite", "~> 0.15"
  gem "rack-test", "~> 2.1"
  gem "rspec", "~> 3.13"
  gem "rubocop", "~> 1.60", require: false
  gem "rubocop-rspec", "~> 3.0", require: false
  gem "simplecov", "~> 0.22", require: false
end
