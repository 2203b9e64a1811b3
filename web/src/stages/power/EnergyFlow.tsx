/** Sources → bank → uses of one season's day, widths to scale; what is missing or left over is hatched. */

import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/power";
import { seasonWord } from "../life/words";

type Piece = { key: string; word: string; wh: number; figure?: string; odd?: boolean };
type Placed = Piece & { y: number; h: number };

const TOP = 26;
const GAP = 7;

/** Pieces stacked with gaps; heights to one scale. */
export function stacked(pieces: Piece[], perWh: number): Placed[] {
  let y = TOP;
  return pieces
    .filter((p) => p.wh > 0.5)
    .map((p) => {
      const placed = { ...p, y, h: Math.max(1, p.wh * perWh) };
      y += placed.h + Math.max(GAP, 13 - placed.h);
      return placed;
    });
}

function band(x0: number, y0: number, x1: number, y1: number, h: number) {
  const c = (x0 + x1) / 2;
  return `M${x0} ${y0}C${c} ${y0} ${c} ${y1} ${x1} ${y1}v${h}C${c} ${y1 + h} ${c} ${y0 + h} ${x0} ${y0 + h}z`;
}

export function EnergyFlow({ season }: { season: string }) {
  const { report, design } = useVariant();
  const { units } = usePerson();
  const say = useSaid();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const b = report.power.seasons.find((s) => s.season === season);
  const use = report.life.seasons.find((s) => s.season === season);
  if (!b || !use) return null;
  const kinds = Object.entries(use.by_kind_wh).map(([k, wh]) => ({ key: k, word: k, wh }));
  const sources: Piece[] = [
    { key: "solar", word: says("sun"), wh: b.solar_wh, figure: `power/${season}/solar_wh` },
    { key: "driving", word: says("driving"), wh: b.drive_wh, figure: `power/${season}/drive_wh` },
    {
      key: "short",
      word: design.power?.bank ? says("drawn-bank") : says("nothing-supplies-yet"),
      wh: Math.max(0, -b.balance_wh),
      figure: `power/${season}/balance_wh`,
      odd: true,
    },
  ];
  const uses: Piece[] = [
    ...kinds,
    {
      key: "margin",
      word: says("margin-what-was-forgotten"),
      wh: Math.max(0, use.design_energy_wh - use.energy_wh),
      figure: `life/${season}/design_energy_wh`,
    },
    { key: "loss", word: says("lost-charging-discharging"), wh: Math.max(0, b.demand_wh - use.design_energy_wh), figure: `power/${season}/demand_wh` },
    { key: "over", word: says("left-over"), wh: Math.max(0, b.balance_wh), figure: `power/${season}/balance_wh`, odd: true },
  ];
  const whole = Math.max(1, b.demand_wh, b.supply_wh);
  const height = 250;
  const perWh = (height - TOP - 90) / whole;
  const left = stacked(sources, perWh);
  const right = stacked(uses, perWh);
  const end = Math.max(...[...left, ...right].map((p) => p.y + p.h), TOP + 60) + 16;
  const x = { l: Math.min(250, width * 0.3), b0: width * 0.46, b1: width * 0.46 + 26, r: Math.max(width - 260, width * 0.62) };
  const bankTop = TOP + 6;
  const bankH = whole * perWh;
  let inY = bankTop;
  let outY = bankTop;
  const label = (p: Placed, atLeft: boolean) => {
    const text = `${say(p.word)} ${show(p.wh, "Wh", units)}`;
    const open = p.figure ? () => hand.open(p.figure ?? null, true) : undefined;
    return (
      <text
        x={atLeft ? x.l - 10 : x.r + 10}
        y={p.y + p.h / 2 + 4}
        textAnchor={atLeft ? "end" : "start"}
        fontSize="12"
        fill="currentColor"
        className={open ? "cursor-pointer underline decoration-dotted" : ""}
        onClick={open}
        fontWeight={p.odd ? 600 : 400}
      >
        {text}
      </text>
    );
  };
  const usable = report.power.summary.usable_wh;
  return (
    <div ref={box}>
      <svg
        width={width}
        height={end}
        role="img"
        aria-label={say(says("day-come-go-out", { season: seasonWord(season), supply_wh: show(b.supply_wh, "Wh"), demand_wh: show(b.demand_wh, "Wh") }))}
        className="block"
      >
        <defs>
          <pattern id="odd" width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <rect width="3" height="7" fill="currentColor" />
          </pattern>
        </defs>
        <text x={x.l - 10} y="14" textAnchor="end" fontSize="11" fill="var(--color-dim)">
          {say(says("comes-day", { season: seasonWord(season) }))}
        </text>
        <text x={x.r + 10} y="14" fontSize="11" fill="var(--color-dim)">
          {says("goes-out-day", { design_day_type: use.design_day_type })}
        </text>
        {left.map((p) => {
          const y1 = inY;
          inY += p.h;
          return (
            <g key={p.key}>
              <path d={band(x.l, p.y, x.b0, y1, p.h)} fill={p.odd ? "url(#odd)" : "currentColor"} opacity={p.odd ? 0.5 : 0.32} />
              <rect x={x.l - 4} y={p.y} width="4" height={p.h} fill="currentColor" />
              {label(p, true)}
            </g>
          );
        })}
        {right.map((p) => {
          const y0 = outY;
          outY += p.h;
          return (
            <g key={p.key}>
              <path d={band(x.b1, y0, x.r, p.y, p.h)} fill={p.odd ? "url(#odd)" : "currentColor"} opacity={p.odd ? 0.5 : 0.32} />
              <rect x={x.r} y={p.y} width="4" height={p.h} fill="currentColor" />
              {label(p, false)}
            </g>
          );
        })}
        <g className="cursor-pointer" onClick={() => hand.pick("power", "bank")}>
          <rect
            x={x.b0}
            y={bankTop - 3}
            width={x.b1 - x.b0}
            height={bankH + 6}
            fill={hand.id === "bank" ? "var(--color-gorse)" : "var(--color-sheet)"}
            stroke="currentColor"
            strokeWidth="1.6"
          />
          <text x={(x.b0 + x.b1) / 2} y={bankTop + bankH + 18} textAnchor="middle" fontSize="12" fill="currentColor" fontWeight="600">
            {design.power?.bank ? says("bank") : says("no-bank-yet")}
          </text>
          {usable != null && (
            <text x={(x.b0 + x.b1) / 2} y={bankTop + bankH + 32} textAnchor="middle" fontSize="11" fill="var(--color-dim)">
              {says("usable-worn-cold", { usable: show(usable, "Wh", units) })}
            </text>
          )}
        </g>
      </svg>
    </div>
  );
}
