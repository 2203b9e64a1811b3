/** Water from the side: tanks at their heights with what they hold, the pump, the runs; taps are pressed to open, and every run says its flow. */
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { scaleLinear } from "d3-scale";
import { api, type Schemas, take } from "../../data/client";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { LightMark } from "../../pictures/LightMark";
import { useLit } from "../../pictures/lit";
import { SERVICES } from "../../pictures/services";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/water";
import { type PipeRun, useWater, type WaterTank } from "./edit";
import { HOLDS, wordOf } from "./words";

type Taps = Schemas["TapsOpen"];
const TALL = 300;

/** Flow and pressure of all runs with these taps open; asked anew when the design moves on. */
export function useTaps(open: string[]) {
  const { id, revision } = useVariant();
  const { w } = useWater();
  const can = !!w.pump && (w.runs ?? []).some((r) => r.outlet !== "none");
  return useQuery({
    queryKey: ["taps", id, revision, ...open],
    enabled: can,
    placeholderData: keepPreviousData,
    queryFn: () => take(api.GET("/api/variants/{variant_id}/taps", { params: { path: { variant_id: id }, query: { revision, open } } })),
  });
}

/** Height of a run's end over the floor: its tank's outlet and all rises on the way. */
export function heightOf(run: PipeRun, runs: PipeRun[], from: number): number {
  const parent = runs.find((r) => r.id === run.parent);
  return (parent ? heightOf(parent, runs, from) : from) + (run.rise_m ?? 0);
}

function sizeOf(t: WaterTank): { x0: number; x1: number } {
  const long = Math.max(...t.prisms.map((p) => p.length_m ?? p.diameter_m ?? 0.3));
  return { x0: t.x_m ?? 1, x1: (t.x_m ?? 1) + long };
}

/** One tank: its parts, the parts cut out of it hatched, the water in it, and the litres. */
function Tank({
  t,
  x,
  y,
  fill,
  held,
  onPick,
}: {
  t: WaterTank;
  x: (m: number) => number;
  y: (m: number) => number;
  fill: number;
  held: boolean;
  onPick: () => void;
}) {
  const { report } = useVariant();
  const { units } = usePerson();
  const p = report.water.tanks[t.id];
  if (!p) return null;
  const service = SERVICES[t.holds === "grey" || t.holds === "black" ? "waste" : "fresh"];
  const { x0, x1 } = sizeOf(t);
  const level = p.bottom_z_m + fill * (p.top_z_m - p.bottom_z_m);
  const parts = t.prisms.map((q) => {
    const low = (t.z_m ?? 0) + (q.base_z_m ?? 0) + (q.shape === "polygon" ? Math.min(...(q.vertices_yz_m ?? [[0, 0]]).map((v) => v[1] ?? 0)) : 0);
    const zs = (q.vertices_yz_m ?? []).map((v) => v[1] ?? 0);
    const high =
      low + (q.shape === "polygon" ? Math.max(...zs) - Math.min(...zs) : q.shape === "cylinder_horizontal" ? (q.diameter_m ?? 0) : (q.height_m ?? 0));
    return { cut: q.op === "cut", low, high, long: q.length_m ?? q.diameter_m ?? 0.3 };
  });
  return (
    <g
      role="button"
      tabIndex={0}
      className="cursor-pointer outline-none [&:focus-visible>rect]:stroke-[3px]"
      onClick={onPick}
      onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && onPick()}
    >
      {parts.map((q) => (
        <g key={`${q.cut}${q.low}${q.high}${q.long}`}>
          <rect
            x={x(x0)}
            y={y(q.high)}
            width={Math.max(6, x(x0 + q.long) - x(x0))}
            height={Math.max(3, y(q.low) - y(q.high))}
            fill={q.cut ? "var(--color-bench)" : "var(--color-sheet)"}
            stroke="currentColor"
            strokeWidth={held ? 2.4 : 1.4}
            strokeDasharray={q.cut ? "3 3" : undefined}
          />
          {!q.cut && level > q.low && (
            <rect
              x={x(x0) + 1}
              y={y(Math.min(level, q.high))}
              width={Math.max(4, x(x0 + q.long) - x(x0) - 2)}
              height={Math.max(0, y(q.low) - y(Math.min(level, q.high)))}
              fill={service.colour}
              fillOpacity={t.holds === "grey" || t.holds === "black" ? 0.35 : 0.3}
            />
          )}
        </g>
      ))}
      {parts
        .filter((q) => q.cut)
        .map((q) => (
          <rect
            key={`over${q.low}${q.high}${q.long}`}
            x={x(x0)}
            y={y(Math.min(q.high, p.top_z_m))}
            width={Math.max(4, x(x0 + q.long) - x(x0))}
            height={Math.max(2, y(Math.max(q.low, p.bottom_z_m)) - y(Math.min(q.high, p.top_z_m)))}
            fill="var(--color-bench)"
            fillOpacity="0.85"
            stroke="currentColor"
            strokeWidth="0.8"
            strokeDasharray="3 3"
          />
        ))}
      <text
        x={(x(x0) + x(x1)) / 2}
        y={p.top_z_m <= 0 ? y(p.bottom_z_m) + 13 : y(p.top_z_m) - 14}
        fontSize="10.5"
        textAnchor="middle"
        fill="currentColor"
        fontWeight={held ? 700 : 500}
      >
        {`${t.name} `}
        <tspan className="num">{p.problem ? says("check-shape") : show(p.usable_l, "L", units)}</tspan>
      </text>
    </g>
  );
}

type Props = { open: string[]; onOpen: (id: string) => void; taps: Taps | undefined; what: "tanks" | "taps" };

export function WaterPicture({ open, onOpen, taps, what }: Props) {
  const { report } = useVariant();
  const say = useSaid();
  const { w, part } = useWater();
  const hand = useHand();
  const { units } = usePerson();
  const shown = useLit();
  const [box, width] = useWidth<HTMLDivElement>();
  const tanks = w.tanks ?? [];
  const runs = w.runs ?? [];
  if (!tanks.length && !runs.length) return <p className="m-0 max-w-xl p-4 text-[15px]">{say(says("nothing-holds-moves-water"))}</p>;
  const first = tanks.find((t) => t.holds === "fresh") ?? tanks[0];
  const outlet = first && part.tanks[first.id] ? part.tanks[first.id]!.outlet_z_m : 0.1;
  const ends = tanks.map(sizeOf);
  const far = Math.max(report.vehicle.inside_length_m, ...ends.map((e) => e.x1), ...runs.map((r) => (r.x_m ?? 1) + 0.2));
  const near = Math.min(0, ...ends.map((e) => e.x0), ...runs.map((r) => r.x_m ?? 1));
  const low = Math.min(-0.22, ...tanks.map((t) => part.tanks[t.id]?.bottom_z_m ?? 0));
  const high = Math.max(report.vehicle.inside_height_m, ...runs.map((r) => heightOf(r, runs, outlet)));
  const x = scaleLinear([near, far], [26, width - 60]);
  const y = scaleLinear([low - 0.12, high + 0.08], [TALL - 8, 16]);
  const pump = first ? { x: sizeOf(first).x1 + 0.12, z: outlet } : { x: 0.4, z: 0.1 };
  const most = Math.max(1, taps?.total_l_min ?? 1);
  const wide = (id: string) => 1.2 + 5 * ((taps?.flow_l_min[id] ?? 0) / most);
  const press = (id: string) => (shown ? shown.press(`water:${id}`) : onOpen(id));
  const at = (r: PipeRun) => ({ x: x(r.x_m ?? 1), y: y(heightOf(r, runs, outlet)) });
  const from = (r: PipeRun) => {
    const parent = runs.find((p) => p.id === r.parent);
    return parent ? at(parent) : { x: x(pump.x), y: y(pump.z) };
  };
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${TALL}`}
        className="block w-full"
        role="group"
        aria-label={
          taps && open.length
            ? say(says("water-side-litres-minute", { total_l_min: taps.total_l_min, open_count: open.length }))
            : say(says("water-side-tanks-pump"))
        }
      >
        <path
          d={`M${x(0)} ${y(0)}H${x(report.vehicle.inside_length_m)}V${y(report.vehicle.inside_height_m)}H${x(0)}Z`}
          fill="none"
          stroke="var(--color-line)"
          strokeWidth="1.4"
        />
        <text x={x(0) + 4} y={y(report.vehicle.inside_height_m) + 12} fontSize="10" fill="var(--color-dim)">
          {says("front-2")}
        </text>
        <text x={x(report.vehicle.inside_length_m) - 4} y={y(0) + 12} fontSize="10" textAnchor="end" fill="var(--color-dim)">
          {says("floor-2")}
        </text>
        {(w.joins ?? []).map((j) => {
          const mine = tanks.filter((t) => j.tanks.includes(t.id)).map(sizeOf);
          if (mine.length < 2) return null;
          return (
            <path
              key={j.id}
              d={`M${x(Math.min(...mine.map((m) => m.x1)))} ${y(j.z_m) + 3}H${x(Math.max(...mine.map((m) => m.x0)))}`}
              stroke={SERVICES.fresh.colour}
              strokeWidth={2 + j.inner_diameter_mm! / 14}
            />
          );
        })}
        {tanks.map((t) => (
          <Tank
            key={t.id}
            t={t}
            x={x}
            y={y}
            fill={t.holds === "grey" || t.holds === "black" ? 0.25 : 0.85}
            held={hand.kind === "tank" && hand.id === t.id}
            onPick={() => (shown ? shown.press(`water:${t.id}`) : hand.pick("tank", t.id))}
          />
        ))}
        {runs.map((r) => {
          const a = from(r);
          const b = at(r);
          const service = SERVICES[r.hot ? "hot" : "fresh"];
          const held = hand.kind === "run" && hand.id === r.id;
          return (
            <path
              key={r.id}
              d={`M${a.x} ${a.y}H${b.x}V${b.y}`}
              stroke={shown?.of(`water:${r.id}`)?.colour ?? service.colour}
              strokeWidth={wide(r.id) + (held ? 1.5 : 0)}
              strokeDasharray={(taps?.flow_l_min[r.id] ?? 0) > 0 ? undefined : service.dash}
              fill="none"
            />
          );
        })}
        {shown &&
          tanks.map((t) => {
            const light = shown.of(`water:${t.id}`);
            return light && <LightMark key={t.id} x={x((sizeOf(t).x0 + sizeOf(t).x1) / 2)} y={y(part.tanks[t.id]?.bottom_z_m ?? 0) - 10} light={light} />;
          })}
        {w.pump && (
          <g onClick={shown ? () => shown.press("water:pump") : undefined} className={shown ? "cursor-pointer" : undefined}>
            <circle cx={x(pump.x)} cy={y(pump.z)} r="9" fill="var(--color-sheet)" stroke="currentColor" strokeWidth="1.6" />
            <path d={`M${x(pump.x) - 3} ${y(pump.z) - 5}l8 5l-8 5z`} fill="currentColor" />
            {taps && open.length > 0 && (
              <text
                x={x(pump.x) + 30}
                y={y(pump.z) + 6}
                fontSize="10.5"
                className="num"
                fill="currentColor"
                stroke="var(--color-sheet)"
                strokeWidth="3"
                paintOrder="stroke"
              >
                {say(`${Math.round(taps.pump_kpa)} kPa ${taps.pump_a.toFixed(1)} A`)}
              </text>
            )}
          </g>
        )}
        {what === "taps" &&
          runs
            .filter((r) => r.outlet !== "none")
            .map((r) => {
              const b = at(r);
              const on = open.includes(r.id);
              const light = shown?.of(`water:${r.id}`);
              const flow = taps?.flow_l_min[r.id] ?? 0;
              const starves = on && flow < 0.6 * (r.wanted_l_min ?? 5);
              return (
                <g
                  key={r.id}
                  role="button"
                  tabIndex={0}
                  aria-pressed={shown ? undefined : on}
                  aria-label={shown ? `${r.name}: ${shown.of(`water:${r.id}`)?.word ?? says("not-asked-yet")}` : undefined}
                  className="cursor-pointer outline-none [&:focus-visible>circle]:stroke-[3px]"
                  onClick={() => press(r.id)}
                  onKeyDown={(e) => {
                    if (e.key !== "Enter" && e.key !== " ") return;
                    e.preventDefault();
                    press(r.id);
                  }}
                >
                  <circle
                    cx={b.x}
                    cy={b.y}
                    r="10"
                    fill={starves ? "var(--color-rust)" : on ? "var(--color-loch)" : "var(--color-sheet)"}
                    fillOpacity={on ? 0.85 : 1}
                    stroke="currentColor"
                    strokeWidth="1.5"
                  />
                  {light && <LightMark x={b.x} y={b.y} light={light} />}
                  <path
                    opacity={light ? 0 : 1}
                    d={on ? `M${b.x - 4} ${b.y}h8` : `M${b.x} ${b.y - 4}v8M${b.x - 4} ${b.y}h8`}
                    stroke={on ? "#fff" : "currentColor"}
                    strokeWidth="1.8"
                  />
                  <text x={b.x} y={b.y - 15} fontSize="11" textAnchor="middle" fill="currentColor" fontWeight={on ? 700 : 400}>
                    {`${r.name} `}
                  </text>
                  {on && taps && (
                    <text x={b.x + 14} y={b.y + 4} fontSize="11.5" className="num" fill="currentColor" fontWeight={starves ? 700 : 400}>
                      {says("starves", { flow: show(flow, "L/min", units, 2), starves })}
                    </text>
                  )}
                </g>
              );
            })}
      </svg>
      <p className="m-0 pb-1 text-[11px] text-dim">
        {shown
          ? says("press-what-tested")
          : what === "taps"
            ? say(says("press-tap-open-width"))
            : says("what-cut-out-hatched", { tanks: tanks.map((t) => `${t.name}: ${say(wordOf(HOLDS, t.holds ?? "fresh"))}`).join(" · ") })}
      </p>
    </div>
  );
}
