/** The plan of the vehicle with what a stage proves at its place, lit by its state; what has no place stands in a row under it. For heat, air, cooling, alarms
 * and the road. */
import { useMemo } from "react";
import { useVariant } from "../../data/variant";
import { LightMark } from "../../pictures/LightMark";
import { pressed } from "../../pictures/pressed";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/prove";
import { type Commissioning, STATES, type Step, worst } from "./data";
import { COLOUR, PATH } from "./marks";

type Spot = { x: number; y: number };
type Group = { subject: string; name: string; steps: Step[]; spot: Spot | null };
const SCALE = 100;

const middle = (r: readonly number[]): Spot => ({ x: (r[0]! + r[1]!) / 2, y: (r[2]! + r[3]!) / 2 });

/** Where the subject of a step is, m: along from the rear and left of the centre line; null: it has no place yet. */
export function spotOf(subject: string, report: ReturnType<typeof useVariant>["report"]): Spot | null {
  const { fit, roof, sides } = report;
  if (!subject || !fit) return null;
  const thing = fit.things.find((t) => t.box && [`:${subject}`, `:${subject}-alarm`].some((end) => t.key.endsWith(end)));
  if (thing?.box) return middle(thing.box as number[]);
  const above = roof?.things.find((t) => t.rect && [`vent:${subject}`, `fan:${subject}`].includes(t.key));
  if (above?.rect) return middle(above.rect);
  const hole = sides?.things.find((t) => t.set_out && [`air:${subject}`, `window:${subject}`].includes(t.key));
  if (!hole) return null;
  const half = fit.body.half;
  if (hole.face === "floor") return { x: hole.u_m, y: hole.v_m };
  return hole.face === "rear" ? { x: 0, y: hole.u_m } : { x: hole.u_m, y: hole.face === "left" ? half : -half };
}

/** The steps of a stage by what they are about, each with its place. */
export function groupsOf(c: Commissioning, rung: string, report: ReturnType<typeof useVariant>["report"]): Group[] {
  const found = new Map<string, Group>();
  for (const s of c.steps.filter((x) => x.stage === rung)) {
    const subject = s.subject || s.id;
    const known = found.get(subject);
    if (known) known.steps.push(s);
    else found.set(subject, { subject, name: s.title.split(":")[0]!, steps: [s], spot: spotOf(s.subject, report) });
  }
  return [...found.values()];
}

export function PlanPicture({ c, rung }: { c: Commissioning; rung: string }) {
  const { report } = useVariant();
  const hand = useHand();
  const say = useSaid();
  const groups = useMemo(() => groupsOf(c, rung, report), [c, rung, report]);
  const b = report.fit.body;
  const x = (m: number) => (b.length - m) * SCALE + 30;
  const y = (m: number) => (b.half + m) * SCALE + 24;
  const [w, h] = [b.length * SCALE + 60, 2 * b.half * SCALE + 48];
  const loose = groups.filter((g) => !g.spot);
  const held = hand.kind === "step" ? hand.id : "";
  const mark = (g: Group, at: Spot, text: Spot, anchor: "start" | "middle") => {
    const state = worst(g.steps.map((s) => s.state));
    const on = g.steps.some((s) => s.id === held);
    const light = { colour: COLOUR[state] ?? COLOUR.open!, word: STATES[state] ?? state, path: PATH[state] ?? PATH.open! };
    const pick = () => hand.pick("step", (g.steps.find((s) => s.state !== "pass") ?? g.steps[0]!).id);
    return (
      <g
        key={g.subject}
        role="button"
        tabIndex={0}
        className="cursor-pointer"
        aria-label={`${say(g.name)}: ${light.word}`}
        aria-pressed={on}
        onClick={pick}
        onKeyDown={(k) => pressed(k, pick)}
      >
        <circle cx={at.x} cy={at.y} r="15" fill={on ? "#d9a40040" : "transparent"} />
        <LightMark x={at.x} y={at.y} light={light} size={18} />
        <text x={text.x} y={text.y} fontSize="12" textAnchor={anchor} fill="var(--color-peat)">
          {say(g.name.length > 34 ? `${g.name.slice(0, 33)}…` : g.name)}
        </text>
      </g>
    );
  };
  return (
    <svg
      viewBox={`0 0 ${Math.max(w, 520)} ${h + 26 * Math.ceil(loose.length / 2) + (loose.length ? 14 : 0)}`}
      className="block h-full w-full text-peat"
      role="group"
      aria-label={says("what-proved-plan")}
    >
      <rect
        x={x(b.length)}
        y={y(-b.half)}
        width={b.length * SCALE}
        height={2 * b.half * SCALE}
        rx="8"
        fill="var(--color-sheet)"
        stroke="currentColor"
        strokeWidth="2"
      />
      <text x={x(b.length)} y={h - 6} fontSize="12" fill="var(--color-dim)">
        {says("front")}
      </text>
      <text x={x(0)} y={h - 6} fontSize="12" textAnchor="end" fill="var(--color-dim)">
        {says("rear")}
      </text>
      {rung === "s15" &&
        [b.front_x, b.rear_x, b.second_x].flatMap((at) =>
          at == null
            ? []
            : [
                <line
                  key={at}
                  x1={x(at)}
                  x2={x(at)}
                  y1={y(-b.half) - 8}
                  y2={y(b.half) + 8}
                  stroke="currentColor"
                  strokeWidth="3"
                  strokeDasharray="10 4"
                  data-testid="axle"
                />,
              ],
        )}
      {report.fit.things.flatMap((t) =>
        t.box && !t.on_roof
          ? [
              <rect
                key={t.key}
                x={x((t.box as number[])[1]!)}
                y={y((t.box as number[])[2]!)}
                width={((t.box as number[])[1]! - (t.box as number[])[0]!) * SCALE}
                height={((t.box as number[])[3]! - (t.box as number[])[2]!) * SCALE}
                fill="#2c6e860d"
                stroke="currentColor"
                strokeWidth="0.6"
                opacity="0.55"
              />,
            ]
          : [],
      )}
      {groups.flatMap((g) => (g.spot ? [mark(g, { x: x(g.spot.x), y: y(g.spot.y) }, { x: x(g.spot.x), y: y(g.spot.y) - 13 }, "middle")] : []))}
      {loose.map((g, i) => {
        const at = { x: 44 + (i % 2) * 250, y: h + 12 + 26 * Math.floor(i / 2) };
        return mark(g, at, { x: at.x + 16, y: at.y + 4 }, "start");
      })}
    </svg>
  );
}
