# frozen_string_literal: true

module LatticeServer
  # Prints a model's report by a headless browser, in a process of its own.
  class Printer
    SECONDS = 120
    PAPERS = %w[A4 Letter].freeze # bin/print-report knows their sizes

    # @param document [String] of a model
    # @return [String] what its report is called
    def self.file(document) = "#{JSON.parse(document)['name'].gsub(/[^\p{Alnum} .-]/, '_')}.pdf"

    # @param address [String] of this server
    # @param model [String] id
    # @param paper [String] one of PAPERS
    # @return [String] bytes of a PDF file
    # @raise [Problem]
    def self.pdf(address, model, paper)
      raise Problem.new(422, "“#{paper}” is not a size of paper", cure: "Choose #{PAPERS.join(' or ')}.") unless PAPERS.include?(paper)

      Dir.mktmpdir do |folder|
        file = File.join(folder, "report.pdf")
        Lattice::ChildProcess.run(RbConfig.ruby, File.join(Config::ROOT, "bin", "print-report"), "#{address}/models/#{model}/report?paper=#{paper}", file, paper, seconds: SECONDS,
                                                                                                                                                                  memory: 4 * Builders::GIGABYTE)
        File.binread(file)
      end
    rescue Lattice::ChildProcess::Failed => e
      raise Problem.new(503, e.reason == :missing ? "the browser that prints is not installed" : "the report could not be printed: #{e.message}",
                        cure: "Run bin/setup, then try again; the report page can be printed from your own browser too.")
    end
  end
end
