/** Vessels: what they hold and weigh, whether the gas comes out in the cold and fast enough, where it is to be had on the way. */

import { scaleLinear } from "d3-scale";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, count, Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { useGas, useVessels, type Vessel } from "./edit";
import { Sentence } from "./Sentence";
import { BOIL, FILLERS, GASES, HELD, OUTLETS, PLACES, SUPPLIES, VESSELS, VIEWS, wordOf } from "./words";

const CAUTION = says("upright-strapped-valve-shut");

/** The vessels in their size, and five gases on a scale of cold: where a gas has a bar, it comes out. */
function VesselsPicture() {
  const say = useSaid();
  const { g, part } = useGas();
  const { units } = usePerson();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const narrow = width < 620;
  const list = g.vessels ?? [];
  const tall = Math.max(0.5, ...list.map((v) => v.height_m ?? 0.5));
  const px = 150 / tall;
  const half = narrow ? width : width * 0.42;
  let x = 16;
  const drawn = list.map((v) => {
    const w = Math.max(26, (v.diameter_m ?? 0.3) * px);
    const at = x;
    x += (w + 6) * Math.min(3, v.count ?? 1) + 34;
    return { v, w, at };
  });
  const scale = Math.min(1, (half - 10) / Math.max(1, x));
  const top = narrow ? 236 : 0;
  const x0 = (narrow ? 0 : half) + 92;
  const t = scaleLinear([-40, 20], [x0, width - 74]);
  const cold = Math.max(-40, Math.min(20, part.coldest_c));
  const shape = (w: number, h: number) => `M0 ${h}V18q0 -14 ${w * 0.3} -16h${w * 0.4}q${w * 0.3} 2 ${w * 0.3} 16V${h}z`;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${top + 232}`}
        className="block w-full"
        role="img"
        aria-label={say(
          says("c-come-out", {
            list: list.map((v) => `${v.count ?? 1} ${v.name}`).join(", ") || says("no-vessel"),
            coldest_c: part.coldest_c,
            cold: part.cold.map((c) => `${wordOf(GASES, c.gas)} ${Math.round(100 * c.usable_frac)} %`).join(", "),
          }),
        )}
      >
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {says("vessels-full")}
        </text>
        <g transform={`translate(0 26) scale(${scale})`}>
          {drawn.map(({ v, w, at }) => {
            const p = part.vessels[v.id];
            const h = Math.max(40, (v.height_m ?? 0.5) * px);
            const held = hand.kind === "vessel" && hand.id === v.id;
            const fill = 0.8 * (h - 10) * (p && p.capacity_kg > 0 ? Math.min(1, p.usable_kg / (p.capacity_kg * (v.count ?? 1))) : 0);
            return (
              <g key={v.id} transform={`translate(${at} ${158 - h})`} onClick={() => hand.pick("vessel", v.id)} style={{ cursor: "pointer" }}>
                {Array.from({ length: Math.min(3, v.count ?? 1) }, (_, i) => (
                  <g key={i} transform={`translate(${i * (w + 6)} 0) rotate(${v.kind === "cylinder" ? Math.min(90, v.angle_deg ?? 0) : 0} ${w / 2} ${h})`}>
                    <path d={shape(w, h)} fill="none" stroke="currentColor" strokeWidth={held ? 2.4 : 1.4} />
                    <rect x="2" y={h - 2 - fill} width={w - 4} height={fill} fill="var(--color-gorse)" fillOpacity="0.45" />
                    <rect x={w * 0.4} y="-4" width={w * 0.2} height="7" fill="currentColor" />
                    {Array.from({ length: Math.min(2, v.straps ?? 0) }, (_, s) => (
                      <path key={s} d={`M-3 ${h * (0.4 + 0.35 * s)}h${w + 6}`} stroke="currentColor" strokeWidth="3" />
                    ))}
                  </g>
                ))}
                <text x="0" y={h + 16} fontSize="11" fill="currentColor" fontWeight={held ? 700 : 400}>
                  {`${(v.count ?? 1) > 1 ? `${v.count} × ` : ""}${show(p?.capacity_kg, "kg", units)}`}
                </text>
                <text x="0" y={h + 30} fontSize="10.5" fill="currentColor">
                  {says("full", { full_mass_kg: show(p?.full_mass_kg, "kg", units) })}
                </text>
              </g>
            );
          })}
        </g>
        <text x={narrow ? 8 : half + 8} y={top + 18} fontSize="12" fontWeight="600" fill="currentColor">
          {says("comes-out")}
        </text>
        {part.cold.map((c, i) => {
          const y = top + 34 + i * 26;
          const mine = c.gas === (g.gas ?? "propane");
          const from = t(Math.max(-40, Math.min(20, c.min_temp_c)));
          return (
            <g key={c.gas}>
              <text x={x0 - 8} y={y + 13} fontSize="11.5" textAnchor="end" fill="currentColor" fontWeight={mine ? 700 : 400}>
                {wordOf(GASES, c.gas)}
              </text>
              <rect
                x={from}
                y={y + 2}
                width={Math.max(1, t(20) - from)}
                height="14"
                fill="var(--color-moss)"
                fillOpacity={mine ? 0.7 : 0.3}
                stroke="currentColor"
                strokeWidth={mine ? 1.3 : 0}
              />
              <text x={width - 68} y={y + 13} fontSize="11" className="num" fill="currentColor">
                {Math.round(100 * c.usable_frac)} %
              </text>
            </g>
          );
        })}
        {[-40, -30, -20, -10, 0, 10, 20].map((v) => (
          <text key={v} x={t(v)} y={top + 184} fontSize="10.5" textAnchor="middle" className="num" fill="currentColor">
            {units === "us" ? Math.round(v * 1.8 + 32) : v}
          </text>
        ))}
        <path d={`M${t(cold)} ${top + 28}V${top + 168}`} stroke="var(--color-loch)" strokeWidth="2.5" strokeDasharray="5 3" />
        <text x={t(cold) + (cold > 5 ? -6 : 6)} y={top + 204} fontSize="11" textAnchor={cold > 5 ? "end" : "start"} fill="currentColor">
          {says("coldest-use", { coldest_c: show(part.coldest_c, "°C", units) })}
        </text>
        <text x={width - 8} y={top + 204} fontSize="10.5" textAnchor="end" fill="currentColor">
          {says("full-vessel")}
        </text>
      </svg>
    </div>
  );
}

function VesselSlate({ v }: { v: Vessel & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { part } = useGas();
  const { set, remove } = useVessels();
  const { units } = usePerson();
  const p = part.vessels[v.id];
  const whole = ["count", "straps"];
  return (
    <Slate title={v.name} sub={wordOf(VESSELS, v.kind)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `vessel:${v.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {say(
            says("full-full-gives-kn", {
              full_mass_kg: show(p.full_mass_kg, "kg", units),
              coldest_c: show(part.coldest_c, "°C", units),
              kg_h_continuously: say(says("kg-h-continuously", { continuous_kg_h: p.continuous_kg_h })),
              kg_h_hour: say(says("kg-h-hour-straps", { burst_kg_h: p.burst_kg_h })),
              need_n: p.need_n / 1000,
            }),
          )}
        </p>
      )}
      <SlateFigs ks={[`vessels/${v.id}/continuous_kg_h`, `vessels/${v.id}/burst_kg_h`]} />
      <Fields
        specs={[
          words("name", says("name")),
          choice("kind", says("kind"), VESSELS),
          choice("supply", says("got"), SUPPLIES),
          count("count", says("pieces")),
          ...(v.kind === "tank"
            ? [quantity("water_capacity_l", says("holds-all"), "volume", "L"), quantity("fill_limit_frac", says("filled"), "fraction", "")]
            : [quantity("capacity_kg", says("gas-one"), "mass", "kg")]),
          quantity("tare_kg", says("empty-mass-one"), "mass", "kg"),
          quantity("diameter_m", says("across"), "length", "m"),
          quantity("height_m", says("height"), "length", "m"),
          choice("place", says("stands"), PLACES),
          quantity("angle_deg", says("leans-degrees"), "count", ""),
          count("straps", says("straps")),
          quantity("restraint_n", says("they-hold-n"), "force", "N", { clearable: true, placeholder: says("not-entered") }),
          flag("connected", says("connected")),
          flag("stop_80", says("stop-valve")),
          flag("self_filled", says("you-fill-yourself")),
          choice("outlet", says("outlet"), OUTLETS, { none: says("regions") }),
          choice("filler", says("filler"), FILLERS, { none: says("regions") }),
          flag("budgeted", says("full-mass-budget")),
        ]}
        item={v}
        onSet={(key, value, label) =>
          void set(v, { [key]: whole.includes(key) ? Math.max(key === "count" ? 1 : 0, Math.round(Number(value ?? 0))) : value }, label)
        }
      />
      <TakeOut remove={() => remove(v)}>{says("remove-vessel")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { g, part, set } = useGas();
  const { units } = usePerson();
  return (
    <Slate title={says("gas")} sub={says("vessels-cold")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^(vessel|gas$|country)/.test(f.subject))} />
      <SlateFigs ks={["gas/vapour_pressure_gauge_mbar", "gas/usable_mass_frac", "gas/min_temp_c", "gas/full_mass_kg"]} />
      {part.boil.map((b) => (
        <p key={b.what} className={`my-1 text-[12px] ${b.verdict === "too-much" ? "text-[#f3b3a4]" : "text-chalk-dim"}`}>
          {b.what === "everything" ? says("everything-hour") : says("night-heating")}:{" "}
          {say(
            says("kg-h-full-they", {
              demand_kg_h: b.demand_kg_h,
              continuous_kg_h: b.continuous_kg_h,
              burst_kg_h: b.burst_kg_h,
              hours: b.hours,
              verdict: BOIL[b.verdict] ?? "",
            }),
          )}
        </p>
      ))}
      <Fields
        specs={[
          choice("gas", says("gas-2"), GASES, { none: says("propane-frost") }),
          quantity("coldest_c", says("coldest-use-2"), "temperature", "°C", { clearable: true, placeholder: says("plans-coldest-night") }),
          choice("restraint_school", says("held-against"), HELD),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      {part.countries.length > 0 && (
        <>
          <h3 className="mb-1 mt-3 font-display text-[14px]">{says("way-3")}</h3>
          <ul className="m-0 list-none p-0 text-[12px]">
            {part.countries.map((c) => (
              <li key={c.code} className="border-b border-slate-2 py-1">
                <strong>{c.name[0]!.toUpperCase() + c.name.slice(1)}</strong>
                {says("days-outlet-fits-doesnt", { days: c.days, need_kg: show(c.need_kg, "kg", units), fits: c.fits, exchange: c.exchange, pump: c.pump })}
                {c.note && <span className="block text-chalk-dim">{c.note}</span>}
                {!c.fits && c.outlets.length > 0 && (
                  <span className="block text-chalk-dim">{says("met-there", { outlets: c.outlets.map((o) => wordOf(OUTLETS, o)).join(", ") })}</span>
                )}
              </li>
            ))}
          </ul>
          <p className="my-1 text-[12px] text-chalk-dim">{say(says("usual-each-country-ask"))}</p>
        </>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function VesselsView() {
  const { part } = useGas();
  const { units } = usePerson();
  const list = useVessels();
  const { create, held: v } = useMaking(list, "vessel", () => ({}));
  const columns: Column<Vessel & { name: string }>[] = [
    nameColumn(list, says("vessel-2"), "26%"),
    wordColumn("place", says("stands"), "20%", (x) => wordOf(PLACES, x.place)),
    { key: "count", label: says("pieces"), width: "9%", align: "right", kind: "computed", show: (x) => x.count },
    { key: "kg", label: says("gas-one"), width: "13%", align: "right", kind: "computed", show: (x) => show(part.vessels[x.id]?.capacity_kg, "kg", units) },
    {
      key: "usable",
      label: says("comes-out-2"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.vessels[x.id]?.usable_kg, "kg", units),
    },
    { key: "full", label: says("mass-full"), width: "14%", align: "right", kind: "computed", show: (x) => show(part.vessels[x.id]?.full_mass_kg, "kg", units) },
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<VesselsPicture />}
      tools={
        <>
          <StageViews stage={says("gas")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-vessel-n")}
          </button>
        </>
      }
      ledger={<ItemLedger label={says("gas-vessels")} list={list} kind="vessel" columns={columns} onAdd={create} empty={says("no-vessel-yet-exchange")} />}
      slate={v ? <VesselSlate v={v} /> : <Whole />}
    />
  );
}
