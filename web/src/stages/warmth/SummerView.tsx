/** Summer: the hot day by the hour, an air conditioner against it and on the bank; hot cabinets, and bays that freeze in winter. */
import { scaleLinear } from "d3-scale";
import { useCallback, useState } from "react";
import { useCatalogue } from "../../data/catalogue";
import { show } from "../../data/show";
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
import { type Bay, type Cabinet, useBays, useCabinets, useWarmth } from "./edit";
import { Sentence } from "./Sentence";
import { COMPRESSORS, SUPPLIES, VIEWS } from "./words";

const CAUTION =
  "Never leave people or animals in it and trust a fan or cooler. Refrigerant only by certified persons; a roof unit takes two people; its mains side belongs to a licensed electrician where your region says so.";

const FIGURES = {
  total_w: "to take away in the worst hour",
  needed_w: "cooler to choose",
  glass_solar_w: "of it sun through glass",
  opaque_w: "of it through walls and roof",
  latent_w: "of it moisture",
  free_running_temp_c: "where it would settle without cooling",
  net_capacity_w: "the cooler takes away",
  run_power_w: "it draws while it runs",
  run_current_a: "from the bank",
  start_power_w: "to start",
  time_h: "the bank carries it for",
};

/** Temperatures of the hot day as lines, what a cooler would have to take away as posts. */
function HotDay() {
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
        aria-label={say(
          `The hot day: up to ${Math.max(...c.free_c).toFixed(0)} °C inside without cooling, ${Math.round(c.total_w)} W to take away at ${c.worst_hour}:00`,
        )}
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
              {t}°
            </text>
          </g>
        ))}
        {load.ticks(3).map((w) => (
          <text key={w} x={width - 52} y={load(w) + 3.5} fontSize="10" className="num" fill="var(--color-loch)">
            {`${w} W`}
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
          inside, without cooling
        </text>
        <text x={x(17.5)} y={temp(c.outdoor_c[17] ?? 0) - 5} fontSize="10.5" fill="currentColor">
          outside
        </text>
        {cooler && (
          <text x={x(cooler.from_h ?? 0) + 4} y={temp(cooler.set_c ?? 26) - 4} fontSize="10.5" fill="var(--color-moss)">
            asked for
          </text>
        )}
        <text x="8" y="18" fontSize="12" fontWeight="600" fill="currentColor">
          {say(`a cloudless day, up to ${c.hot_c.toFixed(0)} °C; posts: heat to take away`)}
        </text>
        {[0, 6, 12, 18, 24].map((h) => (
          <text key={h} x={x(h)} y={H - 18} fontSize="10" textAnchor="middle" className="num" fill="var(--color-dim)">
            {`${h}:00`}
          </text>
        ))}
        <text x={width - 60} y={H - 3} fontSize="9.5" textAnchor="end" fill="var(--color-dim)">
          sun’s time; the cooler’s hours by the clock
        </text>
      </svg>
    </div>
  );
}

function CabinetSlate({ c }: { c: Cabinet }) {
  const { report } = useVariant();
  const say = useSaid();
  const { set, remove } = useCabinets();
  const p = report.warmth.cabinets[c.id];
  return (
    <Slate title={c.name} sub="a closed space with something hot in it">
      <FindingList findings={report.findings.filter((f) => f.subject === `cabinet:${c.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {p.temp_c != null && say(`${p.temp_c.toFixed(0)} °C with the vents it has. `)}
          {say(
            `${Math.round(p.vented_w)} W to vent: ${Math.round(p.each_mm2).toLocaleString("en-GB")} mm² free low and high (${Math.round(p.gross_mm2).toLocaleString("en-GB")} as grilles), or a fan of ${Math.round(p.fan_m3_h)} m³/h.`,
          )}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          quantity("heat_w", "heat given off in it", "power", "W", { note: "an inverter: a tenth of its load" }),
          quantity("max_c", "at most", "temperature", "°C"),
          quantity("stack_height_m", "from low to high vent", "length", "m"),
          quantity("case_area_m2", "its walls", "surface", "m²"),
          quantity("low_mm2", "low vent, free", "surface", "mm²", { scale: 1e6, clearable: true, placeholder: "none" }),
          quantity("high_mm2", "high vent, free", "surface", "mm²", { scale: 1e6, clearable: true, placeholder: "none" }),
          flag("absorption_fridge", "an absorption fridge’s flue space"),
          flag("sealed_from_room", "sealed from the room"),
        ]}
        item={c}
        onSet={(key, value, label) => void set(c, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(c)}>Remove it</TakeOut>
    </Slate>
  );
}

function BaySlate({ b }: { b: Bay }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useBays();
  const p = report.warmth.bays[b.id];
  return (
    <Slate title={b.name} sub="between inside and outside">
      <FindingList findings={report.findings.filter((f) => f.subject === `bay:${b.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {say(`${p.temp_c.toFixed(1)} °C at ${report.warmth.cold_c.toFixed(0)} °C outside at night${p.safe ? "" : `; ${Math.round(p.heat_w)} W hold 3 °C`}.`)}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          { key: "ua_to_living_w_k", label: "towards the living space", note: "W/K: area × U", kind: "quantity", dimension: "count", unit: "" },
          { key: "ua_to_outside_w_k", label: "towards outside", note: "W/K: area × U", kind: "quantity", dimension: "count", unit: "" },
          quantity("heat_w", "heat put into it", "power", "W"),
          flag("water", "water in it that must not freeze"),
        ]}
        item={b}
        onSet={(key, value, label) => void set(b, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(b)}>Remove it</TakeOut>
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
    <Slate title="Heat and air" sub="summer">
      {part.cool.capacity_w != null && (
        <HeadroomBar label="cooling in the worst hour" need={part.cool.needed_w} have={part.cool.capacity_w} unit="W" margin={0} />
      )}
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth" && /^(cool|cabinet|bay)/.test(f.subject))} />
      {(Object.entries(FIGURES) as [keyof typeof FIGURES, string][]).map(([k, label]) => (
        <SlateFig key={k} k={`cool/${k}`} label={label} />
      ))}
      {part.cool.day_wh != null && (
        <p className="my-1 text-[12px] text-chalk-dim">{`On the hottest day round the clock it would take ${show(part.cool.day_wh, "Wh")}; the trip reckons with its hours.`}</p>
      )}
      <FlagProperty label="people or animals are left in it" value={w.left_alone ?? false} onSet={(v) => void set("left_alone", v, "left in it")} />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Air conditioner</h3>
      <ChoiceProperty
        label={say("from the catalogue")}
        value={c?.part ?? (c ? "own" : "")}
        options={[
          { value: "", word: "none" },
          ...(c && !c.part ? [{ value: "own", word: "your own" }] : []),
          ...coolers.map((p) => ({ value: p.key, word: `${p.name}, ${p.maker}` })),
        ]}
        onSet={(key) => {
          const p = coolers.find((x) => x.key === key);
          if (p) void set("cooler", { ...(c ?? {}), ...fields(p), by: "typed" }, p.name);
          else if (key === "") void set("cooler", null, "no air conditioner");
        }}
      />
      {c && (
        <>
          <ChoiceProperty
            label="which appliance in Daily use"
            note="so that its electricity counts once"
            value={c.appliance ?? ""}
            options={[{ value: "", word: "none" }, ...lines.map((a) => ({ value: a.id, word: a.name }))]}
            onSet={(v) => void edit([{ op: "replace", path: "/warmth/cooler/appliance", value: v || null }], "line in Daily use of the cooler")}
          />
          <Fields
            specs={[
              words("name", "name"),
              quantity("capacity_w", "takes away", "power", "W", { note: "or as 7000 BTU/h" }),
              quantity("eer", "cooling for each watt", "count", ""),
              choice("supply", "runs on", SUPPLIES),
              choice("compressor", "its compressor", COMPRESSORS),
              quantity("set_c", "cools to", "temperature", "°C"),
              quantity("from_h", "from", "time", "h"),
              quantity("to_h", "until", "time", "h"),
              flag("hookup_only", say("only on a hook-up")),
              quantity("hours_wanted", "on the bank for", "time", "h"),
              quantity("hose_flow_m3_h", "blown out by a single hose", "airflow", "m³/h"),
            ]}
            item={c}
            onSet={(key, value, label) => void edit([{ op: "replace", path: `/warmth/cooler/${key}`, value }], `air conditioner: ${label}`)}
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
      list === "cabinets" ? await addCabinet({ name: "Cabinet", heat_w: 80 }) : await addBay({ name: "Tank bay", ua_to_living_w_k: 3, ua_to_outside_w_k: 3 });
    if (id) hand.pick(list === "cabinets" ? "cabinet" : "bay", id);
  }, [addCabinet, addBay, list, hand.pick]);
  useCall("bothy:new", create);
  const c = hand.kind === "cabinet" ? cabinets.items.find((x) => x.id === hand.id) : undefined;
  const b = hand.kind === "bay" ? bays.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<Cabinet>[] = [
    nameColumn(cabinets, "hot cabinet", "34%"),
    {
      key: "heat",
      label: "heat in it",
      width: "16%",
      align: "right",
      kind: "quantity",
      dimension: "power",
      unit: "W",
      show: (x) => show(x.heat_w, "W", units),
      value: (x) => x.heat_w,
      set: (x, q) => q && void cabinets.set(x, { heat_w: q.value }, "heat"),
    },
    { key: "temp", label: "gets to", width: "16%", align: "right", kind: "computed", show: (x) => show(part.cabinets[x.id]?.temp_c, "°C", units, 2) },
    { key: "most", label: "at most", width: "14%", align: "right", kind: "computed", show: (x) => show(x.max_c ?? 40, "°C", units) },
    {
      key: "vents",
      label: "vents for it, each",
      width: "20%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.cabinets[x.id]?.each_mm2, "mm²", units, 2),
    },
  ];
  const bayColumns: Column<Bay>[] = [
    nameColumn(bays, "bay", "40%"),
    { key: "temp", label: "on the coldest night", width: "20%", align: "right", kind: "computed", show: (x) => show(part.bays[x.id]?.temp_c, "°C", units, 2) },
    { key: "heat", label: say("to hold 3 °C"), width: "20%", align: "right", kind: "computed", show: (x) => show(part.bays[x.id]?.heat_w, "W", units, 2) },
    { key: "water", label: "water in it", width: "20%", kind: "computed", show: (x) => (x.water === false ? "no" : "yes") },
  ];
  return (
    <Bench
      title="Heat and air"
      sentence={<Sentence />}
      picture={<HotDay />}
      tools={
        <>
          <StageViews stage="Heat and air" views={VIEWS} />
          <span className="flex" role="group" aria-label="What the ledger lists">
            {(["cabinets", "bays"] as const).map((k) => (
              <button
                key={k}
                type="button"
                className={`btn px-2 ${k === list ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={k === list}
                onClick={() => setList(k)}
              >
                {k === "cabinets" ? "hot cabinets" : "cold bays"}
              </button>
            ))}
          </span>
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {list === "cabinets" ? "Add a cabinet (n)" : "Add a bay (n)"}
          </button>
        </>
      }
      ledger={
        list === "cabinets" ? (
          <ItemLedger
            key=" Hot cabinets"
            label="Hot cabinets"
            list={cabinets}
            kind="cabinet"
            columns={columns}
            onAdd={create}
            empty={"No hot cabinet yet: inverter and chargers, the fridge’s compressor."}
          />
        ) : (
          <ItemLedger
            key=" Cold bays"
            label="Cold bays"
            list={bays}
            kind="bay"
            columns={bayColumns}
            onAdd={create}
            empty={"No bay yet: where tanks, pump and pipes lie outside the warmth."}
          />
        )
      }
      slate={c ? <CabinetSlate c={c} /> : b ? <BaySlate b={b} /> : <Whole />}
    />
  );
}
