/** The gas pipes as a tree from the vessels through the regulator: runs by their length, valves, pressure at each end with everything burning. */

import { useVariant } from "../../data/variant";
import { LightMark } from "../../pictures/LightMark";
import { useLit } from "../../pictures/lit";
import { SERVICES } from "../../pictures/services";
import { useWidth } from "../../pictures/useWidth";
import { useHand } from "../../shell/hand";
import { useSaid } from "../../shell/person";
import { says } from "../../words/gas";
import { type GasPipe, useGas } from "./edit";

const GAS = SERVICES.gas;

/** The row of each run: an end has one of its own, a run that goes on lies in the middle of those that hang on it. */
export function rowsOf(pipes: GasPipe[]): Map<string, number> {
  const rows = new Map<string, number>();
  let next = 0;
  const place = (p: GasPipe): number => {
    const kids = pipes.filter((x) => x.parent === p.id);
    const at = kids.length ? kids.map(place).reduce((a, b) => a + b, 0) / kids.length : next++;
    rows.set(p.id, at);
    return at;
  };
  for (const p of pipes.filter((x) => x.parent == null)) place(p);
  return rows;
}

/** Metres from the regulator to a run's end. */
export function reach(p: GasPipe, pipes: GasPipe[]): number {
  const parent = pipes.find((x) => x.id === p.parent);
  return (parent ? reach(parent, pipes) : 0) + (p.length_m ?? 0);
}

export function PipePicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const { report } = useVariant();
  const hand = useHand();
  const shown = useLit();
  const [box, width] = useWidth<HTMLDivElement>();
  const pipes = g.pipes ?? [];
  const tree = part.pipes;
  const rows = rowsOf(pipes);
  const leaves = Math.max(1, pipes.filter((p) => !pipes.some((x) => x.parent === p.id)).length);
  const narrow = width < 620;
  const ROW = Math.max(40, Math.min(72, 200 / leaves));
  const TOP = Math.max(54, 92 - ((leaves - 1) * ROW) / 2);
  const x0 = narrow ? 96 : 210;
  const right = narrow ? 120 : 190;
  const far = Math.max(0.5, ...pipes.map((p) => reach(p, pipes)));
  const x = (m: number) => x0 + 30 + (m / far) * Math.max(40, width - x0 - right - 30);
  const y = (id: string) => TOP + (rows.get(id) ?? 0) * ROW;
  const mid = TOP + ((leaves - 1) * ROW) / 2;
  const H = Math.max(170, TOP + leaves * ROW + 34);
  const names = new Map((g.appliances ?? []).map((a) => [a.id, a]));
  const bad = (subject: string) => report.findings.some((f) => f.subject === subject && (f.severity === "danger" || f.severity === "fault"));
  const r = g.regulator;
  const count = (g.vessels ?? []).filter((v) => v.connected).reduce((n, v) => n + (v.count ?? 1), 0);
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={
          tree
            ? says("gas-pipes-everything-burning", { pipes: pipes.map((p) => `${p.name}${say(` ${tree.runs[p.id]?.end_mbar.toFixed(1)} mbar`)}`).join(", ") })
            : says("gas-pipes-none-leads")
        }
      >
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {says("everything-burning")}
        </text>
        {!narrow && (
          <g>
            <rect x="14" y={mid - 30} width="34" height="52" rx="9" fill="none" stroke="currentColor" strokeWidth="1.6" />
            <rect x="26" y={mid - 37} width="10" height="7" fill="currentColor" />
            <text x="31" y={mid + 38} fontSize="11" textAnchor="middle" fill="currentColor">
              {count === 1 ? says("vessel") : says("vessels", { count })}
            </text>
            <path
              d={`M48 ${mid - 12}q22 ${(g.hoses ?? []).length ? -26 : 0} 46 12`}
              fill="none"
              stroke={GAS.colour}
              strokeWidth="2.4"
              strokeDasharray={(g.hoses ?? []).length ? "1.5 3" : undefined}
            />
          </g>
        )}
        <g onClick={() => hand.drop()}>
          <circle
            cx={narrow ? 24 : 108}
            cy={mid}
            r="14"
            fill="var(--color-bench)"
            stroke={bad("regulator") ? "var(--color-rust)" : "currentColor"}
            strokeWidth="1.8"
          />
          <path d={`M${narrow ? 24 : 108} ${mid + 6}l${narrow ? 5 : 5} -12`} stroke="currentColor" strokeWidth="1.6" />
          <text x={narrow ? 24 : 108} y={mid - 20} fontSize="11" textAnchor="middle" className="num" fill="currentColor">
            {say(`${part.nominal_mbar.toFixed(1).replace(/\.0$/, "")} mbar`)}
          </text>
          <text x={narrow ? 24 : 108} y={mid + 30} fontSize="10.5" textAnchor="middle" fill="currentColor">
            {r ? says("regulator") : says("no-regulator")}
          </text>
        </g>
        <path d={`M${narrow ? 38 : 122} ${mid}H${x0}`} stroke={GAS.colour} strokeWidth="3" strokeDasharray={GAS.dash} />
        {g.solenoid && (
          <g>
            <rect
              x={x0 - 40}
              y={mid - 8}
              width="16"
              height="16"
              fill="var(--color-sheet)"
              stroke={bad("solenoid") ? "var(--color-rust)" : "currentColor"}
              strokeWidth="1.6"
            />
            <path d={`M${x0 - 40} ${mid + 8}l16 -16`} stroke="currentColor" strokeWidth="1.4" />
            <text x={x0 - 32} y={narrow ? mid - 14 : mid + 24} fontSize="10.5" textAnchor={narrow ? "start" : "middle"} fill="currentColor">
              {says("solenoid")}
            </text>
          </g>
        )}
        {pipes.map((p) => {
          const parent = pipes.find((q) => q.id === p.parent);
          const xs = parent ? x(reach(parent, pipes)) : x0;
          const ys = parent ? y(parent.id) : mid;
          const xe = x(reach(p, pipes));
          const ye = y(p.id);
          const run = tree?.runs[p.id];
          const held = hand.kind === "run" && hand.id === p.id;
          const end = p.appliance ? names.get(p.appliance) : undefined;
          const wrong = bad(`gas-run:${p.id}`);
          const light = shown?.of(`gas:${p.appliance ?? p.id}`);
          const bore = run?.inner_diameter_mm ?? p.inner_diameter_mm ?? 8;
          return (
            <g key={p.id} onClick={() => (shown ? shown.press(`gas:${p.appliance ?? p.id}`) : hand.pick("run", p.id))} style={{ cursor: "pointer" }}>
              <path d={`M${xs} ${ys}V${ye}H${xe}`} fill="none" stroke="transparent" strokeWidth="16" />
              <path
                d={`M${xs} ${ys}V${ye}H${xe}`}
                fill="none"
                stroke={light ? light.colour : wrong && !shown ? "var(--color-rust)" : held ? "var(--color-gorse)" : GAS.colour}
                strokeWidth={Math.max(1.6, Math.min(7, bore / 2.4))}
                strokeDasharray={GAS.dash}
              />
              <circle cx={xe} cy={ye} r="3.4" fill="currentColor" />
              {light && <LightMark x={xe} y={ye - 1} light={light} />}
              {p.fittings?.valve_ball ? (
                <path d={`M${xs + 10} ${ye - 6}l14 12v-12l-14 12z`} fill="var(--color-sheet)" stroke="currentColor" strokeWidth="1.3" />
              ) : null}
              {!narrow && run && xe - xs > 84 && (
                <text x={xs + 32} y={ye - 8} fontSize="10.5" className="num" fill="currentColor">
                  {xe - xs > 230
                    ? say(says("m-mm-mbar", { length_m: p.length_m ?? 0, bore, drop_mbar: run.drop_mbar, has_end: Boolean(end), end_mbar: run.end_mbar }))
                    : say(`−${run.drop_mbar.toFixed(2)} mbar`)}
                </text>
              )}
              {end && (
                <g>
                  {end.valve && <path d={`M${xe + 6} ${ye - 6}l12 12v-12l-12 12z`} fill="var(--color-sheet)" stroke="currentColor" strokeWidth="1.3" />}
                  <path d={`M${xe + 32} ${ye + 8}q-9 -7 0 -17q-1 6 5 9q5 5 -5 8z`} fill="var(--color-gorse)" stroke="currentColor" strokeWidth="1" />
                  <text x={xe + 44} y={ye - 1} fontSize="11" fill="currentColor" fontWeight={held ? 700 : 400}>
                    {end.name.length > (narrow ? 10 : 20) ? `${end.name.slice(0, narrow ? 9 : 19)}…` : end.name}
                  </text>
                </g>
              )}
              {run && end && (
                <text x={xe + 44} y={ye + 13} fontSize="11" className="num" fill="currentColor" fontWeight={wrong ? 700 : 400}>
                  {say(`${run.end_mbar.toFixed(2)} mbar`)}
                </text>
              )}
            </g>
          );
        })}
        {tree && (
          <text x={width - 8} y={H - 8} fontSize="11" textAnchor="end" fill="currentColor">
            {say(
              says("lost-worst-end-mbar", {
                tag: GAS.tag,
                worst_mbar: tree.worst_mbar,
                limit_mbar: tree.limit_mbar,
                has_chosen_mm_and_some: tree.chosen_mm != null && pipes.some((p) => p.inner_diameter_mm == null),
                chosen_mm: tree.chosen_mm ?? "",
              }),
            )}
          </text>
        )}
      </svg>
    </div>
  );
}
