/** Air and damp: what is given off against what the air carries away, carbon dioxide by night, fixed vents for gas, alarms. */

import { useCallback, useState } from "react";
import { OPENING_MM2, show } from "../../data/show";
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
import { says } from "../../words/warmth";
import { type Alarm, useAlarms, useVents, useWarmth, type Vent } from "./edit";
import { Sentence } from "./Sentence";
import { ALARM_KINDS, HOB_FUELS, MOUNTINGS, VENT_KINDS, VIEWS, wordOf } from "./words";

const CAUTION = says("never-block-vents-cold");

/** Two glasses, day and night: what goes in (g/h by source), how full the air is, and what runs down; beside them the air by night. */
function Damp() {
  const { report } = useVariant();
  const { units } = usePerson();
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
        aria-label={say(
          says("humidity-day-night-carbon", {
            day_rh_frac: Math.round(100 * a.day_rh_frac),
            night_rh_frac: Math.round(100 * a.night_rh_frac),
            ppm: Math.round(ppm),
          }),
        )}
      >
        {glass(40, says("day"), a.day_rh_frac, a.day_g_h, a.day_flow_m3_h)}
        {glass(210, says("night"), a.night_rh_frac, a.night_g_h, a.night_flow_m3_h)}
        <text x="160" y={base - 0.6 * tall + 4} fontSize="9.5" textAnchor="middle" fill="var(--color-gorse-ink)">
          60 %
        </text>
        <text x="40" y={base + 34} fontSize="10.5" fill="var(--color-dim)">
          {say(says("coldest-planned-month-c", { outdoor_c: a.outdoor_c }))}
        </text>
        <text x={right} y="20" fontSize="12" fontWeight="600" fill="currentColor">
          {says("given-off-day-g")}
        </text>
        {a.sources.map((s, i) => (
          <g key={s.what}>
            <text x={right + 130} y={46 + i * 21} fontSize="11" textAnchor="end" fill="currentColor">
              {s.what}
            </text>
            <rect x={right + 138} y={36 + i * 21} width={Math.max(1, s.g_h * Math.min(bar, 1.6))} height="13" fill="var(--color-loch)" fillOpacity="0.5" />
            <text x={right + 143 + s.g_h * Math.min(bar, 1.6)} y={46 + i * 21} fontSize="10.5" className="num" fill="currentColor">
              {show(s.g_h, "g/h", units, 2)}
            </text>
          </g>
        ))}
        <text x={right} y={y2} fontSize="12" fontWeight="600" fill="currentColor">
          {says("carbon-dioxide-morning")}
        </text>
        <rect x={right} y={y2 + 12} width={Math.max(120, width - right - 60)} height="12" fill="none" stroke="currentColor" strokeWidth="0.8" />
        {[
          { at: 1000, word: says("fresh") },
          { at: 1500, word: says("stuffy") },
          { at: 2500, word: says("headache") },
          { at: 5000, word: says("limit") },
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
          {say(says("ppm-after-eight-hours", { ppm: Math.round(ppm), night_flow_m3_h: Math.round(a.night_flow_m3_h) }))}
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
          words("name", says("name")),
          choice("kind", says("kind"), VENT_KINDS),
          quantity("free_area_mm2", says("free-area"), "surface", OPENING_MM2, { scale: 1e6, note: says("without-mesh-blades") }),
          ...(fan
            ? [
                quantity("flow_max_m3_h", says("free-flow-label"), "airflow", "m³/h"),
                quantity("pressure_max_pa", says("pressure-outlet-shut"), "pressure", "Pa"),
                quantity("power_max_w", says("power-full-speed"), "power", "W", { clearable: true, placeholder: says("not-entered") }),
                quantity("speed_frac", says("speed"), "fraction", "", { note: says("half-speed-needs-eighth") }),
              ]
            : []),
          flag("at_night", fan ? says("runs-while-you-sleep") : says("open-while-you-sleep")),
          flag("closable", says("can-closed")),
          ...(v.kind === "extract" ? [flag("door_gap", say(says("gap-mm-under-door")))] : []),
        ]}
        item={v}
        onSet={(key, value, label) => {
          const becomes = key === "kind" && ["roof_fan", "wall_fan", "extract"].includes(String(value)) && v.flow_max_m3_h == null;
          void set(v, { ...(becomes ? { flow_max_m3_h: 150 } : {}), [key]: value }, label);
        }}
      />
      <TakeOut remove={() => remove(v)}>{says("remove")}</TakeOut>
    </Slate>
  );
}

function AlarmSlate({ a }: { a: Alarm & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useAlarms();
  return (
    <Slate title={a.name} sub={says("alarm", { alarm_kinds: wordOf(ALARM_KINDS, a.kind) })}>
      <FindingList findings={report.findings.filter((f) => f.subject === `alarm:${a.id}`)} />
      <Fields
        specs={[
          words("name", says("name")),
          choice("kind", says("for"), ALARM_KINDS),
          choice("mounting", says("hangs"), MOUNTINGS),
          mm("burner_mm", says("burner"), { clearable: true, placeholder: says("measure"), note: say(says("mm")) }),
          mm("below_ceiling_mm", says("under-ceiling"), { clearable: true, placeholder: says("measure"), note: say(says("wall-mm-more")) }),
          mm("wall_mm", says("wall"), { clearable: true, placeholder: says("measure"), note: say(says("ceiling-mm-more")) }),
        ]}
        item={a}
        onSet={(key, value, label) => void set(a, { [key]: value }, label)}
      />
      <TakeOut remove={() => remove(a)}>{says("remove")}</TakeOut>
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
    <Slate title={says("heat-air")} sub={says("air-damp")}>
      <FindingList
        findings={report.findings.filter(
          (f) => f.stage === "warmth" && /^(air|vent|alarm|surface)/.test(f.subject) && !f.rule.startsWith("warm-shell") && !f.rule.startsWith("warm-cab"),
        )}
      />
      <SlateFig k="air/night/indoor_rh_frac" label={says("humidity-night")} />
      <SlateFig k="air/day/indoor_rh_frac" label={says("humidity-day")} />
      <SlateFig k="air/night/dew_point_c" label={says("air-condenses")} />
      <SlateFig k="air/night/flow_m3_h" label={says("air-night")} />
      <SlateFig k="air/night/required_flow_m3_h" label={says("air-night-2")} />
      <SlateFig k="air/night/ventilation_heat_w" label={says("heat-air-takes")} />
      <SlateFig k="air/co2_ppm" label={says("carbon-dioxide-long-run")} />
      {a.gas_high_mm2 != null && a.gas_low_mm2 != null && (
        <>
          <HeadroomBar label={says("fixed-vents-high")} need={a.gas_high_mm2} have={a.have_high_mm2} unit={OPENING_MM2} margin={0} />
          <HeadroomBar label={says("fixed-vents-low")} need={a.gas_low_mm2} have={a.have_low_mm2} unit={OPENING_MM2} margin={0} />
        </>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("what-gives-off-moisture")}</h3>
      <Fields
        specs={[
          quantity("meals_per_day", says("meals-cooked-day"), "count", "", { clearable: true, placeholder: "2" }),
          quantity("showers_per_day", says("showers-day"), "count", "", { clearable: true, placeholder: "0.5" }),
          quantity("wet_coats_per_day", says("wet-coats-day"), "count", ""),
          quantity("wet_clothes_kg_per_day", says("washing-dried-inside-day"), "mass", "kg"),
          quantity("dogs", says("dogs"), "count", ""),
          quantity("hob_kw", say(says("open-flames-hob")), "power", "kW of heat", { scale: 0.001 }),
          quantity("hob_h_per_day", says("hours-day"), "time", "h"),
          choice("hob_fuel", say(says("hob-burns")), HOB_FUELS),
          flag("hob_heats", says("used-keep-warm")),
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
    const id =
      list === "vents" ? await addVent({ name: says("vent"), kind: "fixed_roof", free_area_mm2: 8000 }) : await addAlarm({ name: says("alarm-2"), kind: "co" });
    if (id) hand.pick(list === "vents" ? "vent" : "alarm", id);
  }, [addVent, addAlarm, list, hand.pick]);
  useCall("bothy:new", create);
  const v = hand.kind === "vent" ? vents.items.find((x) => x.id === hand.id) : undefined;
  const al = hand.kind === "alarm" ? alarms.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<Vent>[] = [
    nameColumn(vents, says("vent-2"), "28%"),
    wordColumn("kind", says("kind"), "20%", (x) => wordOf(VENT_KINDS, x.kind)),
    {
      key: "area",
      label: says("free-area"),
      width: "14%",
      align: "right",
      kind: "quantity",
      dimension: "surface",
      unit: OPENING_MM2,
      show: (x) => show(x.free_area_mm2, OPENING_MM2, units),
      value: (x) => x.free_area_mm2,
      set: (x, q) => q && void vents.set(x, { free_area_mm2: q.value * 1e6 }, says("free-area")),
    },
    { key: "flow", label: says("moves"), width: "13%", align: "right", kind: "computed", show: (x) => <Fig k={`vents/${x.id}/flow_m3_h`} /> },
    { key: "power", label: says("draws"), width: "10%", align: "right", kind: "computed", show: (x) => <Fig k={`vents/${x.id}/fan_power_w`} /> },
    wordColumn("night", says("night"), "15%", (x) => (x.at_night ? says("open-running") : x.closable ? says("shut") : says("always-open"))),
  ];
  const alarmColumns: Column<Alarm & { name: string }>[] = [
    nameColumn(alarms, says("alarm-3"), "34%"),
    wordColumn("kind", says("for"), "22%", (x) => wordOf(ALARM_KINDS, x.kind)),
    wordColumn("where", says("hangs"), "18%", (x) => wordOf(MOUNTINGS, x.mounting ?? "wall")),
    {
      key: "burner",
      label: says("burner"),
      width: "26%",
      align: "right",
      kind: "computed",
      show: (x) => (x.burner_mm != null ? say(`${x.burner_mm} mm`) : says("measure")),
    },
  ];
  return (
    <Bench
      title={says("heat-air")}
      sentence={<Sentence />}
      picture={<Damp />}
      tools={
        <>
          <StageViews stage={says("heat-air")} views={VIEWS} />
          <span className="flex" role="group" aria-label={says("what-ledger-lists")}>
            {(["vents", "alarms"] as const).map((k) => (
              <button
                key={k}
                type="button"
                className={`btn px-2 ${k === list ? "!border-gorse font-semibold" : ""}`}
                aria-pressed={k === list}
                onClick={() => setList(k)}
              >
                {k === "vents" ? says("fans-vents") : says("alarms")}
              </button>
            ))}
          </span>
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {list === "vents" ? says("add-vent-n") : says("add-alarm-n")}
          </button>
        </>
      }
      ledger={
        list === "vents" ? (
          <ItemLedger
            key=" Fans and vents"
            label={says("fans-vents-2")}
            list={vents}
            kind="vent"
            columns={columns}
            onAdd={create}
            empty={says("no-vent-yet-fixed")}
          />
        ) : (
          <ItemLedger
            key=" Alarms"
            label={says("alarms-2")}
            list={alarms}
            kind="alarm"
            columns={alarmColumns}
            onAdd={create}
            empty={says("no-alarm-yet-carbon")}
          />
        )
      }
      slate={v ? <VentSlate v={v} /> : al ? <AlarmSlate a={al} /> : <Whole />}
    />
  );
}
