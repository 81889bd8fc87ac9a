import { describe, expect, it } from "vitest";
import type { Statement } from "../api/types";
import { freshName, mayBeCalled, toldAs } from "./called";

const prop: Statement = { id: "s", kind: "support", target: "tip", components: ["y"] };
const bond: Statement = { id: "b", kind: "bond", target: "sole", to: "top", reach: "1 mm" };

describe("a support or join that stages shall speak of", () => {
  it("is told by what it does to what, and gets that as its name, other than all that are taken", () => {
    if (!mayBeCalled(prop) || !mayBeCalled(bond)) throw new Error("neither may have a name");
    expect([toldAs(prop), toldAs(bond)]).toEqual(["support of tip", "bond of sole"]);
    expect(freshName([prop, bond], prop)).toBe("support of tip");
    expect(freshName([{ ...prop, id: "o", name: "support of tip" }, { id: "g", kind: "group", name: "support of tip 2", of: "edges" }], prop)).toBe("support of tip 3");
  });

  it("is no load, and no body", () => {
    expect(mayBeCalled({ id: "f", kind: "force", target: "tip", value: "1 kN", direction: "-y" })).toBe(false);
  });
});
