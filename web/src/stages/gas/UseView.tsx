/** Use and days: what burns how much, and how long the vessels last against the days asked for. */

import { scaleLinear } from "d3-scale";
import { Link } from "react-router";
import { HEAT_W, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, count, Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { Proposals } from "../../parts/Proposals";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/gas";
import { type GasAppliance, useAppliances, useGas } from "./edit";
import { Sentence } from "./Sentence";
import { BASES, IGNITERS, KINDS, VIEWS, wordOf } from "./words";

const CAUTION = says("heaters-water-heaters-room");

/** Grams a day by appliance, and the vessels as a rule of days with what was asked for. */
function UsePicture() {
  const { part } = useGas();
  const { units } = usePerson();
  const hand = useHand();
  const [box, width] = useWidth<HTMLDivElement>();
  const rows = Object.entries(part.burns);
  const left = Math.min(190, width * 0.34);
  const most = Math.max(1, ...rows.map(([, b]) => b.use_g_day));
  const x = scaleLinear([0, most], [left, Math.max(left + 40, width - 96)]);
  const top = 34 + rows.length * 28;
  const far = Math.max(1.25 * part.target_days, Math.min(1.1 * (part.days ?? 0), 3 * part.target_days));
  const d = scaleLinear([0, far], [left, width - 24]);
  const end = Math.min(far, part.days ?? 0);
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${top + 106}`}
        className="block w-full"
        role="img"
        aria-label={says("g-gas-day-vessels", {
          total: show(Math.round(1000 * part.total_kg_day), "g", units),
          no_days: part.days == null,
          days: part.days ?? 0,
          target_days: part.target_days,
        })}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {says("gas-a-day")}
        </text>
        {rows.map(([id, b], i) => {
          const y = 34 + i * 28;
          const held = hand.kind === "appliance" && hand.id === id;
          return (
            <g key={id} onClick={() => hand.pick("appliance", id)} style={{ cursor: "pointer" }}>
              <text x={left - 8} y={y + 14} fontSize="11.5" textAnchor="end" fill="currentColor" fontWeight={held ? 700 : 400}>
                {b.name.length > 26 ? `${b.name.slice(0, 25)}…` : b.name}
              </text>
              <path
                d={flame(left, y + 10, Math.max(2, x(b.use_g_day) - left))}
                fill="var(--color-gorse)"
                fillOpacity={held ? 0.95 : 0.6}
                stroke="currentColor"
                strokeWidth={held ? 1.2 : 0.5}
              />
              <text x={x(b.use_g_day) + 8} y={y + 14} fontSize="11" className="num" fill="currentColor">
                {show(Math.round(b.use_g_day), "g", units)}
              </text>
            </g>
          );
        })}
        {part.days != null && (
          <g>
            <text x="8" y={top + 26} fontSize="12" fontWeight="600" fill="currentColor">
              {says("vessels-days")}
            </text>
            <rect
              x={left}
              y={top + 36}
              width={Math.max(2, d(end) - left)}
              height="22"
              fill={part.days >= part.target_days ? "var(--color-moss)" : "var(--color-rust)"}
              fillOpacity="0.55"
            />
            {part.days > far && (
              <text x={width - 22} y={top + 51} fontSize="13" fill="currentColor">
                ›
              </text>
            )}
            {d.ticks(Math.max(3, Math.round(width / 120))).map((t) => (
              <g key={t}>
                <path d={`M${d(t)} ${top + 58}v5`} stroke="currentColor" strokeWidth="1" />
                <text x={d(t)} y={top + 75} fontSize="10.5" textAnchor="middle" className="num" fill="currentColor">
                  {t}
                </text>
              </g>
            ))}
            <path d={`M${d(part.target_days)} ${top + 30}V${top + 64}`} stroke="var(--color-gorse)" strokeWidth="2.5" />
            <text x={Math.min(d(part.target_days) + 6, width - 130)} y={top + 28} fontSize="11" fill="currentColor">
              {says("asked-days", { target_days: part.target_days })}
            </text>
            <text x={left} y={top + 96} fontSize="11" fill="currentColor">
              {says("come-out-days-less", {
                usable_kg: show(part.usable_kg, "kg", units),
                days: part.days.toFixed(part.days < 10 ? 1 : 0),
                has_refills: part.refills != null,
                refills_is_0: part.refills != null ? part.refills === 0 : false,
                refills: part.refills ?? 0,
              })}
            </text>
          </g>
        )}
      </svg>
    </div>
  );
}

/** A bar that ends as a flame does. */
const flame = (x: number, y: number, w: number) =>
  `M${x} ${y - 7}h${Math.max(0, w - 10)}q10 1 ${Math.min(10, w)} 7q-0 6 -${Math.min(10, w)} 7h-${Math.max(0, w - 10)}z`;

function ApplianceSlate({ a }: { a: GasAppliance & { name: string } }) {
  const { units } = usePerson();
  const say = useSaid();
  const { design, report } = useVariant();
  const { part } = useGas();
  const { set, remove } = useAppliances();
  const b = part.burns[a.id];
  const heaters = (design.warmth?.heaters ?? []).filter((h) => h.fuel === "propane" || h.fuel === "butane");
  const heats = ["space_heater", "combi_heater"].includes(a.kind);
  return (
    <Slate title={a.name} sub={wordOf(KINDS, a.kind)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `gas-appliance:${a.id}`)} />
      {b && (
        <p className="my-1 text-[12px]">
          {say(
            says("g-h-each-full", {
              rate_g_h: Math.round(b.rate_g_h),
              use_kg_day: b.use_g_day / 1000,
              hours: b.hours,
              is_usual: b.of === "usual",
              is_warmth: !(b.of === "usual") ? b.of === "warmth" : false,
            }),
          )}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice("kind", says("kind"), KINDS),
          count("count", says("pieces")),
          quantity("heat_input_w", says("heat-input-each"), "power", HEAT_W, {
            clearable: true,
            placeholder: says("w-usual", { input: show(Math.round(b?.input_w ?? 0), HEAT_W, units) }),
          }),
          choice("basis", says("plate-means"), BASES, { none: says("usual") }),
          quantity("time_h_day", says("hours-day-full"), "count", "", { clearable: true, placeholder: says("usual") }),
          quantity("nominal_mbar", says("made-pressure"), "pressure", "mbar", { scale: 0.01, clearable: true, placeholder: says("not-entered") }),
          ...(a.nominal_mbar != null ? [flag("plate_28_37", say(says("plate-names-mbar")))] : []),
          ...(heats || a.kind.includes("water") ? [flag("room_sealed", says("room-sealed-air-outside"))] : []),
          flag("flame_failure", says("flame-failure-every-burner")),
          choice("igniter", says("lit"), IGNITERS),
          flag("valve", say(says("valve-own-labelled"))),
          ...(a.valve ? [flag("valve_reached", says("valve-can-reached"))] : []),
          ...(["hob_burner", "oven", "grill"].includes(a.kind) ? [flag("heats_room", says("used-warm-room"))] : []),
          flag("outside_point", says("gas-point-outside")),
          ...(a.outside_point || a.kind === "bbq" ? [flag("point_valve", says("shut-off-valve-cap"))] : []),
          ...(heats && heaters.length
            ? [
                choice(
                  "heater",
                  says("heater"),
                  heaters.map((h) => ({ value: h.id, word: h.name })),
                  { none: says("none-heat-air"), note: says("gas-then-follows-weather") },
                ),
              ]
            : []),
          ...(a.kind.includes("water") ? [flag("hot_water", says("heats-waters-hot-water"))] : []),
        ]}
        item={a}
        onSet={(key, value, label) => void set(a, { [key]: key === "count" ? Math.max(1, Math.round(Number(value ?? 1))) : value }, label)}
      />
      <TakeOut remove={() => remove(a)}>{says("remove-appliance")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { g, set } = useGas();
  return (
    <Slate title={says("gas")} sub={says("how-much-how-long")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "gas" && /^gas(-appliance|-heater|-hot|$)/.test(f.subject))} />
      <SlateFigs
        ks={[
          "gas/autonomy_days",
          "gas/total_kg_day",
          "gas/peak_kg_h",
          "gas/regulator_min_kg_h",
          "gas/usable_kg",
          "gas/after_reserve_kg",
          "gas/trip_kg",
          "gas/cost_per_day",
        ]}
      />
      <Fields
        specs={[
          quantity("target_days", says("last-days"), "count", "", { clearable: true, placeholder: say(says("nights-between-hook-ups")) }),
          quantity("reserve_frac", says("kept-reserve"), "fraction", ""),
          quantity("price_per_kg", says("price-kilogram"), "price", "/kg", { clearable: true, placeholder: says("not-entered") }),
          flag("off_at_fuel", says("everything-off-label-fuel")),
          flag("ferry_or_tunnel", says("ferry-tunnel-trip")),
        ]}
        item={g}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function UseView() {
  const say = useSaid();
  const { id } = useVariant();
  const { part } = useGas();
  const { units } = usePerson();
  const list = useAppliances();
  const { create, held: a } = useMaking(list, "appliance", () => ({ name: says("hob"), kind: "hob_burner", count: 2 }));
  const columns: Column<GasAppliance & { name: string }>[] = [
    nameColumn(list, says("appliance"), "28%"),
    wordColumn("kind", says("kind"), "20%", (x) => wordOf(KINDS, x.kind)),
    { key: "count", label: says("pieces"), width: "9%", align: "right", kind: "computed", show: (x) => x.count },
    {
      key: "input",
      label: says("input-each"),
      width: "14%",
      align: "right",
      kind: "quantity",
      dimension: "power",
      unit: HEAT_W,
      show: (x) => show(part.burns[x.id]?.input_w, HEAT_W, units),
      value: (x) => x.heat_input_w ?? null,
      set: (x, q) => void list.set(x, { heat_input_w: q ? q.value : null }, says("heat-input")),
    },
    { key: "hours", label: says("hours-day"), width: "12%", align: "right", kind: "computed", show: (x) => (part.burns[x.id]?.hours ?? 0).toFixed(1) },
    {
      key: "use",
      label: says("day-2"),
      width: "14%",
      align: "right",
      kind: "computed",
      show: (x) => show((part.burns[x.id]?.use_g_day ?? 0) / 1000, "kg", units),
    },
  ];
  return (
    <Bench
      title={says("gas")}
      sentence={<Sentence />}
      picture={<UsePicture />}
      tools={
        <>
          <StageViews stage={says("gas")} views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {says("add-appliance-n")}
          </button>
          <Link className="btn" to={`/v/${id}/print/gas`}>
            {says("sheets-paper")}
          </Link>
        </>
      }
      ledger={
        <>
          <ItemLedger
            label={says("gas-appliances")}
            list={list}
            kind="appliance"
            subject="gas-appliance"
            columns={columns}
            onAdd={create}
            empty={say(says("nothing-burns-gas-turn"))}
          />
          {list.items.length > 0 && <Proposals groups={["gas"]} empty={says("nothing-propose-regulator-runs")} />}
        </>
      }
      slate={a ? <ApplianceSlate a={a} /> : <Whole />}
    />
  );
}
