import { useBolts, type LibraryBolt } from "../../api/hooks";
import type { BoltsFinding, Of } from "../../api/types";
import { ChoiceChip, TextChip } from "../chips";
import { useNote } from "../context";
import { CaseChip } from "../loadChips";
import { FlagChip } from "../FlagChip";
import { TargetChip } from "../TargetChip";
import { nameOf, type Named } from "../joins";
import { imperial } from "../template";
import { Verdict } from "../Verdict";
import { entry } from "./entry";

type Bolt = Of<"bolt">;
type How = "loose" | "force" | "torque" | "proof";

const SIZES = ["M5", "M6", "M8", "M10", "M12", "M14", "M16", "M20", "M24", "M30", "M36", "1/4-20", "5/16-18", "3/8-16", "1/2-13", "5/8-11", "3/4-10", "1-8"] as const;
const CLASSES = ["4.6", "5.8", "8.8", "10.9", "12.9", "grade 5", "grade 8"] as const;
const HOWS = [
  ["loose", "not tightened"],
  ["force", "tightened to a force of"],
  ["torque", "tightened with a torque of"],
  ["proof", "tightened to a share of its proof force of"],
] as const;
const BEGUN: Record<Exclude<How, "loose">, NonNullable<Bolt["tighten"]>> = { force: { force: "10 kN" }, torque: { torque: "20 N m" }, proof: { proof: "0.7" } };

const howOf = ({ tighten }: Bolt): How => (!tighten ? "loose" : "force" in tighten ? "force" : "torque" in tighten ? "torque" : "proof");

/** What may be chosen: what ships, one's own, and what the note holds of one's own. */
function known(ships: readonly string[], held: Named, own: readonly LibraryBolt[]) {
  return [...new Set([...ships, nameOf(held), ...own.map((b) => b.name)])].map((name) => [name, name] as const);
}

/** A size that ships keeps the class; a bolt of one's own brings thread and strength, which the note then holds. */
function sized(statement: Bolt, name: string, own: readonly LibraryBolt[]) {
  const mine = own.find((b) => b.name === name);
  const ships = SIZES.find((size) => size === name);
  if (mine) {
    const { diameter, pitch, stress_area, head, proof } = mine;
    statement.size = { name, diameter, ...(pitch && { pitch }), ...(stress_area && { stress_area }), ...(head && { head }) };
    statement.class = { name, proof };
  } else if (ships) {
    statement.size = ships;
    if (typeof statement.class !== "string") statement.class = "8.8";
  }
}

function BoltLine({ statement }: { statement: Bolt }) {
  const { view, shown, change } = useNote();
  const own = useBolts().data?.own ?? [];
  const holes = view.shape.bolts[statement.id] ?? [];
  const edit = (apply: (s: Bolt) => void) => change(statement.id, (s) => s.kind === "bolt" && apply(s));
  const how = howOf(statement);
  const { tighten } = statement;
  const study = view.studies.find((s) => s.findings?.findings.some((f) => f.kind === "bolts" && f.statement === statement.id));
  const found = study?.findings?.findings.find((f): f is BoltsFinding => f.kind === "bolts" && f.statement === statement.id);
  return (
    <>
      Bolts <ChoiceChip label="size" value={nameOf(statement.size)} options={known(SIZES, statement.size, own)} onChoose={(v) => void edit((s) => sized(s, v, own))} /> of class{" "}
      <ChoiceChip label="class" value={nameOf(statement.class)} options={known(CLASSES, statement.class, [])} onChoose={(v) => void edit((s) => void (s.class = CLASSES.find((c) => c === v) ?? s.class))} /> go through <TargetChip statement={statement} kinds={["faces", "edges"]} />,{" "}
      <ChoiceChip
        label="tightening"
        value={how}
        options={HOWS}
        onChoose={(v) =>
          void edit((s) => {
            if (v === "loose") delete s.tighten;
            else s.tighten = BEGUN[v];
          })
        }
      />
      {tighten && (
        <>
          {" "}
          <TextChip label="tighten" value={"force" in tighten ? tighten.force : "torque" in tighten ? tighten.torque : tighten.proof} onCommit={(v) => edit((s) => s.tighten && Object.assign(s.tighten, { [how]: v }))} />
        </>
      )}
      {tighten && "torque" in tighten && (
        <>
          , T = K F d with K <TextChip label="K" value={tighten.factor ?? "0.2"} onCommit={(v) => edit((s) => s.tighten && Object.assign(s.tighten, { factor: v }))} />
        </>
      )}
      <CaseChip statement={statement} />; held by{" "}
      <ChoiceChip
        label="held by"
        value={statement.blind ? "thread" : "nut"}
        options={[
          ["nut", "a nut"],
          ["thread", "their thread in the last part"],
        ]}
        onChoose={(v) =>
          void edit((s) => {
            if (v === "thread") s.blind = true;
            else delete s.blind;
          })
        }
      />
      , <FlagChip on={statement.mass === true} words={statement.mass ? "with their own mass" : "without their own mass"} onTurn={() => void edit((s) => void (s.mass ? delete s.mass : (s.mass = true)))} />
      {holes.length > 0 && (
        <span className="text-spruce">
          {" "}
          · {holes.length - (statement.own?.filter((o) => o.off).length ?? 0)} {holes.length === 1 ? "bolt" : "bolts"}, grip {shown.text(holes[0]?.grip ?? 0, "length")}
        </span>
      )}
      {found && (
        <Verdict holds={found.holds} margin={found.margin} stale={study?.state === "stale"}>
          {found.bolt} of {found.count} is used to {(found.utilisation * 100).toFixed(0)} %{found.safety.tension !== null && `, factor ${found.safety.tension.toPrecision(3)} in tension`}
          {found.safety.shear !== null && `, ${found.safety.shear.toPrecision(3)} in shear`}
          {found.frame_name && ` in ${found.frame_name}`}
        </Verdict>
      )}
    </>
  );
}

export default [
  entry({
    kind: "bolt",
    section: "Joins and supports",
    order: 7,
    Line: BoltLine,
    templates: [
      {
        word: "bolt",
        text: "bolts through holes",
        also: "screw fastener preload tighten torque clamp thread nut stud",
        make: (v) => ({ kind: "bolt", target: "", size: imperial(v) ? "3/8-16" : "M10", class: imperial(v) ? "grade 5" : "8.8" }),
      },
    ],
  }),
];
