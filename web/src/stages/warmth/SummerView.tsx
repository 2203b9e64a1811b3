/** Summer: the hot day by the hour, an air conditioner against it and on the bank; hot cabinets, and bays that freeze in winter. */
import { scaleLinear } from "d3-scale";
import { useCallback, useState } from "react";
import { useCatalogue } from "../../data/catalogue";
import { degrees, HEAT_W, OPENING_MM2, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, Fields, flag, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { ChoiceProperty, FlagProperty } from "../../parts/Property";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/warmth";
import { type Bay, type Cabinet, useBays, useCabinets, useWarmth } from "./edit";
import { Sentence } from "./Sentence";
import { COMPRESSORS, SUPPLIES, VIEWS } from "./words";

const CAUTION = says("never-leave-people-animals");

const FIGURES = {
  total_w: says("take-away-worst-hour"),
  needed_w: says("cooler-choose"),
  glass_solar_w: says("sun-through-glass"),
  opaque_w: says("through-walls-roof"),
  latent_w: says("moisture"),
  free_running_temp_c: says("where-would-settle-without"),
  net_capacity_w: says("cooler-takes-away"),
  run_power_w: says("draws-while-runs"),
  run_current_a: says("bank"),
  start_power_w: says("start"),
  time_h: says("bank-carries"),
};

/** Temperatures of the hot day as lines, what a cooler would have to take away as posts. */
function HotDay() {
  const { units } = usePerson();
  const { report, design } = useVariant();
  const say = useSaid();
  const [box, width] = useWidth<HTMLDivElement>();
  const c = report.warmth.cool;
  const H = 272;
  const cooler = design.warmth?.cooler;
  const all = [...c.outdoor_c, ...c.free_c];
  const x = scaleLinear([0, 24], [56, width - 60]);
  const temp = scaleLinear([Math.floor(Math.min(...all)) - 1, Math.ceil(Math.max(...all)) + 2], [H - 34, 30]);
  const most = Math.max(500, c.capacity_w ?? 0, ...c.load_w);
  const load = scaleLinear([0, most], [H - 34, 90]);
  const line = (v: number[]) => v.map((t, h) => `${h ? "L" : "M"}${x(h + 0.5).toFixed(1)} ${temp(t).toFixed(1)}`).join("");
  const last = (v: number[]) => temp(v[23] ?? 0) + 4;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${H}`}
        className="block w-full"
        role="img"
        aria-label={say(says("hot-day-up-c", { value: Math.max(...c.free_c), total: show(Math.round(c.total_w), HEAT_W, units), worst_hour: c.worst_hour }))}
      >
        {c.load_w.map((w, h) => (
          <rect
            key={h}
            x={x(h) + 2}
            y={load(w)}
            width={Math.max(1, x(1) - x(0) - 4)}
            height={Math.max(0, H - 34 - load(w))}
            fill="var(--color-loch)"
            fillOpacity={h === c.worst_hour ? 0.55 : 0.25}
          />
        ))}
        {temp.ticks(6).map((t) => (
          <g key={t}>
            <path d={`M50 ${temp(t)}H${width - 56}`} stroke="var(--color-line)" strokeWidth="0.7" />
            <text x="46" y={temp(t) + 3.5} fontSize="10" textAnchor="end" className="num" fill="var(--color-dim)">
              {degrees(t, units)}
            </text>
          </g>
        ))}
        {load.ticks(3).map((w) => (
          <text key={w} x={width - 52} y={load(w) + 3.5} fontSize="10" className="num" fill="var(--color-loch)">
            {show(w, HEAT_W, units)}
          </text>
        ))}
        <path d={line(c.outdoor_c)} fill="none" stroke="currentColor" strokeWidth="1.4" strokeDasharray="6 3" />
        <path d={line(c.free_c)} fill="none" stroke="var(--color-rust)" strokeWidth="2.2" />
        {cooler && (
          <path
            d={`M${x(cooler.from_h ?? 0)} ${temp(cooler.set_c ?? 26)}H${x(cooler.to_h ?? 24)}`}
            stroke="var(--color-moss)"
            strokeWidth="2"
            strokeDasharray="2 3"
          />
        )}
        <text x={x(0) + 4} y={Math.min(last(c.free_c) - 8, temp(c.free_c[0] ?? 0) - 6)} fontSize="10.5" fill="var(--color-rust)" fontWeight="600">
          {says("inside-without-cooling")}
        </text>
        <text x={x(17.5)} y={temp(c.outdoor_c[17] ?? 0) - 5} fontSize="10.5" fill="currentColor">
          {says("outside-4")}
        </text>
        {cooler && (
          <text x={x(cooler.from_h ?? 0) + 4} y={temp(cooler.set_c ?? 26) - 4} fontSize="10.5" fill="var(--color-moss)">
            {says("asked-2")}
          </text>
        )}
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {say(says("cloudless-day-up-c", { hot_c: c.hot_c }))}
        </text>
        {[0, 6, 12, 18, 24].map((h) => (
          <text key={h} x={x(h)} y={H - 18} fontSize="10" textAnchor="middle" className="num" fill="var(--color-dim)">
            {`${h}:00`}
          </text>
        ))}
        <text x={width - 60} y={H - 3} fontSize="9.5" textAnchor="end" fill="var(--color-dim)">
          {says("suns-time-coolers-hours")}
        </text>
      </svg>
    </div>
  );
}

function CabinetSlate({ c }: { c: Cabinet }) {
  const { units } = usePerson();
  const { report } = useVariant();
  const say = useSaid();
  const { set, remove } = useCabinets();
  const p = report.warmth.cabinets[c.id];
  return (
    <Slate title={c.name} sub={says("closed-space-something-hot")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `cabinet:${c.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {p.temp_c != null && say(says("c-vents-has", { temp_c: p.temp_c }))}
          {say(
            says("w-vent-mm-free", {
              vented: show(Math.round(p.vented_w), HEAT_W, units),
              each_mm2: Math.round(p.each_mm2).toLocaleString("en-GB"),
              gross_mm2: Math.round(p.gross_mm2).toLocaleString("en-GB"),
              fan_m3_h: Math.round(p.fan_m3_h),
            }),
          )}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          quantity("heat_w", says("heat-given-off"), "power", HEAT_W, { note: says("inverter-tenth-load") }),
          quantity("max_c", says("most-2"), "temperature", "°C"),
          quantity("stack_height_m", says("low-high-vent"), "length", "m"),
          quantity("case_area_m2", says("walls"), "surface", "m²"),
          quantity("low_mm2", says("low-vent-free"), "surface", OPENING_MM2, { scale: 1e6, clearable: true, placeholder: says("none") }),
          quantity("high_mm2", says("high-vent-free"), "surface", OPENING_MM2, { scale: 1e6, clearable: true, placeholder: says("none") }),
          flag("absorption_fridge", says("absorption-fridges-flue-space")),
          flag("sealed_from_room", says("sealed-room")),
        ]}
        item={c}
        onSet={(key, value, label) => void set(c, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(c)}>{says("remove-2")}</TakeOut>
    </Slate>
  );
}

function BaySlate({ b }: { b: Bay }) {
  const { units } = usePerson();
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useBays();
  const p = report.warmth.bays[b.id];
  return (
    <Slate title={b.name} sub={says("between-inside-outside")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `bay:${b.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {say(says("c-c-outside-night", { temp_c: p.temp_c, cold_c: report.warmth.cold_c, safe: p.safe, heat: show(Math.round(p.heat_w), HEAT_W, units) }))}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          { key: "ua_to_living_w_k", label: says("towards-living-space"), note: says("w-k-area-u"), kind: "quantity", dimension: "conductance", unit: "W/K" },
          { key: "ua_to_outside_w_k", label: says("towards-outside"), note: says("w-k-area-u"), kind: "quantity", dimension: "conductance", unit: "W/K" },
          quantity("heat_w", says("heat-put-into"), "power", HEAT_W),
          flag("water", says("water-must-not-freeze")),
        ]}
        item={b}
        onSet={(key, value, label) => void set(b, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(b)}>{says("remove-2")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, design, edit } = useVariant();
  const { w, part, set } = useWarmth();
  const catalogue = useCatalogue();
  const c = w.cooler;
  const coolers = (catalogue.data ?? []).filter((p) => p.kind === "cooler");
  const lines = (design.life?.appliances ?? []).filter((a) => a.kind === "cooling");
  const fields = (p: (typeof coolers)[number]) => {
    const d = p.data as Record<string, never>;
    return {
      name: p.name,
      part: p.key,
      capacity_w: d.capacity_w,
      eer: d.eer,
      supply: Number(d.volts) < 100 ? "native" : "inverter",
      compressor: d.compressor,
      fan_power_w: d.fan_power_w,
      hose_flow_m3_h: d.hose_flow_m3_h ?? 0,
      mass_kg: p.mass_kg,
    };
  };
  return (
    <Slate title={says("heat-air")} sub={says("summer")}>
      {part.cool.capacity_w != null && (
        <HeadroomBar label={says("cooling-worst-hour")} need={part.cool.needed_w} have={part.cool.capacity_w} unit={HEAT_W} margin={0} />
      )}
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth" && /^(cool|cabinet|bay)/.test(f.subject))} />
      {(Object.entries(FIGURES) as [keyof typeof FIGURES, string][]).map(([k, label]) => (
        <SlateFig key={k} k={`cool/${k}`} label={label} />
      ))}
      {part.cool.day_wh != null && (
        <p className="my-1 text-[12px] text-chalk-dim">{says("hottest-day-round-clock", { day_wh: show(part.cool.day_wh, "Wh") })}</p>
      )}
      <FlagProperty label={says("people-animals-left")} value={w.left_alone ?? false} onSet={(v) => void set("left_alone", v, says("left"))} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("air-conditioner")}</h3>
      <ChoiceProperty
        label={say(says("catalogue"))}
        value={c?.part ?? (c ? "own" : "")}
        options={[
          { value: "", word: says("none") },
          ...(c && !c.part ? [{ value: "own", word: says("your-own") }] : []),
          ...coolers.map((p) => ({ value: p.key, word: `${p.name}, ${p.maker}` })),
        ]}
        onSet={(key) => {
          const p = coolers.find((x) => x.key === key);
          if (p) void set("cooler", { ...(c ?? {}), ...fields(p), by: "typed" }, p.name);
          else if (key === "") void set("cooler", null, says("no-air-conditioner"));
        }}
      />
      {c && (
        <>
          <ChoiceProperty
            label={says("which-appliance-daily-use")}
            note={says("electricity-counts-once")}
            value={c.appliance ?? ""}
            options={[{ value: "", word: says("none") }, ...lines.map((a) => ({ value: a.id, word: a.name }))]}
            onSet={(v) => void edit([{ op: "replace", path: "/warmth/cooler/appliance", value: v || null }], says("line-daily-use-cooler"))}
          />
          <Fields
            specs={[
              words("name", says("name")),
              quantity("capacity_w", says("takes-away"), "power", HEAT_W, { note: says("btu-h") }),
              quantity("eer", says("cooling-each-watt"), "count", ""),
              choice("supply", says("runs-3"), SUPPLIES),
              choice("compressor", says("compressor"), COMPRESSORS),
              quantity("set_c", says("cools"), "temperature", "°C"),
              quantity("from_h", says("from"), "time", "h"),
              quantity("to_h", says("until"), "time", "h"),
              flag("hookup_only", say(says("only-hook-up"))),
              quantity("hours_wanted", says("bank-2"), "time", "h"),
              quantity("hose_flow_m3_h", says("blown-out-single-hose"), "airflow", "m³/h"),
            ]}
            item={c}
            onSet={(key, value, label) => void edit([{ op: "replace", path: `/warmth/cooler/${key}`, value }], says("air-conditioner-2", { label }))}
          />
        </>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function SummerView() {
  const say = useSaid();
  const { report } = useVariant();
  const { units } = usePerson();
  const hand = useHand();
  const cabinets = useCabinets();
  const bays = useBays();
  const [list, setList] = useState<"cabinets" | "bays">("cabinets");
  const part = report.warmth;
  const addCabinet = cabinets.add;
  const addBay = bays.add;
  const create = useCallback(async () => {
    const id =
      list === "cabinets"
        ? await addCabinet({ name: says("cabinet"), heat_w: 80 })
        : await addBay({ name: says("tank-bay"), ua_to_living_w_k: 3, ua_to_outside_w_k: 3 });
    if (id) hand.pick(list === "cabinets" ? "cabinet" : "bay", id);
  }, [addCabinet, addBay, list, hand.pick]);
  useCall("bothy:new", create);
  const c = hand.kind === "cabinet" ? cabinets.items.find((x) => x.id === hand.id) : undefined;
  const b = hand.kind === "bay" ? bays.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<Cabinet>[] = [
    nameColumn(cabinets, says("hot-cabinet"), "34%"),
    {
      key: "heat",
      label: says("heat-2"),
      width: "16%",
      align: "right",
      kind: "quantity",
      dimension: "power",
      unit: HEAT_W,
      show: (x) => show(x.heat_w, HEAT_W, units),
      value: (x) => x.heat_w,
      set: (x, q) => q && void cabinets.set(x, { heat_w: q.value }, says("heat")),
    },
    { key: "temp", label: says("gets"), width: "16%", align: "right", kind: "computed", show: (x) => show(part.cabinets[x.id]?.temp_c, "°C", units, 2) },
    { key: "most", label: says("most-2"), width: "14%", align: "right", kind: "computed", show: (x) => show(x.max_c ?? 40, "°C", units) },
    {
      key: "vents",
      label: says("vents-each"),
      width: "20%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.cabinets[x.id]?.each_mm2, OPENING_MM2, units, 2),
    },
  ];
  const bayColumns: Column<Bay>[] = [
    nameColumn(bays, says("bay"), "40%"),
    { key: "temp", label: says("coldest-night"), width: "20%", align: "right", kind: "computed", show: (x) => show(part.bays[x.id]?.temp_c, "°C", units, 2) },
    { key: "heat", label: say(says("hold-c")), width: "20%", align: "right", kind: "computed", show: (x) => show(part.bays[x.id]?.heat_w, HEAT_W, units, 2) },
    { key: "water", label: says("water"), width: "20%", kind: "computed", show: (x) => (x.water === false ? says("no") : says("yes")) },
  ];
  return (
    <Bench
      title={says("heat-air")}
      sentence={<Sentence />}
      picture={<HotDay />}
      tools={
        <>
          <StageViews stage={says("heat-air")} views={VIEWS} />
          <span className="flex" role="group" aria-label={says("what-ledger-lists")}>
            {(["cabinets", "bays"] as const).map((k) => (
              <button
                key={k}
                type="button"
                className={`btn px-2 ${k === list ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={k === list}
                onClick={() => setList(k)}
              >
                {k === "cabinets" ? says("hot-cabinets") : says("cold-bays")}
              </button>
            ))}
          </span>
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {list === "cabinets" ? says("add-cabinet-n") : says("add-bay-n")}
          </button>
        </>
      }
      ledger={
        list === "cabinets" ? (
          <ItemLedger
            key=" Hot cabinets"
            label={says("hot-cabinets-2")}
            list={cabinets}
            kind="cabinet"
            columns={columns}
            onAdd={create}
            empty={says("no-hot-cabinet-yet")}
          />
        ) : (
          <ItemLedger
            key=" Cold bays"
            label={says("cold-bays-2")}
            list={bays}
            kind="bay"
            columns={bayColumns}
            onAdd={create}
            empty={says("no-bay-yet-where")}
          />
        )
      }
      slate={c ? <CabinetSlate c={c} /> : b ? <BaySlate b={b} /> : <Whole />}
    />
  );
}
