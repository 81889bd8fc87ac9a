# frozen_string_literal: true

RSpec.describe Lattice::ChildProcess do
  def failure(*command, seconds: 20, memory: 2**30)
    described_class.run(*command, seconds: seconds, memory: memory)
    nil
  rescue described_class::Failed => e
    [e.reason, e.message]
  end

  it "runs a program, and tells why one failed" do
    expect(failure("true")).to be_nil
    expect(failure("sh", "-c", "echo no luck >&2; exit 3")).to eq([:status, "no luck"])
    expect(failure("no-such-program-at-all")[0]).to eq(:missing)
  end

  it "ends what takes too long, with the processes it started" do
    mark = "lattice-#{Process.pid}-#{rand(1_000_000)}"
    reason, = failure("sh", "-c", "sh -c ': #{mark}; while :; do :; done'; true", seconds: 0.3)
    expect(reason).to eq(:time)
    expect(`pgrep -f #{mark}`.lines.map(&:to_i) - [Process.pid]).to be_empty
  end

  it "ends what holds too much memory" do
    hungry = "a = []; loop { a << ('x' * 10_000_000) }"
    expect(failure(RbConfig.ruby, "--disable-gems", "-e", hungry, memory: 300 * (1024**2))[0]).to eq(:memory)
  end
end
