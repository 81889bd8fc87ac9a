# frozen_string_literal: true

require "tmpdir"
require_relative "spec_helper"

RSpec.describe "Mending" do
  # An OBJ file of a plate of 80 × 40 × 10 mm whose corner is cut off by a sliver of a face, a few
  # µm wide; the top lies apart from the rest by a gap.
  def plate(folder, sliver: 3e-3, gap: 0.0)
    outline = [[0, 0], [80 - sliver, 0], [80, sliver], [80, 40], [0, 40]]
    bottom, top = [0, 10].map { |z| outline.map { |x, y| [x, y, z] } }
    lid = top.map { |x, y, z| [x, y, z + gap] }
    sides = (1..5).map { |i| [i, (i % 5) + 1, (i % 5) + 6, i + 5] }
    faces = [[5, 4, 3, 2, 1], [11, 12, 13, 14, 15], *sides]
    File.join(folder, "mirror-cover.obj").tap do |path|
      File.write(path, [*(bottom + top + lid).map { |p| "v #{p.join(' ')}" }, *faces.map { |f| "f #{f.join(' ')}" }].join("\n"))
    end
  end

  def bring(path)
    find("input[aria-label='Geometry file']", visible: :all).attach_file(path)
    expect(page).to have_css("[data-testid=note]", text: "is read from mirror-cover.obj")
  end

  it "closes the gaps of a file by a tolerance, and shows where a sliver keeps a mesh from being made" do
    Dir.mktmpdir do |folder|
      new_project("Mirror cover")
      bring(plate(folder, gap: 0.002))
      expect(page).to have_css("[data-testid=note]", text: /left: \d+ open edges/)
      type_chip("Shape", "merge", "-1 mm")
      expect(page).to have_css("[data-testid=note]", text: "a distance of -1 mm is not above zero")
      type_chip("Shape", "merge", "2.5 um")
      expect(page).to have_css("[data-testid=note]", text: "near points made one")
      expect(page).to have_no_css("[data-testid=note]", text: "open edges")

      write_statement("mesh")
      type_chip("Mesh", "size", "5 mm")
      find("[role=tab]", text: "Mesh").click
      find("button.button-strong", text: "Mesh", exact_text: true).click
      expect(page).to have_text(/“face \d” of “mirror-cover” is only 0.004\d+ mm wide and 10 mm long/, wait: 60)
      click_button "Show the place"
      expect(page).to have_css("[data-look=shape]", text: /80 mm; 0.0015\d* mm; 5\.?\d* mm/)
      press(:escape)
      expect(page).to have_no_css("[data-look=shape]", text: /0.0015/)

      # A distance wider than the sliver takes it away.
      type_chip("Shape", "merge", "0.01 mm")
      expect(page).to have_css("[data-testid=note]", text: /6 faces/)
      find("[role=tab]", text: "Mesh").click
      find("button.button-strong", text: "Mesh", exact_text: true).click
      expect(page).to have_css("section[aria-label=Quality]", wait: 60)

      # The sliver comes back: the next mesh fails, and the one before stays to be seen.
      type_chip("Shape", "merge", "1 um")
      expect(page).to have_text("Not meshed at this size")
      find("button.button-strong", text: "Mesh", exact_text: true).click
      expect(page).to have_css("ol[aria-label=Runs] li:first-child[data-state=failed]", wait: 60)
      click_button "Show the mesh before"
      expect(page).to have_css("[data-look=mesh]", text: "The mesh before the last changes")
      expect(page).to have_css("section[aria-label=Quality]")
      click_button "Show the shape"
      expect(page).to have_text("Not meshed at this size")
    end
  end
end
