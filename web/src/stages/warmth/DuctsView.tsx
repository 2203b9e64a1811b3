/** Ducts and coolant loop: runs in a ledger, what arrives in each zone, dampers and outlets. */

import { useCallback, useState } from "react";
import { show } from "../../data/show";
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
import { DuctPicture } from "./DuctPicture";
import { type LoopZone, useDucts, useLoopZones, useWarmth, type WarmDuct } from "./edit";
import { Sentence } from "./Sentence";
import { DAMPERS, EMITTERS, FLUIDS, GRILLES, JOINTS, LIES, RETURNS, VIEWS, wordOf } from "./words";

const CAUTION = "Outlet ducts reach 100 °C and more, coolant 90 °C under pressure: open the cap cold. One outlet always stays open.";

function DuctSlate({ d }: { d: WarmDuct }) {
  const say = useSaid();
  const { report } = useVariant();
  const { items, set, remove } = useDucts();
  const r = report.warmth.ducts[d.id];
  const below = (id: string): string[] => items.filter((x) => x.parent === id).flatMap((x) => [x.id, ...below(x.id)]);
  const mine = new Set([d.id, ...below(d.id)]);
  return (
    <Slate
      title={d.name}
      sub={r ? (r.trunk ? "a trunk that feeds branches" : `${Math.round(r.delivered_w)} of ${Math.round(r.need_w)} W for “${d.zone}”`) : "closed"}
    >
      <FindingList findings={report.findings.filter((f) => f.subject === `duct:${d.id}`)} />
      {r && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {say(`${Math.round(r.flow_m3_h)} m³/h go in at `)}
          {say(`${Math.round(r.supply_c)} °C`)}
          {r.outlet_c != null && say(` and come out at ${Math.round(r.outlet_c)} °C; ${Math.round(r.loss_w)} W are lost on the way`)}.
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice(
            "parent",
            "branches off",
            items.filter((x) => !mine.has(x.id)).map((x) => ({ value: x.id, word: x.name })),
            { none: "the heater" },
          ),
          count("outlet", "outlet of the heater", { note: "1 is the hottest where they differ" }),
          words("zone", "warms the zone"),
          mm("diameter_mm", "bore"),
          quantity("length_m", "length", "length", "m"),
          count("bends_90", "bends of 90°"),
          count("bends_45", "bends of 45°"),
          choice("joint", "begins", JOINTS),
          choice("grille", "grille", GRILLES),
          choice("damper", "damper, from open", DAMPERS),
          flag("closable", "its outlet can be closed"),
          flag("open", "it is open"),
          mm("insulation_mm", "sleeve"),
          choice("lies", "lies", LIES),
          mm("bend_radius_mm", "bent to a radius of", { clearable: true, placeholder: "not entered" }),
          mm("to_fabric_mm", "grille to fabric", { clearable: true, placeholder: "to measure", note: say("200 mm at least") }),
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
      <TakeOut remove={() => remove(d)}>Remove this run</TakeOut>
    </Slate>
  );
}

function LoopZoneSlate({ z }: { z: LoopZone }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useLoopZones();
  const r = report.warmth.loop?.zones[z.id];
  return (
    <Slate title={z.name} sub={wordOf(EMITTERS, z.emitter)}>
      <FindingList findings={report.findings.filter((f) => f.subject === `loopzone:${z.id}`)} />
      {r && (
        <p className="my-1 text-[12px] text-chalk-dim">
          {Math.round(r.heat_w)} W with {say(`${r.flow_l_min.toFixed(1)} L/min at `)}
          {say(`${r.velocity_m_s.toFixed(2)} m/s; its pipe takes `)}
          {say(`${r.drop_kpa.toFixed(1)} kPa, its valve must take `)}
          {say(`${r.throttle_kpa.toFixed(1)} kPa more.`)}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice("emitter", "gives its heat by", EMITTERS),
          words("zone", "zone"),
          quantity("rated_w", "rated output", "power", "W", { note: say("a convector’s at 50 K") }),
          { key: "ua_w_k", label: "W for each kelvin", kind: "quantity", dimension: "count", unit: "", clearable: true, placeholder: "from the rating" },
          quantity("area_m2", "floor", "surface", "m²", { clearable: true, placeholder: "no floor" }),
          quantity("floor_c", "floor’s surface", "temperature", "°C"),
          quantity("pipe_length_m", "pipe, both ways", "length", "m"),
          count("elbows", "elbows"),
          quantity("drop_kpa", "the emitter’s own drop", "pressure", "kPa", { scale: 0.001 }),
          flag("open", "its valve is open"),
        ]}
        item={z}
        onSet={(key, value, label) =>
          void set(z, { [key]: key === "zone" ? String(value).toLowerCase() : key === "elbows" ? Math.max(0, Math.round(Number(value ?? 0))) : value }, label)
        }
      />
      <TakeOut remove={() => remove(z)}>Remove this zone</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { w, part, set } = useWarmth();
  const loop = w.loop;
  const p = part.loop;
  return (
    <Slate title="Heat and air" sub="ducts and loop">
      <FindingList findings={report.findings.filter((f) => f.stage === "warmth" && /^(duct|loop|drying)/.test(f.subject))} />
      <SlateFigs ks={["ducts/total_flow_m3_h", "ducts/plenum_pressure_pa", "ducts/mean_supply_temp_c", "ducts/delivered_w"]} />
      <Fields
        specs={[
          quantity("return_area_mm2", "return grille, free", "surface", "mm²", { scale: 1e6, clearable: true, placeholder: "not entered" }),
          choice("return_from", "return air from", RETURNS),
        ]}
        item={w}
        onSet={(key, value, label) => void set(key, value, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Drying cupboard</h3>
      {w.drying ? (
        <>
          {part.drying && (
            <p className={`my-1 text-[12px] ${part.drying.works ? "" : "text-[#f3b3a4]"}`}>
              {say(
                `${Math.round(part.drying.carries_g_h)} g of water an hour at ${part.drying.temp_c.toFixed(0)} °C: dry in ${part.drying.hours > 99 ? "days" : `${part.drying.hours.toFixed(1)} h`}; ${Math.round(part.drying.duct_w)} W come in, ${Math.round(part.drying.heat_w)} W evaporate it.`,
              )}
            </p>
          )}
          <Fields
            specs={[
              quantity("water_g", "water to take out", "mass", "g", { scale: 1000 }),
              quantity("hours", "in", "time", "h"),
              quantity("flow_m3_h", "its fan moves", "airflow", "m³/h"),
              choice(
                "duct",
                "warmed by",
                (w.ducts ?? []).map((d) => ({ value: d.id, word: d.name })),
                { none: "nothing" },
              ),
              choice("vented", "its air goes", [
                { value: "outside", word: "outside" },
                { value: "inside", word: "into the room" },
              ]),
            ]}
            item={w.drying}
            onSet={(key, value, label) => void edit([{ op: "replace", path: `/warmth/drying/${key}`, value }], `drying cupboard: ${label}`)}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("drying", null, "no drying cupboard")}>
            no drying cupboard
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set("drying", { name: "Drying cupboard", water_g: 1500, hours: 8, flow_m3_h: 45 }, "a drying cupboard")}
        >
          Add a drying cupboard
        </button>
      )}
      <h3 className="mb-1 mt-3 font-display text-[14px]">Coolant loop</h3>
      {loop ? (
        <>
          {p && (
            <p className="my-1 text-[12px]">
              {say(
                `${Math.round(p.heat_w)} W with ${p.flow_l_min.toFixed(1)} L/min; ${p.head_m.toFixed(2)} m of head${p.pump_head_m != null ? `, the pump gives ${p.pump_head_m.toFixed(2)} m` : ""}. Header: ${p.header_space_l.toFixed(2)} L free.`,
              )}
              {p.hot_water_c != null && say(` Hot water at ${p.hot_water_c.toFixed(0)} °C; ${(p.hot_water_38_l_min ?? 0).toFixed(1)} L/min at 38 °C.`)}
            </p>
          )}
          <Fields
            specs={[
              choice("fluid", "coolant", FLUIDS),
              quantity("supply_c", "supply", "temperature", "°C"),
              count("delta_t_k", "comes back cooler by, K"),
              mm("pipe_inner_mm", "pipe, inside"),
              quantity("pump_flow_max_l_min", "pump, free flow", "flow", "L/min"),
              quantity("pump_head_max_m", "pump, shut head", "length", "m"),
              quantity("volume_l", "coolant in it", "volume", "L"),
              quantity("header_space_l", "header, free space", "volume", "L", { clearable: true, placeholder: "not entered" }),
              quantity("hot_water_l_min", "hot water drawn", "flow", "L/min"),
              flag("high_point_without_bleed", "a high point has no bleed"),
              flag("double_wall", "double wall to the drinking water"),
              flag("mixing_valve", say("a thermostatic valve at the taps")),
            ]}
            item={loop}
            onSet={(key, value, label) => {
              const pump = key === "pump_flow_max_l_min" ? "pump_head_max_m" : key === "pump_head_max_m" ? "pump_flow_max_l_min" : null;
              const other =
                pump && loop[pump] == null ? [{ op: "replace" as const, path: `/warmth/loop/${pump}`, value: pump === "pump_head_max_m" ? 2 : 15 }] : [];
              void edit([{ op: "replace", path: `/warmth/loop/${key}`, value }, ...other], `coolant loop: ${label}`);
            }}
          />
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set("loop", null, "no coolant loop")}>
            no coolant loop
          </button>
        </>
      ) : (
        <button type="button" className="btn btn-slate" onClick={() => void set("loop", { zones: [] }, "a coolant loop")}>
          Add a coolant loop
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
    const id = shown === "loop" ? await addZone({ name: "Convector", rated_w: 1000, pipe_length_m: 4 }) : await addDuct({ name: "Run", length_m: 1.5 });
    if (id) hand.pick(shown === "loop" ? "loopzone" : "duct", id);
  }, [addDuct, addZone, shown, hand.pick]);
  useCall("bothy:new", create);
  const d = hand.kind === "duct" ? ducts.items.find((x) => x.id === hand.id) : undefined;
  const z = hand.kind === "loopzone" ? loop.items.find((x) => x.id === hand.id) : undefined;
  const nameOf = (id: string | null | undefined) => ducts.items.find((x) => x.id === id)?.name ?? "the heater";
  const columns: Column<WarmDuct>[] = [
    nameColumn(ducts, "run", "22%"),
    wordColumn("parent", "from", "16%", (x) => (x.parent ? nameOf(x.parent) : `heater, outlet ${x.outlet ?? 1}`)),
    {
      key: "zone",
      label: "zone",
      width: "10%",
      kind: "text",
      show: (x) => x.zone,
      value: (x) => x.zone ?? "living",
      set: (x, zone) => void ducts.set(x, { zone: zone.toLowerCase() }, "zone"),
    },
    lengthColumn(ducts, "9%", units),
    {
      key: "damper",
      label: "damper",
      width: "10%",
      kind: "choice",
      options: DAMPERS,
      show: (x) => wordOf(DAMPERS, x.damper ?? "none"),
      value: (x) => x.damper ?? "none",
      set: (x, v) => void ducts.set(x, { damper: v as WarmDuct["damper"] }, "damper"),
    },
    { key: "flow", label: "air", width: "11%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.flow_m3_h, "m³/h", units, 2) },
    { key: "temp", label: "comes out at", width: "10%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.outlet_c, "°C", units, 2) },
    { key: "heat", label: "arrives", width: "12%", align: "right", kind: "computed", show: (x) => show(part.ducts[x.id]?.delivered_w, "W", units) },
  ];
  const loopColumns: Column<LoopZone>[] = [
    nameColumn(loop, "zone of the loop", "26%"),
    {
      key: "emitter",
      label: "by",
      width: "22%",
      kind: "choice",
      options: EMITTERS,
      show: (x) => wordOf(EMITTERS, x.emitter ?? "fan_coil"),
      value: (x) => x.emitter ?? "fan_coil",
      set: (x, v) => void loop.set(x, { emitter: v as LoopZone["emitter"] }, "emitter"),
    },
    { key: "heat", label: "heat", width: "13%", align: "right", kind: "computed", show: (x) => show(part.loop?.zones[x.id]?.heat_w, "W", units) },
    { key: "flow", label: "flow", width: "13%", align: "right", kind: "computed", show: (x) => show(part.loop?.zones[x.id]?.flow_l_min, "L/min", units, 2) },
    { key: "drop", label: "its drop", width: "13%", align: "right", kind: "computed", show: (x) => show(part.loop?.zones[x.id]?.drop_kpa, "kPa", units, 2) },
    {
      key: "valve",
      label: "its valve takes",
      width: "13%",
      align: "right",
      kind: "computed",
      show: (x) => show(part.loop?.zones[x.id]?.throttle_kpa, "kPa", units, 2),
    },
  ];
  return (
    <Bench
      title="Heat and air"
      sentence={<Sentence />}
      picture={<DuctPicture />}
      tools={
        <>
          <StageViews stage="Heat and air" views={VIEWS} />
          {w.loop && (
            <span className="flex" role="group" aria-label="What the ledger lists">
              {(["ducts", "loop"] as const).map((k) => (
                <button
                  key={k}
                  type="button"
                  className={`btn px-2 ${k === shown ? "!border-gorse font-semibold" : ""}`}
                  aria-pressed={k === shown}
                  onClick={() => setList(k)}
                >
                  {k === "ducts" ? "ducts" : "coolant loop"}
                </button>
              ))}
            </span>
          )}
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            {shown === "loop" ? "Add a zone (n)" : "Add a run (n)"}
          </button>
          <button type="button" className="btn" aria-pressed={proposing} onClick={() => setProposing(!proposing)}>
            {proposing ? "The runs" : "Dampers that Bothy would set"}
          </button>
        </>
      }
      ledger={
        proposing ? (
          <Proposals groups={["ducts"]} empty="Nothing to propose until a heater blows into runs." />
        ) : shown === "loop" ? (
          <ItemLedger
            key=" Zones of the loop"
            label="Zones of the loop"
            list={loop}
            kind="loopzone"
            columns={loopColumns}
            onAdd={create}
            empty={"No zone yet: a convector under the bench, a fan coil by the step, the exchanger for hot water."}
          />
        ) : (
          <ItemLedger
            key=" Runs"
            label="Runs"
            list={ducts}
            kind="duct"
            columns={columns}
            onAdd={create}
            empty={"No run yet. Begin with the coldest places: cab glass, rear doors, the sliding door’s step; then washroom, bed, tank bay."}
          />
        )
      }
      slate={d ? <DuctSlate d={d} /> : z ? <LoopZoneSlate z={z} /> : <Whole />}
    />
  );
}
