# frozen_string_literal: true

# Life by the strains that a study in stages found.
RSpec.describe Lattice::Life::OwnStrain do
  young = 200e9

  it "is the strain along a bar that is pulled, and shear over √3 of what twists" do
    pulled = Numo::DFloat[[300e6, 0, 0, 0, 0, 0]]
    flowed = Numo::DFloat[[2e-3, -1e-3, -1e-3, 0, 0, 0]]
    tensors = [described_class.tensor(pulled, flowed, young), described_class.tensor(pulled * -1, flowed * -0.5, young)]
    strain = described_class.along(tensors, Numo::DFloat[[300e6], [-300e6]])
    expect(strain[true, 0].to_a).to be_near([3.5e-3, -2.5e-3], 1e-9)
    twisted = described_class.tensor(Numo::DFloat[[0, 0, 0, 100e6, 0, 0]], Numo::DFloat[[0, 0, 0, 1e-3, 0, 0]], young)
    both = described_class.along([twisted, twisted * 0], Numo::DFloat[[1.0], [0.0]])
    # Of a stress of √3 τ: √3 τ / E, and the angle over √3.
    expect(both[0, 0]).to be_near((Math.sqrt(3) * 100e6 / young) + (2e-3 / Math.sqrt(3)), 1e-9)
    expect(described_class.along([twisted, twisted], Numo::DFloat[[1.0], [1.0]]).abs.max).to eq(0)
  end

  metal = { "kind" => "material", "target" => "everything", "material" => "given",
            "properties" => { "young" => "200 GPa", "poisson" => "0.3", "expansion" => "12e-6 1/K", "yield" => "250 MPa", "ultimate" => "600 MPa" } }
  stage = ->(name, factor) { { "name" => name, "loads" => [{ "case" => "heat", "factor" => factor }] } }
  define_method(:near) { |name, axis, place, of| group_named(name, { "plane" => { "axis" => axis, "at" => "#{place} mm" } }, of: of) }

  # A bar between walls that is warmed by 200 K beyond what it bears, and cold again.
  define_method(:walled) do |make, *more, **life|
    of = make == "solid" ? "faces" : "edges"
    fields = { "faces" => { by: "fill", wall: "10 mm" } }.fetch(make, { thickness: "10 mm" })
    held = ->(target, *components) { { "kind" => "support", "target" => target, "components" => components } }
    flat = { "faces" => [group_named("all", { "body" => "bar" }), held["all", "z", "rx", "ry"]], "solid" => [near("back", "z", 0, of), held["back", "z"]] }.fetch(make, [])
    study = { "id" => "life", "kind" => "study", "name" => "nights", "type" => "life", "of" => "nights and days",
              "life" => { "by" => "strain", "mean" => "swt", "design" => "1e4", "load" => { "duty" => [{ "case" => "hot" }, { "case" => "cold" }] } }.merge(life.transform_keys(&:to_s)) }
    shape_problem(outline_named("plan", rectangle("0 mm", "0 mm", "40 mm", "20 mm")), body_named("bar", "plan", make: make, **fields), metal,
                  { "kind" => "yielding", "target" => "bar" }, near("left", "x", 0, of),
                  near("right", "x", 40, of), near("sole", "y", 0, of), held["sole", "y"], *%w[left right].map { |name| held[name, "x", *(make == "faces" ? ["rz"] : [])] }, *flat,
                  { "kind" => "case", "name" => "heat" }, { "kind" => "temperature", "target" => "bar", "value" => "200 degC", "reference" => "0 degC", "case" => "heat" },
                  { "kind" => "mesh", "size" => "10 mm" },
                  { "id" => "days", "kind" => "study", "name" => "nights and days", "type" => "stages", "stages" => [stage["hot", "1"], stage["cold", "0"]] }, study, *more)
  end

  def solved(problem)
    study = problem.study!("nights")
    result = Lattice::Study::Solving.new(problem).call(study)
    [result, Lattice::Verdict::Findings.new(problem, study, result).to_h[:findings].find { |f| f[:kind] == "life" }]
  end

  law = Lattice::Life::LocalStrain.new(young, Lattice::Life::LocalStrain.estimate(young, 600e6))

  # Free 2.4e-3: held, it is pressed by as much; hot it bears 250 MPa, cold 230.
  ["solid", "plane stress", "faces"].each do |make|
    it "closes a loop between hot and cold, with no rule for notches: #{make}" do
      result, found = solved(walled(make))
      expect(found).to include(as_found: true, by: "strain")
      expect(found[:worst][:strains]).to be_near([-2.4e-3, 0], 1e-6)
      expect(found[:worst][:values]).to be_near([-250e6, 230e6], 1e-5)
      expect(found[:loops].size).to eq(1)
      expect(found[:loops][0]).to include(strain: be_near(1.2e-3, 1e-5), mean: be_near(-10e6, 1e-3), greatest: be_near(230e6, 1e-5))
      life = law.life(Numo::DFloat[1.2e-3], Numo::DFloat[-10e6], Numo::DFloat[230e6], "swt")[0]
      expect(found[:worst][:life]).to be_near(life, 1e-4)
      # What may be more is strain and stress as they are.
      factor = found[:worst][:safety]
      expect(law.life(Numo::DFloat[1.2e-3 * factor], Numo::DFloat[0.0], Numo::DFloat[230e6 * factor], "swt")[0]).to be_near(1e4, 1e-3)
      expect(found[:course].map { |strain, stress| [strain.last, stress.last] }).to be_near([[0, 230e6], [-2.4e-3, -250e6]], 1e-5)
      expect(result.catalogue.map(&:name)).to include("damage", "biaxiality")
      expect(result.catalogue.map(&:name)).not_to include("plastic_strain")
    end
  end

  it "takes stress as it is, too" do
    _, found = solved(walled("plane stress", by: "stress", mean: "goodman", curve: { "coefficient" => "900 MPa", "exponent" => "-0.09" }))
    expect(found[:worst][:life]).to be_near(((240 / (1 + (10 / 600.0))) / 900)**(-1 / 0.09), 1e-3)
    expect(found).to include(as_found: false)
  end

  it "comes from a file with what stays, and tells free strain of the study" do
    problem = walled("solid")
    result = Lattice::Study::Solving.new(problem).call(problem.study!("nights and days"))
    Dir.mktmpdir do |folder|
      Lattice::Format::ResultFile.write(File.join(folder, "r"), result)
      again = Lattice::Format::ResultFile.read(File.join(folder, "r"), result.grid)
      hot = result.found[:stages][:ends][0]
      expect((again.flow(hot) - result.flow(hot)).abs.max).to eq(0)
      expect(again.flow(hot)[true, 0].minmax).to be_near([-1.15e-3, -1.15e-3], 1e-5)
      expect(again.field("thermal_strain", hot).minmax).to be_near([2.4e-3, 2.4e-3], 1e-9)
      expect(again.field("thermal_strain", again.frames.size - 1).abs.max).to be < 1e-15
    end
  end

  { "a stage that is not there" => [{ load: { "duty" => [{ "case" => "hot" }, { "case" => "dawn" }] } }, /no stage of “nights and days” named “dawn”.*“hot”, “cold”/m],
    "a step without a stage" => [{ load: { "duty" => [{ "case" => "hot" }, { "case" => "" }] } }, /step 2 of its duty names no stage/],
    "a factor" => [{ load: { "duty" => [{ "case" => "hot", "factor" => "2" }, { "case" => "cold" }] } }, /not in proportion to its loads/],
    "a ratio" => [{ load: { "ratio" => "-1" } }, /what comes after what is a duty/], "a scale" => [{ scale: "2" }, /not in proportion/] }.each do |name, (life, message)|
    it "refuses #{name}" do
      problem = walled("solid", **life)
      expect { Lattice::Study::Kinds::Life.check!(problem, problem.study!("nights")) }.to raise_error(Lattice::InvalidInput, message)
    end
  end

  it "refuses members and ground, of which no strain is told" do
    way = [{ "kind" => "line", "name" => "way", "corners" => [spot(0, 50, 0), spot(100, 50, 0)] }, { "kind" => "body", "name" => "rod", "outline" => "way", "make" => "members" },
           outline_named("square", rectangle("-5 mm", "-5 mm", "10 mm", "10 mm")), { "kind" => "section", "target" => "rod", "outline" => "square" }]
    problem = walled("solid", *way)
    expect { Lattice::Study::Kinds::Life.check!(problem, problem.study!("nights")) }.to raise_error(Lattice::InvalidInput, /strains of “rod” in stages are not told/)
    problem = walled("solid", { "kind" => "soil", "target" => "bar", "cohesion" => "5 kPa", "friction" => "30 deg" })
    expect { Lattice::Study::Kinds::Life.check!(problem, problem.study!("nights")) }.to raise_error(Lattice::InvalidInput, /strains of “bar” in stages are not told/)
  end
end
