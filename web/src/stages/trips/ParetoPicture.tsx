/** Sets of parts by what they cost and how often they run short; size by mass. The line of dots is what nobody beats. */

import { scaleLinear, scaleSqrt } from "d3-scale";
import type { Schemas } from "../../data/client";
import { show } from "../../data/show";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { useMoney, usePerson } from "../../shell/person";
import { says } from "../../words/trips";

type Run = Schemas["SizingRun"];
export type SizedSet = Schemas["SizedSet"];
const HEIGHT = 300;
const LEFT = 62;
const RIGHT = 36;
const BOTTOM = 46;
const TOP = 26;

/** Round steps for a scale. */
function ticks(most: number, count: number): number[] {
  return scaleLinear([0, most], [0, 1]).nice(count).ticks(count);
}

export function ParetoPicture({ run, dim }: { run: Run; dim: boolean }) {
  const { money } = useMoney();
  const { units } = usePerson();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const all = [...run.front, ...(run.now?.price != null ? [run.now] : [])];
  const dear = Math.max(500, ...all.map((s) => s.price ?? 0));
  const often = Math.max(0.05, run.target_frac * 1.5, ...all.map((s) => s.short_days_frac));
  const heavy = Math.max(1, ...all.map((s) => s.mass_kg));
  const x = scaleLinear([0, dear], [LEFT, width - RIGHT]).nice(5);
  const y = scaleLinear([0, often], [HEIGHT - BOTTOM, TOP]).nice(4);
  const r = scaleSqrt([0, heavy], [2, 11]);
  const mark = (s: SizedSet) => {
    const held = hand.kind === "set" && hand.id === s.key;
    const best = s.key === run.best;
    return (
      <g key={s.key} className="cursor-pointer" onClick={() => hand.pick("set", s.key)}>
        <title>
          {says("short-days-2", {
            words: s.words.join("; "),
            price: money(s.price),
            mass_kg: show(s.mass_kg, "kg", units),
            short_days_frac: show(s.short_days_frac, "%"),
          })}
        </title>
        <circle
          cx={x(s.price ?? 0)}
          cy={y(s.short_days_frac)}
          r={r(s.mass_kg)}
          fill={s.meets ? "var(--color-moss)" : "var(--color-loch)"}
          fillOpacity={s.shown || held ? 0.45 : 0.12}
          stroke={held ? "var(--color-gorse)" : "currentColor"}
          strokeWidth={held ? 3 : best ? 2 : s.shown ? 0.9 : 0.3}
        />
        {best && (
          <text
            x={x(s.price ?? 0)}
            y={y(s.short_days_frac) - r(s.mass_kg) - 5}
            fontSize="12"
            textAnchor="middle"
            fontWeight="700"
            fill="currentColor"
            stroke="var(--color-sheet)"
            strokeWidth="3"
            paintOrder="stroke"
          >
            {says("found-2")}
          </text>
        )}
      </g>
    );
  };
  return (
    <div ref={box} className={`px-2 pt-1 ${dim ? "opacity-60" : ""}`}>
      <svg viewBox={`0 0 ${width} ${HEIGHT}`} className="block w-full" role="img" aria-label={says("sets-parts-price-days")}>
        {ticks(dear, 5).map((v) => (
          <g key={v}>
            <path d={`M${x(v)} ${TOP}V${HEIGHT - BOTTOM + 12}`} stroke="var(--color-line)" strokeWidth="0.5" />
            <text x={x(v)} y={HEIGHT - BOTTOM + 25} fontSize="10" textAnchor="middle" className="num" fill="var(--color-dim)">
              {money(v)}
            </text>
          </g>
        ))}
        {ticks(often, 4).map((v) => (
          <g key={v}>
            <path d={`M${LEFT} ${y(v)}H${width - RIGHT}`} stroke="var(--color-line)" strokeWidth="0.5" />
            <text x={LEFT - 5} y={y(v) + 3} fontSize="10" textAnchor="end" className="num" fill="var(--color-dim)">
              {show(v, "%")}
            </text>
          </g>
        ))}
        <text x={4} y={12} fontSize="11" fill="currentColor">
          {says("days-run-short")}
        </text>
        <text x={width - RIGHT} y={HEIGHT - 5} fontSize="11" textAnchor="end" fill="currentColor">
          {says("price-panels-controller-bank")}
        </text>
        {run.cloud.map(([price, mass, share]) =>
          (price ?? 0) <= x.domain()[1]! && (share ?? 0) <= y.domain()[1]! ? (
            <circle key={`${price} ${mass} ${share}`} cx={x(price ?? 0)} cy={y(share ?? 0)} r="1" fill="var(--color-dim)" opacity="0.35" />
          ) : null,
        )}
        <path d={`M${LEFT} ${y(run.target_frac)}H${width - RIGHT}`} stroke="var(--color-rust)" strokeDasharray="6 3" />
        <text x={LEFT + 4} y={y(run.target_frac) - 4} fontSize="10.5" fill="var(--color-rust)">
          {says("most-asked", { target_frac: show(run.target_frac, "%") })}
        </text>
        {run.front.filter((s) => !s.shown).map(mark)}
        {run.front.filter((s) => s.shown).map(mark)}
        {run.now?.price != null && (
          <g className="cursor-pointer" onClick={() => hand.pick("set", "now")}>
            <path
              d={`M${x(run.now.price) - 7} ${y(run.now.short_days_frac) + 5}v-7l7 -6l7 6v7z`}
              fill="var(--color-sheet)"
              stroke="currentColor"
              strokeWidth={hand.id === "now" ? 2.5 : 1.5}
            />
            <text
              x={x(run.now.price) + 11}
              y={y(run.now.short_days_frac) + 4}
              fontSize="12"
              fontWeight="700"
              fill="currentColor"
              stroke="var(--color-sheet)"
              strokeWidth="3"
              paintOrder="stroke"
            >
              {says("as-it-is-2")}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}
