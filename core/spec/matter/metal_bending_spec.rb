# frozen_string_literal: true

RSpec.describe Lattice::Matter::MetalBending do
  strength = 250e6
  define_method(:bent) do |*outline, **fields|
    problem = shape_problem({ "kind" => "line", "name" => "way", "corners" => [spot(0, 0, 0), spot(1000, 0, 0)] }, { "kind" => "body", "name" => "beam", "outline" => "way", "make" => "members" }, *outline,
                            { "kind" => "section", "target" => "beam", "outline" => "bar" },
                            { "kind" => "material", "target" => "beam", "material" => "given", "properties" => { "young" => "200 GPa", "poisson" => "0.3" } },
                            { "id" => "y", "kind" => "yielding", "target" => "beam", "strength" => "250 MPa" }.merge(fields.transform_keys(&:to_s)))
    described_class.new(problem, problem.document.active("yielding")[0]).to_a
  end

  # 40 × 80 mm²: M = f b h²/4 in the end, at twice the curvature of first yield f b h²/4 (1 - 1/12).
  it "bends a rectangle to its plastic moment, by the closed form on the way, less under a force" do
    plan = outline_named("bar", rectangle("-20 mm", "-40 mm", "40 mm", "80 mm"))
    found = bent(plan)
    expect(found.map { |one| one[:outline] }).to eq(["bar"])
    most = strength * 0.04 * (0.08**2) / 4
    strong = found[0][:curves].max_by { |curve| curve[:moments].max }
    weak = found[0][:curves].min_by { |curve| curve[:moments].max }
    # Twelve times as far as it yields at first: all but 1 / (3 · 12²).
    expect(strong[:moments].max).to be_near(most, 5e-3)
    expect(weak[:moments].max).to be_near(most / 2, 5e-3)
    first = 2 * strength / 200e9 / 0.08
    strong[:curvatures].zip(strong[:moments]).select { |k, _| k > first * 1.2 }.each do |k, m|
      expect(m).to be_near(most * (1 - (((first / k)**2) / 3)), 5e-3)
    end
    # Half of what it bears along leaves three quarters.
    pressed = bent(plan, axial: "#{-strength * 0.04 * 0.08 / 2} N")
    expect(pressed[0][:curves].map { |c| c[:moments].max }.max).to be_near(most * 0.75, 1e-2)
    expect(bent(plan, axial: "-9000 kN")[0][:curves]).to be_empty
  end

  it "bends smoothly, and hardens, where that is said" do
    plan = outline_named("bar", rectangle("-20 mm", "-40 mm", "40 mm", "80 mm"))
    harder = bent(plan, curve: [{ "strain" => "0", "stress" => "250 MPa" }, { "strain" => "10 %", "stress" => "400 MPa" }])
    expect(harder[0][:curves].map { |c| c[:moments].max }.max).to be > strength * 0.04 * (0.08**2) / 4 * 1.01
  end
end
