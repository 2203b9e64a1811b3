/** The heater's runs as a tree: air as the width, the temperature along it, what arrives against what the zone needs. */
import { degrees, HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { SERVICES } from "../../pictures/services";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { says } from "../../words/warmth";
import type { WarmDuct } from "./edit";

/** Runs in the order of the tree, each with its depth. */
export function inOrder(ducts: WarmDuct[]): { d: WarmDuct; depth: number }[] {
  const out: { d: WarmDuct; depth: number }[] = [];
  const walk = (parent: string | null, depth: number) => {
    for (const d of ducts.filter((x) => (x.parent ?? null) === parent)) {
      out.push({ d, depth });
      if (depth < 20) walk(d.id, depth + 1);
    }
  };
  walk(null, 0);
  return out;
}

export function DuctPicture() {
  const { units } = usePerson();
  const { report, design } = useVariant();
  const say = useSaid();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const part = report.warmth;
  const rows = inOrder(design.warmth?.ducts ?? []);
  const air = SERVICES.air;
  const step = 40;
  const H = Math.max(150, 46 + rows.length * step);
  const x0 = 150;
  const end = width - 270;
  const indent = Math.min(110, (end - x0) / 4);
  const y = (i: number) => 50 + i * step;
  const at = new Map(rows.map((r, i) => [r.d.id, i]));
  const most = Math.max(1, ...rows.map(({ d }) => part.ducts[d.id]).map((r) => (r && !r.trunk ? Math.max(r.need_w, r.delivered_w) : 0)));
  const heater = (design.warmth?.heaters ?? []).find((h) => h.air_flow_m3_h != null);
  if (!rows.length || !heater) return <p className="p-4 text-dim">{heater ? says("no-run-yet-add") : says("no-heater-blows-air")}</p>;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg viewBox={`0 0 ${width} ${H}`} className="block w-full" role="group" aria-label={says("runs-heater-flow-temperature")}>
        <rect
          x="12"
          y="36"
          width="112"
          height={Math.max(44, (rows.filter((r) => r.depth === 0).length - 1) * step + 44)}
          fill="none"
          stroke="currentColor"
          strokeWidth="2"
        />
        <text x="68" y="56" fontSize="11" textAnchor="middle" fill="currentColor" fontWeight="600">
          {heater.name.length > 18 ? `${heater.name.slice(0, 17)}…` : heater.name}
        </text>
        {part.layout && (
          <text x="68" y="71" fontSize="10" textAnchor="middle" className="num" fill="var(--color-dim)">
            {say(`${Math.round(part.layout.total_flow_m3_h)} m³/h ${Math.round(part.layout.plenum_pa)} Pa`)}
          </text>
        )}
        <text x={end + 10} y="22" fontSize="10.5" fill="var(--color-dim)">
          {says("arrives-filled-what-needed")}
        </text>
        {rows.map(({ d, depth }, i) => {
          const r = part.ducts[d.id];
          const from = d.parent != null ? x0 + indent * depth : 124;
          const parentRow = d.parent != null ? (at.get(d.parent) ?? 0) : i;
          const held = hand.kind === "duct" && hand.id === d.id;
          const flow = r?.flow_m3_h ?? 0;
          const wide = 1.5 + flow / 9;
          const stop = r?.trunk ? x0 + indent * (depth + 1) : end;
          const bar = 240 / most;
          return (
            <g
              key={d.id}
              role="button"
              tabIndex={0}
              className="cursor-pointer outline-none [&:focus-visible>path]:stroke-[3px]"
              onClick={() => hand.pick("duct", d.id)}
              onKeyDown={(e) => (e.key === "Enter" || e.key === " ") && hand.pick("duct", d.id)}
            >
              {d.parent != null && <path d={`M${from} ${y(parentRow)}V${y(i)}`} stroke={air.colour} strokeWidth="2" strokeDasharray={air.dash} fill="none" />}
              <path
                d={`M${from} ${y(i)}H${stop}`}
                stroke={air.colour}
                strokeWidth={wide}
                strokeOpacity={flow > 0 ? (held ? 1 : 0.7) : 0.25}
                strokeDasharray={d.open === false ? "3 6" : undefined}
                fill="none"
              />
              <text x={from + 8} y={y(i) - wide / 2 - 4} fontSize="11" fill="currentColor" fontWeight={held ? 700 : 500}>
                {`${d.name} `}
                <tspan className="num" fill="var(--color-dim)" fontSize="10">
                  {say(
                    says("mm-m-sleeved-damper", {
                      diameter_mm: d.diameter_mm,
                      length_m: d.length_m,
                      some_insulation_mm: (d.insulation_mm ?? 0) > 0,
                      has_damper_and_not_none: d.damper && d.damper !== "none",
                      damper: d.damper && d.damper !== "none" ? d.damper.slice(7) : "",
                    }),
                  )}
                </tspan>
              </text>
              <text x={from + 8} y={y(i) + wide / 2 + 11} fontSize="10" className="num" fill="var(--color-dim)">
                {r ? say(says("m-h", { flow: Math.round(flow), supply: degrees(r.supply_c, units) })) : says("closed")}
              </text>
              {r && !r.trunk && (
                <g>
                  <text x={stop - 6} y={y(i) + wide / 2 + 11} fontSize="10" textAnchor="end" className="num" fill="currentColor">
                    {r.outlet_c != null ? `${degrees(r.outlet_c, units)} ` : ""}
                  </text>
                  <rect x={end + 10} y={y(i) - 1} width={r.need_w * bar} height="9" fill="none" stroke="currentColor" strokeWidth="1" />
                  <rect
                    x={end + 10}
                    y={y(i) - 1}
                    width={Math.max(0, r.delivered_w) * bar}
                    height="9"
                    fill={r.shortfall_w > 0.1 * r.need_w && r.shortfall_w > 20 ? "var(--color-rust)" : "var(--color-moss)"}
                    fillOpacity="0.6"
                  />
                  <text x={end + 10} y={y(i) - 5} fontSize="10.5" className="num" fill="currentColor">
                    {says("w", { delivered: show(Math.round(r.delivered_w), HEAT_W, units), need: show(Math.round(r.need_w), HEAT_W, units), zone: d.zone })}
                  </text>
                </g>
              )}
            </g>
          );
        })}
      </svg>
    </div>
  );
}
