/** Air and damp: what is given off against what the air carries away, carbon dioxide by night, fixed vents for gas, alarms. */

import { useCallback, useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { wordColumn } from "../../parts/columns";
import { choice, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { Fig, SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { HeadroomBar } from "../../parts/HeadroomBar";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { useWidth } from "../../pictures/useWidth";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { type Alarm, useAlarms, useVents, useWarmth, type Vent } from "./edit";
import { Sentence } from "./Sentence";
import { ALARM_KINDS, HOB_FUELS, MOUNTINGS, VENT_KINDS, VIEWS, wordOf } from "./words";

const CAUTION =
  "Never block vents in cold weather; block draughts elsewhere. Gas work, flues and vents belong to a licensed trade in many places: the vent area here is a design check, no certificate.";

/** Two glasses, day and night: what goes in (g/h by source), how full the air is, and what runs down; beside them the air by night. */
function Damp() {
  const { report } = useVariant();
  const say = useSaid();
  const [box, width] = useWidth<HTMLDivElement>();
  const a = report.warmth.air;
  const H = 268;
  const tall = 170;
  const base = 222;
  const glass = (x: number, word: string, rh: number, g: number, flow: number) => {
    const level = Math.min(1, rh) * tall;
    const limit = 0.6 * tall;
    return (
      <g>
        <text x={x + 50} y="20" fontSize="12" fontWeight="600" textAnchor="middle" fill="currentColor">
          {word}
        </text>
        <path d={`M${x} ${base - tall}V${base}H${x + 100}V${base - tall}`} fill="none" stroke="currentColor" strokeWidth="1.6" />
        <rect x={x + 1} y={base - level} width="98" height={level} fill="var(--color-loch)" fillOpacity={rh > 0.7 ? 0.75 : 0.42} />
        <path d={`M${x - 6} ${base - limit}h112`} stroke="var(--color-gorse)" strokeWidth="1.6" strokeDasharray="5 3" />
        <text x={x + 50} y={base - level - 6} fontSize="15" textAnchor="middle" className="num" fontWeight="600" fill="currentColor">
          {`${Math.round(100 * rh)} %`}
        </text>
        <text x={x + 50} y={base + 16} fontSize="11" textAnchor="middle" className="num" fill="currentColor">
          {say(`${Math.round(g)} g/h in, ${Math.round(flow)} m³/h`)}
        </text>
      </g>
    );
  };
  const most = Math.max(1, ...a.sources.map((s) => s.g_h));
  const right = 400;
  const bar = Math.max(60, (width - right - 250) / most);
  const ppm = a.co2_at_end_ppm;
  const y2 = 60 + a.sources.length * 21 + 18;
  return (
    <div ref={box} className="px-2 pt-1">
      <svg
        viewBox={`0 0 ${width} ${Math.max(H, y2 + 76)}`}
        className="block w-full"
        role="img"
        aria-label={`Humidity ${Math.round(100 * a.day_rh_frac)} % by day and ${Math.round(100 * a.night_rh_frac)} % at night; carbon dioxide ${Math.round(ppm)} ppm by morning`}
      >
        {glass(40, "by day", a.day_rh_frac, a.day_g_h, a.day_flow_m3_h)}
        {glass(210, "at night", a.night_rh_frac, a.night_g_h, a.night_flow_m3_h)}
        <text x="160" y={base - 0.6 * tall + 4} fontSize="9.5" textAnchor="middle" fill="var(--color-gorse-ink)">
          60 %
        </text>
        <text x="40" y={base + 34} fontSize="10.5" fill="var(--color-dim)">
          {say(`in the coldest planned month, ${a.outdoor_c.toFixed(0)} °C outside at night`)}
        </text>
        <text x={right} y="20" fontSize="12" fontWeight="600" fill="currentColor">
          given off by day, g/h
        </text>
        {a.sources.map((s, i) => (
          <g key={s.what}>
            <text x={right + 130} y={46 + i * 21} fontSize="11" textAnchor="end" fill="currentColor">
              {s.what}
            </text>
            <rect x={right + 138} y={36 + i * 21} width={Math.max(1, s.g_h * Math.min(bar, 1.6))} height="13" fill="var(--color-loch)" fillOpacity="0.5" />
            <text x={right + 143 + s.g_h * Math.min(bar, 1.6)} y={46 + i * 21} fontSize="10.5" className="num" fill="currentColor">
              {Math.round(s.g_h)}
            </text>
          </g>
        ))}
        <text x={right} y={y2} fontSize="12" fontWeight="600" fill="currentColor">
          carbon dioxide by morning
        </text>
        <rect x={right} y={y2 + 12} width={Math.max(120, width - right - 60)} height="12" fill="none" stroke="currentColor" strokeWidth="0.8" />
        {[
          { at: 1000, word: "fresh" },
          { at: 1500, word: "stuffy" },
          { at: 2500, word: "headache" },
          { at: 5000, word: "limit" },
        ].map((m) => {
          const x = right + ((m.at - 400) / 4600) * Math.max(120, width - right - 60);
          return (
            <g key={m.at}>
              <path d={`M${x} ${y2 + 9}v18`} stroke="currentColor" strokeWidth="0.8" />
              <text x={x} y={y2 + 38} fontSize="9.5" textAnchor="middle" fill="var(--color-dim)">
                {m.word}
              </text>
            </g>
          );
        })}
        <rect
          x={right}
          y={y2 + 13}
          width={Math.min(1, Math.max(0, (ppm - 400) / 4600)) * Math.max(120, width - right - 60)}
          height="10"
          fill={ppm > 5000 ? "var(--color-rust)" : ppm > 1500 ? "var(--color-gorse)" : "var(--color-moss)"}
          fillOpacity="0.7"
        />
        <text x={right} y={y2 + 56} fontSize="11.5" className="num" fill="currentColor">
          {say(`${Math.round(ppm)} ppm after eight hours with ${Math.round(a.night_flow_m3_h)} m³/h`)}
        </text>
      </svg>
    </div>
  );
}

function VentSlate({ v }: { v: Vent }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useVents();
  const fan = ["roof_fan", "wall_fan", "extract"].includes(v.kind ?? "roof_fan");
  return (
    <Slate title={v.name} sub={wordOf(VENT_KINDS, v.kind)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `vent:${v.id}`)} />
      {(["flow_m3_h", "inlet_pressure_pa", "fan_power_w"] as const).map((k) => (
        <SlateFig key={k} k={`vents/${v.id}/${k}`} />
      ))}
      <Fields
        specs={[
          words("name", "name"),
          choice("kind", "kind", VENT_KINDS),
          quantity("free_area_mm2", "free area", "surface", "mm²", { scale: 1e6, note: "without mesh and blades" }),
          ...(fan
            ? [
                quantity("flow_max_m3_h", "free flow, from its label", "airflow", "m³/h"),
                quantity("pressure_max_pa", "pressure with the outlet shut", "pressure", "Pa"),
                quantity("power_max_w", "power at full speed", "power", "W", { clearable: true, placeholder: "not entered" }),
                quantity("speed_frac", "speed", "fraction", "", { note: "half speed needs an eighth of the power" }),
              ]
            : []),
          flag("at_night", fan ? "runs while you sleep" : "open while you sleep"),
          flag("closable", "it can be closed"),
          ...(v.kind === "extract" ? [flag("door_gap", say("a gap of 10 mm under the door"))] : []),
        ]}
        item={v}
        onSet={(key, value, label) => {
          const becomes = key === "kind" && ["roof_fan", "wall_fan", "extract"].includes(String(value)) && v.flow_max_m3_h == null;
          void set(v, { ...(becomes ? { flow_max_m3_h: 150 } : {}), [key]: value }, label);
        }}
      />
      <TakeOut remove={() => remove(v)}>Remove</TakeOut>
    </Slate>
  );
}

function AlarmSlate({ a }: { a: Alarm & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useAlarms();
  return (
    <Slate title={a.name} sub={`${wordOf(ALARM_KINDS, a.kind)} alarm`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `alarm:${a.id}`)} />
      <Fields
        specs={[
          words("name", "name"),
          choice("kind", "for", ALARM_KINDS),
          choice("mounting", "hangs", MOUNTINGS),
          mm("burner_mm", "from the burner", { clearable: true, placeholder: "to measure", note: say("1000 to 3000 mm") }),
          mm("below_ceiling_mm", "under the ceiling", { clearable: true, placeholder: "to measure", note: say("on a wall: 150 mm and more") }),
          mm("wall_mm", "from the wall", { clearable: true, placeholder: "to measure", note: say("on the ceiling: 300 mm and more") }),
        ]}
        item={a}
        onSet={(key, value, label) => void set(a, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(a)}>Remove</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, part } = useWarmth();
  const a = part.air;
  const damp = w.damp ?? {};
  return (
    <Slate title="Heat and air" sub="air and damp">
      <FindingList
        findings={report.findings.filter(
          (f) => f.stage === "warmth" && /^(air|vent|alarm|surface)/.test(f.subject) && !f.rule.startsWith("warm-shell") && !f.rule.startsWith("warm-cab"),
        )}
      />
      <SlateFig k="air/night/indoor_rh_frac" label="humidity at night" />
      <SlateFig k="air/day/indoor_rh_frac" label="humidity by day" />
      <SlateFig k="air/night/dew_point_c" label="the air condenses at" />
      <SlateFig k="air/night/flow_m3_h" label="air at night" />
      <SlateFig k="air/night/required_flow_m3_h" label="air for 60 % at night" />
      <SlateFig k="air/night/ventilation_heat_w" label="heat that this air takes" />
      <SlateFig k="air/co2_ppm" label="carbon dioxide, in the long run" />
      {a.gas_high_mm2 != null && a.gas_low_mm2 != null && (
        <>
          <HeadroomBar label="fixed vents, high" need={a.gas_high_mm2} have={a.have_high_mm2} unit="mm²" margin={0} />
          <HeadroomBar label="fixed vents, low" need={a.gas_low_mm2} have={a.have_low_mm2} unit="mm²" margin={0} />
        </>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">What gives off moisture</h3>
      <Fields
        specs={[
          quantity("meals_per_day", "meals cooked a day", "count", "", { clearable: true, placeholder: "2" }),
          quantity("showers_per_day", "showers a day", "count", "", { clearable: true, placeholder: "0.5" }),
          quantity("wet_coats_per_day", "wet coats a day", "count", ""),
          quantity("wet_clothes_kg_per_day", "washing dried inside a day", "mass", "kg"),
          quantity("dogs", "dogs", "count", ""),
          quantity("hob_kw", say("open flames of the hob"), "power", "kW", { scale: 0.001 }),
          quantity("hob_h_per_day", "hours a day", "time", "h"),
          choice("hob_fuel", say("the hob burns"), HOB_FUELS),
          flag("hob_heats", "it is used to keep warm"),
        ]}
        item={damp}
        onSet={(key, value, label) =>
          void edit([{ op: "replace", path: `/warmth/damp/${key}`, value: key === "dogs" ? Math.max(0, Math.round(Number(value ?? 0))) : value }], label)
        }
      />
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function AirView() {
  const say = useSaid();
  const { units } = usePerson();
  const hand = useHand();
  const vents = useVents();
  const alarms = useAlarms();
  const [list, setList] = useState<"vents" | "alarms">("vents");
  const addVent = vents.add;
  const addAlarm = alarms.add;
  const create = useCallback(async () => {
    const id = list === "vents" ? await addVent({ name: "Vent", kind: "fixed_roof", free_area_mm2: 8000 }) : await addAlarm({ name: "Alarm", kind: "co" });
    if (id) hand.pick(list === "vents" ? "vent" : "alarm", id);
  }, [addVent, addAlarm, list, hand.pick]);
  useCall("bothy:new", create);
  const v = hand.kind === "vent" ? vents.items.find((x) => x.id === hand.id) : undefined;
  const al = hand.kind === "alarm" ? alarms.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<Vent>[] = [
    nameColumn(vents, "vent", "28%"),
    wordColumn("kind", "kind", "20%", (x) => wordOf(VENT_KINDS, x.kind)),
    {
      key: "area",
      label: "free area",
      width: "14%",
      align: "right",
      kind: "quantity",
      dimension: "surface",
      unit: "mm²",
      show: (x) => show(x.free_area_mm2, "mm²", units),
      value: (x) => x.free_area_mm2,
      set: (x, q) => q && void vents.set(x, { free_area_mm2: q.value * 1e6 }, "free area"),
    },
    { key: "flow", label: "moves", width: "13%", align: "right", kind: "computed", show: (x) => <Fig k={`vents/${x.id}/flow_m3_h`} /> },
    { key: "power", label: "draws", width: "10%", align: "right", kind: "computed", show: (x) => <Fig k={`vents/${x.id}/fan_power_w`} /> },
    wordColumn("night", "at night", "15%", (x) => (x.at_night ? "open or running" : x.closable ? "shut" : "always open")),
  ];
  const alarmColumns: Column<Alarm & { name: string }>[] = [
    nameColumn(alarms, "alarm", "34%"),
    wordColumn("kind", "for", "22%", (x) => wordOf(ALARM_KINDS, x.kind)),
    wordColumn("where", "hangs", "18%", (x) => wordOf(MOUNTINGS, x.mounting ?? "wall")),
    {
      key: "burner",
      label: "from the burner",
      width: "26%",
      align: "right",
      kind: "computed",
      show: (x) => (x.burner_mm != null ? say(`${x.burner_mm} mm`) : "to measure"),
    },
  ];
  return (
    <Bench
      title="Heat and air"
      sentence={<Sentence />}
      picture={<Damp />}
      tools={
        <>
          <StageViews stage="Heat and air" views={VIEWS} />
          <span className="flex" role="group" aria-label="What the ledger lists">
            {(["vents", "alarms"] as const).map((k) => (
              <button
                key={k}
                type="button"
                className={`btn px-2 ${k === list ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={k === list}
                onClick={() => setList(k)}
              >
                {k === "vents" ? "fans and vents" : "alarms"}
              </button>
            ))}
          </span>
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {list === "vents" ? "Add a vent (n)" : "Add an alarm (n)"}
          </button>
        </>
      }
      ledger={
        list === "vents" ? (
          <ItemLedger
            key=" Fans and vents"
            label="Fans and vents"
            list={vents}
            kind="vent"
            columns={columns}
            onAdd={create}
            empty={"No vent yet. A fixed one high and a fixed one low keep the air at night; “What Bothy suggests” in the view Shell sizes them."}
          />
        ) : (
          <ItemLedger
            key=" Alarms"
            label="Alarms"
            list={alarms}
            kind="alarm"
            columns={alarmColumns}
            onAdd={create}
            empty={"No alarm yet: carbon monoxide where something burns and near sleepers, smoke on the ceiling where people sleep."}
          />
        )
      }
      slate={v ? <VentSlate v={v} /> : al ? <AlarmSlate a={al} /> : <Whole />}
    />
  );
}
