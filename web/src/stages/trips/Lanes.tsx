/** Resources along the trip: fans of 1 in 10, half and 9 in 10 of the weathers, three that happened, and what flows at the moment pointed at. */

import { scaleLinear } from "d3-scale";
import { area, line } from "d3-shape";
import { useState } from "react";
import { dayMonth, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/trips";
import { STORES } from "../water/words";
import { type Lane, moment, type TripRun } from "./run";

const LEFT = 92;
const RIGHT = 12;
const STRIP = 38;
type Row = {
  key: string;
  word: string;
  unit: string;
  lane: Lane;
  lo: number;
  hi: number;
  height: number;
  factor: number;
  floor?: number;
  second?: Lane;
  real?: (number | null)[];
  real2?: (number | null)[];
};

function rowsOf(run: TripRun, measured?: Overlay): Row[] {
  const top = (...lanes: Lane[]) => Math.max(100, ...lanes.flatMap((l) => l.p90));
  const seen = [...(measured?.load_w ?? []), ...(measured?.sun_w ?? [])].map((v) => v ?? 0);
  const power = Math.max(top(run.sun_w, run.load_w), ...seen);
  const cold = Math.min(0, ...run.cabin_c.p10);
  const warm = Math.max(20, ...run.cabin_c.p90);
  return [
    { key: "soc", word: says("charge"), unit: "%", lane: run.soc, lo: 0, hi: 1, height: 102, factor: 1, floor: run.floor_frac, real: measured?.soc },
    {
      key: "power",
      word: says("sun-use"),
      unit: "W",
      lane: run.sun_w,
      second: run.load_w,
      lo: 0,
      hi: power,
      height: 60,
      factor: 1,
      real: measured?.load_w,
      real2: measured?.sun_w,
    },
    ...Object.entries(run.water?.stores ?? {}).map(([name, s]) => ({
      key: name,
      word: name === "toilet" ? (STORES[run.water?.toilet ?? ""] ?? says("toilet")) : (STORES[name] ?? name),
      unit: "L",
      lane: { p10: s.level_l, p50: s.level_l, p90: s.level_l },
      lo: 0,
      hi: s.capacity_l,
      height: 34,
      factor: 1,
    })),
    ...(run.gas
      ? [
          {
            key: "gas",
            word: says("gas"),
            unit: "kg",
            lane: { p10: run.gas.level_kg, p50: run.gas.level_kg, p90: run.gas.level_kg },
            lo: 0,
            hi: run.gas.capacity_kg,
            height: 34,
            factor: 1,
          },
        ]
      : []),
    ...(run.generator?.store != null
      ? [
          {
            key: "can",
            word: says("generator"),
            unit: run.generator.unit,
            lane: { p10: run.generator.level, p50: run.generator.level, p90: run.generator.level },
            lo: 0,
            hi: run.generator.store,
            height: 34,
            factor: 1,
          },
        ]
      : []),
    { key: "cabin", word: says("cabin"), unit: "°C", lane: run.cabin_c, lo: cold, hi: warm, height: 42, factor: 1 },
    ...(run.rh ? [{ key: "rh", word: says("humidity"), unit: "%", lane: run.rh, lo: 0, hi: 1, height: 42, factor: 1 }] : []),
  ];
}

/** A log on the points of the lanes; null where it knows nothing. */
export type Overlay = { soc: (number | null)[]; load_w: (number | null)[]; sun_w: (number | null)[] };

export function Lanes({ run, dim, measured }: { run: TripRun; dim: boolean; measured?: Overlay }) {
  const say = useSaid();
  const { design } = useVariant();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const [at, setAt] = useState<number | null>(null);
  const points = run.soc.p50.length;
  const x = scaleLinear([0, run.day_count], [LEFT, width - RIGHT]);
  const px = (i: number) => x((i + 0.5) / run.per_day);
  const rows = rowsOf(run, measured);
  const height = STRIP + rows.reduce((sum, r) => sum + r.height + 10, 0) + 16;
  const legs = design.trips?.live ? [] : (design.trips?.legs ?? []);
  const scrub = (clientX: number, target: Element) => {
    const bounds = target.getBoundingClientRect();
    const day = x.invert(((clientX - bounds.left) * width) / bounds.width);
    setAt(Math.max(0, Math.min(points - 1, Math.floor(day * run.per_day))));
  };
  const keys = (e: React.KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowRight: 1, PageUp: -run.per_day, PageDown: run.per_day }[e.key];
    if (by === undefined && e.key !== "Home" && e.key !== "End" && e.key !== "Escape") return;
    e.preventDefault();
    e.stopPropagation();
    if (e.key === "Escape") return setAt(null);
    setAt((now) => (e.key === "Home" ? 0 : e.key === "End" ? points - 1 : Math.max(0, Math.min(points - 1, (now ?? 0) + (by ?? 0)))));
  };
  let day = 0;
  let y = STRIP;
  return (
    <div ref={box} className={`px-2 pt-1 ${dim ? "opacity-60" : ""}`} data-drawn={!dim || undefined}>
      <svg
        viewBox={`0 0 ${width} ${height}`}
        className="block w-full"
        role="slider"
        tabIndex={0}
        aria-label={says("moment-trip")}
        aria-valuemin={0}
        aria-valuemax={points - 1}
        aria-valuenow={at ?? 0}
        aria-valuetext={
          at == null
            ? says("none")
            : say(says("charge-half-simulated-trips", { run: moment(run, (at + 0.5) / run.per_day), at: Math.round(100 * (run.soc.p50[at] ?? 0)) }))
        }
        onPointerMove={(e) => scrub(e.clientX, e.currentTarget)}
        onPointerLeave={() => setAt(null)}
        onKeyDown={keys}
      >
        {legs.map((leg) => {
          const from = day;
          day += leg.days_count ?? 1;
          if (from >= run.day_count) return null;
          const x0 = x(from);
          const wide = x(Math.min(run.day_count, day)) - x0;
          const name = run.days[from]?.place ?? leg.place;
          return (
            <g key={leg.id} className="cursor-pointer" onClick={() => hand.pick("leg", leg.id)}>
              <title>
                {says("days-h-driving-first", {
                  name,
                  days_count: leg.days_count ?? 1,
                  hooked_up: leg.shore ? say(says("hooked-up")) : "",
                  has_drive_h: Boolean(leg.drive_h),
                  drive_h: leg.drive_h,
                })}
              </title>
              <rect
                x={x0}
                y={2}
                width={Math.max(1, wide - 1)}
                height={22}
                fill={hand.id === leg.id ? "color-mix(in srgb, var(--color-gorse) 30%, var(--color-sheet))" : "var(--color-bench)"}
                stroke="var(--color-line)"
              />
              {leg.shore && <path d={`M${x0} 22h${wide - 1}`} stroke="currentColor" strokeWidth="2.4" strokeDasharray="9 3" />}
              {(leg.drive_h ?? 0) > 0 && <rect x={x0} y={2} width={Math.max(3, ((x(1) - x(0)) * (leg.drive_h ?? 0)) / 24)} height={5} fill="currentColor" />}
              {wide > 34 && (
                <text x={x0 + 4} y={17} fontSize="11" fill="currentColor">
                  {name.slice(0, Math.floor(wide / 6.4))}
                </text>
              )}
            </g>
          );
        })}
        {run.days.map((d, j) =>
          j % Math.ceil(run.day_count / 14) === 0 ? (
            <text key={d.date} x={x(j) + 2} y={STRIP - 4} fontSize="9.5" className="num" fill="var(--color-dim)">
              {say(dayMonth(d.date))}
            </text>
          ) : null,
        )}
        {rows.map((r) => {
          const top = y;
          y += r.height + 10;
          const scale = scaleLinear([r.lo, r.hi], [top + r.height, top]);
          const fan = area<number>()
            .x((_, i) => px(i))
            .y0((_, i) => scale(r.lane.p10[i] ?? 0))
            .y1((_, i) => scale(r.lane.p90[i] ?? 0));
          const trace = (values: number[]) =>
            line<number>()
              .x((_, i) => px(i))
              .y((v) => scale(v))(values) ?? "";
          return (
            <g key={r.key}>
              <rect x={LEFT} y={top} width={Math.max(1, width - LEFT - RIGHT)} height={r.height} fill="none" stroke="var(--color-line)" />
              <text x={4} y={top + 12} fontSize="11.5" fontWeight="600" fill="currentColor">
                {say(r.word)}
              </text>
              {[r.hi, r.lo].map((v) => (
                <text key={v} x={LEFT - 5} y={scale(v) + (v === r.hi ? 23 : 0)} fontSize="9.5" textAnchor="end" className="num" fill="var(--color-dim)">
                  {say(show(v * r.factor, r.unit, "metric", 2))}
                </text>
              ))}
              {r.floor != null && (
                <>
                  <path d={`M${LEFT} ${scale(r.floor)}H${width - RIGHT}`} stroke="var(--color-rust)" strokeDasharray="5 3" />
                  <text x={4} y={scale(r.floor) + 3} fontSize="9.5" fill="var(--color-rust)">
                    {say(says("floor", { floor: Math.round(100 * r.floor) }))}
                  </text>
                </>
              )}
              <path d={fan(r.lane.p50) ?? ""} fill={r.key === "power" ? "var(--color-gorse)" : "var(--color-loch)"} opacity="0.24" />
              {r.key === "soc" &&
                Object.entries(run.histories).map(([name, values]) => (
                  <path
                    key={name}
                    d={trace(values)}
                    fill="none"
                    stroke="currentColor"
                    strokeWidth="0.7"
                    opacity="0.5"
                    strokeDasharray={name === "p50" ? undefined : "3 2"}
                  />
                ))}
              <path d={trace(r.lane.p50)} fill="none" stroke={r.key === "power" ? "var(--color-gorse-ink)" : "var(--color-loch)"} strokeWidth="1.6" />
              {[r.real, r.real2].map(
                (real, k) =>
                  real && (
                    <path
                      key={k}
                      data-measured
                      d={
                        line<number | null>()
                          .defined((v) => v != null)
                          .x((_, i) => px(i))
                          .y((v) => scale(v ?? 0))(real) ?? ""
                      }
                      fill="none"
                      stroke={k === 0 ? "var(--color-rust)" : "var(--color-heather)"}
                      strokeWidth="1.5"
                      strokeDasharray={k === 0 ? undefined : "4 2"}
                    />
                  ),
              )}
              {r.second && <path d={trace(r.second.p50)} fill="none" stroke="currentColor" strokeWidth="1.1" />}
              {r.key === "soc" &&
                run.days.map((d, j) =>
                  d.short_frac > 0 ? (
                    <rect
                      key={d.date}
                      x={x(j)}
                      y={top + r.height - 5}
                      width={Math.max(1, x(j + 1) - x(j) - 1)}
                      height={5}
                      fill="var(--color-rust)"
                      opacity={0.25 + 0.75 * d.short_frac}
                    >
                      <title>{say(says("short-simulated-trips", { date: d.date, short_frac: Math.round(100 * d.short_frac) }))}</title>
                    </rect>
                  ) : null,
                )}
              {r.key === "soc" && run.first_short_p50_d != null && (
                <g>
                  <path d={`M${x(run.first_short_p50_d)} ${top}v${r.height}`} stroke="var(--color-rust)" strokeWidth="1.4" />
                  <text x={x(run.first_short_p50_d) + 4} y={top + 12} fontSize="10.5" fill="var(--color-rust)">
                    {says("first-short-half-trips")}
                  </text>
                </g>
              )}
            </g>
          );
        })}
        {at != null && <path d={`M${px(at)} ${STRIP}V${height - 16}`} stroke="currentColor" strokeWidth="0.9" />}
      </svg>
      <p className="num m-0 min-h-5 text-[12px]" aria-live="off">
        {at == null ? (
          <span className="text-dim">
            {say(says("band-simulated-trips-line"))}
            {measured && says("red-measured-charge-use")}
          </span>
        ) : (
          say(
            says("charge-sun-other-sources", {
              run: moment(run, (at + 0.5) / run.per_day),
              soc: rangeOf(run.soc, at, 100, "%"),
              sun_w: rangeOf(run.sun_w, at, 1, "W"),
              value: Math.max(0, Math.round((run.fed_w.p50[at] ?? 0) - (run.sun_w.p50[at] ?? 0))),
              load_w: rangeOf(run.load_w, at, 1, "W"),
              run_2: bankFlow(run, at),
              cabin_c: rangeOf(run.cabin_c, at, 1, "°C"),
              has_rh: Boolean(run.rh),
              rh: run.rh ? rangeOf(run.rh, at, 100, "%") : "",
              rows: storesAt(rows, at),
            }),
          )
        )}
      </p>
    </div>
  );
}

/** What is in the stores at that moment. */
function storesAt(rows: Row[], at: number): string {
  return rows
    .filter((r) => r.unit === "L" || r.unit === "kg")
    .map((r) => ` · ${r.word} ${show(r.lane.p50[at], r.unit, "metric", 2)}`)
    .join("");
}

/** What goes into or comes out of the bank in half of the weathers: what is fed in less what is used. */
export function bankFlow(run: TripRun, at: number): string {
  const w = Math.round((run.fed_w.p50[at] ?? 0) - (run.load_w.p50[at] ?? 0));
  return w >= 0 ? says("into-bank-w", { w }) : says("out-bank-w", { w: -w });
}

/** Half of the weathers, with 1 in 10 and 9 in 10 behind it. */
export function rangeOf(lane: Lane, at: number, factor: number, unit: string): string {
  const [low, mid, high] = [lane.p10[at], lane.p50[at], lane.p90[at]].map((v) => Math.round((v ?? 0) * factor));
  return low === high ? `${mid} ${unit}` : says("to", { mid: mid ?? "", unit, low: low ?? "", high: high ?? "" });
}
