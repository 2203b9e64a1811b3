/** Ducts and coolant loop: runs in a ledger, what arrives in each zone, dampers and outlets. */

import { useCallback, useState } from "react";
import { HEAT_W, OPENING_MM2, show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { lengthColumn, wordColumn } from "../../parts/columns";
import { choice, count, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFigs } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { Proposals } from "../../parts/Proposals";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useCall } from "../../shell/call";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { says } from "../../words/warmth";
import { DuctPicture } from "./DuctPicture";
import { type LoopZone, useDucts, useLoopZones, useWarmth, type WarmDuct } from "./edit";
import { Sentence } from "./Sentence";
import { DAMPERS, EMITTERS, FLUIDS, GRILLES, JOINTS, LIES, RETURNS, VIEWS, wordOf } from "./words";

const CAUTION = says("outlet-ducts-reach-c");

function DuctSlate({ d }: { d: WarmDuct }) {
  const { units } = usePerson();
  const say = useSaid();
  const { report } = useVariant();
  const { items, set, remove } = useDucts();
  const r = report.warmth.ducts[d.id];
  const below = (id: string): string[] => items.filter((x) => x.parent === id).flatMap((x) => [x.id, ...below(x.id)]);
  const mine = new Set([d.id, ...below(d.id)]);
  return (
    <Slate
      title={d.name}
      sub={
        r
          ? r.trunk
            ? says("trunk-feeds-branches")
            : says("w-2", { delivered: show(Math.round(r.delivered_w), HEAT_W, units), need: show(Math.round(r.need_w), HEAT_W, units), zone: d.zone })
          : says("closed-2")
      }
    >
      <FindingList findings={report.findings.filter((f) => f.subject === `duct:${d.id}`)} />
      {r && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {say(says("m-h-go", { flow_m3_h: Math.round(r.flow_m3_h) }))}
          {say(`${Math.round(r.supply_c)} °C`)}
          {r.outlet_c != null && say(says("come-out-c-w", { outlet_c: Math.round(r.outlet_c), loss: show(Math.round(r.loss_w), HEAT_W, units) }))}.
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice(
            "parent",
            says("branches-off"),
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: says("heater") },
          ),
          count("outlet", says("outlet-heater"), { note: says("hottest-where-they-differ") }),
          words("zone", says("warms-zone")),
          mm("diameter_mm", says("bore")),
          quantity("length_m", says("length"), "length", "m"),
          count("bends_90", says("bends")),
          count("bends_45", says("bends-2")),
          choice("joint", says("begins"), JOINTS),
          choice("grille", says("grille"), GRILLES),
          choice("damper", says("damper-open"), DAMPERS),
          flag("closable", says("outlet-can-closed")),
          flag("open", says("open")),
          mm("insulation_mm", says("sleeve")),
          choice("lies", says("lies"), LIES),
          mm("bend_radius_mm", says("bent-radius"), { clearable: true, placeholder: says("not-entered") }),
          mm("to_fabric_mm", says("grille-fabric"), { clearable: true, placeholder: says("measure"), note: say(says("mm-least")) }),
        ]}
        item={d}
        onSet={(key, value, label) =>
          void set(
            d,
            {
              [key]:
                key === "zone"
                  ? String(value).toLowerCase()
                  : ["outlet", "bends_90", "bends_45"].includes(key)
                    ? Math.max(key === "outlet" ? 1 : 0, Math.round(Number(value ?? 0)))
                    : value,
            },
            label,
          )
        }
      />
      <TakeOut remove={() => remove(d)}>{says("remove-run")}</TakeOut>
    </Slate>
  );
}

function LoopZoneSlate({ z }: { z: LoopZone }) {
  const { units } = usePerson();
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useLoopZones();
  const r = report.warmth.loop?.zones[z.id];
  return (
    <Slate title={z.name} sub={wordOf(EMITTERS, z.emitter)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `loopzone:${z.id}`)} />
      {r && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {says("w-3", {
            heat: show(Math.round(r.heat_w), HEAT_W, units),
            l_min: say(says("l-min", { flow_l_min: r.flow_l_min })),
            m_pipe_takes: say(says("m-pipe-takes", { velocity_m_s: r.velocity_m_s })),
            kpa_valve_must: say(says("kpa-valve-must-take", { drop_kpa: r.drop_kpa })),
            kpa_more: say(says("kpa-more", { throttle_kpa: r.throttle_kpa })),
          })}
        </p>
      )}
      <Fields
        specs={[
          words("name", says("name")),
          choice("emitter", says("gives-heat"), EMITTERS),
          words("zone", says("zone")),
          quantity("rated_w", says("rated-output"), "power", HEAT_W, { note: say(says("convectors-k")) }),
          { key: "ua_w_k", label: says("w-each-kelvin"), kind: "quantity", dimension: "count", unit: "", clearable: true, placeholder: says("rating") },
          quantity("area_m2", says("floor"), "surface", "m²", { clearable: true, placeholder: says("no-floor") }),
          quantity("floor_c", says("floors-surface"), "temperature", "°C"),
          quantity("pipe_length_m", says("pipe-both-ways"), "length", "m"),
          count("elbows", says("elbows")),
          quantity("drop_kpa", says("emitters-own-drop"), "pressure", "kPa", { scale: 0.001 }),
          flag("open", says("valve-open")),
        ]}
        item={z}
        onSet={(key, value, label) =>
          void set(z, { [key]: key === "zone" ? String(value).toLowerCase() : key === "elbows" ? Math.max(0, Math.round(Number(value ?? 0))) : value }, label)
        }
      />
      <TakeOut remove={() => remove(z)}>{says("remove-zone")}</TakeOut>
    </Slate>
  );
}

function Whole() {
  const { units } = usePerson();
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, part, set } = useWarmth();
  const loop = w.loop;
  const p = part.loop;
  return (
    <Slate title={says("heat-air")} sub={says("ducts-loop")}>
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth" && /^(duct|loop|drying)/.test(f.subject))} />
      <SlateFigs ks={["ducts/total_flow_m3_h", "ducts/plenum_pressure_pa", "ducts/mean_supply_temp_c", "ducts/delivered_w"]} />
      <Fields
        specs={[
          quantity("return_area_mm2", says("return-grille-free"), "surface", OPENING_MM2, { scale: 1e6, clearable: true, placeholder: says("not-entered") }),
          choice("return_from", says("return-air"), RETURNS),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("drying-cupboard")}</h3>
      {w.drying ? (
        <>
          {part.drying && (
            <p className={`my-1 text-[12px] ${part.drying.works ? "" : "text-[#f3b3a4]"}`}>
              {say(
                says("g-water-hour-c", {
                  carries_g_h: Math.round(part.drying.carries_g_h),
                  temp_c: part.drying.temp_c,
                  hours_more: part.drying.hours > 99,
                  hours: part.drying.hours,
                  duct: show(Math.round(part.drying.duct_w), HEAT_W, units),
                  heat: show(Math.round(part.drying.heat_w), HEAT_W, units),
                }),
              )}
            </p>
          )}
          <Fields
            specs={[
              quantity("water_g", says("water-take-out"), "mass", "g", { scale: 1000 }),
              quantity("hours", "in", "time", "h"),
              quantity("flow_m3_h", says("fan-moves"), "airflow", "m³/h"),
              choice(
                "duct",
                says("warmed"),
                (w.ducts ?? []).map((d) => ({ value: d.id, word: d.name })),
                { none: says("nothing") },
              ),
              choice("vented", says("air-goes"), [
                { value: "outside", word: says("air-outside") },
                { value: "inside", word: says("air-into-room") },
              ]),
            ]}
            item={w.drying}
            onSet={(key, value, label) => void edit([{ op: "replace", path: `/warmth/drying/${key}`, value }], says("drying-cupboard-2", { label }))}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("drying", null, says("no-drying-cupboard"))}>
            {says("no-drying-cupboard")}
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("drying", { name: says("drying-cupboard"), water_g: 1500, hours: 8, flow_m3_h: 45 }, says("drying-cupboard-3"))}
        >
          {says("add-drying-cupboard")}
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">{says("coolant-loop")}</h3>
      {loop ? (
        <>
          {p && (
            <p className="my-1 text-[12px]">
              {say(
                says("w-l-min-m", {
                  heat: show(Math.round(p.heat_w), HEAT_W, units),
                  flow_l_min: p.flow_l_min,
                  head_m: p.head_m,
                  has_pump_head_m: p.pump_head_m != null,
                  pump_head_m: p.pump_head_m ?? 0,
                  header_space_l: p.header_space_l,
                }),
              )}
              {p.hot_water_c != null && say(says("hot-water-c-l", { hot_water_c: p.hot_water_c, hot_water_38_l_min: p.hot_water_38_l_min ?? 0 }))}
            </p>
          )}
          <Fields
            specs={[
              choice("fluid", says("coolant"), FLUIDS),
              quantity("supply_c", says("supply"), "temperature", "°C"),
              count("delta_t_k", says("comes-back-cooler-k")),
              mm("pipe_inner_mm", says("pipe-inside")),
              quantity("pump_flow_max_l_min", says("pump-free-flow"), "flow", "L/min"),
              quantity("pump_head_max_m", says("pump-shut-head"), "length", "m"),
              quantity("volume_l", says("coolant-2"), "volume", "L"),
              quantity("header_space_l", says("header-free-space"), "volume", "L", { clearable: true, placeholder: says("not-entered") }),
              quantity("hot_water_l_min", says("hot-water-drawn"), "flow", "L/min"),
              flag("high_point_without_bleed", says("high-point-has-no")),
              flag("double_wall", says("double-wall-drinking-water")),
              flag("mixing_valve", say(says("thermostatic-valve-taps"))),
            ]}
            item={loop}
            onSet={(key, value, label) => {
              const pump = key === "pump_flow_max_l_min" ? "pump_head_max_m" : key === "pump_head_max_m" ? "pump_flow_max_l_min" : null;
              const other =
                pump && loop[pump] == null ? [{ op: "replace" as const, path: `/warmth/loop/${pump}`, value: pump === "pump_head_max_m" ? 2 : 15 }] : [];
              void edit([{ op: "replace", path: `/warmth/loop/${key}`, value }, ...other], says("coolant-loop-2", { label }));
            }}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("loop", null, says("no-coolant-loop"))}>
            {says("no-coolant-loop")}
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("loop", { zones: [] }, says("coolant-loop-3"))}>
          {says("add-coolant-loop")}
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function DuctsView() {
  const { report } = useVariant();
  const { units } = usePerson();
  const { w } = useWarmth();
  const hand = useHand();
  const ducts = useDucts();
  const loop = useLoopZones();
  const [list, setList] = useState<"ducts" | "loop">("ducts");
  const [proposing, setProposing] = useState(false);
  const part = report.warmth;
  const addDuct = ducts.add;
  const addZone = loop.add;
  const shown = w.loop && list === "loop" ? "loop" : "ducts";
  const create = useCallback(async () => {
    const id =
      shown === "loop" ? await addZone({ name: says("convector"), rated_w: 1000, pipe_length_m: 4 }) : await addDuct({ name: says("run"), length_m: 1.5 });
    if (id) hand.pick(shown === "loop" ? "loopzone" : "duct", id);
  }, [addDuct, addZone, shown, hand.pick]);
  useCall("bothy:new", create);
  const d = hand.kind === "duct" ? ducts.items.find((x) => x.id === hand.id) : undefined;
  const z = hand.kind === "loopzone" ? loop.items.find((x) => x.id === hand.id) : undefined;
  const nameOf = (id: string | null | undefined) => ducts.items.find((x) => x.id === id)?.name ?? says("heater");
  const columns: Column<WarmDuct>[] = [
    nameColumn(ducts, says("run-2"), "22%"),
    wordColumn("parent", says("from"), "16%", (x) => (x.parent ? nameOf(x.parent) : says("heater-outlet", { outlet: x.outlet ?? 1 }))),
    {
      key: "zone",
      label: says("zone"),
      width: "10%",
      kind: "text",
      show: (x) => x.zone,
      value: (x) => x.zone ?? "living",
      set: (x, zone) => void ducts.set(x, { zone: zone.toLowerCase() }, says("zone")),
    },
    lengthColumn(ducts, "9%", units),
    {
      key: "damper",
      label: says("damper"),
      width: "10%",
      kind: "choice",
      options: DAMPERS,
      show: (x) => wordOf(DAMPERS, x.damper ?? "none"),
      value: (x) => x.damper ?? "none",
      set: (x, v) => void ducts.set(x, { damper: v as WarmDuct["damper"] }, says("damper")),
    },
    { key: "flow", label: says("air"), width: "11%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.flow_m3_h, "m³/h", units, 2) },
    { key: "temp", label: says("comes-out"), width: "10%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.outlet_c, "°C", units, 2) },
    { key: "heat", label: says("arrives"), width: "12%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.delivered_w, HEAT_W, units) },
  ];
  const loopColumns: Column<LoopZone>[] = [
    nameColumn(loop, says("zone-loop"), "26%"),
    {
      key: "emitter",
      label: says("by"),
      width: "22%",
      kind: "choice",
      options: EMITTERS,
      show: (x) => wordOf(EMITTERS, x.emitter ?? "fan_coil"),
      value: (x) => x.emitter ?? "fan_coil",
      set: (x, v) => void loop.set(x, { emitter: v as LoopZone["emitter"] }, "emitter"),
    },
    { key: "heat", label: says("heat"), width: "13%", align: "right", kind: "computed", show: (x) => show(part.loop?.zones[x.id]?.heat_w, HEAT_W, units) },
    {
      key: "flow",
      label: says("flow"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.loop?.zones[x.id]?.flow_l_min, "L/min", units, 2),
    },
    { key: "drop", label: says("drop"), width: "13%", align: "right", kind: "computed", show: (x) => show(part.loop?.zones[x.id]?.drop_kpa, "kPa", units, 2) },
    {
      key: "valve",
      label: says("valve-takes"),
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.loop?.zones[x.id]?.throttle_kpa, "kPa", units, 2),
    },
  ];
  return (
    <Bench
      title={says("heat-air")}
      sentence={<Sentence />}
      picture={<DuctPicture />}
      tools={
        <>
          <StageViews stage={says("heat-air")} views={VIEWS} />
          {w.loop && (
            <span className="flex" role="group" aria-label={says("what-ledger-lists")}>
              {(["ducts", "loop"] as const).map((k) => (
                <button
                  key={k}
                  type="button"
                  className={`btn px-2 ${k === shown ? "!border-gorse font-semibold" : ""}`}
                  aria-pressed={k === shown}
                  onClick={() => setList(k)}
                >
                  {k === "ducts" ? says("ducts") : says("coolant-loop-4")}
                </button>
              ))}
            </span>
          )}
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {shown === "loop" ? says("add-zone-n") : says("add-run-n")}
          </button>
          <button type="button" className="btn" aria-pressed={proposing} onClick={() => setProposing(!proposing)}>
            {proposing ? says("runs") : says("dampers-bothy-would-set")}
          </button>
        </>
      }
      ledger={
        proposing ? (
          <Proposals groups={["ducts"]} empty={says("nothing-propose-until-heater")} />
        ) : shown === "loop" ? (
          <ItemLedger
            key=" Zones of the loop"
            label={says("zones-loop")}
            list={loop}
            kind="loopzone"
            columns={loopColumns}
            onAdd={create}
            empty={says("no-zone-yet-convector")}
          />
        ) : (
          <ItemLedger key=" Runs" label={says("runs-2")} list={ducts} kind="duct" columns={columns} onAdd={create} empty={says("no-run-yet-begin")} />
        )
      }
      slate={d ? <DuctSlate d={d} /> : z ? <LoopZoneSlate z={z} /> : <Whole />}
    />
  );
}
