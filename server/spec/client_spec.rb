# frozen_string_literal: true

require_relative "spec_helper"

RSpec.describe LatticeServer::Client do
  let(:ends) { UNIXSocket.pair }

  after do
    described_class.asks(nil)
    ends.reject(&:closed?).each(&:close)
  end

  it "knows who closed the connection, and takes nothing of what was sent" do
    described_class.asks(ends[0])
    expect(described_class).not_to be_gone
    ends[1].write("next")
    expect(described_class).not_to be_gone
    expect(ends[0].read_nonblock(4)).to eq("next")
    ends[1].close
    expect(described_class).to be_gone
  end

  it "lets nobody who has left wait for a builder" do
    none = LatticeServer::Builders.new(0)
    described_class.asks(ends[0])
    ends[1].close
    expect { none.ask(:skin, "") }.to raise_error(LatticeServer::Problem, /nobody waits/)
  end
end
