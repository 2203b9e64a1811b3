/** Behind a wall: what crosses it, with where it enters and leaves, and whether it was tested. To be looked at before it is closed. */
import { useSearchParams } from "react-router";
import { show } from "../../data/show";
import { Exports } from "../../parts/Exports";
import { Bench } from "../../shell/Bench";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/fit";
import { Choices } from "./Choices";
import { useFit } from "./data";
import { dashes } from "./frame";
import { Sentence } from "./Sentence";
import { CUT, SERVICE, VIEWS } from "./words";

type Wall = ReturnType<typeof useFit>["part"]["walls"][number];

/** The wall from inside, with what runs behind it. */
export function WallPicture({ wall }: { wall: Wall }) {
  const { part } = useFit();
  const { units } = usePerson();
  const b = part.body;
  const flat = ["ceiling", "floor", "under"].includes(wall.id);
  const high = flat ? 2 * b.half : b.height;
  // from inside, the left wall has the front to its left as one looks at it with the rear to the right; the right wall the other way
  const mirrored = wall.id === "left" || flat;
  const u = (x: number) => (mirrored ? b.length - x : x) + 0.2;
  const v = (z: number) => (flat ? b.half + z : high - z) + 0.15;
  const doors = b.doors.filter((d) => d.side === wall.id);
  return (
    <svg
      viewBox={`0 0 ${b.length + 0.4} ${high + 0.5}`}
      className="block h-full w-full text-peat"
      preserveAspectRatio="xMidYMid meet"
      role="img"
      aria-label={says("inside-2", { wall: wall.name })}
    >
      <rect x={0.2} y={0.15} width={b.length} height={high} fill="none" stroke="currentColor" strokeWidth="0.018" />
      {doors.map((d) => (
        <rect
          key={d.id}
          x={Math.min(u(d.a), u(d.b))}
          y={v(d.sill + d.height)}
          width={d.b - d.a}
          height={d.height}
          fill="none"
          stroke="currentColor"
          strokeWidth="0.01"
          strokeDasharray="0.06 0.05"
        />
      ))}
      {wall.rows.map((r, i) => {
        return (
          <g key={i}>
            <polyline
              points={[r.enters, ...r.turns, r.leaves].map((at) => `${u(at[0]!).toFixed(3)},${v(at[1]!).toFixed(3)}`).join(" ")}
              fill="none"
              stroke="currentColor"
              strokeWidth="0.015"
              strokeDasharray={dashes(r.service)}
              opacity="0.7"
            />
            {[r.enters, r.leaves].map((at, n) => (
              <circle
                key={n}
                cx={u(at[0]!)}
                cy={v(at[1]!)}
                r="0.02"
                fill={r.tested ? "var(--color-moss)" : "var(--color-sheet)"}
                stroke="currentColor"
                strokeWidth="0.008"
              />
            ))}
          </g>
        );
      })}
      <text x={u(0)} y={high + 0.34} fontSize="0.1" textAnchor="middle" fill="currentColor">
        {says("rear-3")}
      </text>
      <text x={u(b.length)} y={high + 0.34} fontSize="0.1" textAnchor="middle" fill="currentColor">
        {says("front-2", { b_count: show(b.length, "m", units) })}
      </text>
    </svg>
  );
}

export function WallTable({ wall }: { wall: Wall }) {
  const say = useSaid();
  const { units } = usePerson();
  const flat = ["ceiling", "floor", "under"].includes(wall.id);
  const length = (x: number, n: number) => (
    <td key={n} className="num px-2">
      {show(x, "m", units)}
    </td>
  );
  const second = flat ? says("left-centre") : says("over-floor");
  return (
    <table className="w-full border-collapse text-[13px]" aria-label={says("what-crosses", { wall: wall.name.toLowerCase() })}>
      <thead>
        <tr className="border-b border-line text-left text-[11px] text-dim">
          {[says("head-run"), says("head-carries"), says("enters-rear"), second, says("turns"), says("leaves-rear"), second, says("head-tested")].map(
            (h, i) => (
              <th key={i} className="px-2 py-1 font-semibold">
                {say(h)}
              </th>
            ),
          )}
        </tr>
      </thead>
      <tbody>
        {wall.rows.map((r, i) => (
          <tr key={i} className="border-b border-line/60">
            <td className="px-2 py-0.5">{r.name}</td>
            <td className="px-2">{say(SERVICE[r.service] ?? "")}</td>
            {r.enters.map(length)}
            <td className="num px-2">{r.turns.map((at) => at.map((x) => show(x, "m", units)).join(" / ")).join(", ") || "–"}</td>
            {r.leaves.map(length)}
            <td className="px-2">{r.tested == null ? "–" : r.tested ? says("yes") : says("not-yet")}</td>
          </tr>
        ))}
        {!wall.rows.length && (
          <tr>
            <td colSpan={8} className="p-3 text-[14px]">
              {says("nothing-runs-behind-runs")}
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

export function WallView() {
  const fit = useFit();
  const say = useSaid();
  const [params, setParams] = useSearchParams();
  const walls = fit.part.walls;
  const wall = walls.find((w) => w.id === params.get("wall")) ?? walls[0]!;
  const untested = wall.rows.filter((r) => r.tested === false);
  return (
    <Bench
      title={says("layout-weight")}
      sentence={<Sentence />}
      picture={
        <div className="flex h-full flex-col p-2">
          <Choices
            label={says("wall-2")}
            options={Object.fromEntries(walls.map((w) => [w.id, `${w.name.toLowerCase()} (${w.rows.length})`])) as Record<string, string>}
            value={wall.id}
            onSet={(w) =>
              setParams((p) => {
                p.set("wall", w);
                return p;
              })
            }
          />
          <div className="min-h-0 flex-1">
            <WallPicture wall={wall} />
          </div>
        </div>
      }
      tools={
        <>
          <StageViews stage={says("layout-weight")} views={VIEWS} />
          <Exports items={[{ word: says("what-behind-each-wall"), page: "walls" }]} />
        </>
      }
      ledger={<WallTable wall={wall} />}
      slate={
        <Slate title={wall.name} sub={says("stretches-behind", { rows_count: wall.rows.length })}>
          {untested.length > 0 && (
            <p className="my-1 border-l-2 border-gorse pl-2 text-[13px]">
              {says("before-you-close-test", { value: [...new Set(untested.map((r) => r.name))].join(", ") })}
            </p>
          )}
          <p className="my-1 text-[12px]">{say(says("measured-along-inside-rear"))}</p>
          <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CUT)}</p>
        </Slate>
      }
    />
  );
}
