/** The shell in side section and plan: heat through each surface as the width of a band, water where it condenses, ducts with what arrives; by the hour of a winter or a summer day. */

import type { Schemas } from "../../data/client";
import { degrees, HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SERVICES } from "../../pictures/services";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/warmth";

type SurfacePart = Schemas["SurfacePart"];
export type Season = "winter" | "summer";
type Row = { id: string; s: SurfacePart; w: number };
type Place = { x: number; y: number; dx: number; dy: number; along: number };

const REACH = 30;
const LEAST = 8;
const GLASS = ["glass", "window", "rooflight"];

/** Watts through each surface at an hour: above zero leaves in winter, comes in in summer. */
export function flows(surfaces: Record<string, SurfacePart>, season: Season, hour: number): Row[] {
  return Object.entries(surfaces).map(([id, s]) => ({ id, s, w: (season === "winter" ? s.winter_w : s.summer_w)[hour] ?? 0 }));
}

/** A band from the wall outwards (or inwards where the arrow turns), as wide as its watts. */
function Band({ row, at, scale, season, held, onPick }: { row: Row; at: Place; scale: number; season: Season; held: boolean; onPick: () => void }) {
  const { units } = usePerson();
  const say = useSaid();
  const width = Math.max(1.5, Math.abs(row.w) * scale);
  const leaves = season === "winter" ? row.w >= 0 : row.w < 0;
  const [nx, ny] = [at.dx, at.dy];
  const [tx, ty] = [-ny, nx];
  const tip = REACH + 7;
  const from = leaves ? 0 : tip;
  const to = leaves ? REACH : 7;
  const end = leaves ? tip : 0;
  const p = (out: number, side: number) => `${(at.x + nx * out + tx * side).toFixed(1)} ${(at.y + ny * out + ty * side).toFixed(1)}`;
  const h = width / 2;
  const colour = leaves === (season === "winter") ? "var(--color-rust)" : "var(--color-gorse)";
  const out = tip + 5;
  const flat = Math.abs(nx) > 0.5;
  return (
    <g
      role="button"
      tabIndex={0}
      className="cursor-pointer outline-none [&:focus-visible>path]:stroke-[3px]"
      onClick={onPick}
      onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && onPick()}
    >
      <path
        d={`M${p(from, -h)}L${p(to, -h)}L${p(to, -h - 3)}L${p(end, 0)}L${p(to, h + 3)}L${p(to, h)}L${p(from, h)}Z`}
        fill={colour}
        fillOpacity={held ? 0.95 : GLASS.includes(row.s.kind) ? 0.4 : 0.62}
        stroke={colour}
        strokeWidth={held ? 2 : 0.8}
        strokeDasharray={GLASS.includes(row.s.kind) ? "3 2" : undefined}
      />
      <text
        x={at.x + nx * out + (flat ? 0 : 0)}
        y={at.y + ny * out + (flat ? 3.5 : ny < 0 ? -9 : 10)}
        fontSize="10"
        textAnchor={flat ? (nx < 0 ? "end" : "start") : "middle"}
        fill="currentColor"
        fontWeight={held ? 700 : 400}
      >
        {`${say(row.s.name)} `}
        <tspan x={at.x + nx * out} dy="10.5" className="num">
          {show(Math.round(row.w), HEAT_W, units)}
        </tspan>
      </text>
    </g>
  );
}

/** A drop where water runs, a dotted ring where mould may grow, an open drop for water inside the wall. */
function Wet({ s, x, y }: { s: SurfacePart; x: number; y: number }) {
  if (s.wet)
    return (
      <path
        d={`M${x} ${y - 6}c3.4 5 4.4 6.6 4.4 8.6a4.4 4.4 0 0 1-8.8 0c0-2 1-3.6 4.4-8.6z`}
        fill="var(--color-loch)"
        stroke="var(--color-sheet)"
        strokeWidth="0.8"
      />
    );
  if (s.inside_g_m2_day > 10)
    return (
      <path
        d={`M${x} ${y - 6}c3.4 5 4.4 6.6 4.4 8.6a4.4 4.4 0 0 1-8.8 0c0-2 1-3.6 4.4-8.6z`}
        fill="var(--color-sheet)"
        stroke="var(--color-loch)"
        strokeWidth="1.6"
      />
    );
  if (s.mould) return <circle cx={x} cy={y} r="4.5" fill="none" stroke="var(--color-loch)" strokeWidth="1.3" strokeDasharray="1.5 2" />;
  return null;
}

export function ShellPicture({ season, hour }: { season: Season; hour: number }) {
  const { units } = usePerson();
  const { report, design } = useVariant();
  const say = useSaid();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const part = report.warmth;
  const v = report.vehicle;
  const narrow = width < 640;
  const H = narrow ? 520 : 300;
  const rows = flows(part.surfaces, season, hour);
  const most = Math.max(1, ...rows.map((r) => Math.abs(r.w)));
  const half = narrow ? width : width / 2;
  const beside = units === "us" ? 204 : 168; // for the amounts at both ends, which are longer in BTU/h
  const L = Math.max(120, Math.min(half - beside, 300));
  const T = Math.min(92, (v.inside_height_m * L) / Math.max(2, v.inside_length_m) + 24);
  const B = Math.min(92, (v.inside_width_m * L) / Math.max(2, v.inside_length_m) + 24);
  const cabW = part.cab === "none" ? 0 : 40;
  const sx = (half - L - cabW) / 2 + cabW + (narrow ? 4 : 34);
  const sy = narrow ? 90 : (H - T) / 2 + 2;
  const px = (narrow ? 0 : half) + (half - L - cabW) / 2 + cabW + 24;
  const py = narrow ? 330 : (H - B) / 2 + 2;
  const scale = Math.min(46, (T - 6) * 0.5) / most;
  const held = (id: string) => hand.kind === "surface" && hand.id === id;
  const sideOf = (r: Row) => (r.s.kind === "canvas" ? "roof" : r.s.side);
  const of = (side: string, cab: boolean) => rows.filter((r) => sideOf(r) === side && r.id.startsWith("cab_") === cab && (r.s.area_m2 > 0.02 || held(r.id)));
  /** Bands of one side, spread along it so that none stands on another. */
  const spread = (list: Row[], x0: number, x1: number, make: (at: number) => Omit<Place, "along">): { row: Row; at: Place }[] => {
    const need = list.map((r) => Math.max(LEAST, Math.abs(r.w) * scale));
    const whole = need.reduce((a, b) => a + b, 0);
    const gap = (x1 - x0 - whole) / Math.max(1, list.length);
    let at = x0 + gap / 2;
    return list.map((row, i) => {
      const mid = at + (need[i] ?? 0) / 2;
      at += (need[i] ?? 0) + gap;
      return { row, at: { ...make(mid), along: mid } };
    });
  };
  const placed = [
    ...spread(of("roof", false), sx, sx + L, (x) => ({ x, y: sy, dx: 0, dy: -1 })),
    ...spread(of("floor", false), sx, sx + L, (x) => ({ x, y: sy + T, dx: 0, dy: 1 })),
    ...spread(of("rear", false), sy, sy + T, (y) => ({ x: sx + L, y, dx: 1, dy: 0 })),
    ...spread(of("front", false), sy, sy + T, (y) => ({ x: sx, y, dx: -1, dy: 0 })),
    ...spread(of("roof", true), sx - cabW, sx, (x) => ({ x, y: sy + T * 0.3, dx: 0, dy: -1 })),
    ...spread(of("floor", true), sx - cabW, sx, (x) => ({ x, y: sy + T, dx: 0, dy: 1 })),
    ...spread(of("front", true), sy + T * 0.34, sy + T, (y) => ({ x: sx - cabW, y, dx: -1, dy: 0 })),
    ...spread(of("left", false), px, px + L, (x) => ({ x, y: py + B, dx: 0, dy: 1 })),
    ...spread(of("right", false), px, px + L, (x) => ({ x, y: py, dx: 0, dy: -1 })),
    ...spread(
      of("left", true).filter((r) => r.id !== "cab_side_glass"),
      px - cabW,
      px - 4,
      (x) => ({ x, y: py + B, dx: 0, dy: 1 }),
    ),
    ...spread(
      of("left", true).filter((r) => r.id === "cab_side_glass"),
      px - cabW,
      px - 4,
      (x) => ({ x, y: py, dx: 0, dy: -1 }),
    ),
  ];
  const outdoor = season === "winter" ? part.winter_out_c[hour] : part.cool.outdoor_c[hour];
  const free = part.cool.free_c[hour];
  const ducts = (design.warmth?.ducts ?? []).filter((d) => part.ducts[d.id] && !part.ducts[d.id]?.trunk);
  return (
    <div ref={box} className="px-2 pt-1">
      <svg viewBox={`0 0 ${width} ${H}`} className="block w-full" role="group" aria-label={says("heat-through-shell-side")}>
        {[
          { x: sx, y: sy, h: T, word: says("side") },
          { x: px, y: py, h: B, word: says("plan") },
        ].map((d) => (
          <g key={d.word}>
            <text x={d.x + L - 6} y={d.y + d.h - 6} fontSize="10.5" textAnchor="end" fill="var(--color-dim)">
              {d.word}
            </text>
            <rect x={d.x} y={d.y} width={L} height={d.h} fill="none" stroke="currentColor" strokeWidth="2.4" />
            {cabW > 0 &&
              (d.word === "side" ? (
                <path
                  d={`M${d.x} ${d.y + d.h * 0.3}H${d.x - cabW * 0.45}L${d.x - cabW} ${d.y + d.h * 0.62}V${d.y + d.h}H${d.x}`}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="1.4"
                />
              ) : (
                <path
                  d={`M${d.x} ${d.y}H${d.x - cabW * 0.6}Q${d.x - cabW} ${d.y + d.h / 2} ${d.x - cabW * 0.6} ${d.y + d.h}H${d.x}`}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="1.4"
                />
              ))}
            {part.cab === "curtain" && <path d={`M${d.x} ${d.y}v${d.h}`} stroke="currentColor" strokeWidth="3" strokeDasharray="3 3" />}
          </g>
        ))}
        <text x={sx + L / 2} y={sy + T / 2 + 3} fontSize="15" textAnchor="middle" className="num" fill="currentColor" fontWeight="600">
          {say(
            season === "winter" ? says("inside-2", { indoor_c: show(part.indoor_c, "°C") }) : says("without-cooling", { free: show(free, "°C", "metric", 2) }),
          )}
        </text>
        <text x={sx + L / 2} y={sy + T / 2 + 19} fontSize="11.5" textAnchor="middle" className="num" fill="currentColor">
          {say(says("outside-3", { outdoor: show(outdoor, "°C", "metric", 2), hour }))}
        </text>
        {ducts.map((d, i) => {
          const r = part.ducts[d.id]!;
          const y = py + 30 + i * Math.min(17, (B - 34) / Math.max(1, ducts.length));
          const air = SERVICES.air;
          const x1 = d.zone === "cab" ? px - cabW * 0.45 : d.zone === "rear" ? px + L - 8 : px + L * (0.2 + 0.1 * (i % 3));
          const x0 = px + L * 0.62;
          const said = r.outlet_c != null ? `${degrees(r.outlet_c, units)} ${show(Math.round(r.delivered_w), HEAT_W, units)}` : says("duct-closed");
          return (
            <g
              key={d.id}
              role="button"
              tabIndex={0}
              aria-label={`${d.name}: ${said}`}
              className="cursor-pointer outline-none [&:focus-visible>path]:stroke-[3px]"
              onClick={() => hand.pick("duct", d.id)}
              onKeyDown={(e) => e.key === "Enter" && hand.pick("duct", d.id)}
            >
              <path d={`M${x0} ${y}H${x1}`} stroke={air.colour} strokeWidth={1.2 + r.flow_m3_h / 25} strokeDasharray={air.dash} fill="none" />
              <text x={x1 < x0 ? Math.max(x1, px) + 5 : x1} y={y - 3.5} fontSize="9" textAnchor={x1 < x0 ? "start" : "end"} className="num" fill="currentColor">
                {said}
              </text>
            </g>
          );
        })}
        {placed.map(({ row, at }) => (
          <g key={row.id}>
            <Band row={row} at={at} scale={scale} season={season} held={held(row.id)} onPick={() => hand.pick("surface", row.id)} />
            {season === "winter" && <Wet s={row.s} x={at.x - at.dx * 9} y={at.y - at.dy * 9} />}
          </g>
        ))}
        <g fontSize="10" fill="var(--color-dim)">
          <text x="6" y={H - 6}>
            {season === "winter"
              ? say(says("leaks-vents-w", { air: show(Math.round(part.air_w), HEAT_W, units), cold_c: show(part.cold_c, "°C") }))
              : says("worst-w-take-away", { worst_hour: part.cool.worst_hour, total: show(Math.round(part.cool.total_w), HEAT_W, units) })}
          </text>
          <text x={narrow ? 6 : width - 6} y={narrow ? H - 20 : H - 6} textAnchor={narrow ? "start" : "end"}>
            {say(says("dashed-glass-drop-water"))}
          </text>
        </g>
      </svg>
    </div>
  );
}
