import type { Increment, Run } from "../api/types";
import { digits, tenTo } from "../ui/units";
import { Converging } from "./Converging";

/** Such as 3 × 10⁻⁵. */
function left(value: number): string {
  const [digit, power] = value.toExponential(0).split("e");
  return `${digit} × ${tenTo(Number(power))}`;
}

const level = ({ name, level: at }: Increment) => (name ? `${digits(Number((at * 100).toPrecision(3)))} %` : `${digits(Number(at.toPrecision(4)))} × the loads`);

function pressed({ pressing }: Increment): string {
  const [before, now] = [pressing.at(-2), pressing.at(-1)];
  if (now === undefined) return "";
  const change = before === undefined ? 0 : now - before;
  return `; ${digits(now)} places press${change ? ` (${change > 0 ? "+" : "−"}${Math.abs(change)})` : ""}`;
}

/** How a study in increments converges while it runs: what is left over, how far the loads have come, what presses. */
export function RunCourse({ run }: { run: Run }) {
  if (run.state !== "running" || (run.course.length === 0 && !run.trying)) return null;
  const all = [...run.course, ...(run.trying ? [run.trying] : [])].filter((one) => one.residuals.length > 0);
  const now = run.trying ?? all.at(-1);
  if (!now || all.length === 0) return null;
  const rest = run.course.at(-1);
  return (
    <div className="flex items-start gap-4" data-course>
      <Converging residuals={all.slice(-25).map((one) => one.residuals)} />
      <p className="text-[12.5px]">
        {now.name && <b className="font-semibold">{now.name}: </b>}
        increment {run.increments + (run.trying ? 1 : 0)}, {run.trying ? "trying" : "at"} {level(now)}
        <span className="block text-faint">
          iteration {now.residuals.length}: {left(now.residuals.at(-1) ?? 0)} left over{pressed(now)}
        </span>
        {rest && run.trying && <span className="block text-faint">at rest up to {level(rest)}{rest.name && rest.name !== now.name && ` of ${rest.name}`}</span>}
        {run.keeps && <span className="mt-1 block text-faint">Stopped, it keeps what has come to rest, and goes on from there.</span>}
      </p>
    </div>
  );
}
