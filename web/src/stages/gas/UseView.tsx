/** Use and days: what burns how much, and how long the vessels last against the days asked for. */

import { scaleLinear } from "d3-scale";
import { Link } from "react-router";
import { show } from "../../data/show";
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
import { type GasAppliance, useAppliances, useGas } from "./edit";
import { Sentence } from "./Sentence";
import { BASES, IGNITERS, KINDS, VIEWS, wordOf } from "./words";

const CAUTION =
  "Heaters and water heaters room-sealed, flame failure on every burner, a valve for each appliance. A hob is no heater. One pressure for all: read the plate.";

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
        aria-label={`${Math.round(1000 * part.total_kg_day)} g of gas a day; the vessels last ${part.days == null ? "without end" : `${part.days.toFixed(0)} days`}, ${part.target_days} were asked for`}
      >
        <text x="8" y="20" fontSize="12" fontWeight="600" fill="currentColor">
          grams a day
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
                {Math.round(b.use_g_day)} g
              </text>
            </g>
          );
        })}
        {part.days != null && (
          <g>
            <text x="8" y={top + 26} fontSize="12" fontWeight="600" fill="currentColor">
              the vessels, in days
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
              asked for: {part.target_days} days
            </text>
            <text x={left} y={top + 96} fontSize="11" fill="currentColor">
              {`${show(part.usable_kg, "kg", units)} come out, ${part.days.toFixed(part.days < 10 ? 1 : 0)} days less the reserve${part.refills != null ? `; ${part.refills === 0 ? "no refill" : part.refills === 1 ? "1 refill" : `${part.refills} refills`} on the trip` : ""}`}
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
          {Math.round(b.rate_g_h)} g/h each at full; {Math.round(b.use_g_day)} g a day in all, for {b.hours.toFixed(1)} h
          {b.of === "usual" ? ", as is usual" : b.of === "warmth" ? ", in the coldest planned month" : ""}.
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice("kind", "kind", KINDS),
          count("count", "pieces"),
          quantity("heat_input_w", "heat input, each", "power", "W", { clearable: true, placeholder: `${Math.round(b?.input_w ?? 0)} W, as is usual` }),
          choice("basis", "its plate means", BASES, { none: "as is usual" }),
          quantity("time_h_day", "hours a day at full", "count", "", { clearable: true, placeholder: "as is usual" }),
          quantity("nominal_mbar", "made for a pressure of", "pressure", "mbar", { scale: 0.01, clearable: true, placeholder: "not entered" }),
          ...(a.nominal_mbar != null ? [flag("plate_28_37", say("its plate names 28 to 37 mbar"))] : []),
          ...(heats || a.kind.includes("water") ? [flag("room_sealed", "room-sealed: air from outside, flue to outside")] : []),
          flag("flame_failure", "flame failure on every burner"),
          choice("igniter", "lit by", IGNITERS),
          flag("valve", say("a valve of its own, labelled")),
          ...(a.valve ? [flag("valve_reached", "the valve can be reached")] : []),
          ...(["hob_burner", "oven", "grill"].includes(a.kind) ? [flag("heats_room", "used to warm the room")] : []),
          flag("outside_point", "at a gas point outside"),
          ...(a.outside_point || a.kind === "bbq" ? [flag("point_valve", "a shut-off valve and cap at the point")] : []),
          ...(heats && heaters.length
            ? [
                choice(
                  "heater",
                  "is the heater",
                  heaters.map((h) => ({ value: h.id, word: h.name })),
                  { none: "none in Heat and air", note: "its gas then follows the weather" },
                ),
              ]
            : []),
          ...(a.kind.includes("water") ? [flag("hot_water", "it heats Water’s hot water")] : []),
        ]}
        item={a}
        onSet={(key, value, label) => void set(a, { [key]: key === "count" ? Math.max(1, Math.round(Number(value ?? 1))) : value }, label)}
      />
      <TakeOut remove={() => remove(a)}>Remove this appliance</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { g, set } = useGas();
  return (
    <Slate title="Gas" sub="how much, and for how long">
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
          quantity("target_days", "it is to last, days", "count", "", { clearable: true, placeholder: say("nights between hook-ups") }),
          quantity("reserve_frac", "kept in reserve", "fraction", ""),
          quantity("price_per_kg", "price a kilogram", "count", "", { clearable: true, placeholder: "not entered" }),
          flag("off_at_fuel", "everything off, and a label, at fuel stops and ferries"),
          flag("ferry_or_tunnel", "a ferry or tunnel on the trip"),
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
  const { create, held: a } = useMaking(list, "appliance", () => ({ name: "Hob", kind: "hob_burner", count: 2 }));
  const columns: Column<GasAppliance & { name: string }>[] = [
    nameColumn(list, "appliance", "28%"),
    wordColumn("kind", "kind", "20%", (x) => wordOf(KINDS, x.kind)),
    { key: "count", label: "pieces", width: "9%", align: "right", kind: "computed", show: (x) => x.count },
    {
      key: "input",
      label: "input, each",
      width: "14%",
      align: "right",
      kind: "quantity",
      dimension: "power",
      unit: "W",
      show: (x) => show(part.burns[x.id]?.input_w, "W", units),
      value: (x) => x.heat_input_w ?? null,
      set: (x, q) => void list.set(x, { heat_input_w: q ? q.value : null }, "heat input"),
    },
    { key: "hours", label: "hours a day", width: "12%", align: "right", kind: "computed", show: (x) => (part.burns[x.id]?.hours ?? 0).toFixed(1) },
    { key: "use", label: "a day", width: "14%", align: "right", kind: "computed", show: (x) => show((part.burns[x.id]?.use_g_day ?? 0) / 1000, "kg", units) },
  ];
  return (
    <Bench
      title="Gas"
      sentence={<Sentence />}
      picture={<UsePicture />}
      tools={
        <>
          <StageViews stage="Gas" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add an appliance (n)
          </button>
          <Link className="btn" to={`/v/${id}/print/gas`}>
            Sheets for paper
          </Link>
        </>
      }
      ledger={
        <>
          <ItemLedger
            label="Gas appliances"
            list={list}
            kind="appliance"
            subject="gas-appliance"
            columns={columns}
            onAdd={create}
            empty={say("Nothing burns gas. Turn to “Ways to cook” first: without gas there is no locker, no vent and no test. Otherwise add the hob.")}
          />
          {list.items.length > 0 && <Proposals groups={["gas"]} empty="Nothing to propose: regulator, runs, locker, alarm and solenoid stand." />}
        </>
      }
      slate={a ? <ApplianceSlate a={a} /> : <Whole />}
    />
  );
}
