/** Tanks: shapes, heights, gauges, how they are held, and what joins them. */
import { useState } from "react";
import { show } from "../../data/show";
import { useVariant } from "../../data/variant";
import { choice, type FieldSpec, Fields, flag, mm, quantity, words } from "../../parts/Fields";
import { SlateFig } from "../../parts/Fig";
import { FindingList } from "../../parts/Findings";
import { ItemLedger, nameColumn, useMaking } from "../../parts/ItemLedger";
import type { Column } from "../../parts/Ledger";
import { TakeOut } from "../../parts/TakeOut";
import { Bench } from "../../shell/Bench";
import { useHand } from "../../shell/hand";
import { usePerson, useSaid } from "../../shell/person";
import { Slate } from "../../shell/Slate";
import { StageViews } from "../../shell/ViewSwitch";
import { BOX, type Join, type Prism, useJoins, useTanks, useWater, type WaterTank } from "./edit";
import { Sentence } from "./Sentence";
import { WaterPicture } from "./WaterPicture";
import { FILLS, HELD, HOLDS, PLACES, SENDERS, SHAPES, VIEWS, wordOf } from "./words";

const CAUTION = "A litre is a kilogram: low, near the axles, held for a crash and not only for braking. Before a floor is drilled: fuel, brake lines, cables.";
const metres = <K extends string>(key: K, label: string, more: object = {}) => quantity(key, label, "length", "m", more);

function partSpecs(p: Prism): FieldSpec<Prism>[] {
  const of: Record<Prism["shape"], FieldSpec<Prism>[]> = {
    box: [metres("length_m", "long, along the vehicle"), metres("width_m", "wide"), metres("height_m", "high")],
    cylinder_vertical: [metres("diameter_m", "across"), metres("height_m", "high")],
    cylinder_horizontal: [metres("diameter_m", "across"), metres("length_m", "long")],
    polygon: [metres("length_m", "long, along the vehicle")],
  };
  return [
    choice("shape", "shape", SHAPES),
    choice("op", "it is", [
      { value: "add", word: "a part of the tank" },
      { value: "cut", word: "cut out of it" },
    ]),
    ...of[p.shape],
    metres("base_z_m", "begins over the tank’s zero"),
  ];
}

/** A part's sizes for another shape, keeping what still fits. */
export function reshaped(p: Prism, shape: string): Prism {
  const tall = p.height_m ?? p.diameter_m ?? 0.3;
  const long = p.length_m ?? p.diameter_m ?? 0.6;
  const wide = p.width_m ?? p.diameter_m ?? 0.4;
  const base = { shape, op: p.op, base_z_m: p.base_z_m } as Prism;
  if (shape === "box") return { ...base, length_m: long, width_m: wide, height_m: tall };
  if (shape === "cylinder_vertical") return { ...base, diameter_m: wide, height_m: tall };
  if (shape === "cylinder_horizontal") return { ...base, diameter_m: tall, length_m: long };
  return {
    ...base,
    length_m: long,
    vertices_yz_m: [
      [0, 0],
      [wide, 0],
      [wide, tall / 2],
      [wide / 2, tall],
      [0, tall],
    ],
  };
}

/** The corners of a drawn section as text: "0 0, 500 0, 500 200" in millimetres, and back; null where it can't be read. */
export function readSection(text: string): number[][] | null {
  const points = text
    .split(/[,;\n]+/)
    .map((p) => p.trim())
    .filter(Boolean)
    .map((p) => p.split(/\s+/).map(Number));
  return points.length >= 3 && points.every((p) => p.length === 2 && p.every(Number.isFinite)) ? points.map((p) => p.map((v) => v / 1000)) : null;
}

function Section({ p, onSet }: { p: Prism; onSet: (points: number[][]) => void }) {
  const [bad, setBad] = useState(false);
  const text = (p.vertices_yz_m ?? []).map((v) => v.map((c) => Math.round(c * 1000)).join(" ")).join(", ");
  return (
    <label className="block py-0.5">
      <span className="text-[12px] text-chalk-dim">section, corners across and up in mm</span>
      <input
        key={text}
        className={`field-slate num w-full ${bad ? "!border-rust" : ""}`}
        defaultValue={text}
        aria-label="section, corners across and up in mm"
        aria-invalid={bad}
        onKeyDown={(e) => e.key === "Enter" && e.currentTarget.blur()}
        onBlur={(e) => {
          const points = readSection(e.target.value);
          setBad(!points);
          if (points && e.target.value !== text) onSet(points);
        }}
      />
      {bad && (
        <span role="alert" className="text-[12px] text-[#f3b3a4]">
          three corners and more, as “0 0, 500 0, 500 200”
        </span>
      )}
    </label>
  );
}

function TankSlate({ t }: { t: WaterTank & { name: string } }) {
  const say = useSaid();
  const { report, edit } = useVariant();
  const { set, remove, items } = useTanks();
  const { units } = usePerson();
  const p = report.water.tanks[t.id];
  const index = items.findIndex((x) => x.id === t.id);
  const parts = (prisms: Prism[], what: string) => void set(t, { prisms }, what);
  const s = t.sender;
  return (
    <Slate title={t.name} sub={wordOf(HOLDS, t.holds ?? "fresh")}>
      <FindingList findings={report.findings.filter((f) => f.subject === `tank:${t.id}`)} />
      {(["full_l", "usable_l", "dead_l", "mass_full_kg"] as const).map((k) => (
        <SlateFig key={k} k={`tanks/${t.id}/${k}`} />
      ))}
      {p && !p.problem && (
        <p className="my-1 text-[12px] text-chalk-dim">
          Its middle is {show(p.cg_z_m, "m", units)} over the floor. Full, its fixing holds {(p.need_x_n / 1000).toFixed(1)} kN forward,{" "}
          {(p.need_y_n / 1000).toFixed(1)} kN sideways, {(p.need_z_n / 1000).toFixed(1)} kN up.
          {p.drain_min != null && ` Full, it has run out of its drain after ${p.drain_min < 10 ? p.drain_min.toFixed(1) : p.drain_min.toFixed(0)} min.`}
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          choice("holds", "holds", HOLDS),
          choice("place", "stands", PLACES),
          metres("x_m", "from the front"),
          metres("z_m", "its zero over the floor"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Shape</h3>
      {t.prisms.map((q, i) => (
        <fieldset key={i} className="m-0 mb-1 border-0 border-l-2 border-slate-2 p-0 pl-2">
          <legend className="text-[12px] text-chalk-dim">Part {i + 1}</legend>
          <Fields
            specs={partSpecs(q)}
            item={q}
            onSet={(key, value, label) =>
              parts(
                t.prisms.map((x, n) => (n === i ? (key === "shape" ? reshaped(x, String(value)) : { ...x, [key]: value }) : x)),
                `part ${i + 1}: ${label}`,
              )
            }
          />
          {q.shape === "polygon" && (
            <Section
              p={q}
              onSet={(vertices_yz_m) =>
                parts(
                  t.prisms.map((x, n) => (n === i ? { ...x, vertices_yz_m } : x)),
                  `part ${i + 1}: section`,
                )
              }
            />
          )}
          {t.prisms.length > 1 && (
            <button
              type="button"
              className="text-[12px] text-chalk-dim underline"
              onClick={() =>
                parts(
                  t.prisms.filter((_, n) => n !== i),
                  `part ${i + 1} taken out`,
                )
              }
            >
              take part {i + 1} out
            </button>
          )}
        </fieldset>
      ))}
      <div className="flex gap-2">
        <button type="button" className="btn btn-slate" onClick={() => parts([...t.prisms, { ...BOX, length_m: 0.4 }], "one more part")}>
          Add a part
        </button>
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => parts([...t.prisms, { ...BOX, op: "cut", length_m: 0.3, width_m: 0.15, height_m: 0.15 }], "a part cut out")}
        >
          Cut one out
        </button>
      </div>
      <Fields
        specs={[
          metres("outlet_z_m", "outlet over its zero", { clearable: true, placeholder: "at its floor" }),
          metres("max_level_z_m", "full at", { clearable: true, placeholder: "its top" }),
          quantity("tank_mass_kg", "empty tank", "mass", "kg"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Vent, filler, fixing</h3>
      <Fields
        specs={[
          mm("vent_mm", "vent, inside", { clearable: true, placeholder: "none" }),
          flag("vent_high", "it ends above filler and top"),
          choice("fill_by", "filled", FILLS),
          mm("fill_mm", "filler, inside", { clearable: true, placeholder: "not entered" }),
          {
            key: "restraint_x_n",
            label: "fixing holds forward, N",
            kind: "quantity",
            dimension: "count",
            unit: "",
            clearable: true,
            placeholder: "not entered",
          },
          { key: "restraint_y_n", label: "sideways, N", kind: "quantity", dimension: "count", unit: "", clearable: true, placeholder: "not entered" },
          { key: "restraint_z_n", label: "up, N", kind: "quantity", dimension: "count", unit: "", clearable: true, placeholder: "not entered" },
          metres("undivided_m", "longest room without a wall", { clearable: true, placeholder: "its length" }),
          flag("food_grade", "marked for drinking water"),
          flag("budgeted", "full in the mass budget"),
          flag("leak_tray", "a drained tray or sensor under it"),
          flag("over_electrics", "it stands over electrics"),
          mm("drain_mm", "its drain, inside", { clearable: true, placeholder: "not entered" }),
          flag("drain_valve", "a drain valve at its lowest point"),
          flag("full_sensor", "a sensor at 90 %"),
          mm("foam_mm", "foam round it"),
          quantity("heater_w", "its heater", "power", "W"),
        ]}
        item={t}
        onSet={(key, value, label) => void set(t, { [key]: value }, label)}
      />
      <h3 className="mb-1 mt-3 font-display text-[14px]">Gauge</h3>
      {s ? (
        <>
          <Fields
            specs={[
              choice("kind", "sender", SENDERS),
              ...(s.kind === "stepped"
                ? []
                : [
                    quantity("empty_signal", "reads empty", "count", ""),
                    quantity("full_signal", "reads full", "count", ""),
                    metres("empty_z_m", "empty at", { clearable: true, placeholder: "the tank’s floor" }),
                    metres("full_z_m", "full at", { clearable: true, placeholder: "full level" }),
                    ...(s.kind === "resistive" ? [quantity("cable_resistance_ohm", "its cable, Ω", "count", "")] : []),
                  ]),
            ]}
            item={s}
            onSet={(key, value, label) => {
              const next = { ...s, [key]: value };
              if (key === "kind" && value === "stepped" && !s.step_z_m?.length && p) {
                next.step_z_m = [0.25, 0.5, 0.75, 1].map((f) => Number((p.bottom_z_m - (t.z_m ?? 0) + f * (p.top_z_m - p.bottom_z_m) * 0.95).toFixed(3)));
              }
              void edit([{ op: "replace", path: `/water/tanks/${index}/sender`, value: next }], `${t.name}, gauge: ${label}`);
            }}
          />
          {p?.gauge && p.gauge.rows.length > 0 && (
            <table className="my-1 w-full text-[12px]" aria-label="Calibration of the gauge">
              <thead>
                <tr className="text-left text-chalk-dim">
                  <th className="font-normal">usable</th>
                  <th className="text-right font-normal">{say("litres")}</th>
                  <th className="text-right font-normal">level</th>
                  <th className="text-right font-normal">reads, {p.gauge.unit}</th>
                </tr>
              </thead>
              <tbody className="num">
                {p.gauge.rows.map((r) => (
                  <tr key={r.fill_frac}>
                    <td>{Math.round(100 * r.fill_frac)} %</td>
                    <td className="text-right">{show(r.volume_l, "L", units)}</td>
                    <td className="text-right">{say(`${Math.round(1000 * r.level_z_m)} mm`)}</td>
                    <td className="text-right">{r.signal.toFixed(p.gauge!.unit === "V" ? 2 : 0)}</td>
                  </tr>
                ))}
              </tbody>
              <caption className="caption-bottom text-left text-chalk-dim">
                It can’t see the last {say(`${p.gauge.blind_low_l.toFixed(1)} L and the first `)}
                {say(`${p.gauge.blind_high_l.toFixed(1)} L.`)}
              </caption>
            </table>
          )}
          <button type="button" className="text-[12px] text-chalk-dim underline" onClick={() => void set(t, { sender: null }, "no gauge")}>
            no gauge
          </button>
        </>
      ) : (
        <button
          type="button"
          className="btn btn-slate"
          onClick={() => void set(t, { sender: { kind: "resistive", empty_signal: 0, full_signal: 190 } as never }, "a gauge")}
        >
          Add a gauge
        </button>
      )}
      <TakeOut remove={() => remove(t)}>Remove this tank</TakeOut>
    </Slate>
  );
}

function JoinSlate({ j }: { j: Join & { name: string } }) {
  const say = useSaid();
  const { report } = useVariant();
  const { set, remove } = useJoins();
  const { items } = useTanks();
  const { units } = usePerson();
  const p = report.water.joins[j.id];
  return (
    <Slate title={j.name} sub={`joins ${j.tanks.length} tanks`}>
      <FindingList findings={report.findings.filter((f) => f.subject === `join:${j.id}`)} />
      {p && (
        <p className="my-1 text-[12px]">
          {show(p.total_l, "L", units)} in all, {show(p.usable_l, "L", units)} reach the outlet, {show(p.unusable_l, "L", units)} stay behind. At the pump’s
          draw the levels part by {say(`${(1000 * p.draw_difference_m).toFixed(0)} mm`)}
          {p.balance_min != null && `; filled from one side they level out in ${p.balance_min.toFixed(1)} min`}.
        </p>
      )}
      <Fields
        specs={[
          words("name", "name"),
          metres("z_m", "over the floor"),
          mm("inner_diameter_mm", "bore"),
          metres("length_m", "length"),
          flag("common_vent", "vents end together above the highest top"),
        ]}
        item={j}
        onSet={(key, value, label) => void set(j, { [key]: value }, label)}
      />
      <fieldset className="m-0 mt-1 border-0 p-0">
        <legend className="text-[12px] text-chalk-dim">joins; the pump draws from the first</legend>
        {items.map((t) => (
          <label key={t.id} className="flex items-start gap-2 py-0.5">
            <input
              type="checkbox"
              className="mt-1"
              checked={j.tanks.includes(t.id)}
              disabled={j.tanks.includes(t.id) && j.tanks.length <= 2}
              onChange={(e) => void set(j, { tanks: e.target.checked ? [...j.tanks, t.id] : j.tanks.filter((x) => x !== t.id) }, t.name)}
            />
            {t.name}
          </label>
        ))}
      </fieldset>
      <TakeOut remove={() => remove(j)}>Part these tanks</TakeOut>
    </Slate>
  );
}

function Whole() {
  const say = useSaid();
  const { report } = useVariant();
  const { w, part, set } = useWater();
  const { units } = usePerson();
  const joins = useJoins();
  const hand = useHand();
  const free = (w.tanks ?? []).filter((t) => t.holds === "fresh" && !(w.joins ?? []).some((j) => j.tanks.includes(t.id)));
  return (
    <Slate title="Water" sub="tanks">
      <FindingList findings={report.findings.filter((f) => f.stage === "water" && /^(tank|join):/.test(f.subject))} />
      <p className="my-1 text-[12px] text-chalk-dim">{show(part.mass_full_kg, "kg", units)} with every tank full.</p>
      <Fields specs={[choice("restraint_school", "fixings hold", HELD)]} item={w} onSet={(key, value, label) => void set(key, value, label)} />
      {(w.joins ?? []).map((j) => (
        <button key={j.id} type="button" className="my-1 block underline decoration-dotted underline-offset-2" onClick={() => hand.pick("join", j.id)}>
          {j.name}
        </button>
      ))}
      {free.length >= 2 && (
        <button
          type="button"
          className="btn btn-slate my-1"
          onClick={() => {
            const low = Math.min(...free.map((t) => part.tanks[t.id]?.bottom_z_m ?? 0));
            void joins.add({ tanks: free.map((t) => t.id).slice(0, 6), z_m: Number(low.toFixed(3)) }).then((id) => id && hand.pick("join", id));
          }}
        >
          Join {free.length} fresh tanks
        </button>
      )}
      <p className="mt-3 border-l-2 border-gorse pl-2 text-[12px] text-chalk-dim">{say(CAUTION)}</p>
    </Slate>
  );
}

export function TanksView() {
  const { part } = useWater();
  const { units } = usePerson();
  const hand = useHand();
  const tanks = useTanks();
  const joins = useJoins();
  const { create, held: t } = useMaking(tanks, "tank", () => ({ prisms: [BOX], holds: "fresh" }));
  const j = hand.kind === "join" ? joins.items.find((x) => x.id === hand.id) : undefined;
  const columns: Column<WaterTank & { name: string }>[] = [
    nameColumn(tanks, "tank", "28%"),
    {
      key: "holds",
      label: "holds",
      width: "16%",
      kind: "choice",
      options: HOLDS,
      show: (x) => wordOf(HOLDS, x.holds ?? "fresh"),
      value: (x) => x.holds ?? "fresh",
      set: (x, v) => void tanks.set(x, { holds: v as WaterTank["holds"] }, "holds"),
    },
    {
      key: "place",
      label: "stands",
      width: "18%",
      kind: "choice",
      options: PLACES,
      show: (x) => wordOf(PLACES, x.place ?? "inside"),
      value: (x) => x.place ?? "inside",
      set: (x, v) => void tanks.set(x, { place: v as WaterTank["place"] }, "stands"),
    },
    { key: "full", label: "full", width: "12%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.full_l, "L", units) },
    { key: "usable", label: "usable", width: "12%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.usable_l, "L", units) },
    { key: "mass", label: "mass", width: "14%", align: "right", kind: "computed", show: (x) => show(part.tanks[x.id]?.mass_full_kg, "kg", units) },
  ];
  return (
    <Bench
      title="Water"
      sentence={<Sentence />}
      picture={<WaterPicture open={[]} onOpen={() => undefined} taps={undefined} what="tanks" />}
      tools={
        <>
          <StageViews stage="Water" views={VIEWS} />
          <button type="button" className="btn btn-main" onClick={() => void create()}>
            Add a tank (n)
          </button>
        </>
      }
      ledger={
        <ItemLedger
          label="Tanks"
          list={tanks}
          kind="tank"
          columns={columns}
          onAdd={create}
          empty={"No tank yet. Measure the room first: the tank, its fixing, and the outlet at its lowest point."}
        />
      }
      slate={t ? <TankSlate t={t} /> : j ? <JoinSlate j={j} /> : <Whole />}
    />
  );
}
