import { describe, expect, it } from "vitest";
import { cleared, digits, percent, raised } from "./units";

describe("shown numbers", () => {
  it("have four digits, thousands parted by a narrow space", () => {
    expect(digits(229809)).toBe("229\u202f809");
    expect(digits(0.0123456)).toBe("0.01235");
    expect(digits(-2.5)).toBe("-2.5");
    expect(digits(1.23456e9)).toBe("1.235e9");
    expect(digits(0)).toBe("0");
  });

  it("are zero where only rounding made them", () => {
    expect(cleared(-1.7e-9, 0.26)).toBe(0);
    expect(cleared(1e-6, 0.26)).toBe(1e-6);
  });

  it("come with raised powers and signs", () => {
    expect(raised("kg/m3")).toBe("kg/m³");
    expect(percent(-0.082, 1)).toBe("−8.2 %");
    expect(percent(0.23)).toBe("+23 %");
  });
});
